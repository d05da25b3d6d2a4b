<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { Mark } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import NumberField from '../ui/NumberField.svelte';
  import { markOf, properties } from './marks';
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
  const property = $derived(properties.find((q) => q.id === mark.property));
  const layers = $derived([...new Set((p.session.scene?.maps ?? []).flatMap((m) => m.layers.map((l) => l.name)))]);
</script>

<div class="flex flex-wrap gap-1" role="group" aria-label="What is painted onto tiles">
  {#each properties as q (q.id)}
    <Button label={q.name} pressed={q.id === mark.property} onclick={() => change(markOf(q.id))} />
  {/each}
</div>
<OwnFields {p} {mark} {change} />
{#if property}<p class="text-soft">{property.says}</p>{/if}
{#if property?.value === 'solid'}
  <div class="flex flex-wrap gap-1" role="group" aria-label="How it is solid">
    {#each SOLID as [amount, name] (amount)}
      <Button label={name} pressed={mark.amount === amount} onclick={() => change({ ...mark, amount })} />
    {/each}
  </div>
{:else if property?.value === 'yes'}
  <div class="flex gap-1" role="group" aria-label="Whether it is">
    <Button label="it is" pressed={mark.on} onclick={() => change({ ...mark, on: true })} />
    <Button label="it is not" pressed={!mark.on} onclick={() => change({ ...mark, on: false })} />
  </div>
{:else if property?.value === 'amount'}
  <div class="w-28">
    <NumberField
      label="How much"
      unit=""
      min={0}
      max={property.most ?? 100}
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
