<script lang="ts">
  import type { Project } from '../project.svelte';
  import { theme } from '../core/theme.svelte';
  import { readColours } from '../board/colours';
  import type { Cut } from '../core/types.gen';

  interface Props {
    p: Project;
    bitmap: ImageBitmap;
    cut: Cut;
    /** The tile that is looked at. */
    column: number;
    row: number;
  }
  let { p, bitmap, cut, column, row }: Props = $props();

  const ZOOM = 3;
  let canvas: HTMLCanvasElement | undefined = $state();

  /** Three tiles side by side as they will lie, with the player's picture before them to judge their size. */
  $effect(() => {
    void theme.dark;
    const context = canvas?.getContext('2d');
    const project = p.session.scene?.project;
    if (!canvas || !context || !project) return;
    const figure = p.session.sprite(0, 0, 0);
    const { cellW, cellH } = project;
    const high = Math.max(cellH, figure?.height ?? 0);
    const zoom = Math.max(1, Math.min(ZOOM, Math.floor(230 / (cellW * 4))));
    canvas.width = cellW * 4 * zoom;
    canvas.height = (high + 4) * zoom;
    context.imageSmoothingEnabled = false;
    context.fillStyle = readColours().shelf;
    context.fillRect(0, 0, canvas.width, canvas.height);
    const factor = cut.scale > 0 ? cut.scale : cut.scale < 0 ? 1 / -cut.scale : 0;
    const w = factor ? Math.max(1, Math.floor(cut.w * factor)) : cellW;
    const h = factor ? Math.max(1, Math.floor(cut.h * factor)) : cellH;
    for (let i = 0; i < 3; i++) {
      const sx = cut.crop.x + cut.offsetX + cut.margin + (column + i) * (cut.w + cut.spacing);
      const sy = cut.crop.y + cut.offsetY + cut.margin + row * (cut.h + cut.spacing);
      const x = (i * cellW + Math.floor((cellW - w) / 2)) * zoom;
      context.drawImage(bitmap, sx, sy, cut.w, cut.h, x, (high + 4 - h) * zoom, w * zoom, h * zoom);
    }
    if (!figure) return;
    const small = new OffscreenCanvas(figure.width, figure.height);
    small.getContext('2d')?.putImageData(figure, 0, 0);
    const x = 3 * cellW + Math.floor((cellW - figure.width) / 2);
    context.drawImage(small, x * zoom, (high + 2 - figure.height) * zoom, figure.width * zoom, figure.height * zoom);
  });
</script>

<figure>
  <canvas bind:this={canvas} class="max-w-full rounded-inner" aria-hidden="true"></canvas>
  <figcaption class="text-small text-soft">as they will lie, beside the player</figcaption>
</figure>
