<script lang="ts">
  import type { Project } from '../project.svelte';
  import { NAME_LETTERS, MEASURES } from '../core/types.gen';
  import { addRule } from '../rules/opening';
  import Button from '../ui/Button.svelte';
  import Named from '../ui/Named.svelte';
  import Rename from '../ui/Rename.svelte';

  /** What the player can have: how many of it, where it is given, needed and had, and what using it does. */
  let { p }: { p: Project } = $props();

  let name = $state('');
  const items = $derived(p.session.scene?.items ?? []);

  function make(event: SubmitEvent): void {
    event.preventDefault();
    void p.session.orders.makeItem({ name });
    name = '';
  }
</script>

<form class="flex items-end gap-2" onsubmit={make}>
  <label class="flex min-w-0 flex-1 flex-col gap-1">
    <span>Name of a new item</span>
    <input class="h-7 rounded-inner border border-line bg-sheet px-2" bind:value={name} maxlength={NAME_LETTERS} />
  </label>
  <Button label="Make" type="submit" main disabled={name.trim() === ''} />
</form>
<ol class="-mx-1 min-h-0 flex-1 overflow-y-auto px-1" aria-label="Items">
  {#each items as item (item.id)}
    <li class="flex flex-col gap-1 border-t border-line py-2" data-item={item.name}>
      <span class="flex items-center gap-2">
        <span class="min-w-0 flex-1"
          ><Rename
            value={item.name}
            label="Name of the item {item.name}"
            rename={(text) => p.session.orders.rename({ thing: { kind: 'item', id: item.id }, name: text })}
          /></span
        >
        <label class="flex items-center gap-1 text-small">
          <span class="text-soft">at most</span>
          <input
            type="number"
            class="h-7 w-14 rounded-inner border border-line bg-sheet px-1 figures"
            min={MEASURES.itemMost.least}
            max={MEASURES.itemMost.most}
            value={item.most}
            onchange={(e) => {
              const n = Math.round(e.currentTarget.valueAsNumber);
              if (Number.isFinite(n)) void p.session.orders.setItemMost({ item: item.id, most: n });
              e.currentTarget.valueAsNumber = item.most;
            }}
          />
        </label>
        <Button label="Delete" onclick={() => p.session.orders.delete({ thing: { kind: 'item', id: item.id } })} />
      </span>
      <Named {p} named={item.named} more={item.more} />
      <button
        class="self-start rounded-inner px-1.5 text-small text-soft underline decoration-dotted hover:bg-shelf"
        onclick={() => void addRule(p, { kind: 'item', id: item.id })}>Say what using {item.name} does</button
      >
      {#if item.named.length === 0}<p class="text-small text-rose-ink">Nothing gives it, and nothing needs it.</p>{/if}
    </li>
  {:else}
    <li class="text-soft">
      None yet. An item is something that the player can have: a collectible gives it, an exit may need it, and a
      character may begin with it.
    </li>
  {/each}
</ol>
