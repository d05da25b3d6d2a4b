<script lang="ts">
  import type { Project } from '../core/project.svelte';
  import Button from './Button.svelte';
  import { download } from './download';

  /** Offers steps of an earlier page that could not be read, until they are forgotten. */
  let { p }: { p: Project } = $props();

  const n = $derived(p.asides.list.length);
</script>

{#if n > 0}
  <div class="pointer-events-auto flex max-w-120 flex-col gap-2 sheet px-3 py-2" role="alert" data-asides>
    <span>
      {n === 1 ? 'A step' : `${n} steps`} of an earlier page could not be read and {n === 1 ? 'was' : 'were'} set aside. All
      else that was not sent is here.
    </span>
    <span class="flex gap-2">
      <Button
        label={n === 1 ? 'Save it as a file' : 'Save them as a file'}
        onclick={() => download(p.asides.fileName(p.scene?.project.name ?? ''), p.asides.file())}
      />
      <Button label={n === 1 ? 'Forget it' : 'Forget them'} onclick={() => void p.asides.forget()} />
    </span>
  </div>
{/if}
