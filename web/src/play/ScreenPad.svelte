<script lang="ts">
  import type { Project } from '../project.svelte';
  import * as T from '../core/types.gen';

  /** A gamepad on the screen, for fingers and for trying what one with a gamepad would feel. */
  let { p }: { p: Project } = $props();

  const ARROWS = ['↖', '↑', '↗', '←', '', '→', '↙', '↓', '↘'];
  const NAMES = ['up and left', 'up', 'up and right', 'left', '', 'right', 'down and left', 'down', 'down and right'];
  const ACTIONS = [
    { name: 'Jump', input: T.JUMP },
    { name: 'Use', input: T.USE },
    { name: 'Strike', input: T.STRIKE },
    { name: 'Shoot', input: T.SHOOT },
  ];
  /** What each finger holds, by the id of its pointer. */
  let fingers: Record<number, number> = {};

  const waysOf = (i: number): number =>
    ([T.LEFT, 0, T.RIGHT][i % 3] ?? 0) | ([T.UP, 0, T.DOWN][Math.floor(i / 3)] ?? 0);

  function hold(finger: number, input: number): void {
    fingers = { ...fingers, [finger]: input };
    let all = 0;
    for (const input of Object.values(fingers)) all |= input;
    p.game.clock.pad = all;
  }

  /** The direction under a finger on the cross, which may slide from one to another. */
  function slide(event: PointerEvent & { currentTarget: HTMLElement }): void {
    const box = event.currentTarget.getBoundingClientRect();
    const third = (at: number, length: number): number => Math.min(2, Math.max(0, Math.floor((3 * at) / length)));
    const i = 3 * third(event.clientY - box.top, box.height) + third(event.clientX - box.left, box.width);
    hold(event.pointerId, waysOf(i));
  }

  function press(event: PointerEvent & { currentTarget: HTMLElement }, input: number): void {
    event.currentTarget.setPointerCapture(event.pointerId);
    hold(event.pointerId, input);
  }

  function letGo(event: PointerEvent): void {
    hold(event.pointerId, 0);
  }

  /** By keyboard, a button is held as long as its key. */
  function byKey(event: KeyboardEvent, input: number, down: boolean): void {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    event.stopPropagation();
    hold(-input, down ? input : 0);
  }
</script>

<div class="pointer-events-none absolute inset-x-4 bottom-4 z-10 flex items-end justify-between" data-screen-pad>
  <div
    class="pointer-events-auto grid size-36 touch-none grid-cols-3 gap-1 sheet p-2 opacity-90"
    role="group"
    aria-label="Directions"
    onpointerdown={(e) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      slide(e);
    }}
    onpointermove={(e) => {
      if (fingers[e.pointerId]) slide(e);
    }}
    onpointerup={letGo}
    onpointercancel={letGo}
  >
    {#each ARROWS as arrow, i (i)}
      {#if arrow === ''}
        <span></span>
      {:else}
        <button
          class="rounded-inner border text-title {(p.game.clock.pad & 15) === waysOf(i)
            ? 'border-saffron bg-held'
            : 'border-line bg-sheet'}"
          aria-label="Hold {NAMES[i]}"
          onmousedown={(e) => e.preventDefault()}
          onkeydown={(e) => byKey(e, waysOf(i), true)}
          onkeyup={(e) => byKey(e, waysOf(i), false)}>{arrow}</button
        >
      {/if}
    {/each}
  </div>
  <div class="pointer-events-auto grid grid-cols-2 gap-2 sheet p-2 opacity-90" role="group" aria-label="What one does">
    {#each ACTIONS as { name, input } (name)}
      <button
        class="h-14 w-20 touch-none rounded-inner border {p.game.clock.pad & input
          ? 'border-saffron bg-held'
          : 'border-line bg-sheet'}"
        aria-label="Hold {name.toLowerCase()}"
        onmousedown={(e) => e.preventDefault()}
        onpointerdown={(e) => press(e, input)}
        onpointerup={letGo}
        onpointercancel={letGo}
        onkeydown={(e) => byKey(e, input, true)}
        onkeyup={(e) => byKey(e, input, false)}>{name}</button
      >
    {/each}
  </div>
</div>
