<script lang="ts">
  import { bringProjectBack, listDeleted } from '../core/api';
  import type { DeletedProject } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  /** The projects that were deleted and can still be brought back. It is looked up anew with each deletion. */
  let { deletions, back }: { deletions: number; back: () => void } = $props();

  let gone: DeletedProject[] = $state([]);
  let problem = $state('');

  function look(): void {
    listDeleted().then(
      (list) => (gone = list),
      (failure: Error) => (problem = failure.message),
    );
  }

  async function bring(project: DeletedProject): Promise<void> {
    problem = '';
    try {
      await bringProjectBack(project.id);
      back();
    } catch (failure) {
      problem = (failure as Error).message;
    }
    look();
  }

  $effect(() => {
    void deletions;
    look();
  });
</script>

{#if gone.length > 0}
  <section class="mx-auto mt-10 max-w-280" aria-label="Deleted projects">
    <h2 class="name text-title">Deleted</h2>
    <ul class="mt-2 flex flex-col gap-1">
      {#each gone as project (project.id)}
        <li class="flex items-center gap-3">
          <span class="min-w-0 truncate">{project.name}</span>
          <span class="text-soft figures">gone for good in {project.days} {project.days === 1 ? 'day' : 'days'}</span>
          <Button label="Restore" onclick={() => void bring(project)} />
        </li>
      {/each}
    </ul>
    {#if problem}<p class="text-rose-ink" role="alert">{problem}</p>{/if}
  </section>
{/if}
