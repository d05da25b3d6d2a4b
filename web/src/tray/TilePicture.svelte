<script lang="ts">
  import type { Project } from '../project.svelte';
  import Picture from '../ui/Picture.svelte';

  /** Square tiles join on to others beside them. */
  let { p, n, size, square = false }: { p: Project; n: number; size: number; square?: boolean } = $props();

  const image = $derived.by(() => {
    void p.session.scene;
    return p.session.tile(n);
  });
  const w = $derived(p.session.scene?.project.cellW ?? 1);
  const h = $derived(p.session.scene?.project.cellH ?? 1);
  const scale = $derived(size / Math.max(w, h));
</script>

<span
  class="grid place-items-center overflow-hidden bg-shelf {square ? '' : 'rounded-sm'}"
  style:width="{size}px"
  style:height="{size}px"
>
  <Picture {image} width={w * scale} height={h * scale} />
</span>
