<script lang="ts">
  import { MEASURES, type AskableView, type RulePartForm } from '../core/types.gen';
  import Choose from '../conditions/Choose.svelte';
  import TextValue from '../conditions/TextValue.svelte';
  import MeasureField from '../ui/MeasureField.svelte';
  import { factWords, wordOf } from './slots';

  /** A number in a sentence: a time, how often, how likely, or what a fact becomes. */
  interface Props {
    of: AskableView;
    form: RulePartForm;
    /** Whether it is a time, and how long. */
    timed: boolean;
    seconds: number;
    set: (change: Partial<RulePartForm>, seconds?: number) => void;
  }
  let { of, form, timed, seconds, set }: Props = $props();

  const words = $derived(form.moment === 'fact-reached' ? factWords(of, form.thing) : null);
  const textual = $derived(
    form.moment === 'fact-reached' ? of.facts.find((f) => f.id === form.thing && f.text) : undefined,
  );
</script>

{#if timed}
  <MeasureField
    measure={MEASURES.ruleTime}
    label={form.does === 'wait' ? 'Wait' : 'For how long'}
    value={seconds}
    change={(n) => set({}, n)}
  />
{:else if textual}
  <TextValue
    label="What it becomes"
    texts={textual.texts}
    value={form.number ?? 0}
    change={(text) =>
      set(text === '' ? { number: 0 } : { number: 0, value: { is: 'number', thing: textual.id, text } })}
  />
{:else if words}
  <Choose
    label="What it becomes"
    value={wordOf(words, form.number ?? 0)}
    choices={words}
    change={(n) => set({ number: Number(n) })}
  />
{:else}
  <label class="flex items-center gap-2">
    <span>How many</span>
    <input
      type="number"
      step="1"
      class="h-7 w-24 rounded-inner border border-line bg-sheet px-1 figures"
      value={form.number ?? 0}
      onchange={(e) => {
        const n = Math.round(e.currentTarget.valueAsNumber);
        if (Number.isFinite(n)) set({ number: n });
      }}
    />
  </label>
{/if}
