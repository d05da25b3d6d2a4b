<script lang="ts">
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import Play from '@lucide/svelte/icons/play';
  import Square from '@lucide/svelte/icons/square';
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import { hold } from '../commands/holding';
  import { keyOf, runCommand } from '../commands/register';
  import { arrows } from '../ui/arrows';
  import CommandButton from '../ui/CommandButton.svelte';
  import Key from '../ui/Key.svelte';
  import Held from './Held.svelte';
  import PatchPicture from './PatchPicture.svelte';
  import TypeIcon from './TypeIcon.svelte';
  import TilePicture from './TilePicture.svelte';

  let { p }: { p: Project } = $props();

  /** What is laid, or chosen, in shapes. */
  const SHAPED = ['tile', 'eraser', 'medley', 'bond', 'patch', 'choose'];

  const s = $derived(p.session.state);
  const shapes = [['free'], ['line'], ['box', 'ring', 'room'], ['oval'], ['fill', 'everywhere']];
  /** Those that were used lately; the ones that a project begins with stay as long as there is little else. */
  const MOST_TILES = 10;
  const FEW_TILESETS = 2;
  const firstOf = (t: Tileset): number[] => [0, 1, 2, 3].filter((i) => i < t.count).map((i) => t.first + i);
  const lateTiles = $derived.by(() => {
    const { tilesets, lately } = p.session;
    const more =
      tilesets.length <= FEW_TILESETS ? tilesets.toReversed() : lately.tiles.length > 0 ? [] : tilesets.slice(-1);
    return [...new Set([...lately.tiles, ...more.flatMap(firstOf)])].slice(0, MOST_TILES);
  });
  /** As many types as leave room for the rest; the drawer has all. */
  const SHOWN = 8;
  const lateTypes = $derived(p.session.lately.typesFirst(p.session.scene?.types ?? []).slice(0, SHOWN));
</script>

<section aria-label="The hand" class="contents">
  <div
    class="relative z-10 flex h-16 shrink-0 items-stretch border-t border-line bg-sheet"
    role="toolbar"
    aria-label="Tray"
    use:arrows
    data-back
  >
    <Held {p}>
      {#each shapes as round (round[0])}
        {@const id = round[0] ?? ''}
        {@const active = s && round.includes(s.shape) && s.holding !== 'nothing' && SHAPED.includes(s.holding)}
        <button
          class="inline-flex items-center gap-1 rounded-inner px-1 {active ? 'font-semibold text-ink' : 'text-soft'}"
          aria-pressed={active}
          aria-keyshortcuts={keyOf(id)}
          title={round.length > 1 ? `${keyOf(id)} goes round: ${round.join(', ')}` : undefined}
          onclick={() => runCommand(p, id)}><Key keys={keyOf(id)} />{active ? s.shape : id}</button
        >
      {/each}
    </Held>
    <!-- Where there is little room, this is moved along (what is cut off at the right says so); drawer and play stay in sight. -->
    <div class="flex min-w-0 flex-1 [scrollbar-width:none] overflow-x-auto overflow-y-hidden *:shrink-0">
      <section class="border-r border-line px-3 pt-1.5" aria-label="Tiles lately">
        <div class="text-small text-soft">tiles lately</div>
        <div class="mt-0.5 flex items-center gap-1.5">
          {#each lateTiles as n (n)}
            <button
              class="rounded-inner border p-0.5 {s?.holding === 'tile' && s.tile === n
                ? 'border-saffron'
                : 'border-transparent'}"
              aria-label="Take {p.session.tileName(n)}"
              title={p.session.tileName(n)}
              onclick={() => hold(p, 'tile', { tile: n })}><TilePicture {p} {n} size={26} /></button
            >
          {/each}
        </div>
      </section>
      {#if p.session.lately.patches.length > 0}
        <section class="border-r border-line px-3 pt-1.5" aria-label="Patches lately">
          <div class="text-small text-soft">patches lately</div>
          <div class="mt-0.5 flex items-center gap-1">
            {#each p.session.lately.patches as id (id)}
              {@const patch = p.session.scene?.patches.find((x) => x.id === id)}
              {#if patch}
                <button
                  class="rounded-inner border p-0.5 {s?.holding === 'patch' && s.patch === id
                    ? 'border-saffron'
                    : 'border-transparent'}"
                  aria-label="Take {patch.name}"
                  title={patch.name}
                  onclick={() => hold(p, 'patch', { id })}><PatchPicture {p} {id} size={26} /></button
                >
              {/if}
            {/each}
          </div>
        </section>
      {/if}
      <section class="border-r border-line px-3 pt-1.5" aria-label="Pieces lately">
        <div class="text-small text-soft">pieces lately</div>
        <div class="mt-0.5 flex items-center gap-1">
          {#each lateTypes as type (type.id)}
            <button
              class="rounded-inner border px-1 {s?.holding === 'piece' && s.type === type.id
                ? 'border-saffron bg-held'
                : 'border-transparent'}"
              aria-label="Take {type.name}"
              title="{type.name}: {type.purpose}"
              onclick={() => hold(p, 'piece', { id: type.id })}><TypeIcon {p} type={type.id} /></button
            >
          {/each}
        </div>
      </section>
      <section class="border-r border-line px-3 pt-1.5" aria-label="Ways">
        <div class="text-small text-soft">ways</div>
        <button
          class="mt-0.5 h-7 rounded-inner border px-2 text-lagoon-ink {s?.holding === 'crossing'
            ? 'border-saffron bg-held'
            : 'border-line'}"
          aria-pressed={s?.holding === 'crossing'}
          onclick={() => hold(p, 'crossing')}>crossing</button
        >
        <button
          class="mt-0.5 h-7 rounded-inner border px-2 text-plum-ink {s?.holding === 'wire'
            ? 'border-saffron bg-held'
            : 'border-line'}"
          aria-pressed={s?.holding === 'wire'}
          onclick={() => hold(p, 'wire')}>wire</button
        >
      </section>
    </div>
    <div class="flex shrink-0 items-center gap-2 px-3">
      <CommandButton {p} id="drawer" pressed={p.shell.opened === 'drawer'}><ChevronUp size={16} /></CommandButton>
      <CommandButton {p} id="play" label={s?.playing ? 'End play' : undefined} main>
        {#if s?.playing}<Square size={16} />{:else}<Play size={16} />{/if}
      </CommandButton>
    </div>
  </div>
</section>
