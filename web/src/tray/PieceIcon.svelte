<script lang="ts">
  import { theme } from '../core/theme.svelte';
  import { readColours } from '../board/colours';
  import { drawLabel } from '../board/labels';

  let { type, family }: { type: string; family: string } = $props();

  let canvas: HTMLCanvasElement | undefined = $state();

  $effect(() => {
    void theme.dark;
    const context = canvas?.getContext('2d');
    if (!canvas || !context) return;
    canvas.width = 26 * devicePixelRatio;
    canvas.height = 38 * devicePixelRatio;
    context.scale(devicePixelRatio, devicePixelRatio);
    drawLabel(context, 13, 36, type, family, readColours(), false);
  });
</script>

<canvas bind:this={canvas} style:width="26px" style:height="38px" class="-my-1" aria-hidden="true"></canvas>
