<script lang="ts">
  import { SvelteSet } from 'svelte/reactivity';
  import type { Project } from '../core/project.svelte';
  import { readColours } from '../board/colours';
  import { theme } from '../core/theme.svelte';
  import type { TilesetView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  let { p, set }: { p: Project; set: TilesetView } = $props();

  /** How large a tile is shown. */
  const SIDE = 34;
  let canvas: HTMLCanvasElement | undefined = $state();
  let marking = $state(true);
  let at = $state.raw<{ x: number; y: number } | null>(null);
  let start: { x: number; y: number } | null = null;
  let chosen = $state.raw(new SvelteSet<number>());

  const indexAt = $derived(new Map(set.places.map((place, i) => [place, i])));
  const box = $derived(p.state?.shape === 'box');

  function under(event: MouseEvent): { x: number; y: number } {
    const r = (event.currentTarget as Element).getBoundingClientRect();
    const clamp = (v: number, most: number): number => Math.min(Math.max(0, Math.floor(v / SIDE)), most - 1);
    return { x: clamp(event.clientX - r.left, set.columns), y: clamp(event.clientY - r.top, set.rows) };
  }

  function mark(to: { x: number; y: number }): void {
    const from = box && start ? start : to;
    const next = new SvelteSet<number>(box ? [] : chosen);
    for (let y = Math.min(from.y, to.y); y <= Math.max(from.y, to.y); y++) {
      for (let x = Math.min(from.x, to.x); x <= Math.max(from.x, to.x); x++) {
        const i = indexAt.get(y * set.columns + x);
        if (i !== undefined) next.add(i);
      }
    }
    chosen = next;
  }

  function begin(to: { x: number; y: number }): void {
    start = to;
    mark(to);
  }

  function move(to: { x: number; y: number }): void {
    at = to;
    if (start) mark(to);
  }

  function end(): void {
    if (!start) return;
    start = null;
    const list = [...chosen];
    chosen = new SvelteSet();
    if (list.length > 0) p.order({ do: 'solid', kind: 'tileset', id: set.id, list, yes: marking });
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
    if (!canvas || !context || !p.scene) return;
    canvas.width = set.columns * SIDE;
    canvas.height = set.rows * SIDE;
    const colours = readColours();
    context.imageSmoothingEnabled = false;
    const { cellW, cellH } = p.scene.project;
    const small = document.createElement('canvas');
    small.width = cellW;
    small.height = cellH;
    set.places.forEach((place, i) => {
      const x = (place % set.columns) * SIDE;
      const y = Math.floor(place / set.columns) * SIDE;
      const image = p.tile(set.first + i);
      if (image) {
        small.getContext('2d')?.putImageData(image, 0, 0);
        context.drawImage(small, x + 1, y + 1, SIDE - 2, SIDE - 2);
      }
      if (chosen.has(i) ? marking : set.solid[i]) hatch(context, x, y, colours.rose);
    });
    if (at) {
      context.strokeStyle = colours.saffron;
      context.lineWidth = 2;
      context.strokeRect(at.x * SIDE + 1, at.y * SIDE + 1, SIDE - 2, SIDE - 2);
    }
  });

  /** Solid is a pattern and an edge, not a colour alone. */
  function hatch(context: CanvasRenderingContext2D, x: number, y: number, colour: string): void {
    context.save();
    context.beginPath();
    context.rect(x + 1, y + 1, SIDE - 2, SIDE - 2);
    context.clip();
    context.strokeStyle = colour;
    context.lineWidth = 2;
    context.strokeRect(x + 2, y + 2, SIDE - 4, SIDE - 4);
    context.lineWidth = 1.5;
    for (let i = -SIDE; i < SIDE; i += 8) {
      context.beginPath();
      context.moveTo(x + i, y + SIDE);
      context.lineTo(x + i + SIDE, y);
      context.stroke();
    }
    context.restore();
  }

  const under0 = $derived(at ? indexAt.get(at.y * set.columns + at.x) : undefined);
</script>

<div class="flex min-h-0 flex-1">
  <div class="min-w-0 flex-1 overflow-auto bg-board p-4">
    <!-- The sheet takes focus and keys as a whole: arrows move over its tiles. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <div
      class="w-fit touch-none"
      tabindex="0"
      role="application"
      aria-label="Tiles of {set.name}. Arrows move, Enter marks. {under0 === undefined
        ? ''
        : `${set.names[under0]}, ${set.solid[under0] ? 'solid' : 'free'}`}"
      data-solid-sheet
      onpointerdown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        begin(under(e));
      }}
      onpointermove={(e) => move(under(e))}
      onpointerup={end}
      onpointerleave={() => (at = null)}
      onkeydown={key}
      onkeyup={(e) => e.key === 'Enter' && end()}
    >
      <canvas bind:this={canvas} class="block" aria-hidden="true"></canvas>
    </div>
  </div>
  <div class="flex w-76 shrink-0 flex-col gap-3 border-l border-line p-3">
    <p>Drag over the tiles that nobody can walk into. They are hatched.</p>
    <div class="flex gap-2" role="group" aria-label="Painting marks tiles">
      <Button label="Solid" pressed={marking} onclick={() => (marking = true)} />
      <Button label="Free" pressed={!marking} onclick={() => (marking = false)} />
    </div>
    <p class="text-soft figures">
      {set.count} tiles, {set.solid.filter(Boolean).length} solid. {box
        ? 'Box: drags a box.'
        : 'Free: each tile the pointer crosses; B drags a box.'}
    </p>
    {#if under0 !== undefined}<p class="figures">{set.names[under0]}: {set.solid[under0] ? 'solid' : 'free'}</p>{/if}
    <div class="mt-auto"><Button label="Another tileset" onclick={() => (p.desk = null)} /></div>
  </div>
</div>
