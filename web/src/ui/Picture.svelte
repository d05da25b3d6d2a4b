<script lang="ts">
  /** Shows pixels from the core, sharp. */
  let { image, width, height }: { image: ImageData | null; width: number; height: number } = $props();

  let canvas: HTMLCanvasElement | undefined = $state();

  $effect(() => {
    if (!canvas || !image) return;
    canvas.width = image.width;
    canvas.height = image.height;
    canvas.getContext('2d')?.putImageData(image, 0, 0);
  });
</script>

<canvas bind:this={canvas} class="pixelated" style:width="{width}px" style:height="{height}px" aria-hidden="true"
></canvas>

<style>
  .pixelated {
    image-rendering: pixelated;
  }
</style>
