<script lang="ts">
  import { untrack } from 'svelte';
  import type { Project } from '../project.svelte';
  import Picture from '../ui/Picture.svelte';

  let { p, map, layer }: { p: Project; map: string; layer: string } = $props();

  let image = $state.raw<ImageData | null>(null);

  /** Drawn anew a moment after the last step, never while one paints. */
  $effect(() => {
    void p.session.state?.pending;
    void p.session.scene;
    const of = { map, layer, side: 88 };
    const later = setTimeout(() => untrack(() => (image = p.session.ask.layerPicture(of))), 150);
    return () => clearTimeout(later);
  });
  const scale = $derived(image ? Math.min(44 / image.width, 28 / image.height) : 1);
</script>

<span class="grid h-7 w-11 shrink-0 place-items-center overflow-hidden rounded-sm border border-line bg-shelf">
  {#if image}<Picture {image} width={image.width * scale} height={image.height * scale} />{/if}
</span>
