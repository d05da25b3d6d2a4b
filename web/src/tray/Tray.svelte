<script lang="ts">
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import Play from '@lucide/svelte/icons/play';
  import Square from '@lucide/svelte/icons/square';
  import type { Project } from '../core/project.svelte';
  import { hold, keyOf, runCommand } from '../commands/register';
  import Button from '../ui/Button.svelte';
  import Key from '../ui/Key.svelte';
  import Held from './Held.svelte';
  import PieceIcon from './PieceIcon.svelte';
  import TilePicture from './TilePicture.svelte';

  let { p }: { p: Project } = $props();

  const s = $derived(p.state);
  const shapes = ['free', 'line', 'box', 'fill'];
  const lateTiles = $derived(
    p.lateTiles.length > 0
      ? p.lateTiles
      : p.tilesets.slice(-1).flatMap((t) => [0, 1, 2, 3].filter((i) => i < t.count).map((i) => t.first + i)),
  );
  /** Those used lately come first. */
  const rankOf = (id: string): number => {
    const at = p.lateTypes.indexOf(id);
    return at < 0 ? p.lateTypes.length : at;
  };
  const lateTypes = $derived([...(p.scene?.types ?? [])].sort((a, b) => rankOf(a.id) - rankOf(b.id)));
</script>

<div
  class="relative z-10 flex h-16 shrink-0 items-stretch border-t border-line bg-sheet"
  role="toolbar"
  aria-label="Tray"
  data-back
>
  <Held {p}>
    {#each shapes as shape (shape)}
      {@const active = s?.shape === shape && ['tile', 'eraser', 'medley', 'bond'].includes(s.holding)}
      <button
        class="inline-flex items-center gap-1 rounded-inner px-1 {active ? 'font-semibold text-ink' : 'text-soft'}"
        aria-pressed={active}
        aria-keyshortcuts={keyOf(shape)}
        onclick={() => runCommand(p, shape)}><Key keys={keyOf(shape)} />{shape}</button
      >
    {/each}
  </Held>
  <section class="border-r border-line px-4 pt-1.5" aria-label="Tiles lately">
    <div class="text-small text-soft">tiles lately</div>
    <div class="mt-0.5 flex items-center gap-1.5">
      {#each lateTiles as n (n)}
        <button
          class="rounded-inner border p-0.5 {s?.holding === 'tile' && s.tile === n
            ? 'border-saffron'
            : 'border-transparent'}"
          aria-label="Take {p.tileName(n)}"
          title={p.tileName(n)}
          onclick={() => hold(p, 'tile', { n })}><TilePicture {p} {n} size={26} /></button
        >
      {/each}
    </div>
  </section>
  <section class="border-r border-line px-4 pt-1.5" aria-label="Pieces lately">
    <div class="text-small text-soft">pieces lately</div>
    <div class="mt-0.5 flex items-center gap-1">
      {#each lateTypes as type (type.id)}
        <button
          class="rounded-inner border px-1 {s?.holding === 'piece' && s.type === type.id
            ? 'border-saffron bg-held'
            : 'border-transparent'}"
          aria-label="Take {type.name}"
          title="{type.name}: {type.purpose}"
          onclick={() => hold(p, 'piece', { id: type.id })}><PieceIcon type={type.id} family={type.family} /></button
        >
      {/each}
    </div>
  </section>
  <section class="border-r border-line px-4 pt-1.5" aria-label="Ways">
    <div class="text-small text-soft">ways</div>
    <button
      class="mt-0.5 h-7 rounded-inner border px-3 text-lagoon-ink {s?.holding === 'crossing'
        ? 'border-saffron bg-held'
        : 'border-line'}"
      aria-pressed={s?.holding === 'crossing'}
      onclick={() => hold(p, 'crossing')}>crossing</button
    >
  </section>
  <div class="ml-auto flex items-center gap-2 pr-3">
    <Button label="Drawer" keys="T" pressed={p.opened === 'drawer'} onclick={() => runCommand(p, 'drawer')}>
      <ChevronUp size={16} />
    </Button>
    <Button label={s?.playing ? 'End play' : 'Play from here'} keys="P" main onclick={() => runCommand(p, 'play')}>
      {#if s?.playing}<Square size={16} />{:else}<Play size={16} />{/if}
    </Button>
  </div>
</div>
