<script lang="ts">
  import type { Aside } from '../core/sessions';
  import type { Project } from '../project.svelte';
  import Button from './Button.svelte';
  import { download } from './download';

  /** Offers what earlier pages had that could not go on, until it is forgotten. */
  let { p }: { p: Project } = $props();

  let problem = $state('');
  let making = $state(false);

  /** Saves what a page showed as a file that can be brought in. */
  async function save(): Promise<void> {
    problem = '';
    making = true;
    try {
      const made = await p.session.asides.copy();
      if (made) {
        download(`${p.session.scene?.project.name ?? 'project'}, as it was.zip`, made.body);
        if (made.lost.length > 0) problem = `These pictures were nowhere to be had: ${made.lost.join(', ')}.`;
      }
    } catch (failure) {
      problem = (failure as Error).message;
    }
    making = false;
  }

  const unread = $derived(p.session.asides.list.filter(({ other }) => !other));
  const others = $derived(p.session.asides.list.filter(({ other }) => other));
</script>

{#snippet steps(list: Aside[])}
  {@const it = list.length === 1 ? 'it' : 'them'}
  <Button
    label="Save {it} as a file"
    onclick={() =>
      download(p.session.asides.fileName(p.session.scene?.project.name ?? ''), p.session.asides.file(list))}
  />
  <Button label="Delete {it}" onclick={() => void p.session.asides.forget(list)} />
{/snippet}

{#if unread.length > 0}
  <div class="pointer-events-auto flex max-w-120 flex-col gap-2 sheet px-3 py-2" role="alert" data-asides>
    <span>
      {unread.length === 1 ? 'A step of an earlier page' : `${unread.length} steps of an earlier page`} could not be read
      and
      {unread.length === 1 ? 'was' : 'were'} set aside. All else that was not sent is here.
    </span>
    <span class="flex gap-2">{@render steps(unread)}</span>
  </div>
{/if}
{#if others.length > 0}
  <div class="pointer-events-auto flex max-w-120 flex-col gap-2 sheet px-3 py-2" role="alert" data-others>
    <span>
      This project comes from another database now: a backup was restored, or another server runs here.
      {others.length === 1 ? 'A step that was not sent is' : `${others.length} steps that were not sent are`} kept.
    </span>
    <span class="flex gap-2">
      {#if p.session.scene}
        <Button label="Do {others.length === 1 ? 'it' : 'them'} here" onclick={() => p.session.doAgain()} />
      {/if}
      {@render steps(others)}
    </span>
  </div>
{/if}
{#if p.session.asides.copies.length > 0}
  <div class="pointer-events-auto flex max-w-120 flex-col gap-2 sheet px-3 py-2" role="alert" data-copies>
    <span>
      What this page showed before it came to another database is kept. As a file it can be imported from the list of
      all projects.
    </span>
    <span class="flex gap-2">
      <Button label="Save it as a file" disabled={making} onclick={() => void save()} />
      <Button label="Delete it" onclick={() => void p.session.asides.forgetCopies()} />
    </span>
    {#if problem}<span class="text-rose-ink">{problem}</span>{/if}
  </div>
{/if}
