<script lang="ts">
  import { around } from './camera';
  import { readColours } from './colours';
  import { theme } from '../core/theme.svelte';
  import type { Project } from '../project.svelte';

  let { p }: { p: Project } = $props();

  /** In screen pixels: as wide as the column in which it stands. */
  const width = $derived.by(() => {
    void p.viewport.moved;
    return p.viewport.column;
  });
  const height = $derived(width * 0.64);
  /** Milliseconds between two pictures of what was painted, at the least. */
  const PAUSE = 500;

  let canvas: HTMLCanvasElement | undefined = $state();
  let pictures: Record<string, HTMLCanvasElement> = {};
  let painted = -1;
  let waiting = 0;
  let pointing = false;

  /** The box that is shown, and how: all maps, fitted in. */
  const shown = $derived.by(() => {
    const all = around(p.session.scene?.maps ?? []);
    if (!all) return null;
    const scale = Math.min((width - 12) / all.w, (height - 12) / all.h);
    return { scale, x: (width - all.w * scale) / 2 - all.x * scale, y: (height - all.h * scale) / 2 - all.y * scale };
  });

  const needed = $derived.by(() => {
    void p.viewport.moved;
    return p.viewport.minimapNeeded;
  });

  /** Draws the maps anew, small, once the hand rests. */
  function paint(): void {
    waiting = 0;
    painted = p.viewport.bitmaps?.version ?? 0;
    const fresh: typeof pictures = {};
    for (const map of p.session.scene?.maps ?? []) {
      const side = Math.max(2, Math.ceil(Math.max(map.w, map.h) * (shown?.scale ?? 0)));
      const image = p.session.ask.layerPicture({ map: map.id, layer: '', side });
      if (!image) continue;
      const picture = document.createElement('canvas');
      picture.width = image.width;
      picture.height = image.height;
      picture.getContext('2d')?.putImageData(image, 0, 0);
      fresh[map.id] = picture;
    }
    pictures = fresh;
    draw();
  }

  function draw(): void {
    const context = canvas?.getContext('2d');
    if (!context || !canvas || !shown) return;
    const colours = readColours();
    const ratio = devicePixelRatio;
    canvas.width = width * ratio;
    canvas.height = height * ratio;
    context.scale(ratio, ratio);
    for (const map of p.session.scene?.maps ?? []) {
      const [x, y, w, h] = [map.x, map.y, map.w, map.h].map((n) => n * shown.scale) as [number, number, number, number];
      context.fillStyle = colours.shelf;
      context.fillRect(x + shown.x, y + shown.y, w, h);
      const picture = pictures[map.id];
      if (picture) context.drawImage(picture, x + shown.x, y + shown.y, w, h);
    }
    const { camera } = p.viewport;
    context.strokeStyle = colours.saffron;
    context.lineWidth = 2;
    context.strokeRect(
      (camera.x + camera.free.x / camera.zoom) * shown.scale + shown.x,
      (camera.y + camera.free.y / camera.zoom) * shown.scale + shown.y,
      (camera.free.w / camera.zoom) * shown.scale,
      (camera.free.h / camera.zoom) * shown.scale,
    );
  }

  $effect(() => {
    void [p.viewport.moved, p.session.scene, p.session.state, p.session.tilesets, theme.dark, needed];
    if (!needed) return;
    draw();
    if (waiting === 0 && painted !== p.viewport.bitmaps?.version)
      waiting = window.setTimeout(paint, painted < 0 ? 0 : PAUSE);
  });
  $effect(() => () => clearTimeout(waiting));

  function look(event: PointerEvent): void {
    if (!pointing || !shown || !canvas) return;
    const r = canvas.getBoundingClientRect();
    const x = (event.clientX - r.left - shown.x) / shown.scale;
    const y = (event.clientY - r.top - shown.y) / shown.scale;
    p.viewport.moveCamera((c) => c.center(x, y));
  }
</script>

{#if needed}
  <!-- The camera's own keys and commands do the same by keyboard. -->
  <div class="mt-auto shrink-0 overflow-hidden border-t border-r border-line bg-sheet" data-minimap data-back>
    <canvas
      bind:this={canvas}
      class="block touch-none"
      style:width="{width}px"
      style:height="{height}px"
      aria-label="Minimap: all maps, and what is in view. Drag to look elsewhere."
      onpointerdown={(e) => {
        pointing = true;
        canvas?.setPointerCapture(e.pointerId);
        look(e);
      }}
      onpointermove={look}
      onpointerup={() => (pointing = false)}
      onpointercancel={() => (pointing = false)}
    ></canvas>
  </div>
{/if}
