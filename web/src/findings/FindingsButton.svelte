<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import { keyOf } from '../commands/register';
  import type { Project } from '../project.svelte';

  /** How much is wrong, in the strip; a click lists it. */
  let { p }: { p: Project } = $props();

  const count = $derived(p.findings.view?.count ?? 0);
  const says = $derived(count === 1 ? '1 finding' : `${count} findings`);
</script>

{#if p.findings.view}
  <button
    class="inline-flex h-7 items-center gap-1.5 rounded-inner px-1.5 figures hover:bg-shelf {p.shell.panel ===
    'findings'
      ? 'bg-held'
      : ''}"
    aria-pressed={p.shell.panel === 'findings'}
    title="What is wrong in the project ({keyOf('findings')})"
    data-findings={count}
    onclick={() => p.shell.togglePanel('findings')}
  >
    {#if count > 0}
      <TriangleAlert size={14} class="text-rose" /><span class="text-rose-ink">{says}</span>
    {:else}
      <Check size={14} class="text-moss" /><span class="text-soft">No findings</span>
    {/if}
  </button>
{/if}
