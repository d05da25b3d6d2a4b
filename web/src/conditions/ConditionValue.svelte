<script lang="ts">
  import { MOST_VALUE, type AskableView, type ValueForm } from '../core/types.gen';
  import Choose from './Choose.svelte';
  import ConditionValue from './ConditionValue.svelte';
  import { choicesOf, nounChoices, nounKey, nounOf, propertiesOf, valueChoices, valueKey, valueOf } from './forms';

  /** A value that is held against another. */
  interface Props {
    label: string;
    value: ValueForm;
    of: AskableView;
    home: string;
    fresh: boolean;
    /** Whether a line of its own is given to what is chosen. */
    wide?: boolean;
    change: (to: ValueForm) => void;
  }
  let { label, value, of, home, fresh, wide = false, change }: Props = $props();

  const counted = $derived(value.is === 'count' && value.of?.type === undefined);
  const choices = $derived.by(() => {
    const all = valueChoices(of, fresh);
    return counted ? [...all, { heading: 'Counted', list: [{ key: 'count', name: 'number of pieces' }] }] : all;
  });
  const properties = $derived([
    {
      heading: '',
      list: choicesOf(propertiesOf(of, value.of, home)),
    },
  ]);

  function typed(input: HTMLInputElement): void {
    const n = Math.round(input.valueAsNumber);
    if (Number.isFinite(n)) change({ ...value, number: Math.max(-MOST_VALUE, Math.min(MOST_VALUE, n)) });
    else input.value = String(value.number ?? 0);
  }
</script>

{#if value.is === 'number'}
  <span class="flex">
    <input
      type="number"
      step="1"
      class="h-7 w-18 rounded-l-inner border border-r-0 border-line bg-sheet px-1 figures"
      aria-label="{label}: number"
      value={value.number ?? 0}
      onchange={(e) => typed(e.currentTarget)}
    />
    <Choose
      {label}
      value={valueKey(value)}
      {choices}
      width="w-6 rounded-l-none"
      change={(key) => change(valueOf(key, value, of))}
    />
  </span>
{:else}
  <Choose
    {label}
    value={valueKey(value)}
    {choices}
    width={wide ? 'w-full' : 'flex-1'}
    change={(key) => change(valueOf(key, value, of))}
  />
{/if}
{#if value.is === 'property'}
  <Choose
    label="{label}: what is set"
    value={value.property ?? ''}
    choices={properties}
    change={(property) => change({ ...value, property })}
  />
{/if}
{#if value.is === 'property' || counted}
  <Choose
    label="{label}: of what"
    value={nounKey(value.of ?? { is: 'this' })}
    choices={nounChoices(of)}
    change={(key) => change({ ...value, of: nounOf(key) })}
  />
{:else if value.left && value.right}
  <span class="flex flex-wrap items-center gap-1 border-l-2 border-line pl-2">
    <ConditionValue
      label="{label}: first"
      value={value.left}
      {of}
      {home}
      {fresh}
      change={(left) => change({ ...value, left })}
    />
    <span class="text-soft">{value.is === 'sum' ? 'and' : 'less'}</span>
    <ConditionValue
      label="{label}: second"
      value={value.right}
      {of}
      {home}
      {fresh}
      change={(right) => change({ ...value, right })}
    />
  </span>
{/if}
