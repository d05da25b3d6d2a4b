<script lang="ts">
  import type { Measure } from '../core/types.gen';

  /** A number that is dragged or typed, and told once it is let go. */
  interface Props {
    measure: Measure;
    value: number;
    change: (value: number) => void;
  }
  let { measure, value, change }: Props = $props();

  function told(event: Event & { currentTarget: HTMLInputElement }): void {
    const next = event.currentTarget.valueAsNumber;
    if (Number.isFinite(next) && next !== value) change(Math.round(next));
    event.currentTarget.valueAsNumber = value;
  }
</script>

<div class="flex items-center gap-2">
  <span class="w-24 shrink-0">{measure.label}</span>
  <input
    type="range"
    class="min-w-0 flex-1 accent-saffron"
    aria-label={measure.label}
    min={measure.from}
    max={measure.to}
    step={measure.fine}
    {value}
    onchange={told}
  />
  <span class="flex h-7 w-20 items-center rounded-inner border border-line bg-sheet pr-1.5">
    <input
      type="number"
      class="w-full min-w-0 bg-transparent px-1.5 figures"
      aria-label="{measure.label}, in {measure.unit}"
      min={measure.least}
      max={measure.most}
      step={measure.step}
      {value}
      onchange={told}
    />
    <span class="text-small text-soft">{measure.unit}</span>
  </span>
</div>
