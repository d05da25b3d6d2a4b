import { DRAG, HOVER, LEAVE, PRESS, RELEASE } from '../core/types.gen';
import type { Project } from '../project.svelte';
import { leaveHand } from '../commands/holding';
import { Pinch } from './pinch';

/** The end of a pen that erases, as a button. */
const PEN_ERASER = 5;

/** Pointer and wheel on the board: what they do goes to the core as places on the board. */
export class Hands {
  private panning: { x: number; y: number } | null = null;
  private pressed = false;
  private erasing = false;
  /** Where a block is being picked from, while W is held. */
  private picking: { x: number; y: number } | null = null;
  /** What selecting did before Ctrl was held. */
  private adds: string | null = null;
  private readonly pinch: Pinch;
  /** While a pen is down, a hand that rests on the screen does nothing. */
  private pen = false;

  constructor(
    private readonly p: Project,
    private readonly element: HTMLElement,
  ) {
    this.pinch = new Pinch(p);
  }

  private onElement(event: MouseEvent): { x: number; y: number } {
    const r = this.element.getBoundingClientRect();
    return { x: event.clientX - r.left, y: event.clientY - r.top };
  }

  /** Takes what fingers do; true if it is no stroke of one finger. */
  private fingers(event: PointerEvent, what: 'down' | 'move' | 'up'): boolean {
    if (event.pointerType === 'pen') this.pen = what === 'down' || (what === 'move' && this.pen);
    if (event.pointerType !== 'touch') return false;
    if (this.pen) return true;
    const two = this.pinch.active;
    this.pinch[what](event.pointerId, this.onElement(event));
    if (!two && this.pinch.active) this.cancel();
    // After two fingers the last one lays nothing either.
    return two || this.pinch.active || (what !== 'down' && !this.pressed);
  }

  private place(event: MouseEvent): { x: number; y: number } {
    const at = this.onElement(event);
    return this.p.viewport.camera.toBoard(at.x, at.y);
  }

  /** While the game has the pointer, the hand does nothing with it. */
  private get resting(): boolean {
    return Boolean(this.p.session.state?.playing && this.p.game.inGame);
  }

  down(event: PointerEvent): void {
    this.element.focus({ preventScroll: true });
    if (this.resting && event.button === 0) {
      const at = this.place(event);
      void this.p.session.orders.sendPlayer({ x: Math.floor(at.x), y: Math.floor(at.y) });
      return;
    }
    this.element.setPointerCapture(event.pointerId);
    if (this.fingers(event, 'down')) return;
    if (event.button === 1 || this.p.viewport.held.has(' ')) {
      this.panning = { x: event.clientX, y: event.clientY };
      event.preventDefault();
      return;
    }
    if (event.button !== 0 && event.button !== 2 && event.button !== PEN_ERASER) return;
    this.p.viewport.cursor = null;
    const at = this.place(event);
    if (this.p.viewport.held.has('pick')) {
      leaveHand(this.p);
      this.picking = { x: Math.floor(at.x), y: Math.floor(at.y) };
      return;
    }
    if ((event.ctrlKey || event.metaKey) && this.adds === null) {
      this.adds = this.p.session.state?.adds ?? 'anew';
      void this.p.session.orders.setAdding({ adding: 'add' });
    }
    this.pressed = true;
    this.erasing = event.button === 2 || event.button === PEN_ERASER;
    this.p.viewport.point(PRESS, at.x, at.y, this.erasing, event.shiftKey);
  }

  move(event: PointerEvent): void {
    if (this.fingers(event, 'move')) return;
    if (this.panning) {
      const { x, y } = this.panning;
      this.panning = { x: event.clientX, y: event.clientY };
      this.p.viewport.moveCamera((c) => c.pan(event.clientX - x, event.clientY - y));
      return;
    }
    if (this.resting) return;
    if (event.movementX !== 0 || event.movementY !== 0) this.p.viewport.cursor = null;
    const steps = this.pressed ? event.getCoalescedEvents() : [];
    for (const step of steps.length > 0 ? steps : [event]) {
      const at = this.place(step);
      this.p.viewport.point(this.pressed ? DRAG : HOVER, at.x, at.y, this.erasing, event.shiftKey);
    }
  }

  up(event: PointerEvent): void {
    if (this.fingers(event, 'up')) return;
    if (this.panning) {
      this.panning = null;
      return;
    }
    const at = this.place(event);
    if (this.picking) {
      const { x, y } = this.picking;
      void this.p.session.orders.pickUp({ x, y, toX: Math.floor(at.x), toY: Math.floor(at.y) });
      this.picking = null;
    }
    if (!this.pressed) return;
    this.pressed = false;
    this.p.viewport.point(RELEASE, at.x, at.y, this.erasing, event.shiftKey);
    this.addNoMore();
  }

  private addNoMore(): void {
    if (this.adds !== null) void this.p.session.orders.setAdding({ adding: this.adds });
    this.adds = null;
  }

  /** A pointer that was taken away, by the system or by another gesture. */
  lost(event: PointerEvent): void {
    this.fingers(event, 'up');
    this.cancel();
  }

  cancel(): void {
    this.panning = null;
    if (this.pressed) void this.p.session.orders.cancel();
    this.pressed = false;
    this.picking = null;
    this.addNoMore();
  }

  leave(): void {
    if (!this.pressed && !this.p.viewport.cursor) this.p.viewport.point(LEAVE, -1 << 28, -1 << 28);
  }

  /** Ctrl always zooms. Else a wheel, which turns in large even steps, zooms, and two fingers pan. */
  wheel(event: WheelEvent): void {
    event.preventDefault();
    if (this.resting) return;
    const r = this.element.getBoundingClientRect();
    const wheel = event.deltaMode !== 0 || (event.deltaX === 0 && Math.abs(event.deltaY) >= 80);
    if (event.ctrlKey || wheel) {
      this.p.viewport.moveCamera((c) =>
        c.step(event.deltaY < 0 ? 1 : -1, event.clientX - r.left, event.clientY - r.top),
      );
    } else {
      this.p.viewport.moveCamera((c) => c.pan(-event.deltaX, -event.deltaY));
    }
    const at = this.place(event);
    if (!this.p.viewport.cursor)
      this.p.viewport.point(this.pressed ? DRAG : HOVER, at.x, at.y, this.erasing, event.shiftKey);
  }
}
