<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Project } from '../project.svelte';
  import type { OwnTypeView, PropertyLook, PropertyView, TypesView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  /** The properties that the pieces of a type have beside those of the kind on which it builds. */
  let { p, view, type }: { p: Project; view: TypesView; type: OwnTypeView } = $props();

  const { orders } = $derived(p.session);
  const NUMBER = 0;
  const WORDS = 2;
  let name = $state('');

  const set = (one: PropertyView, change: Partial<PropertyLook>): void =>
    void orders.setTypeProperty({ type: type.id, property: one.id, change });

  function add(event: SubmitEvent): void {
    event.preventDefault();
    void orders.addTypeProperty({ type: type.id, name });
    name = '';
  }
</script>

{#snippet number(one: PropertyView, label: string, value: number, change: (n: number) => void)}
  <label class="flex items-center gap-1">
    <span class="text-small text-soft">{label}</span>
    <input
      type="number"
      step="1"
      class="h-7 w-16 rounded-inner border border-line bg-sheet px-1 figures"
      aria-label="{one.name}: {label}"
      {value}
      onchange={(e) => {
        const n = Math.round(e.currentTarget.valueAsNumber);
        if (Number.isFinite(n)) change(n);
        else e.currentTarget.value = String(value);
      }}
    />
  </label>
{/snippet}

<div class="border-t border-line pt-1 text-small text-soft">Properties of its own</div>
<ul class="flex flex-col gap-2" aria-label="Properties of {type.name}">
  {#each type.properties as one (one.id)}
    <li class="flex flex-col gap-1" data-property={one.name}>
      <div class="flex items-center gap-1">
        <input
          class="h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-2"
          aria-label="Name of the property {one.name}"
          value={one.name}
          onchange={(e) => set(one, { name: e.currentTarget.value })}
        />
        <select
          class="h-7 rounded-inner border border-line bg-sheet px-1"
          aria-label="{one.name} is"
          value={one.sort}
          onchange={(e) => set(one, { sort: Number(e.currentTarget.value) })}
        >
          {#each view.sorts as sort, i (sort)}<option value={i}>{sort}</option>{/each}
        </select>
        <button
          class="size-6 text-soft hover:text-rose-ink"
          aria-label="Take {one.name} away"
          onclick={() => orders.removeTypeProperty({ type: type.id, property: one.id })}><X size={13} /></button
        >
      </div>
      {#if one.sort === NUMBER}
        <div class="flex flex-wrap items-center gap-2">
          {@render number(one, 'usual', one.usual, (usual) => set(one, { usual }))}
          {@render number(one, 'from', one.least, (least) => set(one, { least }))}
          {@render number(one, 'to', one.most, (most) => set(one, { most }))}
          <label class="flex items-center gap-1">
            <span class="text-small text-soft">unit</span>
            <input
              class="h-7 w-20 rounded-inner border border-line bg-sheet px-1"
              aria-label="{one.name}: unit"
              value={one.unit}
              onchange={(e) => set(one, { unit: e.currentTarget.value })}
            />
          </label>
        </div>
      {:else}
        <div class="flex flex-wrap items-center gap-2">
          {#if one.sort === WORDS}
            <input
              class="h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-2"
              aria-label="Words of {one.name}, with commas between them"
              value={one.words}
              onchange={(e) => set(one, { words: e.currentTarget.value })}
            />
          {/if}
          <label class="flex items-center gap-1">
            <span class="text-small text-soft">usual</span>
            <select
              class="h-7 rounded-inner border border-line bg-sheet px-1"
              aria-label="{one.name}: usual"
              value={one.chosen}
              onchange={(e) => set(one, { usual: Number(e.currentTarget.value) })}
            >
              {#each one.options as word, i (i)}<option value={i}>{word}</option>{/each}
            </select>
          </label>
        </div>
      {/if}
      <label class="flex items-center gap-2 text-small">
        <input
          type="checkbox"
          class="accent-saffron"
          checked={one.changes}
          onchange={(e) => set(one, { changes: e.currentTarget.checked })}
        />
        rules set it in play{#if one.sets > 0}<span class="text-soft">
            · set of {one.sets === 1 ? '1 piece' : `${one.sets} pieces`}, which keep that as near as it can be</span
          >{/if}
      </label>
    </li>
  {/each}
</ul>
<form class="flex items-end gap-2" onsubmit={add}>
  <input
    class="h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-2"
    aria-label="Name of a new property"
    placeholder="a new property, such as “water”"
    bind:value={name}
  />
  <Button label="Add" type="submit" disabled={name.trim() === ''} />
</form>
