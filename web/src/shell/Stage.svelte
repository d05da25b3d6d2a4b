<script lang="ts">
  import { onMount } from 'svelte';
  import Board from '../board/Board.svelte';
  import Minimap from '../board/Minimap.svelte';
  import DepthStack from '../depth/DepthStack.svelte';
  import type { Project } from '../project.svelte';
  import Messages from '../ui/Messages.svelte';
  import { unit } from '../ui/unit';
  import Lazy from './Lazy.svelte';
  import { parts } from './parts';
  import SidePanel from './SidePanel.svelte';

  /**
   * The board, and what stands around what is seen of it: a column at the left, a panel or slip at the right, bars above and
   * below. None of them lies over another: the grid gives each its place, and the middle is what is left of the board.
   */
  let { p, board = $bindable() }: { p: Project; board?: HTMLElement } = $props();

  /** In units of the letters' size: the column at the left, wide and narrow, and the room that a wide one must leave. */
  const WIDE = 12.5;
  const NARROW = 4;
  const ROOM = 20;
  /** The same of a slip at most, with the gaps at both of its sides. */
  const SLIP = { w: 20, h: 32 };
  /** How much broader than high the stage is where a gamepad has its place beside what is seen of the game. */
  const BROAD = 1.2;

  let stage: HTMLElement | undefined = $state();
  let right: HTMLElement | undefined = $state();
  let middle: HTMLElement | undefined = $state();

  const playing = $derived(p.session.state?.playing ?? false);
  /** Whether anything was selected yet. */
  let selected = $state(false);
  $effect(() => {
    if (p.session.state?.slip || p.session.state?.chosen) selected = true;
  });
  /** Where the gamepad on the screen stands: beside what is seen of the game, or below it on an upright screen. */
  const pad = $derived.by(() => {
    void p.viewport.moved;
    if (!p.game.padShown || !stage) return '';
    return stage.clientWidth - panelWidth() > BROAD * stage.clientHeight ? 'beside' : 'below';
  });

  /** What a panel takes at the right. A slip does not count: whether it stands there depends on the room that is left. */
  const panelWidth = (): number => right?.querySelector<HTMLElement>('aside:not([data-slip])')?.offsetWidth ?? 0;

  function measure(): void {
    if (!stage || !right || !middle) return;
    const size = unit();
    p.shell.roomy = stage.clientWidth - panelWidth() >= (WIDE + ROOM) * size;
    p.viewport.column = (p.shell.stackWide ? WIDE : NARROW) * size;
    p.viewport.slip = { w: SLIP.w * size, h: SLIP.h * size };
    const { free } = p.viewport.camera;
    const now = { x: middle.offsetLeft, y: middle.offsetTop, w: middle.offsetWidth, h: middle.offsetHeight };
    if (free.x === now.x && free.y === now.y && free.w === now.w && free.h === now.h) return;
    p.viewport.leaveFree(now);
  }

  onMount(() => {
    const watcher = new ResizeObserver(measure);
    for (const part of stage?.children ?? []) watcher.observe(part);
    measure();
    return () => watcher.disconnect();
  });

  $effect(() => {
    void p.shell.stackWide;
    measure();
  });
</script>

<div
  bind:this={stage}
  class="relative grid min-h-0 flex-1 grid-cols-[auto_minmax(0,1fr)_auto_auto] grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden *:not-first:z-10"
>
  <div class="absolute inset-0">
    {#if p.session.stage > 0}<Board project={p} bind:element={board} />{/if}
  </div>
  <div
    class="pointer-events-none col-start-1 row-span-2 row-start-2 flex min-h-0 flex-col *:pointer-events-auto"
    data-part="left"
  >
    {#if p.session.stage > 4 && !playing}<DepthStack {p} />{/if}
    {#if p.session.stage > 6 && p.viewport.minimap && !playing}<Minimap {p} />{/if}
    {#if pad === 'beside'}<Lazy {p} load={parts.padWays} />{/if}
  </div>
  <div
    class="pointer-events-none col-span-3 col-start-1 row-start-1 *:pointer-events-auto {playing ? 'min-h-20' : ''}"
    data-part="top"
  >
    {#if p.session.stage > 7}
      {#if p.session.state?.looked}<Lazy {p} load={parts.looking} />{/if}
      {#if p.game.view}<Lazy {p} load={parts.play} />{/if}
    {/if}
  </div>
  <div bind:this={middle} class="pointer-events-none col-start-2 row-start-2 grid place-items-center">
    {#if !p.session.scene}<p class="sheet px-4 py-2 text-soft" role="status">Opening the project …</p>{/if}
  </div>
  <div class="pointer-events-none col-start-2 row-start-3 {playing ? 'min-h-9' : ''}" data-part="bottom">
    <Messages {p} />
    {#if pad === 'below'}
      <div class="flex items-end justify-between">
        <Lazy {p} load={parts.padWays} />
        <Lazy {p} load={parts.padActions} />
      </div>
    {/if}
  </div>
  {#if pad === 'beside'}
    <div class="pointer-events-none col-start-3 row-span-2 row-start-2 flex *:pointer-events-auto">
      <Lazy {p} load={parts.padActions} />
    </div>
  {/if}
  <div
    bind:this={right}
    class="pointer-events-none col-start-4 row-span-3 row-start-1 flex min-h-0 flex-col *:pointer-events-auto"
    data-part="right"
  >
    {#if p.session.stage > 5}
      {#if selected}<Lazy {p} load={parts.slips} />{/if}
      <SidePanel {p} />
      {#if p.shell.layerOpen !== '' && !playing}<Lazy {p} load={parts.layer} />{/if}
    {/if}
  </div>
</div>
