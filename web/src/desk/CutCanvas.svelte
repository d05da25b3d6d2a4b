<script lang="ts">
  import { readColours } from '../board/colours';
  import { theme } from '../core/theme.svelte';
  import { CUT_CROP, type Cut, type Handle, type Sheet } from '../core/types.gen';
  import type { Project } from '../project.svelte';

  interface Props {
    p: Project;
    bitmap: ImageBitmap;
    opened: Sheet;
    sheet: Sheet | null;
    cut: Cut;
    /** Whether the next click picks the see-through colour. */
    picking: boolean;
    change: (cut: Cut) => void;
    picked: (key: number) => void;
    over: (column: number, row: number) => void;
    /** How many screen pixels there are for it. */
    room: { w: number; h: number };
  }
  let { p, bitmap, opened, sheet, cut, picking, change, picked, over, room }: Props = $props();

  let canvas: HTMLCanvasElement | undefined = $state();
  let held: Handle | null = null;

  /** The largest whole zoom at which all its columns are seen, and at least half of its rows. */
  const MOST = 8;
  const scale = $derived(
    Math.max(1, Math.min(MOST, Math.floor(Math.min(room.w / opened.width, (2 * room.h) / opened.height)))),
  );
  /** The size of the picture. */
  const size = $derived({ width: opened.width, height: opened.height });
  const handles = $derived(p.session.ask.handlesOfCut({ cut, ...size }));
  const pitchX = $derived(cut.w + cut.spacing);
  const pitchY = $derived(cut.h + cut.spacing);
  const startX = $derived(cut.crop.x + cut.offsetX + cut.margin);
  const startY = $derived(cut.crop.y + cut.offsetY + cut.margin);

  $effect(() => {
    void theme.dark;
    const context = canvas?.getContext('2d');
    if (!canvas || !context) return;
    canvas.width = opened.width * scale;
    canvas.height = opened.height * scale;
    context.imageSmoothingEnabled = false;
    context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const colours = readColours();
    if (sheet && !sheet.error) lines(context, sheet, colours.saffron, colours.board);
    const { crop } = cut;
    if (crop.w > 0 && crop.h > 0) {
      context.fillStyle = colours.board;
      context.globalAlpha = 0.75;
      context.beginPath();
      context.rect(0, 0, canvas.width, canvas.height);
      context.rect(crop.x * scale, crop.y * scale, crop.w * scale, crop.h * scale);
      context.fill('evenodd');
      context.globalAlpha = 1;
    }
    for (const handle of handles) {
      context.beginPath();
      if (handle.part >= CUT_CROP) context.rect(handle.x * scale - 3, handle.y * scale - 3, 7, 7);
      else context.arc(handle.x * scale, handle.y * scale, 4.5, 0, Math.PI * 2);
      context.fillStyle = colours.sheet;
      context.fill();
      context.strokeStyle = colours.ink;
      context.lineWidth = 1.5;
      context.stroke();
    }
  });

  /** The lines of the cut; empty tiles are dimmed. */
  function lines(context: CanvasRenderingContext2D, shown: Sheet, line: string, dim: string): void {
    const full = new Set(shown.places);
    context.strokeStyle = line;
    context.lineWidth = 1;
    context.fillStyle = dim;
    context.beginPath();
    for (let i = 0; i < shown.columns * shown.rows; i++) {
      const x = (startX + (i % shown.columns) * pitchX) * scale;
      const y = (startY + Math.floor(i / shown.columns) * pitchY) * scale;
      if (full.has(i)) context.rect(x + 0.5, y + 0.5, cut.w * scale - 1, cut.h * scale - 1);
      else {
        context.globalAlpha = 0.6;
        context.fillRect(x, y, cut.w * scale, cut.h * scale);
        context.globalAlpha = 1;
      }
    }
    context.stroke();
  }

  function at(event: PointerEvent): { x: number; y: number } {
    const r = (event.currentTarget as Element).getBoundingClientRect();
    return { x: (event.clientX - r.left) / scale, y: (event.clientY - r.top) / scale };
  }

  function near(spot: { x: number; y: number }): Handle | null {
    const reach = 9 / scale;
    return handles.find((h) => Math.hypot(h.x - spot.x, h.y - spot.y) <= reach) ?? null;
  }

  function down(event: PointerEvent): void {
    const spot = at(event);
    if (picking) {
      const source = new OffscreenCanvas(1, 1).getContext('2d');
      source?.drawImage(bitmap, -Math.floor(spot.x), -Math.floor(spot.y));
      const [r = 0, g = 0, b = 0] = source?.getImageData(0, 0, 1, 1).data ?? [];
      picked((r << 16) | (g << 8) | b);
      return;
    }
    held = near(spot);
    if (held) (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }

  function move(event: PointerEvent): void {
    const spot = at(event);
    if (held) {
      const to = { x: Math.round(spot.x), y: Math.round(spot.y) };
      change(p.session.ask.dragCut({ cut, ...size, part: held.part, ...to }));
      return;
    }
    over(Math.floor((spot.x - startX) / pitchX), Math.floor((spot.y - startY) / pitchY));
    if (canvas) canvas.style.cursor = picking ? 'crosshair' : near(spot) ? 'move' : 'default';
  }
</script>

<div
  class="w-fit touch-none"
  role="img"
  aria-label="The picture with its cut"
  data-cut
  onpointerdown={down}
  onpointermove={move}
  onpointerup={() => (held = null)}
>
  <canvas bind:this={canvas} class="block [image-rendering:pixelated]" aria-hidden="true"></canvas>
</div>
