<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { editing } from '../commands/command';
  import type { Project } from '../project.svelte';
  import Lazy from './Lazy.svelte';
  import { waits } from '../ui/focus';
  import { givesBack } from '../ui/givesBack';
  import { panelOf } from './panels';

  /** The panel at the right, whichever is open. */
  let { p }: { p: Project } = $props();

  const entry = $derived(panelOf(p.shell.panel));
  let element: HTMLElement | undefined = $state();

  /** Whether what was opened is still waited for. */
  let waiting = (): boolean => false;
  $effect(() => {
    if (entry) waiting = waits();
  });

  /** What was opened takes the focus, unless the game has the keys or the designer has gone on. */
  function focus(): void {
    if (entry && editing(p) && waiting()) element?.querySelector<HTMLElement>(entry.focus)?.focus();
  }
</script>

{#if entry}
  <aside
    bind:this={element}
    use:givesBack
    class="flex min-h-0 flex-1 {entry.wide
      ? 'w-88'
      : 'w-72'} flex-col gap-2 overflow-y-auto border-l border-line bg-sheet p-3"
    aria-label={entry.title}
    {...{ [`data-${entry.id}`]: '' }}
  >
    <div class="flex items-center gap-2">
      <h2 class="flex-1 name text-title">{entry.title}</h2>
      <button class="text-soft" aria-label="Close: {entry.title}" onclick={() => (p.shell.panel = 'none')}
        ><X size={14} /></button
      >
    </div>
    <Lazy {p} load={entry.load} shown={focus} />
  </aside>
{/if}
