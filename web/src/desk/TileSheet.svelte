<script lang="ts">
  import { SvelteSet } from 'svelte/reactivity';
  import { readColours } from '../board/colours';
  import { hatch } from '../board/hatch';
  import type { Project } from '../core/project.svelte';
  import { theme } from '../core/theme.svelte';
  import type { Mark, TilesetView } from '../core/types.gen';
  import { standing, type Taking } from './marks';

  interface Props {
    p: Project;
    set: TilesetView;
    mark: Mark;
    /** What strokes are for: a block is a box and frames a line, whatever shape is in the hand. */
    taking: Taking;
    seen: number | null;
    look: (index: number) => void;
    apply: (list: number[]) => void;
  }
  let { p, set, mark, taking, seen, look, apply }: Props = $props();

  type Place = { x: number; y: number };

  /** How large a tile is shown. */
  const SIDE = 34;
  let canvas: HTMLCanvasElement | undefined = $state();
  let at = $state.raw<Place | null>(null);
  let start: Place | null = null;
  let last: Place | null = null;
  let chosen = $state.raw(new SvelteSet<number>());

  const indexAt = $derived(new Map(set.places.map((place, i) => [place, i])));
  const under = $derived(at ? indexAt.get(at.y * set.columns + at.x) : undefined);
  /** Free strokes gather; every other shape is taken anew. */
  const gathers = $derived(taking === 'frames' || (taking === 'marks' && p.state?.shape === 'free'));
  const property = $derived(taking === 'marks' ? mark.property : taking);

  function place(event: MouseEvent): Place {
    const r = (event.currentTarget as Element).getBoundingClientRect();
    const clamp = (v: number, most: number): number => Math.min(Math.max(0, Math.floor(v / SIDE)), most - 1);
    return { x: clamp(event.clientX - r.left, set.columns), y: clamp(event.clientY - r.top, set.rows) };
  }

  function take(to: Place): void {
    const from = (gathers ? last : start) ?? to;
    chosen = new SvelteSet([...(gathers ? chosen : []), ...p.sheetShape(set.id, property, from, to)]);
    last = to;
  }

  function begin(to: Place): void {
    start = last = to;
    chosen = new SvelteSet();
    take(to);
    const index = indexAt.get(to.y * set.columns + to.x);
    if (index !== undefined) look(index);
  }

  function move(to: Place): void {
    at = to;
    if (start) take(to);
  }

  function end(): void {
    if (!start) return;
    start = last = null;
    const list = [...chosen];
    chosen = new SvelteSet();
    apply(list);
  }

  function key(event: KeyboardEvent): void {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (way) {
      const from = at ?? { x: 0, y: 0 };
      const [dx = 0, dy = 0] = at ? way : [0, 0];
      move({
        x: Math.min(Math.max(0, from.x + dx), set.columns - 1),
        y: Math.min(Math.max(0, from.y + dy), set.rows - 1),
      });
    } else if (event.key === 'Enter' && !event.repeat) begin(at ?? { x: 0, y: 0 });
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  $effect(() => {
    void theme.dark;
    const context = canvas?.getContext('2d');
    const scene = p.scene;
    if (!canvas || !context || !scene) return;
    canvas.width = set.columns * SIDE;
    canvas.height = set.rows * SIDE;
    const colours = readColours();
    const colour = property === 'solid' || property === 'danger' ? colours.rose : colours.ink;
    context.imageSmoothingEnabled = false;
    const { cellW, cellH } = scene.project;
    const small = new OffscreenCanvas(cellW, cellH);
    set.places.forEach((spot, i) => {
      const x = (spot % set.columns) * SIDE;
      const y = Math.floor(spot / set.columns) * SIDE;
      const image = p.tile(set.first + i);
      if (image) {
        small.getContext('2d')?.putImageData(image, 0, 0);
        context.drawImage(small, x + 1, y + 1, SIDE - 2, SIDE - 2);
      }
      const tile = set.tiles[i];
      if (!tile) return;
      const { holds, word } = standing(tile, property, scene.roles);
      const box = { x: x + 1, y: y + 1, w: SIDE - 2, h: SIDE - 2 };
      if (chosen.has(i)) hatch(context, box, colours.saffron, null);
      else if (holds) hatch(context, box, colour, property === 'solid' && !tile.whole ? tile.rows : null);
      if (word) write(context, word, x, y, colours.sheet, colours.ink);
    });
    for (const [spot, width] of [
      [seen === null ? undefined : set.places[seen], 3],
      [at ? at.y * set.columns + at.x : undefined, 2],
    ] as const) {
      if (spot === undefined) continue;
      context.strokeStyle = colours.saffron;
      context.lineWidth = width;
      context.strokeRect(
        (spot % set.columns) * SIDE + 1,
        Math.floor(spot / set.columns) * SIDE + 1,
        SIDE - 2,
        SIDE - 2,
      );
    }
  });

  function write(
    context: CanvasRenderingContext2D,
    word: string,
    x: number,
    y: number,
    ground: string,
    ink: string,
  ): void {
    context.font = "9px 'Atkinson Hyperlegible Next Variable', sans-serif";
    context.textBaseline = 'middle';
    const width = Math.min(SIDE - 4, context.measureText(word).width + 4);
    context.fillStyle = ground;
    context.fillRect(x + 2, y + SIDE - 13, width, 11);
    context.fillStyle = ink;
    context.fillText(word, x + 4, y + SIDE - 7, SIDE - 8);
  }
</script>

<!-- The sheet takes focus and keys as a whole: arrows move over its tiles. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
  class="w-fit touch-none"
  tabindex="0"
  role="application"
  aria-label="Tiles of {set.name}. Arrows move, Enter paints. {under === undefined
    ? ''
    : `${set.tiles[under]?.name}: ${set.tiles[under]?.does || 'does nothing'}`}"
  data-sheet
  onpointerdown={(e) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    begin(place(e));
  }}
  onpointermove={(e) => move(place(e))}
  onpointerup={end}
  onpointerleave={() => (at = null)}
  onkeydown={key}
  onkeyup={(e) => e.key === 'Enter' && end()}
>
  <canvas bind:this={canvas} class="block" aria-hidden="true"></canvas>
</div>
