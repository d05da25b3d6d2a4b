<script lang="ts">
  import type { PictureView } from '../core/types.gen';
  import type { Project } from '../project.svelte';

  /** A small picture of what a picture of a piece shows; an empty frame if it is as it comes. */
  let { p, one }: { p: Project; one: PictureView } = $props();

  /** The side of the square in which it lies, in pixels. */
  const SIDE = 28;
  let canvas: HTMLCanvasElement | undefined = $state();

  $effect(() => {
    void p.session.scene;
    const { ask } = p.session;
    const image = one.seen
      ? ask.piecePicture({ picture: one.seen.picture, frame: 0 })
      : one.who === ''
        ? null
        : ask.characterPicture({ character: one.who, frame: one.sprite });
    const context = canvas?.getContext('2d');
    if (!canvas || !context) return;
    canvas.width = image?.width ?? 1;
    canvas.height = image?.height ?? 1;
    const scale = image ? Math.min(SIDE / image.width, SIDE / image.height) : SIDE;
    canvas.style.width = `${canvas.width * scale}px`;
    canvas.style.height = `${canvas.height * scale}px`;
    if (image) context.putImageData(image, 0, 0);
  });
</script>

<span
  class="flex size-7 shrink-0 items-center justify-center rounded-inner border {one.missing
    ? 'border-dashed border-rose'
    : 'border-line'}"
>
  <canvas bind:this={canvas} style:image-rendering="pixelated" aria-hidden="true"></canvas>
</span>
