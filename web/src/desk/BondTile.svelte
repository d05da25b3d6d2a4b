<script lang="ts">
  import type { Project } from '../project.svelte';
  import { JOINS_COUNT, MAX_WEIGHT, NEIGHBOURS, ROUND, type Bonded } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';

  interface Props {
    p: Project;
    join: number;
    tile: Bonded;
    change: (tile: Bonded) => void;
    remove: () => void;
  }
  let { p, join, tile, change, remove }: Props = $props();
</script>

<section class="flex flex-col gap-2" aria-label="The tile that is looked at">
  <h3 class="truncate name">{p.session.tileName(tile.tile)}</h3>
  <div class="flex items-center gap-3">
    <div class="grid w-fit grid-cols-3 gap-0.5">
      {#each ROUND as bit (bit)}
        {#if bit < 0}
          <TilePicture {p} n={tile.tile} size={28} />
        {:else if (JOINS_COUNT[join] ?? 0) & (1 << bit)}
          {@const on = (tile.joined & (1 << bit)) !== 0}
          <button
            class="size-7 rounded-inner border {on ? 'border-lagoon bg-lagoon' : 'border-line bg-sheet'}"
            aria-label="Joins {NEIGHBOURS[bit]}"
            title={NEIGHBOURS[bit]}
            aria-pressed={on}
            onclick={() =>
              change({
                ...tile,
                joined: p.session.ask.joinWith({ join, joined: tile.joined, neighbour: bit, on: !on }),
              })}
          ></button>
        {:else}
          <span></span>
        {/if}
      {/each}
    </div>
    <label class="flex flex-col gap-1">
      <span>Weight</span>
      <input
        type="number"
        class="h-7 w-16 rounded-inner border border-line bg-sheet px-1 figures"
        min="0"
        max={MAX_WEIGHT}
        value={tile.weight}
        onchange={(e) => change({ ...tile, weight: Math.trunc(e.currentTarget.valueAsNumber) || 0 })}
      />
    </label>
  </div>
  <span><Button label="Remove it from the bond" onclick={remove} /></span>
</section>
