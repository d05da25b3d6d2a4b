<script lang="ts">
  import type { AskedProperty } from '../core/types.gen';
  import Choose from './Choose.svelte';

  /** What a property of a piece is, or is compared with: one of its words, or a number in its unit. */
  interface Props {
    label: string;
    property: AskedProperty;
    /** As it is stored. */
    value: number;
    /** Whether it is by how much the property changes, and so may be more or less than that can be. */
    by?: boolean;
    change: (to: number) => void;
  }
  let { label, property, value, by = false, change }: Props = $props();

  function typed(input: HTMLInputElement): void {
    const n = Math.round(input.valueAsNumber * property.per);
    if (Number.isFinite(n)) change(by ? n : Math.max(property.least, Math.min(property.most, n)));
    else input.value = String(value / property.per);
  }
</script>

{#if property.names.length > 0}
  <Choose
    {label}
    value={String(Math.max(0, Math.min(value, property.names.length - 1)))}
    choices={[{ heading: '', list: property.names.map((name, i) => ({ key: String(i), name })) }]}
    change={(n) => change(Number(n))}
  />
{:else}
  <span class="flex h-7 w-28 items-center rounded-inner border border-line bg-sheet pr-1">
    <input
      type="number"
      class="w-full min-w-0 bg-transparent px-1 figures"
      aria-label={label}
      step={property.per % 10 === 0 && property.per < 60 ? 0.1 : property.per > 1 ? 0.5 : 1}
      value={Math.round((value / property.per) * 100) / 100}
      onchange={(e) => typed(e.currentTarget)}
    />
    <span class="text-small text-soft">{property.unit}</span>
  </span>
{/if}
