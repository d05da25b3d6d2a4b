<script lang="ts">
  import { ChevronDown, ChevronRight } from '@lucide/svelte';
  import type { Project } from '../project.svelte';
  import type { TypesView } from '../core/types.gen';
  import { hold } from '../commands/holding';
  import TypeIcon from '../tray/TypeIcon.svelte';
  import Button from '../ui/Button.svelte';
  import TypeSheet from './TypeSheet.svelte';

  /** The types that a project has of its own: what each builds on, what is usual of its pieces, how many there may be. */
  let { p }: { p: Project } = $props();

  const { orders } = $derived(p.session);
  const view = $derived.by<TypesView>(() => {
    void p.session.scene;
    return p.session.ask.types();
  });
  let base = $state('');

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const { made } = await orders.addType({ base: base === '' ? (view.kinds[0]?.id ?? '') : base });
    if (made[0] !== undefined) p.shell.type = made[0];
  }
</script>

<form class="flex items-end gap-2" onsubmit={add}>
  <label class="flex min-w-0 flex-1 flex-col gap-1">
    <span>A new type builds on</span>
    <select class="h-7 rounded-inner border border-line bg-sheet px-1" bind:value={base}>
      {#each view.kinds as kind, i (kind.id)}<option value={i === 0 ? '' : kind.id}>{kind.name}</option>{/each}
    </select>
  </label>
  <Button label="Make" type="submit" main />
</form>
<ol class="-mx-1 min-h-0 flex-1 overflow-y-auto px-1" aria-label="Types of your own">
  {#each view.types as type (type.id)}
    {@const open = p.shell.type === type.id}
    <li class="border-t border-line py-2" data-type={type.name}>
      <div class="flex items-center gap-2">
        <button
          class="flex min-w-0 flex-1 items-center gap-2 rounded-inner text-left hover:bg-shelf"
          aria-expanded={open}
          onclick={() => (p.shell.type = open ? '' : type.id)}
        >
          {#if open}<ChevronDown size={14} />{:else}<ChevronRight size={14} />{/if}
          <TypeIcon {p} type={type.id} />
          <span class="min-w-0 flex-1"
            ><strong class="block truncate">{type.name}</strong><span class="block truncate text-small text-soft"
              >{type.kind} · {type.pieces === 1 ? '1 piece' : `${type.pieces} pieces`}{type.maps > 1
                ? ` on ${type.maps} maps`
                : ''}</span
            ></span
          >
        </button>
        <Button label="Place" onclick={() => hold(p, 'piece', { id: type.id })} />
      </div>
      {#if open}<TypeSheet {p} {view} {type} />{/if}
    </li>
  {:else}
    <li class="text-soft">
      None yet. A type is a kind of piece with a name of your own and other usual values: make one here, or out of a
      piece by “Make this a type” on its slip. What is changed of a type changes all of its pieces, but for what they
      set themselves.
    </li>
  {/each}
</ol>
