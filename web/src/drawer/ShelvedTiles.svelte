<script lang="ts">
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { hold, leaveHand } from '../commands/holding';
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';
  import { dragged, droppedOn, putBefore } from './shelf';

  interface Props {
    p: Project;
    set: Tileset;
    /** The tileset above it, empty for the first. */
    above: string;
    /** How many of its tiles lie on no map. */
    unused: number;
  }
  let { p, set, above, unused }: Props = $props();

  const MOST = 512;
  /** The tile that is pointed at, or has the focus. */
  let seen = $state<number | null>(null);
  const tile = $derived(seen === null ? null : (set.tiles[seen] ?? null));
  /** The tile from which a block is taken: dragged to another, or clicked with Shift. */
  let from = $state<number | null>(null);

  /** Takes the block of the sheet between two tiles into the hand. */
  function take(a: number, b: number): void {
    const places = [set.places[a] ?? 0, set.places[b] ?? 0];
    const xs = places.map((place) => place % set.columns);
    const ys = places.map((place) => Math.floor(place / set.columns));
    const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const list: number[] = [];
    for (let y = y0; y <= y1; y++) {
      for (let x = x0; x <= x1; x++) {
        const i = set.places.indexOf(y * set.columns + x);
        list.push(i < 0 ? 0 : set.first + i);
      }
    }
    leaveHand(p);
    void p.session.orders.holdTiles({ columns: x1 - x0 + 1, tiles: list });
  }
  const sums = $derived(`${set.count} tiles, ${set.solid} solid, ${unused} on no map`);
</script>

<div
  role="group"
  aria-label={set.name}
  ondragover={(e) => e.preventDefault()}
  ondrop={(e) => droppedOn(p, e, 'tileset', set.id)}
>
  <div
    class="mb-1.5 flex items-center gap-3"
    role="group"
    aria-label="{set.name}, as a whole"
    draggable="true"
    ondragstart={(e) => dragged(e, 'tileset', set.id)}
  >
    <h2 class="max-w-3/5 shrink-0 truncate name">{set.name}</h2>
    <span class="min-w-0 truncate text-small text-soft figures" data-tile-says>
      {tile ? `${tile.name}${tile.does ? `: ${tile.does}` : ' does nothing'}` : sums}
    </span>
    {#if above !== ''}
      <button
        class="text-soft"
        aria-label="Move {set.name} up"
        title="Move up"
        onclick={() => putBefore(p, 'tileset', set.id, above)}><ArrowUp size={14} /></button
      >
    {/if}
    <span class="ml-auto" data-back
      ><Button label="Lay it on the desk" onclick={() => p.shell.layOnDesk({ kind: 'tileset', id: set.id })} /></span
    >
  </div>
  <div class="flex flex-wrap gap-0.5" data-back>
    {#each set.places.slice(0, MOST) as place, i (place)}
      {@const n = set.first + i}
      <button
        class="flex rounded-inner border p-0.5 {p.session.state?.holding === 'tile' && p.session.state.tile === n
          ? 'border-saffron'
          : 'border-transparent'}"
        aria-label="Take {set.tiles[i]?.name}{set.tiles[i]?.does ? `, ${set.tiles[i]?.does}` : ''}"
        onpointerenter={() => (seen = i)}
        onpointerleave={() => (seen = null)}
        onfocus={() => (seen = i)}
        onblur={() => (seen = null)}
        onpointerdown={(e) => {
          from = e.shiftKey ? (from ?? i) : i;
          e.currentTarget.releasePointerCapture(e.pointerId);
        }}
        onpointerup={() => from !== null && from !== i && take(from, i)}
        onclick={(e) => {
          if (e.shiftKey && from !== null && from !== i) take(from, i);
          else hold(p, 'tile', { tile: n });
          from = i;
        }}><TilePicture {p} {n} size={30} /></button
      >
    {/each}
  </div>
  {#if set.count > MOST}
    <p class="mt-2 text-soft">{set.count - MOST} more lie on the desk.</p>
  {/if}
</div>
