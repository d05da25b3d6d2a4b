<script lang="ts">
  import type { Project } from '../project.svelte';

  /** What was said since the page was opened, the latest first. */
  let { p }: { p: Project } = $props();

  const time = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', second: '2-digit' });
</script>

<ol aria-label="Messages, the latest first">
  {#each p.session.messages.told.toReversed() as { id, text, at } (id)}
    <li class="border-t border-line py-1.5">
      <span class="block text-small text-soft figures">{time.format(at)}</span>
      <span class="select-text">{text}</span>
    </li>
  {:else}
    <li class="text-soft">What Azzel says at the edge of the board is kept here. Nothing was said yet.</li>
  {/each}
</ol>
