import { SvelteMap } from 'svelte/reactivity';
import { Asides } from './aside.svelte';
import { BROKEN, GAP } from './answers';
import { Core } from './bridge';
import { Orders, Questions, type Ask } from './client.gen';
import { Connection, type Away } from './connection';
import { Broken } from './instance';
import { Lately } from './lately.svelte';
import { Messages } from './messages.svelte';
import { endWarming } from './module';
import { pause } from './pause';
import type { Shown } from './sessions';
import { TILE_MASK, Tilesets, type Tileset } from './tilesets';
import * as T from './types.gen';
import { Waiting } from './waiting';

export type Saved = 'saving' | 'saved' | 'waiting';

/** What follows the session: it is told when a project is open, what has changed, and when the core is gone. */
export interface Follower {
  opened?(core: Core): void;
  changed?(changed: number, core: Core): void;
  closed?(): void;
}

/** Cells that are worked on between two glances at the clock, and milliseconds until all else has its turn. */
const WORK_STEP = 2_000;
const WORKING = 10;
/** Milliseconds between two times that progress is shown: to show it takes as long as a slice of the work. */
const PROGRESS = 100;

/** How often a core may fail within so many milliseconds before it is not begun again by itself. */
const FAILURES = 3;
const FAILING = 60_000;
const FAILED =
  'Something went wrong inside this page. It began again from what is saved; your last step may be missing.';
const BEHIND = 'This page had fallen behind and was brought up to date.';
const OTHER =
  'This project comes from another database now: a backup was restored, or another server runs here. What this page showed is kept beside it, to be saved as a file.';
const FAILS =
  'This page failed again and again while it showed this project. What is saved is safe on the server. Try again, or go back to all projects.';

/** How many parts of the page there are, and how many of them before the project is known. */
const STAGES = 8;
const BEFORE = 4;

/**
 * One open project: its core, to which orders and questions go, the connection to the server, what the core tells of the
 * project and the hand, and what is said to the designer.
 */
export class Session {
  scene = $state.raw<T.Scene | null>(null);
  /** All tilesets, in the order of the scene. */
  tilesets = $state.raw<Tileset[]>([]);
  state = $state.raw<T.State | null>(null);
  online = $state(false);
  /** What it waits for while it is not online. */
  away = $state<Away>('the server');
  /** How many parts of the page are there so far: they come one after the other. */
  stage = $state(0);
  /** Why the project can't be shown; empty if it can. */
  error = $state('');
  readonly messages = new Messages();
  /** Why this browser keeps nothing for the page; empty if it does. */
  unkept = $state('');
  /** Tiles and types used lately, the latest first. */
  readonly lately = new Lately();
  readonly asides: Asides;
  readonly orders: Orders;
  readonly ask: Questions;

  private core: Core | null = null;
  private readonly connection: Connection;
  private readonly followers: Follower[] = [];
  private readonly sets: Tilesets;
  private readonly waiting = new Waiting();
  private goingOn = false;
  private progressAt = 0;
  /** What was asked to be set of things and is not done yet. */
  private readonly asked = new SvelteMap<string, object>();
  /** When the core failed lately. */
  private failures: number[] = [];
  private left = false;
  /** What was said last of why nothing can be saved. */
  private why = '';

  constructor(readonly id: string) {
    this.asides = new Asides(id);
    this.orders = new Orders((name, order, attached) => this.give(name, order, attached));
    const door: Ask = {
      value: (name, question, otherwise) => this.safely((core) => core.value(name, question), otherwise),
      bytes: (name, question) => this.safely((core) => core.bytes(name, question), new Uint8Array()),
      picture: (name, question) => this.safely((core) => core.picture(name, question), null),
    };
    this.ask = new Questions(door);
    this.sets = new Tilesets((tileset) => this.ask.tileset({ tileset }));
    this.connection = new Connection(id, {
      received: (messages) => this.apply(this.safely((core) => core.receive(messages), 0)),
      connected: (open) => this.connected(open),
      waits: (away, why) => this.waitFor(away, why),
      anew: (other) => void this.beginAnew(other),
      unkept: (why) => this.noticeUnkept(why),
    });
  }

  follow(follower: Follower): void {
    this.followers.push(follower);
  }

  /** Calls the core. While there is none, and where it fails, which it says by itself, the answer is another. */
  safely<A>(call: (core: Core) => A, otherwise: A): A {
    try {
      return this.core ? call(this.core) : otherwise;
    } catch (failure) {
      if (failure instanceof Broken) return otherwise;
      throw failure;
    }
  }

  get saved(): Saved {
    if ((this.state?.pending ?? 0) > 0) return this.online ? 'saving' : 'waiting';
    return this.state?.working?.stops ? 'saving' : 'saved';
  }

  async open(): Promise<void> {
    let core: Core | null = null;
    try {
      const opening = this.connection.open(
        Core.start(() => queueMicrotask(() => core === this.core && this.apply(BROKEN))).then(
          (begun) => (core = begun),
        ),
      );
      // Whoever awaits it below hears of a failure.
      opening.catch(() => undefined);
      await this.comeTo(BEFORE);
      core = await opening;
      const begun = core;
      const { state, scene } = await begun.firstViews();
      if (this.left) {
        begun.leave();
        return;
      }
      this.state = state;
      await this.sets.anew(scene.tilesets, (tileset) => begun.value('tileset', { tileset }), pause);
      if (this.left) {
        begun.leave();
        return;
      }
      // Together, so that no key is lost once the board is seen.
      this.scene = scene;
      this.core = begun;
      await pause();
      // Left meanwhile, or begun again since the core failed.
      if (this.core !== begun) return;
      this.tilesets = this.sets.of(scene.tilesets);
      for (const follower of this.followers) follower.opened?.(begun);
      this.apply(T.CELLS_CHANGED);
      await this.comeTo(STAGES);
      if (this.core !== begun) return;
      this.connection.connect(begun);
      document.title = `${this.scene?.project.name ?? ''} · Azzel`;
      await this.asides.look();
    } catch (failure) {
      (core as Core | null)?.leave();
      this.core = null;
      if (failure instanceof Broken) this.error = FAILS;
      else this.error = failure instanceof Error ? failure.message : String(failure);
      await this.asides.look();
    }
  }

  /** Opens it once more after it could not be. */
  async tryAgain(): Promise<void> {
    this.error = '';
    this.failures = [];
    // What was shown before answers nobody until it is opened.
    this.scene = null;
    this.state = null;
    this.stage = 0;
    await this.open();
  }

  /** Gives up all that the project holds. */
  close(): void {
    this.left = true;
    for (const follower of this.followers) follower.closed?.();
    this.connection.leave();
    endWarming();
    this.core?.leave();
    this.core = null;
    this.waiting.refuse(FAILED);
  }

  private connected(open: boolean): void {
    this.online = open;
    if (open) this.why = '';
  }

  /** Says once why nothing can be saved at the moment. */
  private waitFor(away: Away, why: string): void {
    this.away = away;
    if (why !== '' && why !== this.why) this.say(why);
    this.why = why;
  }

  /** Begins anew as the server asks, and keeps what is shown if it comes from another database. */
  private async beginAnew(other: boolean): Promise<void> {
    let copy: Shown | null = null;
    if (other) {
      const shown = this.safely((core) => core.document(), new Uint8Array());
      copy = await this.connection.disown(shown.length > 0 ? shown : null);
    }
    if (!this.left) await this.reopen(other ? OTHER : BEHIND);
    if (copy) this.asides.hold(copy);
  }

  private noticeUnkept(why: string): void {
    this.unkept = why;
    this.say(
      `This browser keeps nothing for this page: ${why}. What is saved is safe on the server; what is not would be lost with this tab.`,
    );
  }

  private async comeTo(stage: number): Promise<void> {
    for (; this.stage < stage; this.stage++) await pause();
  }

  /** Begins again from what is stored, keeping what was not sent; not without end if it is since something failed. */
  private async reopen(why: string, failed = true): Promise<void> {
    this.connection.pause();
    this.core = null;
    for (const follower of this.followers) follower.closed?.();
    this.waiting.refuse(FAILED);
    const now = performance.now();
    this.failures = [...this.failures.filter((at) => now - at < FAILING), ...(failed ? [now] : [])];
    if (this.failures.length > FAILURES) {
      this.error = FAILS;
      return;
    }
    await this.open();
    if (!this.error) this.say(why);
  }

  say(text: string): void {
    this.messages.say(text);
  }

  /** Shows what the core says has changed. */
  apply(changed: number): void {
    if (!this.core) return;
    if (changed === BROKEN || changed === GAP) {
      void this.reopen(changed === BROKEN ? FAILED : BEHIND);
      return;
    }
    this.safely((core) => this.show(core, changed), undefined);
    if (changed & T.WORK_LEFT) this.goOn();
  }

  private show(core: Core, changed: number): void {
    const was = this.scene?.project;
    if (changed & T.SCENE_CHANGED) {
      const changes = core.value<Partial<T.Scene>>('scene', { changes: true });
      if (this.scene) this.scene = { ...this.scene, ...changes };
      this.tilesets = this.sets.of(this.scene?.tilesets ?? []);
    }
    if (changed & (T.STATE_CHANGED | T.OUTGOING_CHANGED)) {
      if (changed & T.OUTGOING_CHANGED) {
        this.connection.flush(core);
        this.connection.settle(core);
      }
      this.state = core.value<T.State>('state', {});
      for (const text of this.state.messages) this.say(text);
    }
    for (const follower of this.followers) follower.changed?.(changed, core);
    if (changed & T.REPLIES_CHANGED) {
      if (this.state) this.lately.remember(this.state);
      for (const reply of core.value<T.Reply[]>('replies', {})) this.waiting.answer(reply);
    }
    const { cellW, cellH } = this.scene?.project ?? { cellW: 0, cellH: 0 };
    if (was && (was.cellW !== cellW || was.cellH !== cellH)) {
      // All that was drawn is of another size.
      void this.reopen(`A cell is ${cellW} × ${cellH} px now.`, false);
    }
  }

  /** Gives an order; what comes of it is heard once it was done, as what is under way comes first. */
  private give(name: string, order: object, attached: Uint8Array[]): Promise<T.Reply> {
    const { ticket, reply } = this.waiting.next();
    if (this.core) this.apply(this.safely((core) => core.order(ticket, name, order, attached), 0));
    else this.waiting.refuse(FAILED);
    return reply;
  }

  /**
   * Keeps what an order sets of a thing until that is done: as long as it waits its turn, the next change builds on it.
   */
  async setting(id: string, change: object, done: Promise<T.Reply>): Promise<void> {
    this.asked.set(id, { ...this.asked.get(id), ...change });
    await done;
    this.asked.delete(id);
  }

  /** What can be set of a thing, as it will be once all that was asked for is done. */
  asAsked<L extends object>(id: string, look: L): L {
    const asked = this.asked.get(id);
    return asked ? { ...look, ...asked } : look;
  }

  /** What is selected, as text for the clipboard, and taken away if it is cut; empty if there is nothing, which is said. */
  copied(cut: boolean): string {
    const { text, says } = this.ask.copied();
    if (text !== '' && cut) void this.orders.deleteSelected();
    else if (says !== '') this.say(says);
    return text;
  }

  /** Takes back the last step, or brings it back. Steps from before the page was opened may have to be fetched first. */
  async takeBack(which: 'undo' | 'redo'): Promise<void> {
    while (this.state && this.state[which] === '' && this.state.earlier > 0 && !this.state.working) {
      if (!(await this.fetchEarlier())) return;
    }
    await (which === 'undo' ? this.orders.undo() : this.orders.redo());
  }

  /** Does steps here that were meant for another database, as far as they can be done. */
  async doAgain(): Promise<void> {
    await this.orders.doAgain(...this.asides.list.filter(({ other }) => other).map(({ bytes }) => bytes));
  }

  /** Fetches earlier steps of this session. Says whether any answer came. */
  async fetchEarlier(): Promise<boolean> {
    const { core, state } = this;
    if (!core || !state || state.earlier === 0) return false;
    try {
      const steps = await this.connection.earlier(state.earlier);
      if (core !== this.core) return false;
      await this.orders.addEarlier(steps);
      return core === this.core;
    } catch (failure) {
      this.say((failure as Error).message);
      return false;
    }
  }

  /** Goes on with what is under way once the browser has drawn and listened, if there is anything to. */
  private goOn(): void {
    if (this.goingOn) return;
    this.goingOn = true;
    void pause().then(this.work);
  }

  /** Does a part of what is under way. */
  private readonly work = (): void => {
    this.goingOn = false;
    if (!this.core) return;
    const until = performance.now() + WORKING;
    let changed = 0;
    let left = T.WORK_LEFT;
    while (left > 0 && performance.now() < until) {
      const more = this.core.work(WORK_STEP);
      changed = more < 0 ? more : (changed & ~T.WORK_LEFT) | more;
      left = more < 0 ? 0 : more & T.WORK_LEFT;
    }
    const now = performance.now();
    if (changed === (T.STATE_CHANGED | T.WORK_LEFT) && now < this.progressAt + PROGRESS) {
      this.goOn();
      return;
    }
    this.progressAt = left ? now : 0;
    this.apply(changed);
  };

  tile(n: number): ImageData | null {
    const p = this.scene?.project;
    return p ? this.safely((core) => core.tile(n, p.cellW, p.cellH), null) : null;
  }

  sprite(which: number, facing: number, frame: number): ImageData | null {
    return this.safely((core) => core.sprite(which, facing, frame), null);
  }

  /** The tileset that has a tile. */
  tilesetOf(n: number): Tileset | undefined {
    return this.tilesets.find((t) => n >= t.first && n < t.first + t.count);
  }

  /** The name of a cell's tile, however it lies. */
  tileName(cell: number): string {
    const n = cell & TILE_MASK;
    const set = this.tilesetOf(n);
    return set ? `${set.tiles[n - set.first]?.name ?? ''}, ${set.name}` : 'a tile';
  }

  mapView(id: string | null): T.MapView | null {
    return this.scene?.maps.find((m) => m.id === id) ?? null;
  }
}
