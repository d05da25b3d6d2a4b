<script lang="ts">
  import type { Project } from '../project.svelte';

  interface Props {
    p: Project;
    character: string;
    frame: number;
    /** How large a pixel is shown. */
    scale: number;
  }
  let { p, character, frame, scale }: Props = $props();

  let canvas: HTMLCanvasElement | undefined = $state();

  $effect(() => {
    void p.session.scene;
    const image = p.session.ask.characterPicture({ character, frame });
    const context = canvas?.getContext('2d');
    if (!canvas || !context || !image) return;
    canvas.width = image.width;
    canvas.height = image.height;
    canvas.style.width = `${image.width * scale}px`;
    canvas.style.height = `${image.height * scale}px`;
    context.putImageData(image, 0, 0);
  });
</script>

<canvas bind:this={canvas} style:image-rendering="pixelated" aria-hidden="true"></canvas>
