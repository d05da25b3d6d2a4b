<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import type { Project } from '../project.svelte';
  import { isIdle } from '../core/module';
  import { theme } from '../core/theme.svelte';
  import { readColours, type Colours } from './colours';
  import { Hands } from './hands';
  import { drawBackground, drawLayers } from './layers';
  import { frameOf } from './game';
  import { Overlay } from './overlay';
  import Preview from './Preview.svelte';

  let { project: p, element = $bindable() }: { project: Project; element?: HTMLElement } = $props();

  let base: HTMLCanvasElement;
  let over: HTMLCanvasElement;
  let top: HTMLCanvasElement;
  let surface: HTMLDivElement;
  let hands: Hands | undefined = $state();
  let colours: Colours | undefined;
  let shown = $state(false);
  /** A core that is there already is ready before a picture could be shown. */
  const idle = isIdle();
  const showsPreview = $derived(!idle && !shown && !p.session.error);

  /** The largest whole zoom, or the largest part of one, at which the player's view fits. */
  function playZoom(w: number, h: number): number {
    const { free } = p.viewport.camera;
    const most = Math.min((free.w - 16) / w, (free.h - 8) / h);
    return most >= 1 ? Math.floor(most) : 1 / Math.ceil(1 / most);
  }

  function followGame(): void {
    if (!p.game.view || !p.session.scene) return;
    const frame = frameOf(p, p.game.view);
    // Where an area comes nearer, the frame stays as large on the screen.
    const { seenW, seenH, cellW, cellH } = p.session.scene.project;
    p.viewport.camera.zoom = (playZoom(seenW * cellW, seenH * cellH) * seenW * cellW) / frame.w;
    p.viewport.camera.center(frame.x + frame.w / 2, frame.y + frame.h / 2);
  }

  /** Draws all, or what follows the pointer alone. */
  function draw(all: boolean, context: CanvasRenderingContext2D, overlay: Overlay): void {
    if (!colours) return;
    if (all) drawAll(colours, context, overlay);
    if (p.viewport.bitmaps && !p.viewport.bitmaps.first) overlay.drawTop(colours);
  }

  function drawAll(colours: Colours, context: CanvasRenderingContext2D, overlay: Overlay): void {
    const { camera, bitmaps } = p.viewport;
    const { scene } = p.session;
    const ratio = devicePixelRatio;
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.fillStyle = colours.board;
    context.fillRect(0, 0, camera.width, camera.height);
    if (!scene || !bitmaps) return;
    if (!shown) {
      shown = true;
      p.viewport.showAll();
    }
    if (p.game.view && p.game.inGame) {
      followGame();
      untrack(() => p.viewport.moved++);
    }
    bitmaps.begin();
    p.viewport.backdrops.drifting = false;
    let whole = true;
    for (const map of scene.maps) {
      const box = camera.boxOnScreen(map);
      if (box.x > camera.width || box.y > camera.height || box.x + box.w < 0 || box.y + box.h < 0) continue;
      drawBackground(context, map, box, colours.shelf);
      whole = drawLayers(context, p, scene, map, p.game.view?.map === map.id ? p.game.view.below : map.slabs) && whole;
      context.strokeStyle = colours.line;
      context.lineWidth = 1;
      context.strokeRect(box.x - 0.5, box.y - 0.5, box.w + 1, box.h + 1);
    }
    if (!bitmaps.first) overlay.draw(colours);
    if (!whole || bitmaps.first || (p.viewport.backdrops.drifting && !p.viewport.still && !p.game.view))
      p.viewport.draw();
    if (whole && !scene.missing.some((m) => m.used) && !bitmaps.settled) {
      bitmaps.settled = true;
      performance.mark('azzel-painted');
      void p.settled();
    }
  }

  function resize(): void {
    const { width, height } = base.getBoundingClientRect();
    for (const canvas of [base, over, top]) {
      canvas.width = Math.round(width * devicePixelRatio);
      canvas.height = Math.round(height * devicePixelRatio);
    }
    for (const canvas of [over, top])
      canvas.getContext('2d')?.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, 0, 0);
    p.viewport.camera.width = width;
    p.viewport.camera.height = height;
    p.viewport.moveCamera(() => undefined);
  }

  onMount(() => {
    const context = base.getContext('2d', { alpha: false });
    const above = over.getContext('2d');
    const topmost = top.getContext('2d');
    if (!context || !above || !topmost) return;
    element = surface;
    hands = new Hands(p, surface);
    const overlay = new Overlay(p, above, topmost);
    const watcher = new ResizeObserver(resize);
    watcher.observe(base);
    resize();
    p.viewport.onDraw((all) => draw(all, context, overlay));
    void document.fonts.ready.then(() => p.viewport.draw());
    const wheel = (event: WheelEvent): void => hands?.wheel(event);
    surface.addEventListener('wheel', wheel, { passive: false });
    return () => {
      watcher.disconnect();
      p.viewport.onDraw(null);
    };
  });

  $effect(() => {
    void theme.dark;
    colours = readColours();
    p.viewport.draw();
  });

  /** Over an edge that can be dragged, the pointer says so. */
  const cursor = $derived.by(() => {
    const ghost = p.viewport.pointer?.ghost;
    if (!ghost?.sized || ghost.room) return undefined;
    return 'move';
  });
</script>

<div class="relative size-full overflow-hidden">
  <!-- The board takes focus and keys as a whole: arrows move its cell cursor. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div
    bind:this={surface}
    class="absolute inset-0 touch-none outline-none"
    tabindex="0"
    role="application"
    aria-label="Board. Arrows move the cell cursor, Enter is the pointer’s button."
    data-board
    style:cursor
    onpointerdown={(e) => hands?.down(e)}
    onpointermove={(e) => hands?.move(e)}
    onpointerup={(e) => hands?.up(e)}
    onpointercancel={(e) => hands?.lost(e)}
    onpointerleave={() => hands?.leave()}
    oncontextmenu={(e) => e.preventDefault()}
  >
    <canvas bind:this={base} class="absolute inset-0 size-full" aria-hidden="true"></canvas>
    {#if showsPreview}<Preview viewport={p.viewport} project={p.session.id} />{/if}
    <canvas bind:this={over} class="absolute inset-0 size-full" aria-hidden="true"></canvas>
    <canvas bind:this={top} class="absolute inset-0 size-full" aria-hidden="true"></canvas>
  </div>
</div>
