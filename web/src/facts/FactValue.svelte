<script lang="ts">
  import TextValue from '../conditions/TextValue.svelte';
  import type { FactView } from '../core/types.gen';

  /** A value of a fact: yes or no, a number within its range, one of its words, or a text. */
  interface Props {
    label: string;
    fact: FactView;
    value: number;
    set: (value: number) => void;
    /** What a typed text does, of a fact that is one; without it one of its texts is chosen. */
    type?: (text: string) => void;
  }
  let { label, fact, value, set, type }: Props = $props();

  const words = $derived(fact.counts ? fact.words : ['no', 'yes']);
</script>

{#if fact.text && type}
  <TextValue {label} texts={fact.texts} {value} change={type} />
{:else if fact.text}
  <select
    class="h-7 max-w-40 rounded-inner border border-line bg-sheet px-1"
    aria-label={label}
    value={fact.texts.some((t) => t.number === value) ? value : 0}
    onchange={(e) => set(Number(e.currentTarget.value))}
  >
    <option value={0}>empty</option>
    {#each fact.texts as t (t.number)}<option value={t.number}>{t.text}</option>{/each}
  </select>
{:else if words.length === 0}
  <input
    type="number"
    class="h-7 w-20 rounded-inner border border-line bg-sheet px-1 figures"
    aria-label={label}
    min={fact.least}
    max={fact.most}
    {value}
    onchange={(e) => {
      const n = Math.round(e.currentTarget.valueAsNumber);
      if (Number.isFinite(n) && n !== value) set(n);
      e.currentTarget.valueAsNumber = value;
    }}
  />
{:else}
  <select
    class="h-7 max-w-40 rounded-inner border border-line bg-sheet px-1"
    aria-label={label}
    value={Math.max(0, Math.min(value, words.length - 1))}
    onchange={(e) => set(Number(e.currentTarget.value))}
  >
    {#each words as word, i (i)}<option value={i}>{word}</option>{/each}
  </select>
{/if}
