<script lang="ts">
  import type { Project } from '../project.svelte';
  import { NAME_LETTERS, type ReplayView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Rename from '../ui/Rename.svelte';
  import Trial from './Trial.svelte';

  let { p }: { p: Project } = $props();

  let name = $state('');
  /** The replay with which other values are tried. */
  let trying = $state('');
  const list = $derived(p.game.replays.list);
  const bad = (replay: ReplayView): boolean => replay.came === 'parts' || replay.came === 'fails';

  function keep(event: SubmitEvent): void {
    event.preventDefault();
    void p.session.orders.keepReplay({ name });
    name = '';
  }
</script>

<form class="flex items-end gap-2" onsubmit={keep}>
  <label class="flex min-w-0 flex-1 flex-col gap-1">
    <span>Name of what was played so far</span>
    <input
      class="h-7 rounded-inner border border-line bg-sheet px-2"
      bind:value={name}
      maxlength={NAME_LETTERS}
      placeholder="the name of the map"
      disabled={!p.game.view}
    />
  </label>
  <Button label="Keep" type="submit" main disabled={!p.game.view} />
</form>
<ol class="-mx-1 min-h-0 flex-1 overflow-y-auto px-1" aria-label="Kept replays">
  {#each list as replay (replay.id)}
    <li class="flex flex-col gap-1 border-t border-line py-2" data-replay={replay.came}>
      <span class="flex items-center gap-2">
        <Rename
          value={replay.name}
          placeholder="Replay"
          label="Name of the replay {replay.name}"
          rename={(text) => p.session.orders.rename({ thing: { kind: 'replay', id: replay.id }, name: text })}
        />
        <span class="text-small text-soft figures">{replay.length}</span>
      </span>
      <p class="text-small text-soft">From {replay.from} on.</p>
      <p class="text-small {bad(replay) ? 'text-rose-ink' : 'text-soft'}" role="status">{replay.says}</p>
      <span class="flex flex-wrap gap-1.5" data-back>
        <Button label="Watch" onclick={() => p.game.watch(replay.id)} />
        {#if replay.place}
          <Button
            label="Show where it differs"
            onclick={() => p.viewport.moveCamera((c) => c.center(replay.x, replay.y))}
          />
        {/if}
        <Button
          label="Other values"
          pressed={trying === replay.id}
          onclick={() => {
            trying = trying === replay.id ? '' : replay.id;
            if (p.game.replays.trial) void p.session.orders.tryValues({ replay: replay.id });
          }}
        />
        <Button label="Delete" onclick={() => p.session.orders.delete({ thing: { kind: 'replay', id: replay.id } })} />
      </span>
      {#if trying === replay.id}<Trial {p} {replay} />{/if}
    </li>
  {:else}
    <li class="text-soft">
      None yet. Play from the spawn, a checkpoint or a mark, and keep what you did: it is played again after each
      change, so that you see at once whether it still comes to its end.
    </li>
  {/each}
</ol>
