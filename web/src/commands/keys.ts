import { shared } from '../board/camera';
import { DRAG, HOVER, PRESS, RELEASE } from '../core/types.gen';
import type { Project } from '../project.svelte';
import { bindings } from './bindings.svelte';
import type { Command } from './command';
import { gameInputs, gameKey } from './game';
import { heldNow, holdAgain, leaveHand, type Held } from './holding';
import { commands } from './register';

/** Signs are taken by place, letters by what is printed or, where that is no Latin letter, by place. */
const SIGNS: Record<string, string> = {
  ...{ Slash: '/', Comma: ',', Period: '.', Minus: '-', Equal: '=' },
  ...{ BracketLeft: '[', BracketRight: ']', Semicolon: ';' },
};

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** What a held key does again and again, beside what changes the view. */
const REPEATS = new Set([
  ...['undo', 'redo', 'larger', 'smaller', 'nudge-left', 'nudge-right', 'nudge-up', 'nudge-down'],
  ...['one-tick', 'second-back'],
]);

/** What a key is in the game, 0 for nothing. */
function inputOf(event: KeyboardEvent): number {
  const key = gameKey(event);
  return gameInputs.find((one) => bindings.of(one).includes(key))?.input ?? 0;
}

export function nameOf(event: KeyboardEvent): string {
  let key = SIGNS[event.code] ?? event.key;
  if (event.key === '?') key = '/';
  if (key === 'Escape') key = 'Esc';
  if (key.length === 1) {
    const printed = key.toUpperCase();
    key = /[A-Z]/.test(printed) || SIGNS[event.code] ? printed : event.code.replace(/^Key/, '');
  }
  if (key === '/' && event.shiftKey) return '?';
  const control = event.ctrlKey || event.metaKey ? 'Ctrl+' : '';
  return `${control}${event.shiftKey ? 'Shift+' : ''}${key}`;
}

/** Fields in which no letters are typed. */
const WITHOUT_LETTERS = new Set(['file', 'checkbox', 'radio', 'range', 'color', 'button']);

function typing(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !WITHOUT_LETTERS.has(target.type);
  return target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;
}

/** Keys of the whole page: commands, the game, the cell cursor. */
export class Keys {
  /** When the key went down by the clock of the events: a busy page must not make a tap into a hold. */
  private downAt = 0;
  private lasting: { key: string; back: Held } | null = null;
  private entered = false;
  /** The key that picks, while it is held. */
  private pickCode = '';

  constructor(
    private readonly p: Project,
    private readonly board: () => HTMLElement | undefined,
  ) {}

  private onBoard(target: EventTarget | null): boolean {
    return target === document.body || target === this.board();
  }

  down(event: KeyboardEvent): void {
    if (this.p.shell.keysShown || this.p.shell.seeking || event.altKey) return;
    if (typing(event.target)) {
      // A field is the innermost thing that Esc ends.
      if (event.key === 'Escape') this.board()?.focus();
      return;
    }
    const name = nameOf(event);
    const command = commands.find((c) => bindings.of(c).includes(name));
    const gaming = this.p.session.state?.playing && this.p.game.inGame;
    // With Shift, a key of the game is another command's.
    const plain = !event.ctrlKey && !event.metaKey && !(event.shiftKey && command?.inGame);
    const input = gaming && plain ? inputOf(event) : 0;
    if (input) {
      this.p.game.clock.input |= input;
      event.preventDefault();
      return;
    }
    if (this.onBoard(event.target) && !gaming && this.cursor(event)) {
      event.preventDefault();
      return;
    }
    if (command?.id === 'pick' && !gaming) {
      this.p.viewport.held.add('pick');
      this.pickCode = event.code;
    }
    if (!command || command.native || (gaming && !command.inGame)) return;
    event.preventDefault();
    if (event.repeat) {
      if (command.group !== 'view' && !REPEATS.has(command.id)) return;
    } else {
      this.downAt = event.timeStamp;
      this.last(event.key, command);
    }
    if (command.possible?.(this.p) ?? true) command.run(this.p);
  }

  private last(key: string, command: Command): void {
    const s = this.p.session.state;
    if (command.lasts && s) this.lasting = { key, back: heldNow(s) };
  }

  up(event: KeyboardEvent): void {
    this.p.game.clock.input &= ~inputOf(event);
    if (event.key === 'Enter' && this.entered && this.p.viewport.cursor) {
      this.entered = false;
      this.p.viewport.point(RELEASE, this.p.viewport.cursor.x, this.p.viewport.cursor.y, false, event.shiftKey);
    }
    if (event.key === ' ') this.p.viewport.held.delete(' ');
    if (event.code === this.pickCode) this.p.viewport.held.delete('pick');
    if (this.lasting?.key === event.key) {
      const { back } = this.lasting;
      this.lasting = null;
      if (event.timeStamp - this.downAt < 200) return;
      leaveHand(this.p);
      holdAgain(this.p, back);
    }
  }

  /** When the page loses the keyboard, nothing stays held. */
  lost(): void {
    this.p.game.clock.input = 0;
    this.p.viewport.held.clear();
    this.lasting = null;
    if (this.entered) void this.p.session.orders.cancel();
    this.entered = false;
  }

  /** Moves the cell cursor, presses with Enter, opens the slip with the menu key, pans with Space. */
  private cursor(event: KeyboardEvent): boolean {
    const project = this.p.session.scene?.project;
    if (!project) return false;
    if (event.key === ' ') {
      this.p.viewport.held.add(' ');
      return true;
    }
    const arrow = ARROWS[event.key];
    if (arrow && !event.ctrlKey && !event.metaKey) {
      const at = this.p.viewport.cursor ?? this.start(project.cellW, project.cellH);
      const to = this.p.viewport.cursor
        ? { x: at.x + arrow[0] * project.cellW, y: at.y + arrow[1] * project.cellH }
        : at;
      this.p.viewport.cursor = to;
      this.follow(to);
      this.p.viewport.point(this.entered ? DRAG : HOVER, to.x, to.y, false, event.shiftKey && this.entered);
      return true;
    }
    if (event.key === 'Enter' && !event.ctrlKey) {
      if (event.repeat) return true;
      const at = this.p.viewport.cursor ?? this.start(project.cellW, project.cellH);
      this.p.viewport.cursor = at;
      this.entered = true;
      this.p.viewport.point(PRESS, at.x, at.y, false, event.shiftKey);
      return true;
    }
    if (event.key === 'ContextMenu' && this.p.viewport.cursor) {
      void this.p.session.orders.hold({ holding: 'nothing' });
      this.p.viewport.point(PRESS, this.p.viewport.cursor.x, this.p.viewport.cursor.y, true);
      this.p.viewport.point(RELEASE, this.p.viewport.cursor.x, this.p.viewport.cursor.y, true);
      this.p.shell.slipShown = true;
      requestAnimationFrame(() =>
        document.querySelector<HTMLElement>('[data-slip] input, [data-slip] button')?.focus(),
      );
      return true;
    }
    return false;
  }

  /** Where the cursor appears: at the pointer, else in the middle of what is seen. */
  private start(w: number, h: number): { x: number; y: number } {
    const c = this.p.viewport.camera;
    const box = this.p.viewport.pointer?.box;
    if (box) {
      const at = c.toScreen(box.x, box.y);
      if (shared({ ...at, w: 1, h: 1 }, c.free)) return { x: box.x, y: box.y };
    }
    const middle = c.toBoard(c.middle.x, c.middle.y);
    return { x: Math.floor(middle.x / w) * w, y: Math.floor(middle.y / h) * h };
  }

  /** Keeps the cursor in view. */
  private follow(to: { x: number; y: number }): void {
    const c = this.p.viewport.camera;
    const at = c.toScreen(to.x, to.y);
    const edge = 64;
    const { x, y, w, h } = c.free;
    const dx = Math.min(0, x + w - edge - at.x) + Math.max(0, x + edge - at.x);
    const dy = Math.min(0, y + h - edge - at.y) + Math.max(0, y + edge - at.y);
    if (dx !== 0 || dy !== 0) this.p.viewport.moveCamera((camera) => camera.pan(dx, dy));
  }
}
