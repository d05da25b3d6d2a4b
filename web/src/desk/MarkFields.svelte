<script lang="ts">
  import type { Project } from '../project.svelte';
  import { MEASURES, TILE_PROPERTIES, type Mark } from '../core/types.gen';
  import Choices from '../ui/Choices.svelte';
  import NumberField from '../ui/NumberField.svelte';
  import { markOf } from './marks';
  import OwnFields from './OwnFields.svelte';

  interface Props {
    p: Project;
    mark: Mark;
    change: (mark: Mark) => void;
  }
  let { p, mark, change }: Props = $props();

  const SOLID: [number, string][] = [
    [1, 'all over'],
    [2, 'where it shows'],
    [0, 'not solid'],
  ];
  const IS = [
    [true, 'it is'],
    [false, 'it is not'],
  ] as const;
  const property = $derived(TILE_PROPERTIES.find((q) => q.id === mark.property));
  const layers = $derived([...new Set((p.session.scene?.maps ?? []).flatMap((m) => m.layers.map((l) => l.name)))]);
</script>

<Choices
  label="What is painted onto tiles"
  options={TILE_PROPERTIES.map((q) => [q.id, q.name] as const)}
  value={property?.id}
  choose={(id) => change(markOf(id))}
/>
<OwnFields {p} {mark} {change} />
{#if property}<p class="text-soft">{property.says}</p>{/if}
{#if property?.value === 'solid'}
  <Choices
    label="How it is solid"
    options={SOLID}
    value={mark.amount}
    choose={(amount) => change({ ...mark, amount })}
  />
{:else if property?.value === 'yes'}
  <Choices label="Whether it is" options={IS} value={mark.on} choose={(on) => change({ ...mark, on })} />
{:else if property?.value === 'amount'}
  <div class="w-28">
    <NumberField
      measure={{ ...MEASURES.amount, most: property.most }}
      bind:value={() => mark.amount, (amount) => change({ ...mark, amount: Math.trunc(amount || 0) })}
    />
  </div>
{:else if property?.value === 'role'}
  <label class="flex flex-col gap-1">
    <span>Role</span>
    <select
      class="h-7 rounded-inner border border-line bg-sheet px-2"
      value={mark.amount}
      onchange={(e) => change({ ...mark, amount: Number(e.currentTarget.value) })}
    >
      {#each p.session.scene?.roles ?? [] as role, i (role)}<option value={i}>{role}</option>{/each}
    </select>
  </label>
{:else if property?.value === 'text'}
  <label class="flex flex-col gap-1">
    <span>Layer</span>
    <select
      class="h-7 rounded-inner border border-line bg-sheet px-2"
      value={mark.text}
      onchange={(e) => change({ ...mark, text: e.currentTarget.value })}
    >
      <option value="">the current one</option>
      {#each layers as layer (layer)}<option value={layer}>{layer}</option>{/each}
    </select>
  </label>
{/if}
