<script lang="ts">
  import type { Project } from '../project.svelte';
  import { NAME_LETTERS } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import StartRow from './StartRow.svelte';

  /** Places from which play begins as if the player had come so far, with what they would have by then. */
  let { p }: { p: Project } = $props();

  let name = $state('');
  const { orders } = $derived(p.session);
  const starts = $derived(p.session.scene?.starts ?? []);
  /** The piece that is selected. */
  const piece = $derived(p.session.state?.slip?.kind === 'piece' ? p.session.state.slip : null);
  const watching = $derived(p.session.state?.playing === true);

  function make(event: SubmitEvent): void {
    event.preventDefault();
    const at = piece ? { here: true, x: piece.box.x + (piece.box.w >> 1), y: piece.box.y + (piece.box.h >> 1) } : {};
    void orders.makeStart({ name, ...at });
    name = '';
  }
</script>

<form class="flex items-end gap-2" onsubmit={make}>
  <label class="flex min-w-0 flex-1 flex-col gap-1">
    <span>Name of a new start</span>
    <input class="h-7 rounded-inner border border-line bg-sheet px-2" bind:value={name} maxlength={NAME_LETTERS} />
  </label>
  <Button label="Make" type="submit" main disabled={name.trim() === ''} />
</form>
<p class="text-small text-soft">
  {#if watching}It is as the game stands: where the player is, what they have, and what became of facts and pieces.{:else}It
    stands at {piece ? piece.name || piece.proposed : 'the spawn, or at the piece that is selected'}. Made while you
    play, it is as the game stands.{/if}
</p>
<ol class="-mx-1 min-h-0 flex-1 overflow-y-auto px-1" aria-label="Starts">
  {#each starts as start (start.id)}
    <StartRow {p} {start} {watching} />
  {:else}
    <li class="text-soft">
      None yet. From a start you play as if you had come so far: with the items, the facts and the opened doors that you
      would have by then.
    </li>
  {/each}
</ol>
