<script lang="ts">
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';

  let { p }: { p: Project } = $props();
</script>

{#if p.session.state?.looked}
  <div
    class="mx-auto mt-1.5 mb-1 flex w-fit max-w-[calc(100%-1rem)] flex-wrap items-center gap-x-3 gap-y-1 sheet px-4 py-2"
    role="status"
    data-looking
  >
    <span class="min-w-0 truncate">This is the version <b>{p.session.state.looked}</b></span>
    <Button label="Restore this version" main onclick={() => p.session.orders.restoreVersion()} />
    <Button label="Back to current version" onclick={() => p.session.orders.showCurrentVersion()} />
  </div>
{/if}
