<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { MapView } from '../core/types.gen';
  import Download from '../ui/Download.svelte';

  let { p, map }: { p: Project; map: MapView } = $props();

  const SCALES = [-4, -3, -2, 1, 2, 4, 8];
  let scale = $state(1);
  const size = $derived.by(() => {
    void p.session.scene;
    return p.session.ask.scaledSize({ map: map.id, scale });
  });
</script>

<div class="mt-2 flex flex-col gap-2">
  <label class="flex flex-col gap-1">
    <span>Scale</span>
    <select class="h-7 rounded-inner border border-line bg-sheet px-1" bind:value={scale}>
      {#each SCALES as n (n)}<option value={n}>{n < 0 ? `${-n} : 1` : `1 : ${n}`}</option>{/each}
    </select>
  </label>
  <span class="text-small break-words text-soft figures">{size}, without pieces and backdrops</span>
  <span
    ><Download {p} label="Export PNG" href="/api/projects/{p.session.id}/maps/{map.id}/picture?scale={scale}" /></span
  >
</div>
