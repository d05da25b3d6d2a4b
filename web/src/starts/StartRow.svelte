<script lang="ts">
  import { X } from '@lucide/svelte';
  import type { Project } from '../project.svelte';
  import { MEASURES, type StartView } from '../core/types.gen';
  import FactValue from '../facts/FactValue.svelte';
  import Button from '../ui/Button.svelte';
  import Rename from '../ui/Rename.svelte';

  /** A named start: where it is, what the player has there, and which facts and states are otherwise than at first. */
  let { p, start, watching }: { p: Project; start: StartView; watching: boolean } = $props();

  const { orders } = $derived(p.session);
  const scene = $derived(p.session.scene);
  const items = $derived((scene?.items ?? []).filter((i) => !start.items.some((had) => had.id === i.id)));
  const facts = $derived((scene?.facts ?? []).filter((f) => !start.facts.some((is) => is.id === f.id)));
  /** The piece that is selected, at which it can be and of which a state can be said. */
  const piece = $derived.by(() => {
    const slip = p.session.state?.slip;
    return slip?.kind === 'piece' ? slip : null;
  });
  const line = 'flex items-center gap-2 text-small';
  const list = 'h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-1';

  function add(select: HTMLSelectElement, how: (id: string) => unknown): void {
    if (select.value !== '') how(select.value);
    select.value = '';
  }
</script>

{#snippet off(label: string, run: () => unknown)}
  <button
    class="grid size-6 shrink-0 place-items-center rounded-inner hover:bg-shelf"
    aria-label={label}
    title={label}
    onclick={() => run()}><X size={13} /></button
  >
{/snippet}

<li class="flex flex-col gap-1 border-t border-line py-2" data-start={start.name}>
  <span class="flex items-center gap-2">
    <span class="min-w-0 flex-1"
      ><Rename
        value={start.name}
        label="Name of the start {start.name}"
        rename={(text) => orders.rename({ thing: { kind: 'start', id: start.id }, name: text })}
      /></span
    >
    <Button label="Play" main onclick={() => p.game.startAs(start.id)} />
  </span>
  <span class={line}>
    <button
      class="min-w-0 flex-1 truncate rounded-inner text-left hover:bg-shelf"
      onclick={() => p.viewport.moveCamera((c) => c.center(start.x, start.y))}
      ><span class="text-soft">at</span> <span class="figures">{start.place}</span></button
    >
    {#if watching}<Button label="Take as it is now" onclick={() => orders.takeStart({ start: start.id })} />{/if}
    <Button label="Delete" onclick={() => orders.delete({ thing: { kind: 'start', id: start.id } })} />
  </span>
  {#each start.items as item (item.id)}
    <span class={line} data-has={item.name}>
      <span class="min-w-0 flex-1 truncate">{item.name}</span>
      <input
        type="number"
        class="h-7 w-16 rounded-inner border border-line bg-sheet px-1 figures"
        aria-label="How many of {item.name} at {start.name}"
        min="1"
        max={MEASURES.itemMost.most}
        value={item.count}
        onchange={(e) => {
          const n = Math.round(e.currentTarget.valueAsNumber);
          if (Number.isFinite(n)) void orders.setStartItem({ start: start.id, item: item.id, count: Math.max(0, n) });
          e.currentTarget.valueAsNumber = item.count;
        }}
      />
      {@render off(`Without ${item.name}`, () => orders.setStartItem({ start: start.id, item: item.id, count: 0 }))}
    </span>
  {/each}
  {#each start.facts as is (is.id)}
    {@const fact = scene?.facts.find((f) => f.id === is.id)}
    {#if fact}
      <span class={line} data-knows={fact.name}>
        <span class="min-w-0 flex-1 truncate">{fact.name}</span>
        <FactValue
          label="What {fact.name} is at {start.name}"
          {fact}
          value={is.value}
          set={(value) => orders.setStartFact({ start: start.id, fact: is.id, value })}
        />
        {@render off(`${fact.name} as at first`, () =>
          orders.setStartFact({ start: start.id, fact: is.id, value: 0, first: true }),
        )}
      </span>
    {/if}
  {/each}
  {#each start.states as is (is.id)}
    <span class={line} data-is={is.name}>
      <button
        class="min-w-0 flex-1 truncate rounded-inner text-left hover:bg-shelf"
        onclick={() => {
          void orders.select({ thing: { kind: 'piece', map: is.map, id: is.id } });
          p.viewport.moveCamera((c) => c.center(is.x, is.y));
        }}>{is.name}</button
      >
      <select
        class="h-7 max-w-40 rounded-inner border border-line bg-sheet px-1"
        aria-label="What {is.name} is at {start.name}"
        value={is.state}
        onchange={(e) => orders.setStartState({ start: start.id, piece: is.id, state: Number(e.currentTarget.value) })}
      >
        {#each is.states as one (one.state)}<option value={one.state}>{one.name}</option>{/each}
      </select>
      {@render off(`${is.name} as at first`, () => orders.setStartState({ start: start.id, piece: is.id, state: 0 }))}
    </span>
  {/each}
  {#if start.more > 0}<p class="text-small text-soft figures">and {start.more} more pieces</p>{/if}
  <span class={line}>
    {#if items.length > 0}
      <select
        class={list}
        aria-label="Item that the player has at {start.name}"
        onchange={(e) => add(e.currentTarget, (item) => orders.setStartItem({ start: start.id, item, count: 1 }))}
      >
        <option value="">with an item…</option>
        {#each items as item (item.id)}<option value={item.id}>{item.name}</option>{/each}
      </select>
    {/if}
    {#if facts.length > 0}
      <select
        class={list}
        aria-label="Fact that is otherwise at {start.name}"
        onchange={(e) => {
          const fact = facts.find((f) => f.id === e.currentTarget.value);
          add(e.currentTarget, (id) =>
            orders.setStartFact({
              start: start.id,
              fact: id,
              value: fact && !fact.counts && fact.start === 0 ? 1 : (fact?.start ?? 0),
            }),
          );
        }}
      >
        <option value="">with a fact…</option>
        {#each facts as fact (fact.id)}<option value={fact.id}>{fact.name}</option>{/each}
      </select>
    {/if}
  </span>
  {#if piece}
    {@const { id, box } = piece}
    {@const name = piece.name || piece.proposed}
    <span class="flex flex-wrap gap-1">
      <Button
        label="Stand at {name}"
        onclick={() => orders.placeStart({ start: start.id, x: box.x + (box.w >> 1), y: box.y + (box.h >> 1) })}
      />
      {#if !start.states.some((is) => is.id === id)}
        <Button
          label="With another state of {name}"
          onclick={() => orders.setStartState({ start: start.id, piece: id, state: -1 })}
        />
      {/if}
    </span>
  {/if}
</li>
