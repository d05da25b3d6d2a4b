<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { SlipView } from '../core/types.gen';
  import { openType } from './opening';

  /** Of which type the selected piece is; another one keeps what that has of what is set. */
  let { p, slip }: { p: Project; slip: SlipView } = $props();

  const { orders } = $derived(p.session);
  const types = $derived(p.session.scene?.types ?? []);
  const is = $derived(types.find((t) => t.id === slip.type));
  const own = $derived(types.filter((t) => t.own));
  /** Where play begins there is one piece, which is placed and not made of another. */
  const fixed = $derived(is === undefined || is.single);

  async function make(): Promise<void> {
    const { made } = await orders.makeType({ map: slip.map, piece: slip.id });
    if (made[0] !== undefined) openType(p, made[0]);
  }
</script>

{#if fixed}
  <div class="-mt-2 text-soft">{slip.sort}</div>
{:else}
  <div class="-mt-1 flex flex-wrap items-center gap-x-2 gap-y-1 text-small" data-type>
    <select
      class="h-6 max-w-40 rounded-inner border border-line bg-sheet px-1 text-soft"
      aria-label="Type of this piece"
      value={slip.type}
      onchange={(e) =>
        void orders.setPieceType({ map: slip.map, piece: slip.id, type: e.currentTarget.value }).then(() => {
          e.currentTarget.value = slip.type;
        })}
    >
      {#if own.length > 0}
        <optgroup label="Your own">
          {#each own as type (type.id)}<option value={type.id}>{type.name}</option>{/each}
        </optgroup>
      {/if}
      <optgroup label="Built in">
        {#each types.filter((t) => !t.own && !t.single) as type (type.id)}<option value={type.id}>{type.name}</option
          >{/each}
      </optgroup>
    </select>
    {#if slip.otherwise.length > 0}
      <span class="text-soft"
        >sets itself: {slip.otherwise.join(', ')}
        <button
          class="rounded-inner px-1 underline decoration-dotted hover:bg-shelf"
          onclick={() => orders.followType({ map: slip.map, piece: slip.id })}>As its type</button
        ></span
      >
    {/if}
    {#if is?.own}
      <button
        class="rounded-inner px-1 text-soft underline decoration-dotted hover:bg-shelf"
        onclick={() => openType(p, slip.type)}>Open this type</button
      >
    {:else}
      <button
        class="rounded-inner px-1 text-soft underline decoration-dotted hover:bg-shelf"
        title="What is set of it becomes usual of a type of your own, of which more can be placed."
        onclick={() => void make()}>Make this a type</button
      >
    {/if}
  </div>
{/if}
