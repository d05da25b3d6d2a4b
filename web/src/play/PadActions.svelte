<script lang="ts">
  import type { Project } from '../project.svelte';
  import * as T from '../core/types.gen';
  import { byKey, letGo } from './pad';

  /** The buttons of the gamepad on the screen. */
  let { p }: { p: Project } = $props();

  const ACTIONS = [
    { name: 'Jump', input: T.JUMP },
    { name: 'Use', input: T.USE },
    { name: 'Strike', input: T.STRIKE },
    { name: 'Shoot', input: T.SHOOT },
    { name: 'Items', input: T.ITEMS },
  ];

  function press(event: PointerEvent & { currentTarget: HTMLElement }, input: number): void {
    event.currentTarget.setPointerCapture(event.pointerId);
    p.game.clock.holdOnPad(event.pointerId, input);
  }
</script>

<div
  class="pointer-events-auto m-2 mt-auto grid shrink-0 grid-cols-2 gap-2 sheet p-[8px]"
  role="group"
  aria-label="Actions"
  data-pad
>
  {#each ACTIONS as { name, input } (name)}
    <button
      class="h-[56px] w-[72px] touch-none rounded-inner border text-[13px] {p.game.clock.pad & input
        ? 'border-saffron bg-held'
        : 'border-line bg-sheet'}"
      aria-label="Hold {name.toLowerCase()}"
      onmousedown={(e) => e.preventDefault()}
      onpointerdown={(e) => press(e, input)}
      onpointerup={(e) => letGo(p, e)}
      onpointercancel={(e) => letGo(p, e)}
      onkeydown={(e) => byKey(p, e, input, true)}
      onkeyup={(e) => byKey(p, e, input, false)}>{name}</button
    >
  {/each}
</div>
