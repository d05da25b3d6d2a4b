<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Snippet } from 'svelte';
  import type { Panel } from '../shell/shell.svelte';
  import type { Project } from '../project.svelte';

  interface Props {
    p: Project;
    /** Which panel it is. */
    panel: Panel;
    title: string;
    /** What it is called for who can't see it, if not as its title. */
    label?: string;
    /** Whether it needs more room. */
    wide?: boolean;
    children: Snippet;
  }
  let { p, panel, title, label = title, wide = false, children }: Props = $props();
</script>

{#if p.shell.panel === panel}
  <aside
    class="absolute top-3 right-3 z-20 flex max-h-[calc(100%-24px)] {wide
      ? 'w-80'
      : 'w-72'} flex-col gap-2 overflow-y-auto sheet p-3"
    aria-label={label}
    {...{ [`data-${panel}`]: '' }}
  >
    <div class="flex items-center gap-2">
      <h2 class="flex-1 name text-title">{title}</h2>
      <button class="text-soft" aria-label="Close: {title}" onclick={() => (p.shell.panel = 'none')}
        ><X size={14} /></button
      >
    </div>
    {@render children()}
  </aside>
{/if}
