<script lang="ts">
  import ImagePlus from '@lucide/svelte/icons/image-plus';
  import { TILE_MASK, type Project } from '../core/project.svelte';
  import { hold } from '../commands/register';
  import FourTiles from '../tray/FourTiles.svelte';
  import MedleyPicture from '../tray/MedleyPicture.svelte';
  import PieceIcon from '../tray/PieceIcon.svelte';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';

  let { p }: { p: Project } = $props();

  /** A medley begins with what was used lately; it is dealt and changed on the desk. */
  function makeMedley(): void {
    const list = p.lateTiles.slice(0, 3).map((cell) => cell & TILE_MASK);
    if (list.length === 0) list.push(p.tilesets.at(-1)?.first ?? 1);
    p.order({ do: 'make-medley', list });
    if (p.state?.holding === 'medley') p.layOnDesk({ kind: 'medley', id: p.state.medley });
  }
</script>

<section class="relative z-10 flex h-50 shrink-0 border-t border-line bg-sheet" aria-label="Drawer">
  <div class="w-70 shrink-0 overflow-auto border-r border-line p-3">
    <h2 class="mb-2 name">Pieces</h2>
    <ul class="space-y-1" data-back>
      {#each p.scene?.types ?? [] as type (type.id)}
        <li>
          <button
            class="flex w-full items-center gap-2 rounded-inner border px-1 text-left hover:bg-shelf {p.state
              ?.holding === 'piece' && p.state.type === type.id
              ? 'border-saffron bg-held'
              : 'border-transparent'}"
            onclick={() => hold(p, 'piece', { id: type.id })}
          >
            <PieceIcon type={type.id} family={type.family} />
            <span><strong>{type.name}</strong><br /><span class="text-small text-soft">{type.purpose}</span></span>
          </button>
        </li>
      {/each}
    </ul>
  </div>
  <!-- The one that came last stands first. -->
  <div class="flex min-w-0 flex-1 flex-col gap-4 overflow-auto p-3">
    {#each [...p.tilesets].reverse() as set (set.id)}
      <div>
        <div class="mb-1.5 flex items-center gap-3">
          <h2 class="min-w-0 truncate name">{set.name}</h2>
          <span class="text-small whitespace-nowrap text-soft figures">{set.count} tiles, {set.solid} solid</span>
          <span data-back
            ><Button label="Lay it on the desk" onclick={() => p.layOnDesk({ kind: 'tileset', id: set.id })} /></span
          >
        </div>
        <div class="flex flex-wrap gap-0.5" data-back>
          {#each set.places.slice(0, 512) as place, i (place)}
            {@const n = set.first + i}
            <button
              class="flex rounded-inner border p-0.5 {p.state?.holding === 'tile' && p.state.tile === n
                ? 'border-saffron'
                : 'border-transparent'}"
              aria-label="Take {set.tiles[i]?.name}{set.tiles[i]?.does ? `, ${set.tiles[i]?.does}` : ''}"
              title="{set.tiles[i]?.name}{set.tiles[i]?.does ? ` · ${set.tiles[i]?.does}` : ''}"
              onclick={() => hold(p, 'tile', { n })}><TilePicture {p} {n} size={30} /></button
            >
          {/each}
        </div>
        {#if set.count > 512}
          <p class="mt-2 text-soft">{set.count - 512} more lie on the desk.</p>
        {/if}
      </div>
    {/each}
  </div>
  <div class="w-60 shrink-0 overflow-auto border-l border-line p-3">
    <Button label="Bring in a picture" onclick={() => p.layOnDesk({ kind: 'nothing' })}><ImagePlus size={16} /></Button>
    <p class="mt-1 mb-3 text-small text-soft">to be cut into tiles; or drop or paste one anywhere</p>
    <h2 class="mb-2 name">Bonds</h2>
    <ul class="mb-3 space-y-1">
      {#each p.scene?.bonds ?? [] as bond (bond.id)}
        <li class="flex items-center gap-2">
          <button
            class="flex min-w-0 flex-1 items-center gap-2 rounded-inner border p-0.5 text-left hover:bg-shelf {p.state
              ?.holding === 'bond' && p.state.bond === bond.id
              ? 'border-saffron bg-held'
              : 'border-transparent'}"
            aria-label="Take {bond.name}"
            data-back
            onclick={() => hold(p, 'bond', { id: bond.id })}
          >
            <FourTiles {p} cells={bond.picture} size={30} /><span class="truncate">{bond.name}</span>
          </button>
          <Button label="Change" onclick={() => p.layOnDesk({ kind: 'bond', id: bond.id })} />
        </li>
      {:else}
        <li class="text-soft">
          Tiles that join up by themselves: walls, beds, water. Lay a tileset on the desk and mark a block of them.
        </li>
      {/each}
    </ul>
    <h2 class="mb-2 name">Medleys</h2>
    <ul class="mb-3 space-y-1">
      {#each p.scene?.medleys ?? [] as medley (medley.id)}
        <li class="flex items-center gap-2">
          <button
            class="flex min-w-0 flex-1 items-center gap-2 rounded-inner border p-0.5 text-left hover:bg-shelf {p.state
              ?.holding === 'medley' && p.state.medley === medley.id
              ? 'border-saffron bg-held'
              : 'border-transparent'}"
            aria-label="Take {medley.name}"
            data-back
            onclick={() => hold(p, 'medley', { id: medley.id })}
          >
            <MedleyPicture {p} {medley} size={30} /><span class="truncate">{medley.name}</span>
          </button>
          <Button label="Change" onclick={() => p.layOnDesk({ kind: 'medley', id: medley.id })} />
        </li>
      {:else}
        <li class="text-soft">Tiles laid at random, in proportions you choose: gravel with a pebble now and then.</li>
      {/each}
    </ul>
    <Button label="Make a medley" onclick={makeMedley} />
    <h2 class="mt-3 mb-2 name">Re-skin</h2>
    <p class="mb-2 text-small text-soft">Swap one tileset for another on a map or on all, seen before it is done.</p>
    <Button label="Re-skin" onclick={() => p.layOnDesk({ kind: 'reskin' })} />
  </div>
</section>
