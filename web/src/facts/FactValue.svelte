<script lang="ts">
  import { MEASURES } from '../core/types.gen';

  interface Props {
    label: string;
    /** Whether it is a number, else yes or no. */
    counts: boolean;
    value: number;
    set: (value: number) => void;
  }
  let { label, counts, value, set }: Props = $props();
</script>

{#if counts}
  <input
    type="number"
    class="h-7 w-20 rounded-inner border border-line bg-sheet px-1 figures"
    aria-label={label}
    min={MEASURES.factValue.least}
    max={MEASURES.factValue.most}
    {value}
    onchange={(e) => {
      const n = Math.round(e.currentTarget.valueAsNumber);
      if (Number.isFinite(n) && n !== value) set(n);
      e.currentTarget.valueAsNumber = value;
    }}
  />
{:else}
  <select
    class="h-7 rounded-inner border border-line bg-sheet px-1"
    aria-label={label}
    value={value > 0 ? 1 : 0}
    onchange={(e) => set(Number(e.currentTarget.value))}
  >
    <option value={0}>no</option>
    <option value={1}>yes</option>
  </select>
{/if}
