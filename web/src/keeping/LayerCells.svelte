<script lang="ts">
  import type { Project } from '../core/project.svelte';
  import Button from '../ui/Button.svelte';
  import Download from '../ui/Download.svelte';

  let { p, map, layer }: { p: Project; map: string; layer: string } = $props();

  let chooser: HTMLInputElement | undefined = $state();

  async function lay(): Promise<void> {
    const file = chooser?.files?.[0];
    if (file) await p.layCSV(map, layer, file);
    if (chooser) chooser.value = '';
  }
</script>

<div class="flex flex-col gap-1 border-t border-line pt-2.5">
  <span>Cells as a table (CSV)</span>
  <div class="flex flex-wrap gap-1.5">
    <Download {p} label="Save as CSV" href="/api/projects/{p.id}/maps/{map}/layers/{layer}/cells" />
    <Button label="Lay from CSV" onclick={() => chooser?.click()} />
    <input
      bind:this={chooser}
      type="file"
      accept=".csv,text/csv"
      class="hidden"
      aria-label="CSV file with the cells of this layer"
      onchange={lay}
    />
  </div>
</div>
