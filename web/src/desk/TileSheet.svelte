<script lang="ts">
  import { untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import { theme } from '../core/theme.svelte';
  import type { Mark } from '../core/types.gen';
  import { propertyOf, type Taking } from './marks';
  import { drawChosen, drawMarks, drawTiles } from './sheet';

  interface Props {
    p: Project;
    set: Tileset;
    mark: Mark;
    /** What strokes are for: a block is a box and frames a line, whatever shape is in the hand. */
    taking: Taking;
    seen: number | null;
    look: (index: number) => void;
    apply: (list: number[]) => void;
    /** How many screen pixels there are for it. */
    room: { w: number; h: number };
  }
  let { p, set, mark, taking, seen, look, apply, room }: Props = $props();

  type Place = { x: number; y: number };

  /** How many screen pixels a tile may be wide: what is usual, what is more where there is room, and what many have. */
  const USUAL = 34;
  const LARGER = [82, 66, 50];
  const MANY = { tiles: 12_000, side: 18 };
  const side = $derived(
    set.columns * set.rows > MANY.tiles
      ? MANY.side
      : (LARGER.find((side) => set.columns * side <= room.w && set.rows * side <= room.h) ?? USUAL),
  );
  let canvas: HTMLCanvasElement | undefined = $state();
  let above: HTMLCanvasElement | undefined = $state();
  let at = $state.raw<Place | null>(null);
  let start: Place | null = null;
  let last: Place | null = null;
  let chosen = $state.raw(new SvelteSet<number>());

  const indexAt = $derived(new Map(set.places.map((place, i) => [place, i])));
  const under = $derived(at ? indexAt.get(at.y * set.columns + at.x) : undefined);
  /** Free strokes gather; every other shape is taken anew. */
  const gathers = $derived(taking === 'frames' || (taking === 'marks' && p.session.state?.shape === 'free'));
  const property = $derived(taking === 'marks' ? propertyOf(mark) : taking);

  function place(event: MouseEvent): Place {
    const r = (event.currentTarget as Element).getBoundingClientRect();
    const clamp = (v: number, most: number): number => Math.min(Math.max(0, Math.floor(v / side)), most - 1);
    return { x: clamp(event.clientX - r.left, set.columns), y: clamp(event.clientY - r.top, set.rows) };
  }

  function take(to: Place): void {
    const from = (gathers ? last : start) ?? to;
    const between = { fromX: from.x, fromY: from.y, toX: to.x, toY: to.y };
    const taken = p.session.ask.sheetShape({ tileset: set.id, property, ...between });
    chosen = new SvelteSet([...(gathers ? chosen : []), ...taken]);
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

  const spotOf = (place: Place): number => place.y * set.columns + place.x;
  /** The tiles themselves, drawn anew only when they or their pictures change. */
  const base = $derived.by(() => {
    void p.session.scene?.missing.length;
    return untrack(() => drawTiles(p, set, side));
  });

  $effect(() => {
    void theme.dark;
    const context = canvas?.getContext('2d');
    if (!canvas || !context) return;
    canvas.width = set.columns * side;
    canvas.height = set.rows * side;
    drawMarks(context, base, set, property, p.session.scene?.roles ?? [], side);
  });

  $effect(() => {
    void theme.dark;
    const context = above?.getContext('2d');
    if (!above || !context) return;
    above.width = set.columns * side;
    above.height = set.rows * side;
    const outlined: [number, number][] = [];
    if (seen !== null) outlined.push([set.places[seen] ?? 0, 3]);
    if (at) outlined.push([spotOf(at), 2]);
    drawChosen(context, set, chosen, outlined, side);
  });
</script>

<!-- The sheet takes focus and keys as a whole: arrows move over its tiles. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
  class="relative w-fit touch-none"
  tabindex="0"
  role="application"
  aria-label="Tiles of {set.name}. Arrows move, Enter paints. {under === undefined
    ? ''
    : `${set.tiles[under]?.name}: ${set.tiles[under]?.does || 'does nothing'}`}"
  data-sheet={side}
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
  <canvas bind:this={above} class="absolute inset-0 block" aria-hidden="true"></canvas>
</div>
