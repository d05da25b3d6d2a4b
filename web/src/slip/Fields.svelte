<script lang="ts">
  import type { FieldView } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import WordsField from './WordsField.svelte';

  /** What can be set of one piece, or of several at once, as the core declares it. */
  interface Props {
    p: Project;
    fields: FieldView[];
    /** Called while a number is dragged. */
    attempt?: (field: string, number: number) => void;
    change: (field: string, number: number) => void;
    choose: (field: string, choice: string) => void;
  }
  let { p, fields, attempt, change, choose }: Props = $props();

  /** Stands for the choice of several pieces that differ in it. */
  const DIFFERS = 'differs';
  /** The value that is being dragged, by its name. */
  let dragged: { name: string; value: number } | null = $state(null);

  /** What it is called apart from its heading. */
  const called = (field: FieldView): string => (field.heading === '' ? field.label : `${field.heading} ${field.label}`);

  function typed(field: FieldView, input: HTMLInputElement): void {
    const value = input.valueAsNumber;
    if (Number.isFinite(value) && (field.differs || value !== field.value)) change(field.name, value);
    input.value = field.differs ? '' : String(field.value);
  }
</script>

{#each fields as field, i (field.name)}
  {#if field.heading !== '' && field.heading !== fields[i - 1]?.heading}
    <div class="pt-1 text-small text-soft">{field.heading}</div>
  {/if}
  {#if field.typed !== null}
    <WordsField
      {p}
      name={field.name}
      label={field.label}
      help={field.help}
      typed={field.differs ? null : field.typed}
      change={(text) => choose(field.name, text)}
    />
  {:else if field.colour !== null}
    <div class="flex items-center justify-between gap-2" title={field.help}>
      <span class="shrink-0">{field.label}</span>
      <span class="flex items-center gap-2">
        {#if field.colour !== ''}
          <button
            class="text-small text-soft underline decoration-dotted"
            aria-label="{field.label}: none"
            onclick={() => choose(field.name, '')}>none</button
          >
        {/if}
        <input
          type="color"
          class="h-7 w-10 rounded-inner border border-line bg-sheet p-0.5"
          aria-label={field.label}
          value={field.colour === '' ? '#ffffff' : field.colour}
          onchange={(e) => choose(field.name, e.currentTarget.value)}
        />
      </span>
    </div>
  {:else if field.options.length > 0}
    <label class="flex items-center justify-between gap-2" title={field.help}>
      <span class="shrink-0">{field.label}</span>
      <select
        class="h-7 min-w-0 rounded-inner border border-line bg-sheet px-1"
        value={field.differs ? DIFFERS : field.chosen}
        onchange={(e) => choose(field.name, e.currentTarget.value)}
      >
        {#if field.differs}<option value={DIFFERS} disabled>differs</option>{/if}
        {#each field.options as option (option.id)}<option value={option.id}>{option.label}</option>{/each}
      </select>
    </label>
  {:else}
    <div class="flex items-center gap-2" title={field.help}>
      <span class="w-20 shrink-0">{field.label}</span>
      <input
        type="range"
        class="min-w-0 flex-1 accent-saffron"
        aria-label="{called(field)}, dragged"
        min={field.from}
        max={field.to}
        step={field.fine}
        value={field.value}
        oninput={(e) => {
          dragged = { name: field.name, value: e.currentTarget.valueAsNumber };
          attempt?.(field.name, dragged.value);
        }}
        onchange={(e) => {
          dragged = null;
          change(field.name, e.currentTarget.valueAsNumber);
        }}
      />
      <label class="flex h-7 w-22 items-center rounded-inner border border-line bg-sheet pr-1">
        <span class="sr-only">{called(field)}</span>
        <input
          type="number"
          class="w-full min-w-0 bg-transparent px-1 figures"
          step={field.step}
          min={field.least}
          max={field.most}
          placeholder={field.differs ? 'differs' : undefined}
          value={dragged?.name === field.name
            ? Math.round(dragged.value * 100) / 100
            : field.differs
              ? ''
              : field.value}
          onchange={(e) => typed(field, e.currentTarget)}
        />
        {#if !field.differs}<span class="shrink-0 text-small text-soft">{field.unit}</span>{/if}
      </label>
    </div>
  {/if}
{/each}
