<script lang="ts">
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import type { Mark } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Choices from '../ui/Choices.svelte';
  import MarkFields from './MarkFields.svelte';
  import { markOf, type Taking } from './marks';
  import TileNaming from './TileNaming.svelte';
  import TileSheet from './TileSheet.svelte';

  let { p, set }: { p: Project; set: Tileset } = $props();

  let mark = $state.raw<Mark>(markOf('solid'));
  /** The tile that is looked at. */
  let seen = $state<number | null>(null);

  let w = $state(0);
  let h = $state(0);
  let taking = $state<Taking>('marks');
  const takings: [Taking, string][] = [
    ['marks', 'What they do'],
    ['block', 'Bond'],
    ['frames', 'Frames'],
  ];

  function apply(list: number[]): void {
    if (list.length === 0) return;
    if (taking === 'block') {
      const tiles = [...list].sort((a, b) => a - b).map((i) => set.first + i);
      p.shell.layOnDesk({ kind: 'proposal', proposal: p.session.ask.proposeBond({ tiles, join: -1 }) });
    } else if (taking === 'frames') {
      void p.session.orders.showFrames({ tileset: set.id, tiles: list });
    } else void p.session.orders.markTiles({ tileset: set.id, tiles: list, mark });
  }
</script>

<div class="flex min-h-0 flex-1">
  <div class="min-w-0 flex-1 overflow-auto bg-board p-4" bind:clientWidth={w} bind:clientHeight={h}>
    <TileSheet {p} {set} {mark} {taking} {seen} look={(i) => (seen = i)} {apply} room={{ w: w - 32, h: h - 32 }} />
  </div>
  <div class="flex w-132 shrink-0 flex-col border-l border-line max-lg:w-96">
    <div class="flex min-h-0 flex-1 gap-4 overflow-auto p-3">
      <div class="flex w-64 shrink-0 flex-col gap-2 max-lg:w-48">
        <Choices label="What strokes are for" options={takings} value={taking} choose={(to) => (taking = to)} />
        {#if taking === 'block'}
          <p class="text-soft">
            Drag over the tiles that join up. Azzel compares their edges and proposes which is which.
          </p>
        {:else if taking === 'frames'}
          <p class="text-soft">Drag over frames in their order. The first tile shows them one after the other.</p>
        {:else}
          <MarkFields {p} {mark} change={(to) => (mark = to)} />
        {/if}
      </div>
      <div class="flex min-w-0 flex-1 flex-col gap-2">
        {#if seen !== null && set.tiles[seen]}
          {#key seen}<TileNaming {p} {set} index={seen} />{/key}
        {:else}
          <p class="text-soft">
            Point at a tile to see what it does; click it to name it and draw what of it is solid.
          </p>
        {/if}
      </div>
    </div>
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-t border-line px-3 py-2">
      <Button label="Another tileset" onclick={() => (p.shell.desk = { kind: 'nothing' })} />
      <span class="whitespace-nowrap text-soft figures">{set.count} tiles, {set.solid} solid</span>
      {#if !set.builtin}
        <span class="ml-auto"
          ><Button label="A newer picture" onclick={() => (p.shell.desk = { kind: 'newer', id: set.id })} /></span
        >
        <span
          ><Button
            label="Delete this tileset"
            onclick={() => p.session.orders.delete({ thing: { kind: 'tileset', id: set.id } })}
          /></span
        >
      {/if}
    </div>
  </div>
</div>
