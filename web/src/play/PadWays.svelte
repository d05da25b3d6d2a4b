<script lang="ts">
  import type { Project } from '../project.svelte';
  import * as T from '../core/types.gen';
  import { byKey, letGo } from './pad';

  /** The cross of the gamepad on the screen, for fingers and for trying what one with a gamepad would feel. */
  let { p }: { p: Project } = $props();

  const ARROWS = ['↖', '↑', '↗', '←', '', '→', '↙', '↓', '↘'];
  const NAMES = ['up and left', 'up', 'up and right', 'left', '', 'right', 'down and left', 'down', 'down and right'];

  const waysOf = (i: number): number =>
    ([T.LEFT, 0, T.RIGHT][i % 3] ?? 0) | ([T.UP, 0, T.DOWN][Math.floor(i / 3)] ?? 0);

  /** The direction under a finger, which may slide from one to another. */
  function slide(event: PointerEvent & { currentTarget: HTMLElement }): void {
    const box = event.currentTarget.getBoundingClientRect();
    const third = (at: number, length: number): number => Math.min(2, Math.max(0, Math.floor((3 * at) / length)));
    const i = 3 * third(event.clientY - box.top, box.height) + third(event.clientX - box.left, box.width);
    p.game.clock.holdOnPad(event.pointerId, waysOf(i));
  }
</script>

<div
  class="pointer-events-auto m-2 mt-auto grid size-[144px] shrink-0 touch-none grid-cols-3 gap-[4px] sheet p-[8px]"
  role="group"
  aria-label="Directions"
  data-pad
  onpointerdown={(e) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    slide(e);
  }}
  onpointermove={(e) => {
    if (p.game.clock.onPad(e.pointerId)) slide(e);
  }}
  onpointerup={(e) => letGo(p, e)}
  onpointercancel={(e) => letGo(p, e)}
>
  {#each ARROWS as arrow, i (i)}
    {#if arrow === ''}
      <span></span>
    {:else}
      <button
        class="min-h-0 min-w-0 rounded-inner border text-[17px] leading-none {(p.game.clock.pad & 15) === waysOf(i)
          ? 'border-saffron bg-held'
          : 'border-line bg-sheet'}"
        aria-label="Hold {NAMES[i]}"
        onmousedown={(e) => e.preventDefault()}
        onkeydown={(e) => byKey(p, e, waysOf(i), true)}
        onkeyup={(e) => byKey(p, e, waysOf(i), false)}>{arrow}</button
      >
    {/if}
  {/each}
</div>
