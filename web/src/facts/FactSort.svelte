<script lang="ts">
  import type { Project } from '../project.svelte';
  import { FACT_SORTS, type FactView } from '../core/types.gen';

  /** What a fact is: yes or no, a number with its range, one of some words, or a short text; and to what it belongs. */
  let { p, fact }: { p: Project; fact: FactView } = $props();

  /** Those of FACT_SORTS of which more is set. */
  const NUMBER = 1;
  const WORDS = 2;
  const { orders } = $derived(p.session);

  function reach(input: HTMLInputElement, change: (n: number) => { least: number; most: number }): void {
    const n = Math.round(input.valueAsNumber);
    if (Number.isFinite(n)) void orders.setFactRange({ fact: fact.id, ...change(n) });
    else input.valueAsNumber = fact.least;
  }
</script>

<span class="flex flex-wrap items-center gap-2 text-small">
  <span class="text-soft">is</span>
  <select
    class="h-7 rounded-inner border border-line bg-sheet px-1"
    aria-label="What {fact.name} is"
    value={fact.sort}
    onchange={(e) => orders.setFactSort({ fact: fact.id, sort: Number(e.currentTarget.value) })}
  >
    {#each FACT_SORTS as label, i (i)}<option value={i}>{label}</option>{/each}
  </select>
  <span class="text-soft">of</span>
  <select
    class="h-7 max-w-full min-w-0 rounded-inner border border-line bg-sheet px-1"
    aria-label="To what {fact.name} belongs"
    value={fact.map}
    onchange={(e) => orders.setFactMap({ fact: fact.id, map: e.currentTarget.value })}
  >
    <option value="">the whole game</option>
    {#each p.session.scene?.maps ?? [] as m (m.id)}<option value={m.id}>{m.name}</option>{/each}
  </select>
  {#if fact.sort === NUMBER}
    <span class="flex items-center gap-2">
      <span class="text-soft">from</span>
      <input
        type="number"
        class="h-7 w-18 rounded-inner border border-line bg-sheet px-1 figures"
        aria-label="{fact.name} is at least"
        value={fact.least}
        onchange={(e) => reach(e.currentTarget, (least) => ({ least, most: fact.most }))}
      />
      <span class="text-soft">to</span>
      <input
        type="number"
        class="h-7 w-24 rounded-inner border border-line bg-sheet px-1 figures"
        aria-label="{fact.name} is at most"
        value={fact.most}
        onchange={(e) => reach(e.currentTarget, (most) => ({ least: fact.least, most }))}
      />
    </span>
  {/if}
</span>
{#if fact.sort === WORDS}
  <label class="flex items-center gap-2 text-small">
    <span class="text-soft">words</span>
    <input
      class="h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-2"
      aria-label="Words of {fact.name}, with commas between"
      title="In their order, with commas between"
      value={fact.typed}
      onchange={(e) => orders.setFactWords({ fact: fact.id, typed: e.currentTarget.value })}
    />
  </label>
{/if}
