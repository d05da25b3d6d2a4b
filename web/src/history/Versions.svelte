<script lang="ts">
  import { fetchVersion, keepVersion, listVersions, nameVersion, removeVersion } from '../core/api';
  import type { Project } from '../project.svelte';
  import { NAME_LETTERS, type Version } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Download from '../ui/Download.svelte';
  import Rename from '../ui/Rename.svelte';

  let { p }: { p: Project } = $props();

  let states: Version[] | null = $state(null);
  let name = $state('');
  let problem = $state('');

  $effect(() => {
    void attempt(() => Promise.resolve());
  });

  /** Does something with the versions, then shows how they are. */
  async function attempt(what: () => Promise<unknown>): Promise<void> {
    problem = '';
    try {
      await what();
      states = await listVersions(p.session.id);
    } catch (failure) {
      problem = (failure as Error).message;
    }
  }

  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      await keepVersion(p.session.id, name.trim() || proposed());
      name = '';
    });
  }

  /** Shows a version on the board. */
  async function look(state: Version): Promise<void> {
    try {
      await p.session.orders.showVersion({ name: called(state) }, await fetchVersion(p.session.id, state.id));
    } catch (failure) {
      problem = (failure as Error).message;
    }
  }

  const when = (ms: number): string =>
    new Date(ms).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  const proposed = (): string => `As of ${when(Date.now())}`;
  const called = (state: Version): string => state.name || `saved automatically, ${when(state.at)}`;
</script>

<form class="flex items-end gap-2" onsubmit={keep}>
  <label class="flex min-w-0 flex-1 flex-col gap-1">
    <span>Name of this version</span>
    <input
      class="h-7 rounded-inner border border-line bg-sheet px-2"
      bind:value={name}
      maxlength={NAME_LETTERS}
      placeholder={proposed()}
    />
  </label>
  <Button label="Keep this version" type="submit" main disabled={p.session.saved !== 'saved'} />
</form>
{#if problem}<p class="text-small text-rose-ink" role="alert">{problem}</p>{/if}
<ol class="min-h-0 flex-1 overflow-y-auto">
  {#each states ?? [] as state (state.id)}
    <li class="flex flex-col gap-1 border-t border-line py-2">
      <Rename
        value={state.name}
        placeholder="Saved automatically"
        label="Name of the version of {when(state.at)}"
        rename={(text) => attempt(() => nameVersion(p.session.id, state.id, text))}
      />
      <span class="text-small text-soft figures">{when(state.at)}{state.now ? ', nothing changed since' : ''}</span>
      <span class="flex gap-1.5" data-back>
        <Button label="Show this version" onclick={() => look(state)} />
        <Button label="Delete" onclick={() => attempt(() => removeVersion(p.session.id, state.id))} />
      </span>
    </li>
  {:else}
    <li class="text-soft">
      {states ? 'None yet. One is saved automatically in every hour of work.' : 'Asking the server …'}
    </li>
  {/each}
</ol>
<div class="flex flex-col gap-1.5 border-t border-line pt-2">
  <span class="text-small text-soft">All of the project as one file of open formats, to keep or to give away:</span>
  <span><Download {p} label="Export project" href="/api/projects/{p.session.id}/bundle" /></span>
</div>
