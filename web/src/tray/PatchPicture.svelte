<script lang="ts">
  import type { Project } from '../project.svelte';
  import Picture from '../ui/Picture.svelte';

  /** A patch, or with an empty id the block in the hand. */
  let { p, id, size }: { p: Project; id: string; size: number } = $props();

  const image = $derived.by(() => {
    void p.session.scene;
    if (id === '') void p.session.state?.block;
    return p.session.ask.blockPicture({ patch: id, side: Math.max(96, size) });
  });
  const scale = $derived(size / Math.max(1, image?.width ?? 1, image?.height ?? 1));
</script>

<span
  class="grid place-items-center overflow-hidden rounded-sm bg-shelf"
  style:width="{size}px"
  style:height="{size}px"
>
  <Picture {image} width={(image?.width ?? 1) * scale} height={(image?.height ?? 1) * scale} />
</span>
