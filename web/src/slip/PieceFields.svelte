<script lang="ts">
  import type { Project } from '../core/project.svelte';
  import type { SlipView } from '../core/types.gen';

  let { p, slip }: { p: Project; slip: SlipView } = $props();

  const set = (text: string, n: number): void =>
    p.order({ do: 'set-acting', kind: 'piece', id: slip.id, map: slip.map, text, n });
  /** As few decimals as say what it is. */
  const shown = (value: number, per: number): number => Math.round((value / per) * 100) / 100;
</script>

{#if slip.acting}
  <div class="flex flex-col gap-1" role="group" aria-label="How it acts in play">
    {#if slip.acting.doings.length > 0}
      <label class="flex items-center justify-between gap-2">
        <span>What it does</span>
        <select
          class="h-7 rounded-inner border border-line bg-sheet px-1"
          value={slip.acting.does}
          onchange={(e) => set('does', Number(e.currentTarget.value))}
        >
          {#each slip.acting.doings as name, i (name)}<option value={i}>{name}</option>{/each}
        </select>
      </label>
    {/if}
    {#each slip.acting.values as v (v.name)}
      <label class="flex items-center justify-between gap-2">
        <span>{v.label}</span>
        <span class="flex h-7 w-28 items-center rounded-inner border border-line bg-sheet pr-1.5">
          <input
            type="number"
            class="w-full min-w-0 bg-transparent px-1.5 figures"
            step={v.per === 1 ? 1 : v.per === 10 ? 0.1 : 0.5}
            min={shown(v.least, v.per)}
            max={shown(v.most, v.per)}
            value={shown(v.value, v.per)}
            onchange={(e) => {
              const value = Math.round(e.currentTarget.valueAsNumber * v.per);
              if (Number.isFinite(value) && value !== v.value) set(v.name, value);
              e.currentTarget.valueAsNumber = shown(v.value, v.per);
            }}
          />
          <span class="text-small text-soft">{v.unit}</span>
        </span>
      </label>
    {/each}
  </div>
{/if}
