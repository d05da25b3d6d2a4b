<script lang="ts">
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
  <span class="bg-sheet border-line rounded-inner flex h-7 items-center border pr-2">
    <input type="number" bind:value {min} {max} step="1" class="figures w-full min-w-0 bg-transparent px-2" />
    <span class="text-soft">{unit}</span>
  </span>
</label>
