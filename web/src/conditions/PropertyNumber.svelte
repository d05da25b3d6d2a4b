<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { AskedProperty } from '../core/types.gen';
  import Choose from './Choose.svelte';

  /** What a property of a piece is, or is compared with: one of its words, or a number in its unit. */
  interface Props {
    p: Project;
    label: string;
    property: AskedProperty;
    /** As it is stored. */
    value: number;
    /** Whether it is by how much the property changes, and so may be more or less than that can be. */
    by?: boolean;
    change: (to: number) => void;
  }
  let { p, label, property, value, by = false, change }: Props = $props();

  const shown = $derived(p.session.ask.showNumber({ per: property.per, number: value }));

  function typed(input: HTMLInputElement): void {
    const number = input.valueAsNumber;
    const { per, least, most } = property;
    if (Number.isFinite(number)) change(p.session.ask.storeNumber({ per, least, most, by, typed: number }));
    else input.value = String(shown.value);
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
      step={shown.step}
      value={shown.value}
      onchange={(e) => typed(e.currentTarget)}
    />
    <span class="text-small text-soft">{property.unit}</span>
  </span>
{/if}
