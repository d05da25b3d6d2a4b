<script lang="ts">
  import { GAME_LENSES } from '../board/lens';
  import { runCommand } from '../commands/register';
  import type { Project } from '../project.svelte';
  import type { Play, SlipLine } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  /** What helps who tests: what the player is spared, where they can be brought, what is shown and remembered. */
  let { p, play }: { p: Project; play: Play } = $props();

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

<div class="flex items-center gap-2 pb-1" role="group" aria-label="Test aids" data-helps>
  <span class="text-small text-soft">The player is</span>
  {#each play.helps as name, i (name)}
    <Button
      label={name}
      pressed={play.helpsOn[i]}
      onclick={() => p.session.orders.setTestAid({ aid: name, on: !play.helpsOn[i] })}
    />
  {/each}
</div>
<div class="flex items-center gap-2 pb-1" role="group" aria-label="Lenses">
  <span class="text-small text-soft">Shown are</span>
  {#each ['solid', 'danger', ...GAME_LENSES] as id (id)}
    <Button
      label={id}
      pressed={p.viewport.lens === id}
      onclick={() => runCommand(p, id === 'solid' ? 'lens' : `lens-${id}`)}
    />
  {/each}
  <label class="ml-auto flex items-center gap-2" data-back>
    <span class="text-small text-soft">Go to</span>
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
      <option value="">{marks.length === 0 ? 'no marks yet' : 'a mark'}</option>
      {#each marks as mark (mark.id)}<option value={mark.id}>{mark.name}</option>{/each}
    </select>
  </label>
</div>
<dl
  class="flex max-w-160 flex-wrap gap-x-4 pb-1 text-small whitespace-normal"
  aria-label="What the game remembers"
  data-memory
>
  <div class="flex gap-1.5">
    <dt class="text-soft">Has</dt>
    <dd class="figures">{play.has || 'nothing'}</dd>
  </div>
  {#each memory as line (line.label)}
    <div class="flex gap-1.5">
      <dt class="text-soft">{line.label}</dt>
      <dd class="figures">{line.value}</dd>
    </div>
  {/each}
</dl>
