<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { MedleyView } from '../core/types.gen';
  import FourTiles from './FourTiles.svelte';

  let { p, medley, size }: { p: Project; medley: MedleyView; size: number } = $props();

  const cells = $derived(p.session.ask.dealMedley({ medley, w: 2, h: 2 }).cells);
</script>

<FourTiles {p} {cells} {size} />
