<script lang="ts">
  import { bringBundle } from '../core/api';
  import { BUNDLE_BYTES } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  let { open }: { open: (id: string) => void } = $props();

  let chooser: HTMLInputElement | undefined = $state();
  let reading = $state('');
  let problem = $state('');

  async function bring(): Promise<void> {
    const file = chooser?.files?.[0];
    if (!file) return;
    problem = '';
    reading = file.name;
    try {
      if (file.size > BUNDLE_BYTES)
        throw new Error(`It has ${file.size >> 20} MB; the most is ${BUNDLE_BYTES >> 20} MB.`);
      open((await bringBundle(file)).id);
    } catch (failure) {
      problem = `${file.name}: ${(failure as Error).message}`;
    }
    reading = '';
    if (chooser) chooser.value = '';
  }
</script>

<section class="rounded-outer flex flex-col items-start gap-2 border border-dashed border-line p-4">
  <h2 class="name text-title">From a file</h2>
  <p class="text-soft">A copy of a project, as “Copy to a file” writes it.</p>
  <Button
    label={reading ? `Reading ${reading} …` : 'Bring in a copy'}
    disabled={reading !== ''}
    onclick={() => chooser?.click()}
  />
  <input bind:this={chooser} type="file" accept=".zip" class="hidden" aria-label="File of a project" onchange={bring} />
  {#if problem}<p class="w-full break-words text-rose-ink" role="alert">{problem}</p>{/if}
</section>
