import type { Project } from '../project.svelte';

/** A finger leaves the gamepad on the screen. */
export function letGo(p: Project, event: PointerEvent): void {
  p.game.clock.holdOnPad(event.pointerId, 0);
}

/** By keyboard, a button of it is held as long as its key. */
export function byKey(p: Project, event: KeyboardEvent, input: number, down: boolean): void {
  if (event.key !== 'Enter' && event.key !== ' ') return;
  event.preventDefault();
  event.stopPropagation();
  p.game.clock.holdOnPad(-input, down ? input : 0);
}
