<script lang="ts">
  import type { Measure } from '../core/types.gen';

  /** A whole number with its unit, below its label. */
  let { measure, value = $bindable() }: { measure: Measure; value: number } = $props();
</script>

<label class="flex min-w-0 flex-1 flex-col gap-1">
  <span>{measure.label}</span>
  <span class="flex h-7 items-center rounded-inner border border-line bg-sheet pr-2">
    <input
      type="number"
      bind:value
      min={measure.least}
      max={measure.most}
      step={measure.step}
      class="w-full min-w-0 bg-transparent px-2 figures"
      onchange={() => Number.isFinite(value) && (value = Math.round(value))}
    />
    <span class="text-soft">{measure.unit}</span>
  </span>
</label>
