<script lang="ts">
  import { MEASURES, type ForcesView } from '../core/types.gen';
  import MeasureField from '../ui/MeasureField.svelte';

  /** What acts on all that moves somewhere: gravity and wind. */
  let { forces, set }: { forces: ForcesView; set: (forces: ForcesView) => void } = $props();
</script>

{#each ['gravity', 'windX', 'windY'] as const as name (name)}
  <MeasureField measure={MEASURES[name]} value={forces[name]} change={(value) => set({ ...forces, [name]: value })} />
{/each}
