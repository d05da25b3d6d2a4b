<script lang="ts">
  import type { Project } from '../project.svelte';
  import { TICKS_PER_SECOND } from '../core/types.gen';
  import { arrows } from '../ui/arrows';
  import CommandButton from '../ui/CommandButton.svelte';
  import TimeLine from './TimeLine.svelte';

  let { p }: { p: Project } = $props();

  const play = $derived(p.game.view);
  const seconds = $derived(((play?.ticks ?? 0) / TICKS_PER_SECOND).toFixed(1));
  /** Gives the keys to the game, and with them the focus to the board, or to the hand. */
  function give(): void {
    p.game.inGame = !p.game.inGame;
    if (p.game.inGame) document.querySelector<HTMLElement>('[data-board]')?.focus();
  }

  /** Opens what the player has, or shuts it. */
  function open(): void {
    if (!p.game.inGame) give();
    void p.session.orders.openItems();
  }

  /** The game is drawn first, and the bar comes with the next frame. */
  let shown = $state(false);
  const playing = $derived(p.session.state?.playing ?? false);
  $effect(() => {
    if (!playing) return;
    let asked = requestAnimationFrame(() => (asked = requestAnimationFrame(() => (shown = true))));
    return () => {
      cancelAnimationFrame(asked);
      shown = false;
    };
  });
</script>

{#if play && shown}
  <div
    class="mx-auto mt-1.5 mb-1 flex max-h-[30vh] w-fit max-w-[calc(100%-1rem)] flex-col gap-1 overflow-y-auto sheet px-2 py-0.5 whitespace-nowrap"
    use:arrows
    role="toolbar"
    aria-label="Play"
    data-play
  >
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
      {#if play.finished}
        <strong class="text-moss-ink" data-finished>Finished in {seconds} s and {play.steps} steps</strong>
      {:else}
        <button
          class="rounded-inner border px-2 {p.game.inGame ? 'border-saffron bg-held' : 'border-line'}"
          aria-label="Keys and pointer go to the {p.game.inGame ? 'game' : 'hand'}; switch"
          onclick={give}>{p.game.inGame ? 'game' : 'hand'}</button
        >
        <span class="figures">{seconds} s · {play.steps} {play.steps === 1 ? 'step' : 'steps'}</span>
      {/if}
      {#if play.mostHealth > 0}<span class="figures" data-health>health {play.health} of {play.mostHealth}</span>{/if}
      <span class="figures" data-collected>{play.taken} of {play.total} collected</span>
      {#if play.has && p.shell.panel !== 'helps'}<button
          class="max-w-60 min-w-0 truncate rounded-inner px-1 figures hover:bg-shelf"
          aria-label="What the player has: {play.has}. Open it in the game"
          data-had
          onclick={open}>has {play.has}</button
        >{/if}
      {#if play.toDo}<span class="max-w-60 min-w-0 truncate" title={play.toDo} data-to-do>to do: {play.toDo}</span>{/if}
      {#if p.game.told && !play.finished}<span
          class="min-w-24 flex-1 truncate text-soft"
          role="status"
          title={p.game.told}
          data-event>{p.game.told}</span
        >{/if}
      {#each ['movement', 'replays', 'facts', 'helps'] as const as id (id)}
        <span data-back><CommandButton {p} {id} pressed={p.shell.panel === id} /></span>
      {/each}
      <span data-back><CommandButton {p} id="screen-pad" label="Pad" pressed={p.game.clock.padShown} /></span>
    </div>
    <TimeLine {p} {play} />
  </div>
{/if}
