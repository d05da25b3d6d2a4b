<script lang="ts">
  import { shared } from '../board/camera';
  import { keyOf } from '../commands/register';
  import type { BoxView } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import Asides from './Asides.svelte';
  import { figures } from './figures';

  let { p }: { p: Project } = $props();

  /** Screen pixels kept free around messages, and around the pointer. */
  const EDGE = 12;
  const POINTER = 40;

  let w = $state(0);
  let h = $state(0);
  const playing = $derived(p.session.state?.playing ?? false);
  const any = $derived(h > 0);
  const most = $derived.by(() => {
    void p.viewport.moved;
    return p.viewport.camera.free.w - 2 * EDGE;
  });

  /** What messages must not lie over: the slip, what that is about, and what is under the pointer. */
  const taken = $derived.by(() => {
    void p.viewport.moved;
    const { camera, cursor, pointer } = p.viewport;
    const { slipBox } = p.shell;
    const { slip, chosen } = p.session.state ?? {};
    const boxes: BoxView[] = slipBox ? [slipBox] : [];
    const about = slip?.box ?? chosen?.box;
    if (about) boxes.push(camera.boxOnScreen(about));
    const under = cursor ?? pointer?.box;
    if (under) {
      const at = camera.toScreen(under.x, under.y);
      boxes.push({ x: at.x - POINTER, y: at.y - POINTER, w: 3 * POINTER, h: 3 * POINTER });
    }
    return boxes;
  });

  /**
   * The first of six places at the edges where they lie over nothing that is wanted; they stay as long as that is free. Where
   * none is, and while it plays, they stand below the board.
   */
  let last = 0;
  /** Once they stand below they stay there, since what they would lie over has more room as soon as they do not. */
  let below = false;
  const at = $derived.by(() => {
    below &&= any;
    if (!any || playing || below) return null;
    const { free } = p.viewport.camera;
    const across = [free.x + (free.w - w) / 2, free.x + EDGE, free.x + free.w - w - EDGE];
    const places = [free.y + EDGE, free.y + free.h - h - EDGE].flatMap((y) => across.map((x) => ({ x, y })));
    const isFree = (place: { x: number; y: number }): boolean =>
      !taken.some((box) => shared({ ...place, w, h }, box)) && (shared({ ...place, w, h }, free)?.h ?? 0) > h - 0.5;
    const stays = places[last];
    if (!stays || !isFree(stays)) last = places.findIndex(isFree);
    below = last < 0;
    return places[last] ?? null;
  });
</script>

<div
  class="pointer-events-none {at ? 'absolute' : 'mx-auto my-0.5'} flex w-max flex-col items-center gap-2"
  style:left={at && `${at.x}px`}
  style:top={at && `${at.y}px`}
  style:max-width={`min(30rem, ${most}px)`}
  bind:offsetWidth={w}
  bind:offsetHeight={h}
  role="log"
  data-log
>
  {#each p.session.messages.shown as message (message.id)}
    <div class="sheet px-3 {at ? 'py-2' : 'py-0.5'}" data-message>{message.text}</div>
  {/each}
  <Asides {p} />
  {#if p.session.state?.working?.stops}
    <div class="flex items-center gap-3 sheet px-3 py-2" data-working>
      <span class="figures">Working: {figures(p.session.state.working.cells)} cells so far</span>
      <span class="text-soft">{keyOf('empty')} stops it</span>
    </div>
  {/if}
</div>
