<script lang="ts">
  import ImagePlus from '@lucide/svelte/icons/image-plus';
  import { TILE_MASK } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import SquarePlus from '@lucide/svelte/icons/square-plus';
  import Trash2 from '@lucide/svelte/icons/trash-2';
  import { hold } from '../commands/holding';
  import PatchPicture from '../tray/PatchPicture.svelte';
  import Rename from '../ui/Rename.svelte';
  import FourTiles from '../tray/FourTiles.svelte';
  import MedleyPicture from '../tray/MedleyPicture.svelte';
  import Button from '../ui/Button.svelte';
  import { inOrder } from './shelf';
  import ShelfRow from './ShelfRow.svelte';

  /** Unused are the ids of bonds and medleys that lie on no map. */
  let { p, unused }: { p: Project; unused: string[] } = $props();

  const bonds = $derived(inOrder(p, p.session.scene?.bonds ?? []));
  const medleys = $derived(inOrder(p, p.session.scene?.medleys ?? []));

  /** A map of a patch comes to lie where there is room nearest to the middle of the view. */
  function makeMap(id: string): void {
    const { cellW, cellH } = p.session.scene?.project ?? { cellW: 1, cellH: 1 };
    const { middle } = p.viewport.camera;
    const at = p.viewport.camera.toBoard(middle.x, middle.y);
    void p.session.orders.makeMapOfPatch({ patch: id, x: Math.floor(at.x / cellW), y: Math.floor(at.y / cellH) });
  }

  /** A medley begins with what was used lately; it is dealt and changed on the desk. */
  async function makeMedley(): Promise<void> {
    const list = p.session.lately.tiles.slice(0, 3).map((cell) => cell & TILE_MASK);
    if (list.length === 0) list.push(p.session.tilesets.at(-1)?.first ?? 1);
    await p.session.orders.makeMedley({ tiles: list });
    if (p.session.state?.holding === 'medley') p.shell.layOnDesk({ kind: 'medley', id: p.session.state.medley });
  }
</script>

<div class="w-72 shrink-0 overflow-auto border-l border-line p-3">
  <Button label="Import a picture" onclick={() => p.shell.layOnDesk({ kind: 'nothing' })}
    ><ImagePlus size={16} /></Button
  >
  <p class="mt-1 mb-3 text-small text-soft">to be cut into tiles; or drop or paste one anywhere</p>
  <h2 class="mb-2 name">Bonds</h2>
  <ul class="mb-3 space-y-1">
    {#each bonds as bond, i (bond.id)}
      <ShelfRow {p} kind="bond" thing={bond} above={bonds[i - 1]?.id ?? ''} unused={unused.includes(bond.id)}>
        {#snippet picture()}<FourTiles {p} cells={bond.picture} size={30} />{/snippet}
      </ShelfRow>
    {:else}
      <li class="text-soft">
        Tiles that join up by themselves: walls, beds, water. Lay a tileset on the desk and mark a block of them.
      </li>
    {/each}
  </ul>
  <h2 class="mb-2 name">Medleys</h2>
  <ul class="mb-3 space-y-1">
    {#each medleys as medley, i (medley.id)}
      <ShelfRow {p} kind="medley" thing={medley} above={medleys[i - 1]?.id ?? ''} unused={unused.includes(medley.id)}>
        {#snippet picture()}<MedleyPicture {p} {medley} size={30} />{/snippet}
      </ShelfRow>
    {:else}
      <li class="text-soft">Tiles laid at random, in proportions you choose: gravel with a pebble now and then.</li>
    {/each}
  </ul>
  <Button label="Make a medley" onclick={makeMedley} />
  <h2 class="mt-3 mb-2 name">Patches</h2>
  <ul class="mb-3 space-y-1">
    {#each p.session.scene?.patches ?? [] as patch (patch.id)}
      <li class="flex items-center gap-1">
        <button
          class="flex min-w-0 flex-1 items-center gap-2 rounded-inner border p-0.5 text-left hover:bg-shelf {p.session
            .state?.holding === 'patch' && p.session.state.patch === patch.id
            ? 'border-saffron bg-held'
            : 'border-transparent'}"
          aria-label="Take {patch.name}"
          data-back
          onclick={() => hold(p, 'patch', { id: patch.id })}
        >
          <PatchPicture {p} id={patch.id} size={30} />
          <span class="min-w-0">
            <span class="block truncate">{patch.name}</span>
            <span class="block text-small text-soft figures">
              {patch.columns} × {patch.rows} cells{patch.layers > 1 ? `, ${patch.layers} layers` : ''}{patch.pieces > 0
                ? `, ${patch.pieces === 1 ? '1 piece' : `${patch.pieces} pieces`}`
                : ''}
            </span>
          </span>
        </button>
        <div class="w-24">
          <Rename
            value={patch.name}
            placeholder="Name"
            label="Name of the patch {patch.name}"
            rename={(text) => p.session.orders.rename({ thing: { kind: 'patch', id: patch.id }, name: text })}
          />
        </div>
        <button
          class="text-soft hover:text-ink"
          aria-label="Make a map of {patch.name}"
          title="Make a map of it"
          data-back
          onclick={() => makeMap(patch.id)}><SquarePlus size={14} /></button
        >
        <button
          class="text-soft hover:text-rose-ink"
          aria-label="Delete the patch {patch.name}"
          title="Delete"
          onclick={() => p.session.orders.delete({ thing: { kind: 'patch', id: patch.id } })}
          ><Trash2 size={14} /></button
        >
      </li>
    {:else}
      <li class="text-soft">A part of a map kept to be set down again: select cells, then keep them as a patch.</li>
    {/each}
  </ul>
  <h2 class="mt-3 mb-2 name">Re-skin</h2>
  <p class="mb-2 text-small text-soft">Swap one tileset for another on a map or on all, seen before it is done.</p>
  <Button label="Re-skin" onclick={() => p.shell.layOnDesk({ kind: 'reskin' })} />
</div>
