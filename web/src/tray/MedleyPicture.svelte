<script lang="ts">
  import type { Project } from '../core/project.svelte';
  import type { MedleyView } from '../core/types.gen';
  import TilePicture from './TilePicture.svelte';

  let { p, medley, size }: { p: Project; medley: MedleyView; size: number } = $props();

  const shown = $derived(p.dealt(medley, 2, 2).cells);
</script>

<span class="grid grid-cols-2" style:width="{size}px" style:height="{size}px">
  {#each shown as n, i (i)}<TilePicture {p} {n} size={size / 2} />{/each}
</span>
