import { DRAG, HOVER, LEAVE, PRESS, RELEASE } from '../core/types.gen';
import type { Project } from '../core/project.svelte';
import { leaveHand } from '../commands/register';

/** Pointer and wheel on the board: what they do goes to the core as places on the board. */
export class Hands {
  private panning: { x: number; y: number } | null = null;
  private pressed = false;
  private erasing = false;
  /** Where a block is being picked from, while W is held. */
  private picking: { x: number; y: number } | null = null;
  /** What selecting did before Ctrl was held. */
  private adds: string | null = null;

  constructor(
    private readonly p: Project,
    private readonly element: HTMLElement,
  ) {}

  private place(event: MouseEvent): { x: number; y: number } {
    const r = this.element.getBoundingClientRect();
    return this.p.camera.toBoard(event.clientX - r.left, event.clientY - r.top);
  }

  /** While the game has the pointer, the hand does nothing with it. */
  private get resting(): boolean {
    return Boolean(this.p.state?.playing && this.p.inGame);
  }

  down(event: PointerEvent): void {
    this.element.focus({ preventScroll: true });
    if (this.resting && event.button === 0) return;
    this.element.setPointerCapture(event.pointerId);
    if (event.button === 1 || this.p.held.has(' ')) {
      this.panning = { x: event.clientX, y: event.clientY };
      event.preventDefault();
      return;
    }
    if (event.button !== 0 && event.button !== 2) return;
    this.p.cursor = null;
    const at = this.place(event);
    if (this.p.held.has('w')) {
      leaveHand(this.p);
      this.picking = { x: Math.floor(at.x), y: Math.floor(at.y) };
      return;
    }
    if ((event.ctrlKey || event.metaKey) && this.adds === null) {
      this.adds = this.p.state?.adds ?? 'anew';
      this.p.order({ do: 'adds', text: 'add' });
    }
    this.pressed = true;
    this.erasing = event.button === 2;
    this.p.point(PRESS, at.x, at.y, this.erasing, event.shiftKey);
  }

  move(event: PointerEvent): void {
    if (this.panning) {
      const { x, y } = this.panning;
      this.panning = { x: event.clientX, y: event.clientY };
      this.p.moveCamera((c) => c.pan(event.clientX - x, event.clientY - y));
      return;
    }
    if (this.resting) return;
    if (event.movementX !== 0 || event.movementY !== 0) this.p.cursor = null;
    const steps = this.pressed ? event.getCoalescedEvents() : [];
    for (const step of steps.length > 0 ? steps : [event]) {
      const at = this.place(step);
      this.p.point(this.pressed ? DRAG : HOVER, at.x, at.y, this.erasing, event.shiftKey);
    }
  }

  up(event: PointerEvent): void {
    if (this.panning) {
      this.panning = null;
      return;
    }
    const at = this.place(event);
    if (this.picking) {
      this.p.order({ do: 'pick', ...this.picking, list: [Math.floor(at.x), Math.floor(at.y)] });
      this.picking = null;
    }
    if (!this.pressed) return;
    this.pressed = false;
    this.p.point(RELEASE, at.x, at.y, this.erasing, event.shiftKey);
    this.addNoMore();
  }

  private addNoMore(): void {
    if (this.adds !== null) this.p.order({ do: 'adds', text: this.adds });
    this.adds = null;
  }

  cancel(): void {
    this.panning = null;
    if (this.pressed) this.p.order({ do: 'cancel' });
    this.pressed = false;
    this.picking = null;
    this.addNoMore();
  }

  leave(): void {
    if (!this.pressed && !this.p.cursor) this.p.point(LEAVE, -1 << 28, -1 << 28);
  }

  /** Ctrl always zooms. Else a wheel, which turns in large even steps, zooms, and two fingers pan. */
  wheel(event: WheelEvent): void {
    event.preventDefault();
    if (this.resting) return;
    const r = this.element.getBoundingClientRect();
    const wheel = event.deltaMode !== 0 || (event.deltaX === 0 && Math.abs(event.deltaY) >= 80);
    if (event.ctrlKey || wheel) {
      this.p.moveCamera((c) => c.step(event.deltaY < 0 ? 1 : -1, event.clientX - r.left, event.clientY - r.top));
    } else {
      this.p.moveCamera((c) => c.pan(-event.deltaX, -event.deltaY));
    }
    const at = this.place(event);
    if (!this.p.cursor) this.p.point(this.pressed ? DRAG : HOVER, at.x, at.y, this.erasing, event.shiftKey);
  }
}
