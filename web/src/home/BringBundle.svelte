<script lang="ts">
  import { bringBundle } from '../core/api';
  import { BUNDLE_BYTES } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  let { open }: { open: (id: string) => void } = $props();

  let chooser: HTMLInputElement | undefined = $state();
  let reading = $state('');
  let part = $state(0);
  let read = $state(0);
  let stopping = new AbortController();
  let problem = $state('');

  async function bring(): Promise<void> {
    const file = chooser?.files?.[0];
    if (!file) return;
    problem = '';
    reading = file.name;
    try {
      if (file.size > BUNDLE_BYTES)
        throw new Error(`It has ${file.size >> 20} MB; the most is ${BUNDLE_BYTES >> 20} MB.`);
      stopping = new AbortController();
      part = read = 0;
      const made = await bringBundle(
        file,
        stopping.signal,
        (sent) => (part = sent),
        (done) => (read = done),
      );
      if (made) open(made.id);
    } catch (failure) {
      problem = `${file.name}: ${(failure as Error).message}`;
    }
    reading = '';
    if (chooser) chooser.value = '';
  }
</script>

<section class="rounded-outer flex flex-col items-start gap-2 border border-dashed border-line p-4">
  <h2 class="name text-title">From a file</h2>
  <p class="text-soft">A project that was exported as a file.</p>
  {#if reading}
    <div class="flex w-full items-center gap-3" role="status">
      <progress class="min-w-0 flex-1" value={part < 1 ? part : read || undefined} aria-label="Reading {reading}"
      ></progress>
      <span class="text-small text-soft figures"
        >{part < 1
          ? `${Math.floor(part * 100)} % sent`
          : read < 1
            ? `${Math.floor(read * 100)} % read`
            : 'making the project'}</span
      >
      <Button label="Stop" onclick={() => stopping.abort()} />
    </div>
  {:else}
    <Button label="Import project" onclick={() => chooser?.click()} />
  {/if}
  <input bind:this={chooser} type="file" accept=".zip" class="hidden" aria-label="File of a project" onchange={bring} />
  {#if problem}<p class="w-full break-words text-rose-ink" role="alert">{problem}</p>{/if}
</section>
