<script lang="ts">
  import type { Measure } from '../core/types.gen';

  /** A number that is typed, with its label before it. */
  interface Props {
    measure: Measure;
    /** Stands in the place of the measure's own label. */
    label?: string;
    value: number;
    change: (value: number) => void;
  }
  let { measure, label = measure.label, value, change }: Props = $props();
</script>

<label class="flex items-center justify-between gap-2">
  <span>{label}</span>
  <span class="flex h-7 w-24 items-center rounded-inner border border-line bg-sheet pr-1">
    <input
      type="number"
      class="w-full min-w-0 bg-transparent px-1 figures"
      min={measure.least}
      max={measure.most}
      step={measure.step}
      {value}
      onchange={(e) => {
        const next = e.currentTarget.valueAsNumber;
        if (Number.isFinite(next)) change(next);
      }}
    />
    <span class="text-small text-soft">{measure.unit}</span>
  </span>
</label>
