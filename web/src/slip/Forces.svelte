<script lang="ts">
  import type { ForcesView } from '../core/types.gen';

  /** What acts on all that moves somewhere: gravity and wind. */
  let { forces, set }: { forces: ForcesView; set: (forces: ForcesView) => void } = $props();

  const ROWS = [
    { name: 'gravity', label: 'Gravity', unit: '%', per: 1, usual: 100, least: 1, most: 1000, step: 5 },
    { name: 'windX', label: 'Wind to the right', unit: 'cells/s', per: 10, usual: 0, least: -64, most: 64, step: 0.5 },
    { name: 'windY', label: 'Wind down', unit: 'cells/s', per: 10, usual: 0, least: -64, most: 64, step: 0.5 },
  ] as const;
</script>

{#each ROWS as row (row.name)}
  <label class="flex items-center justify-between gap-2">
    <span>{row.label}</span>
    <span class="flex h-7 w-24 items-center rounded-inner border border-line bg-sheet pr-1">
      <input
        type="number"
        class="w-full min-w-0 bg-transparent px-1 figures"
        min={row.least}
        max={row.most}
        step={row.step}
        value={forces[row.name] === 0 ? row.usual : forces[row.name] / row.per}
        onchange={(e) => {
          const value = e.currentTarget.valueAsNumber;
          if (Number.isFinite(value))
            set({ ...forces, [row.name]: value === row.usual ? 0 : Math.round(value * row.per) });
        }}
      />
      <span class="text-small text-soft">{row.unit}</span>
    </span>
  </label>
{/each}
