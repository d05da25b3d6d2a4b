<script lang="ts">
  import type { Project } from '../project.svelte';
  import CellsSlip from './CellsSlip.svelte';
  import Slip from './Slip.svelte';

  /** The slip of the thing, or of the cells, that are selected. */
  let { p }: { p: Project } = $props();
</script>

<Slip {p} />
<CellsSlip {p} />
