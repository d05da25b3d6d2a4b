<script lang="ts">
  import { keyOf, runCommand } from '../commands/register';
  import type { Project } from '../core/project.svelte';
  import { TICKS_PER_SECOND, type ActingView, type SlipView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  let { p, slip }: { p: Project; slip: SlipView } = $props();

  const act = (verb: 'set-acting' | 'try-acting', text: string, n: number): void => {
    p.order({ do: verb, kind: 'piece', id: slip.id, map: slip.map, text, n });
    p.draw();
  };
  /** The value that is being dragged, by its name. */
  let dragged: { name: string; value: number } | null = $state(null);
  /** Whether it sets or asks for anything yet. */
  const asks = $derived(slip.asking?.choices.some((c) => c.is > 0) ?? false);
  /** As few decimals as say what it is. */
  const shown = (value: number, per: number): number => Math.round((value / per) * 100) / 100;
  const length = $derived.by(() => (void p.state, p.trail.length));
  const met = $derived.by(() => (void p.state, p.trail.met));
</script>

{#snippet fields(acting: ActingView)}
  {#each acting.choices as c (c.name)}
    <label class="flex items-center justify-between gap-2">
      <span class="shrink-0">{c.label}</span>
      <select
        class="h-7 min-w-0 rounded-inner border border-line bg-sheet px-1"
        value={c.is}
        onchange={(e) => act('set-acting', c.name, Number(e.currentTarget.value))}
      >
        {#each c.options as name, i (i)}<option value={i}>{name}</option>{/each}
      </select>
    </label>
  {/each}
  {#each acting.values as v (v.name)}
    <div class="flex items-center gap-2">
      <span class="w-20 shrink-0">{v.label}</span>
      <input
        type="range"
        class="min-w-0 flex-1 accent-saffron"
        aria-label="{v.label}, dragged"
        min={v.least < 0 ? -v.reach : v.least}
        max={v.reach}
        value={v.value}
        oninput={(e) => {
          dragged = { name: v.name, value: e.currentTarget.valueAsNumber };
          act('try-acting', v.name, dragged.value);
        }}
        onchange={(e) => {
          dragged = null;
          act('set-acting', v.name, e.currentTarget.valueAsNumber);
        }}
      />
      <label class="flex h-7 w-24 items-center rounded-inner border border-line bg-sheet pr-1">
        <span class="sr-only">{v.label}</span>
        <input
          type="number"
          class="w-full min-w-0 bg-transparent px-1 figures"
          step={v.per === 1 ? 1 : v.per === 10 || v.per === TICKS_PER_SECOND ? 0.1 : 0.5}
          min={shown(v.least, v.per)}
          max={shown(v.most, v.per)}
          value={shown(dragged?.name === v.name ? dragged.value : v.value, v.per)}
          onchange={(e) => {
            const value = Math.round(e.currentTarget.valueAsNumber * v.per);
            if (Number.isFinite(value) && value !== v.value) act('set-acting', v.name, value);
            e.currentTarget.valueAsNumber = shown(v.value, v.per);
          }}
        />
        <span class="text-small text-soft">{v.unit}</span>
      </label>
    </div>
  {/each}
{/snippet}

{#if slip.acting}
  <div class="flex flex-col gap-1" role="group" aria-label="How it acts in play">
    {@render fields(slip.acting)}
    {#if slip.acting.moves}
      <label class="flex items-center gap-2">
        <span class="w-20 shrink-0">Ghost after</span>
        <input
          type="range"
          class="min-w-0 flex-1 accent-saffron"
          aria-label="Ghost after so many seconds"
          min={0}
          max={Math.max(1, length - 1)}
          value={p.trail.at}
          oninput={(e) => {
            p.trail.at = e.currentTarget.valueAsNumber;
            p.draw();
          }}
        />
        <span class="w-24 text-right figures">{(p.trail.at / TICKS_PER_SECOND).toFixed(1)} s</span>
      </label>
    {/if}
    {#if slip.acting.moves && met}
      <p class="text-small text-soft">As if the player stood still in the dashed box.</p>
    {/if}
    {#if slip.acting.choices.some((c) => c.name === 'track')}
      <span data-back
        ><Button
          label={slip.acting.tracked ? 'Lead its track on' : 'Make a track'}
          keys={keyOf('lead-on')}
          onclick={() => runCommand(p, 'lead-on')}
        /></span
      >
    {/if}
  </div>
{/if}

{#if slip.asking}
  <details open={asks} class="border-t border-line pt-1" data-asking>
    <summary class="cursor-pointer text-soft">facts: what it sets, what it asks for</summary>
    <div class="flex flex-col gap-1 pt-1" role="group" aria-label="Facts">{@render fields(slip.asking)}</div>
  </details>
{/if}
