<script lang="ts">
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import type { Comparison } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';

  interface Props {
    p: Project;
    /** The tileset as it is. */
    set: Tileset;
    comparison: Comparison;
  }
  let { p, set, comparison }: Props = $props();

  const MOST = 200;
  /** How many cells hold each tile. */
  const cells = $derived(p.session.ask.tileCells({ tileset: set.id }));
  const lists = $derived([
    { words: 'gone', says: 'They stay usable from the older picture.', list: comparison.gone },
    { words: 'changed', says: 'They are at their place and look different.', list: comparison.changed },
    { words: 'moved', says: 'Maps follow them.', list: comparison.moved },
  ]);
  const used = (list: number[]): number => list.reduce((sum, i) => sum + (cells[i] ?? 0), 0);
</script>

<section class="flex flex-col gap-2" aria-label="What became of the tiles" data-newer>
  <p class="figures">{comparison.kept} tiles stay as they are, {comparison.added} are new.</p>
  {#each lists as { words, says, list } (words)}
    {#if list.length > 0}
      <div>
        <h3 class="font-semibold figures {words === 'gone' ? 'text-rose-ink' : ''}">
          {`${list.length} ${words}${used(list) > 0 ? `, in ${used(list)} cells` : ''}`}
        </h3>
        <p class="mb-1 text-small text-soft">{says}</p>
        <div class="flex flex-wrap gap-0.5">
          {#each list.slice(0, MOST) as i (i)}
            <span title={set.tiles[i]?.name}><TilePicture {p} n={set.first + i} size={24} /></span>
          {/each}
          {#if list.length > MOST}<span class="text-soft">and {list.length - MOST} more</span>{/if}
        </div>
      </div>
    {/if}
  {/each}
</section>
