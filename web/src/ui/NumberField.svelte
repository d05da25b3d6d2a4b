<script lang="ts">
  /** A whole number with its unit. */
  interface Props {
    label: string;
    unit: string;
    value: number;
    min: number;
    max: number;
  }
  let { label, unit, value = $bindable(), min, max }: Props = $props();
</script>

<label class="flex min-w-0 flex-1 flex-col gap-1">
  <span>{label}</span>
  <span class="flex h-7 items-center rounded-inner border border-line bg-sheet pr-2">
    <input
      type="number"
      bind:value
      {min}
      {max}
      step="1"
      class="w-full min-w-0 bg-transparent px-2 figures"
      onchange={() => Number.isFinite(value) && (value = Math.round(value))}
    />
    <span class="text-soft">{unit}</span>
  </span>
</label>
