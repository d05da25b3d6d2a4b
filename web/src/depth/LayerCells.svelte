<script lang="ts">
  import type { Project } from '../project.svelte';
  import { CSV_BYTES } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Download from '../ui/Download.svelte';

  let { p, map, layer }: { p: Project; map: string; layer: string } = $props();

  let chooser: HTMLInputElement | undefined = $state();

  async function lay(): Promise<void> {
    const file = chooser?.files?.[0];
    if (file && file.size > CSV_BYTES) {
      p.session.say(`The file ${file.name} has ${file.size >> 20} MB; the most is ${CSV_BYTES >> 20} MB.`);
    } else if (file) await p.session.orders.layCSV({ map, layer }, new Uint8Array(await file.arrayBuffer()));
    if (chooser) chooser.value = '';
  }
</script>

<div class="flex flex-col gap-1 border-t border-line pt-2.5">
  <span>Cells as a table (CSV)</span>
  <div class="flex flex-wrap gap-1.5">
    <Download {p} label="Export CSV" href="/api/projects/{p.session.id}/maps/{map}/layers/{layer}/cells" />
    <Button label="Import CSV" onclick={() => chooser?.click()} />
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
