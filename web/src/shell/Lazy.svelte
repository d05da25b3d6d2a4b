<script lang="ts">
  import type { Component } from 'svelte';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';
  import type { Fetched } from './panels';

  /** A part of the page that is fetched when it is first shown. */
  interface Props {
    p: Project;
    load: () => Promise<Fetched>;
    /** Called once it is there. */
    shown?: () => void;
  }
  let { p, load, shown }: Props = $props();

  let part = $state.raw<Component<{ p: Project }> | null>(null);
  let failed = $state(false);

  async function fetch(): Promise<void> {
    failed = false;
    const wanted = load;
    try {
      const { default: fetched } = await wanted();
      if (wanted !== load) return;
      part = fetched;
      if (shown) requestAnimationFrame(shown);
    } catch {
      failed = true;
    }
  }

  $effect(() => {
    void load;
    part = null;
    void fetch();
  });
</script>

{#if part}
  {@const Part = part}
  <Part {p} />
{:else if failed}
  <div class="m-auto flex flex-col items-start gap-2 sheet p-3" role="alert">
    <p>This part of the page could not be fetched. Start the server again if it has stopped, then try once more.</p>
    <Button label="Try again" main onclick={() => void fetch()} />
  </div>
{/if}
