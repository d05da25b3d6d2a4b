<script lang="ts">
  import type { Project } from '../project.svelte';
  import Asides from './Asides.svelte';
  import { figures } from './figures';

  let { p }: { p: Project } = $props();
</script>

<div
  class="pointer-events-none absolute left-1/2 z-20 {p.session.state?.playing
    ? 'bottom-3'
    : 'top-3'} flex -translate-x-1/2 flex-col items-center gap-2"
  role="log"
>
  {#each p.session.messages as message (message.id)}
    <div class="max-w-120 sheet px-3 py-2" data-message>{message.text}</div>
  {/each}
  <Asides {p} />
  {#if p.session.state?.working?.stops}
    <div class="flex items-center gap-3 sheet px-3 py-2" data-working>
      <span class="figures">Working: {figures(p.session.state.working.cells)} cells so far</span>
      <span class="text-soft">Esc stops it</span>
    </div>
  {/if}
</div>
