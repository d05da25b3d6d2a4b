<script lang="ts">
  import ThemeButton from '../ui/ThemeButton.svelte';
  import { onMount } from 'svelte';
  import Trash from '@lucide/svelte/icons/trash-2';
  import { deleteProject, listProjects } from '../core/api';
  import type { ProjectCard } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Emblem from '../ui/Emblem.svelte';
  import BringBundle from './BringBundle.svelte';
  import Deleted from './Deleted.svelte';
  import NewProject from './NewProject.svelte';

  let { open }: { open: (id: string) => void } = $props();

  let projects: ProjectCard[] | null = $state(null);
  let error = $state('');
  /** Counts deletions, for the list of what was deleted. */
  let deletions = $state(0);

  async function remove(project: ProjectCard): Promise<void> {
    error = '';
    try {
      await deleteProject(project.id);
      deletions++;
    } catch (failure) {
      error = (failure as Error).message;
      return;
    }
    list();
  }

  function list(): void {
    error = '';
    listProjects().then(
      (found) => (projects = found),
      (failure: Error) => (error = failure.message),
    );
  }

  onMount(() => {
    document.title = 'Azzel';
    list();
  });

  const when = (ms: number): string =>
    new Date(ms).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
</script>

<div class="flex h-full flex-col">
  <header class="flex h-10 shrink-0 items-center gap-3 border-b border-line bg-sheet px-3">
    <Emblem />
    <h1 class="name text-title">Azzel</h1>
    <span class="text-soft">your projects</span>
    <div class="ml-auto">
      <ThemeButton />
    </div>
  </header>
  <main class="flex-1 overflow-auto p-10">
    <div class="mx-auto grid max-w-280 grid-cols-[repeat(auto-fill,minmax(240px,1fr))] items-start gap-6">
      {#if error}
        <p class="col-span-full flex items-center gap-3" role="alert">
          <span class="text-rose-ink">{error}</span><Button label="Try again" onclick={list} />
        </p>
      {/if}
      {#each projects ?? [] as project, i (project.id)}
        <div class="relative overflow-hidden sheet {i === 0 ? 'col-span-2 row-span-2' : ''}">
          <a
            href="/project/{project.id}"
            class="block"
            onclick={(event) => {
              if (event.ctrlKey || event.metaKey || event.shiftKey) return;
              event.preventDefault();
              open(project.id);
            }}
          >
            <span class="block overflow-hidden bg-shelf {i === 0 ? 'h-72' : 'h-36'}">
              <img
                src="/api/projects/{project.id}/picture?revision={project.revision}"
                alt=""
                class="size-full object-contain p-3"
                style:image-rendering="pixelated"
              />
            </span>
            <span class="block py-3 pr-12 pl-4">
              <span class="block truncate name text-title">{project.name}</span>
              <span class="text-soft figures">changed {when(project.changed)}</span>
            </span>
          </a>
          <div class="absolute right-3 bottom-4">
            <Button label="Delete {project.name}" icon onclick={() => void remove(project)}><Trash size={16} /></Button>
          </div>
        </div>
      {/each}
      {#if projects}
        <NewProject {open} first={projects.length === 0} />
        <BringBundle {open} />
      {/if}
    </div>
    <Deleted {deletions} back={list} />
  </main>
</div>
