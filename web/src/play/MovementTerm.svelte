<script lang="ts">
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import type { TermView } from '../core/types.gen';

  interface Props {
    term: TermView;
    /** What it was before. */
    before: number;
    drag: (value: number) => void;
    set: (value: number) => void;
  }
  let { term, before, drag, set }: Props = $props();

  const shown = (value: number): string => value.toFixed(Math.round(-Math.log10(term.fine)));

  function typed(event: Event & { currentTarget: HTMLInputElement }): void {
    const value = event.currentTarget.valueAsNumber;
    if (Number.isFinite(value) && value !== term.value) set(value);
    event.currentTarget.value = shown(term.value);
  }
</script>

<div class="flex items-center gap-1.5">
  <span class="w-25 shrink-0">{term.label}</span>
  <input
    type="range"
    class="min-w-0 flex-1 accent-saffron"
    aria-label={term.label}
    aria-valuetext="{shown(term.value)} {term.unit}"
    min={term.from}
    max={term.to}
    step={term.fine}
    value={term.value}
    oninput={(e) => drag(e.currentTarget.valueAsNumber)}
    onchange={(e) => set(e.currentTarget.valueAsNumber)}
  />
  <span class="flex h-7 w-23 shrink-0 items-center rounded-inner border border-line bg-sheet pr-1">
    <input
      type="number"
      class="w-full min-w-0 bg-transparent px-1 figures"
      aria-label="{term.label}, in {term.unit || 'points'}"
      step={term.step}
      value={shown(term.value)}
      onchange={typed}
    />
    <span class="text-small text-soft">{term.unit}</span>
  </span>
  <button
    class="size-5 shrink-0 {before === term.value ? 'invisible' : 'text-lagoon-ink'}"
    aria-label="{term.label}: back to {shown(before)} {term.unit}"
    title="Back to {shown(before)} {term.unit}"
    onclick={() => set(before)}><Undo2 size={14} /></button
  >
</div>
