<script lang="ts">
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import type { Snippet } from 'svelte';
  import { hold } from '../commands/holding';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';
  import { dragged, droppedOn, putBefore } from './shelf';

  interface Props {
    p: Project;
    kind: 'bond' | 'medley';
    thing: { id: string; name: string };
    /** The one above it, empty for the first. */
    above: string;
    unused: boolean;
    picture: Snippet;
  }
  let { p, kind, thing, above, unused, picture }: Props = $props();

  const held = $derived(p.session.state?.holding === kind && p.session.state[kind] === thing.id);
</script>

<div
  class="flex items-center gap-1"
  role="group"
  aria-label={thing.name}
  ondragover={(e) => e.preventDefault()}
  ondrop={(e) => droppedOn(p, e, kind, thing.id)}
>
  <button
    class="flex min-w-0 flex-1 items-center gap-2 rounded-inner border p-0.5 text-left hover:bg-shelf {held
      ? 'border-saffron bg-held'
      : 'border-transparent'}"
    aria-label="Take {thing.name}"
    data-back
    draggable="true"
    ondragstart={(e) => dragged(e, kind, thing.id)}
    onclick={() => hold(p, kind, { id: thing.id })}
  >
    {@render picture()}
    <span class="min-w-0">
      <span class="block truncate">{thing.name}</span>
      {#if unused}<span class="block text-small text-soft">on no map</span>{/if}
    </span>
  </button>
  {#if above !== ''}
    <button
      class="text-soft"
      aria-label="Move {thing.name} up"
      title="Move up"
      onclick={() => putBefore(p, kind, thing.id, above)}><ArrowUp size={14} /></button
    >
  {/if}
  <Button label="Change" onclick={() => p.shell.layOnDesk({ kind, id: thing.id })} />
</div>
