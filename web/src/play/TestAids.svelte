<script lang="ts">
  import { GAME_LENSES } from '../board/lens';
  import { runCommand } from '../commands/register';
  import type { Project } from '../project.svelte';
  import type { SlipLine } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  /** What helps who tests: what the player is spared, where they can be brought, what is shown and remembered. */
  let { p }: { p: Project } = $props();

  const play = $derived(p.game.view);

  /** Milliseconds between two looks at what is remembered. */
  const LOOK = 300;
  let memory: SlipLine[] = $state.raw([]);
  $effect(() => {
    const look = (): void => {
      memory = p.session.ask.memory();
    };
    look();
    const timer = setInterval(look, LOOK);
    return () => clearInterval(timer);
  });

  const marks = $derived((p.session.scene?.pieces ?? []).filter((piece) => piece.type === p.session.scene?.mark));
</script>

{#if play}
  <div class="flex flex-wrap gap-2" role="group" aria-label="The player">
    <h3 class="w-full text-small text-soft">The player is</h3>
    {#each play.helps as name, i (name)}
      <Button
        label={name}
        pressed={play.helpsOn[i]}
        onclick={() => p.session.orders.setTestAid({ aid: name, on: !play.helpsOn[i] })}
      />
    {/each}
  </div>
  <div class="flex flex-wrap gap-2" role="group" aria-label="Lenses">
    <h3 class="w-full text-small text-soft">Shown over the maps</h3>
    {#each ['solid', 'danger', ...GAME_LENSES] as id (id)}
      <Button
        label={id}
        pressed={p.viewport.lens === id}
        onclick={() => runCommand(p, id === 'solid' ? 'lens' : `lens-${id}`)}
      />
    {/each}
  </div>
  <label class="flex items-center justify-between gap-2" data-back>
    <span class="text-small text-soft">Go to a mark</span>
    <select
      class="h-7 max-w-44 rounded-inner border border-line bg-sheet px-1"
      aria-label="Go to a mark"
      disabled={marks.length === 0}
      value=""
      onchange={(e) => {
        if (e.currentTarget.value) void p.session.orders.bringPlayer({ mark: e.currentTarget.value });
        e.currentTarget.value = '';
      }}
    >
      <option value="">{marks.length === 0 ? 'no marks yet' : 'choose one'}</option>
      {#each marks as mark (mark.id)}<option value={mark.id}>{mark.name}</option>{/each}
    </select>
  </label>
  <h3 class="text-small text-soft">What the game remembers</h3>
  <dl data-memory>
    <div class="flex justify-between gap-3 border-t border-line py-1">
      <dt class="text-soft">Has</dt>
      <dd class="text-right figures">{play.has || 'nothing'}</dd>
    </div>
    {#each memory as line (line.label)}
      <div class="flex justify-between gap-3 border-t border-line py-1">
        <dt class="text-soft">{line.label}</dt>
        <dd class="text-right figures">{line.value}</dd>
      </div>
    {/each}
  </dl>
{:else}
  <p class="text-soft">They help while you try a game: begin to play.</p>
  <Button label="Play from the spawn" onclick={() => p.game.toggle(true)} />
{/if}
