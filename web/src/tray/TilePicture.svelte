<script lang="ts">
  import type { Project } from '../core/project.svelte';
  import Picture from '../ui/Picture.svelte';

  let { p, n, size }: { p: Project; n: number; size: number } = $props();

  const image = $derived.by(() => {
    void p.scene;
    return p.tile(n);
  });
  const w = $derived(p.scene?.project.cellW ?? 1);
  const h = $derived(p.scene?.project.cellH ?? 1);
  const scale = $derived(size / Math.max(w, h));
</script>

<span
  class="grid place-items-center overflow-hidden rounded-sm bg-shelf"
  style:width="{size}px"
  style:height="{size}px"
>
  <Picture {image} width={w * scale} height={h * scale} />
</span>
