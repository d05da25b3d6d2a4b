<script lang="ts">
  import ImagePlus from '@lucide/svelte/icons/image-plus';
  import { Virtualizer } from 'virtua/svelte';
  import { TILE_MASK } from '../core/tilesets';
  import type { BondView, MedleyView, PatchView } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import FourTiles from '../tray/FourTiles.svelte';
  import MedleyPicture from '../tray/MedleyPicture.svelte';
  import Button from '../ui/Button.svelte';
  import { inOrder } from './shelf';
  import PatchRow from './PatchRow.svelte';
  import ShelfRow from './ShelfRow.svelte';

  /** Unused are the ids of bonds and medleys that lie on no map. */
  let { p, unused }: { p: Project; unused: string[] } = $props();

  const bonds = $derived(inOrder(p, p.session.scene?.bonds ?? []));
  /** The sorts of things that lie here, with what is said while there are none. */
  const SORTS = {
    bond: {
      name: 'Bonds',
      none: 'Tiles that join up by themselves: walls, beds, water. Lay a tileset on the desk and mark a block of them.',
    },
    medley: {
      name: 'Medleys',
      none: 'Tiles laid at random, in proportions you choose: gravel with a pebble now and then.',
    },
    patch: {
      name: 'Patches',
      none: 'A part of a map kept to be set down again: select cells, then keep them as a patch.',
    },
  };
  type Row =
    | { id: string; is: 'import' | 'make' | 'reskin' }
    | { id: string; is: 'heading' | 'none'; of: keyof typeof SORTS }
    | { id: string; is: 'bond'; thing: BondView; above: string }
    | { id: string; is: 'medley'; thing: MedleyView; above: string }
    | { id: string; is: 'patch'; thing: PatchView };
  const medleys = $derived(inOrder(p, p.session.scene?.medleys ?? []));

  /** A medley begins with what was used lately; it is dealt and changed on the desk. */
  async function makeMedley(): Promise<void> {
    const list = p.session.lately.tiles.slice(0, 3).map((cell) => cell & TILE_MASK);
    if (list.length === 0) list.push(p.session.tilesets.at(-1)?.first ?? 1);
    await p.session.orders.makeMedley({ tiles: list });
    if (p.session.state?.holding === 'medley') p.shell.layOnDesk({ kind: 'medley', id: p.session.state.medley });
  }

  const rows = $derived.by(() => {
    const patches = p.session.scene?.patches ?? [];
    const list: Row[] = [{ id: 'import', is: 'import' }];
    const begin = (of: keyof typeof SORTS, empty: boolean): void => {
      list.push({ id: of, is: 'heading', of });
      if (empty) list.push({ id: `no ${of}`, is: 'none', of });
    };
    begin('bond', bonds.length === 0);
    bonds.forEach((thing, i) => list.push({ id: thing.id, is: 'bond', thing, above: bonds[i - 1]?.id ?? '' }));
    begin('medley', medleys.length === 0);
    medleys.forEach((thing, i) => list.push({ id: thing.id, is: 'medley', thing, above: medleys[i - 1]?.id ?? '' }));
    list.push({ id: 'make', is: 'make' });
    begin('patch', patches.length === 0);
    for (const thing of patches) list.push({ id: thing.id, is: 'patch', thing });
    return [...list, { id: 'reskin', is: 'reskin' } as const];
  });
  let scrolled: HTMLElement | undefined = $state();
</script>

<div class="w-72 shrink-0 overflow-auto border-l border-line p-3 max-lg:w-56" bind:this={scrolled}>
  {#if scrolled}
    <!-- Only what is in view is there: a shelf may have thousands of things. -->
    <Virtualizer data={rows} getKey={(row) => row.id} as="ul" item="li" scrollRef={scrolled}>
      {#snippet children(row)}<div class="pb-1">{@render shown(row)}</div>{/snippet}
    </Virtualizer>
  {/if}
</div>

{#snippet shown(row: Row)}
  {#if row.is === 'import'}
    <Button label="Import a picture" onclick={() => p.shell.layOnDesk({ kind: 'nothing' })}
      ><ImagePlus size={16} /></Button
    >
    <p class="mt-1 text-small text-soft">to be cut into tiles; or drop or paste one anywhere</p>
  {:else if row.is === 'heading'}
    <h2 class="mt-2 mb-1 name">{SORTS[row.of].name}</h2>
  {:else if row.is === 'none'}
    <p class="text-soft">{SORTS[row.of].none}</p>
  {:else if row.is === 'bond'}
    <ShelfRow {p} kind="bond" thing={row.thing} above={row.above} unused={unused.includes(row.id)}>
      {#snippet picture()}<FourTiles {p} cells={row.thing.picture} size={30} />{/snippet}
    </ShelfRow>
  {:else if row.is === 'medley'}
    <ShelfRow {p} kind="medley" thing={row.thing} above={row.above} unused={unused.includes(row.id)}>
      {#snippet picture()}<MedleyPicture {p} medley={row.thing} size={30} />{/snippet}
    </ShelfRow>
  {:else if row.is === 'make'}
    <Button label="Make a medley" onclick={makeMedley} />
  {:else if row.is === 'patch'}
    <PatchRow {p} patch={row.thing} />
  {:else}
    <h2 class="mt-2 mb-1 name">Re-skin</h2>
    <p class="mb-2 text-small text-soft">Swap one tileset for another on a map or on all, seen before it is done.</p>
    <Button label="Re-skin" onclick={() => p.shell.layOnDesk({ kind: 'reskin' })} />
  {/if}
{/snippet}
