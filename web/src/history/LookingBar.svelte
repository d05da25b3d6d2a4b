<script lang="ts">
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';

  let { p }: { p: Project } = $props();
</script>

{#if p.session.state?.looked}
  <div
    class="absolute top-3 left-1/2 z-20 flex max-w-[calc(100%-24px)] -translate-x-1/2 items-center gap-3 sheet px-4 py-2"
    role="status"
    data-looking
  >
    <span class="min-w-0 truncate">This is the version <b>{p.session.state.looked}</b></span>
    <Button label="Restore this version" main onclick={() => p.session.orders.restoreVersion()} />
    <Button label="Back to current version" onclick={() => p.session.orders.showCurrentVersion()} />
  </div>
{/if}
