<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { Bonded } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import { joinsWords, MARKS } from './joins';

  interface Props {
    p: Project;
    join: number;
    tiles: Bonded[];
    unsure: number[];
    seen: number | null;
    look: (tile: number) => void;
    /** Called while one paints, and with true at the end of the stroke. */
    change: (tiles: Bonded[], done: boolean) => void;
  }
  let { p, join, tiles, unsure, seen, look, change }: Props = $props();

  /** Whether the stroke under way joins or parts; null while there is none. */
  let stroke: boolean | null = null;

  function place(event: PointerEvent): { tile: Bonded; bit: number } | null {
    const under = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-bonded]');
    const tile = tiles.find((t) => t.tile === Number(under?.dataset.bonded));
    if (!under || !tile) return null;
    const r = under.getBoundingClientRect();
    const [x, y] = [(event.clientX - r.left) / r.width, (event.clientY - r.top) / r.height];
    return { tile, bit: p.session.ask.joinAt({ join, x, y }) };
  }

  function paint(event: PointerEvent): void {
    const at = place(event);
    if (!at) return;
    stroke ??= (at.tile.joined & (1 << at.bit)) === 0;
    const joined = p.session.ask.joinWith({ join, joined: at.tile.joined, neighbour: at.bit, on: stroke });
    if (joined !== at.tile.joined)
      change(
        tiles.map((t) => (t.tile === at.tile.tile ? { ...t, joined } : t)),
        false,
      );
  }

  function end(): void {
    if (stroke !== null) change(tiles, true);
    stroke = null;
  }
</script>

<!-- Strokes are for the pointer; by keyboard each tile is chosen and joined with the buttons beside. -->
<div
  class="flex touch-none flex-wrap content-start gap-4"
  role="group"
  aria-label="Tiles of the bond"
  data-bond-tiles
  onpointerdown={(e) => {
    const at = place(e);
    if (!at) return;
    look(at.tile.tile);
    paint(e);
  }}
  onpointermove={(e) => stroke !== null && paint(e)}
  onpointerup={end}
  onpointerleave={end}
>
  {#each tiles as { tile, joined } (tile)}
    {@const doubt = unsure.includes(tile)}
    <button
      class="relative outline-offset-4 {seen === tile ? 'outline-2 outline-saffron' : ''} {doubt
        ? 'outline-2 outline-rose outline-dashed'
        : ''}"
      data-bonded={tile}
      aria-label="{p.session.tileName(tile)}: {joinsWords(joined)}{doubt ? ', not sure' : ''}"
      aria-pressed={seen === tile}
      onclick={(e) => e.detail === 0 && look(tile)}
    >
      <TilePicture {p} n={tile} size={48} />
      {#each MARKS as where, bit (bit)}
        {#if joined & (1 << bit)}
          <span class="absolute rounded-sm border border-sheet bg-lagoon {where}"></span>
        {/if}
      {/each}
      {#if doubt}
        <span class="absolute inset-0 m-auto size-4 rounded-full bg-rose text-small leading-4 text-sheet">?</span>
      {/if}
    </button>
  {/each}
</div>
