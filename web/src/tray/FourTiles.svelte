<script lang="ts">
  import type { Project } from '../project.svelte';
  import TilePicture from './TilePicture.svelte';

  /** Four cells, row by row. */
  let { p, cells, size }: { p: Project; cells: number[]; size: number } = $props();
</script>

<span class="grid shrink-0 grid-cols-2 overflow-hidden rounded-sm" style:width="{size}px" style:height="{size}px">
  {#each cells as n, i (i)}<TilePicture {p} {n} size={size / 2} square />{/each}
</span>
