<script lang="ts">
  import { readColours } from '../board/colours';
  import type { Project } from '../project.svelte';
  import { theme } from '../core/theme.svelte';

  interface Props {
    p: Project;
    /** Cells row by row. */
    cells: number[];
    columns: number;
    rows: number;
  }
  let { p, cells, columns, rows }: Props = $props();

  let canvas: HTMLCanvasElement | undefined = $state();

  $effect(() => {
    void theme.dark;
    const context = canvas?.getContext('2d');
    const project = p.session.scene?.project;
    if (!canvas || !context || !project) return;
    const { cellW, cellH } = project;
    canvas.width = columns * cellW;
    canvas.height = rows * cellH;
    context.fillStyle = readColours().shelf;
    context.fillRect(0, 0, canvas.width, canvas.height);
    const small = new OffscreenCanvas(cellW, cellH);
    cells.forEach((n, i) => {
      const image = n === 0 ? null : p.session.tile(n);
      if (!image) return;
      small.getContext('2d')?.putImageData(image, 0, 0);
      context.drawImage(small, (i % columns) * cellW, Math.floor(i / columns) * cellH);
    });
  });
</script>

<canvas bind:this={canvas} class="w-full [image-rendering:pixelated]" aria-hidden="true"></canvas>
