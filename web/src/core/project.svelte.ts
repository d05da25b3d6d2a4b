import { SvelteMap, SvelteSet } from 'svelte/reactivity';
import { Asides } from './aside.svelte';
import { Backdrops } from '../board/backdrops';
import { Bitmaps } from '../board/bitmaps';
import { around, Camera } from '../board/camera';
import { fetchState } from './api';
import { BROKEN, GAP } from './answers';
import { Core, type Tileset } from './bridge';
import { Connection, type Away } from './connection';
import { Broken } from './instance';
import { Lately } from './lately.svelte';
import { Playing } from './playing.svelte';
import { Trail } from '../board/trail.svelte';
import { endWarming } from './module';
import { pause } from './pause';
import { Questions } from './questions';
import { Replays } from './replays.svelte';
import type { Shown } from './sessions';
import { SETTLING, Strips } from './strips';
import * as T from './types.gen';

export type Saved = 'saving' | 'saved' | 'waiting';
export type Panel = 'none' | 'steps' | 'kept' | 'movement' | 'replays' | 'characters' | 'items' | 'facts';
export type Opened = 'nothing' | 'drawer' | 'desk';
/** What lies on the desk: a thing of the project, or tiles proposed as a bond. */
export type OnDesk =
  | { kind: 'nothing' }
  | { kind: 'reskin' }
  | { kind: 'colours' }
  | { kind: 'newer'; id: string }
  | { kind: 'tileset' | 'medley' | 'bond'; id: string }
  | { kind: 'proposal'; proposal: T.Proposal };

/** The part of a cell that is the tile's number. */
export const TILE_MASK = 0xffffff;
/** Milliseconds between two frames of animated tiles, at the least. */
const SHORTEST_FRAME = 30;
/** Screen pixels within which the edge of the selected map is taken. */
const EDGE = 8;
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

/** One open project: all state of the page is here, and whoever changes it goes through here. */
export class Project extends Questions {
  scene = $state.raw<T.Scene | null>(null);
  /** All tilesets, in the order of the scene. */
  tilesets = $state.raw<Tileset[]>([]);
  state = $state.raw<T.State | null>(null);
  pointer = $state.raw<T.Pointer | null>(null);
  play = $state.raw<T.Play | null>(null);
  /** While a game runs: whether keys and pointer go to it or to the hand. */
  inGame = $state(false);
  online = $state(false);
  /** What it waits for while it is not online. */
  away = $state<Away>('the server');
  /** How many parts of the page are there so far: they come one after the other. */
  stage = $state(0);
  error = $state('');
  messages = $state<{ id: number; text: string }[]>([]);
  opened = $state<Opened>('nothing');
  desk = $state.raw<OnDesk>({ kind: 'nothing' });
  /** Pictures dropped or pasted on the page, for the desk to take up. */
  dropped = $state.raw<File[]>([]);
  seeking = $state(false);
  keysShown = $state(false);
  /** The panel that is open at the right. */
  panel = $state<Panel>('none');
  /** Where the depth stack stands on the board, for what must not cover it. */
  stackBox = $state.raw<T.BoxView | null>(null);
  /** The layer whose settings are open; empty for none. */
  layerOpen = $state('');
  stackOpen = $state(true);
  slipShown = $state(true);
  grid = $state(true);
  /** Every how many cells the grid has a stronger line; 1 for none, 0 for every screen. */
  gridStep = $state(1);
  /** Whether the frame of what the player sees is shown. */
  frameShown = $state(false);
  reachShown = $state(false);
  minimap = $state(true);
  /** The property of tiles that is shown over the maps; empty for none. */
  lens = $state('');
  lines = $state(true);
  /** Counts camera movements, for what must follow the board. */
  moved = $state(0);
  /** The map one is on: under the pointer, or most in view. */
  currentMap = $state<string | null>(null);
  cursor = $state<{ x: number; y: number } | null>(null);
  /** Tiles and types used lately, the latest first. */
  readonly lately = new Lately();
  /** Why this browser keeps nothing for the page; empty if it does. */
  unkept = $state('');
  readonly asides: Asides;

  private stamped: { stamp: number; set: Tileset }[] = [];
  readonly camera = new Camera();
  readonly backdrops = new Backdrops(this);
  bitmaps: Bitmaps | null = null;
  held = new SvelteSet<string>();
  private connection: Connection;
  private pointerStale = false;
  private frameAsked = false;
  private drawBoard: (() => void) | null = null;
  private nextMessage = 1;
  private before: { x: number; y: number; zoom: number } | null = null;
  readonly playing = new Playing();
  readonly trail = new Trail(this);
  readonly replays = new Replays(
    (text) => this.say(text),
    () => this.apply(BROKEN),
  );
  private readonly strips = new Strips(this);
  private motion = 0;
  private readonly reduced = matchMedia('(prefers-reduced-motion: reduce)');
  /** Whether anything that was asked for still waits its turn, and who waits for that to end. */
  private busy = false;
  private goingOn = false;
  private progressAt = 0;
  private waiting: (() => void)[] = [];
  /** What was asked to be set of things and is not done yet. */
  private readonly asked = new SvelteMap<string, object>();
  /** Whether play was asked for and has not begun. */
  private beginning = false;
  /** When the core failed lately. */
  private failures: number[] = [];
  private left = false;
  /** What was said last of why nothing can be saved. */
  private told = '';

  constructor(readonly id: string) {
    super();
    this.asides = new Asides(id);
    this.reduced.addEventListener('change', this.animate);
    this.connection = new Connection(id, {
      received: (messages) => this.receive(messages),
      connected: (open) => this.connected(open),
      waits: (away, why) => this.waitFor(away, why),
      anew: (other) => void this.beginAnew(other),
      unkept: (why) => this.noticeUnkept(why),
    });
  }

  /** Whether a panel stands at the right, where slips would. */
  get panelled(): boolean {
    return this.panel !== 'none' || this.layerOpen !== '';
  }

  togglePanel(panel: Panel): void {
    this.panel = this.panel === panel ? 'none' : panel;
  }

  /** Whether nothing may move by itself. */
  get still(): boolean {
    return this.reduced.matches || document.hidden;
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
      const { state, scene } = await core.firstViews();
      if (this.left) {
        core.leave();
        return;
      }
      this.state = state;
      await this.lookAhead(core, scene.tilesets);
      if (this.left) {
        core.leave();
        return;
      }
      // Together, so that no key is lost once the board is seen.
      this.scene = scene;
      this.core = core;
      await pause();
      // Left meanwhile, or begun again since the core failed.
      if (this.core !== core) return;
      this.bitmaps = new Bitmaps(core);
      this.lookUp(scene.tilesets);
      this.apply(T.CELLS_CHANGED);
      await this.comeTo(STAGES);
      if (this.core !== core) return;
      this.strips.fetchMissing(scene.missing);
      this.animate();
      this.connection.connect(core);
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
    clearTimeout(this.motion);
    this.reduced.removeEventListener('change', this.animate);
    this.replays.close();
    this.connection.leave();
    endWarming();
    this.core?.leave();
    this.core = null;
    this.bitmaps?.clear();
    this.bitmaps = null;
    this.drawBoard = null;
    this.settleWaiting();
  }

  private connected(open: boolean): void {
    this.online = open;
    if (open) this.told = '';
  }

  /** Says once why nothing can be saved at the moment. */
  private waitFor(away: Away, why: string): void {
    this.away = away;
    if (why !== '' && why !== this.told) this.say(why);
    this.told = why;
  }

  /** Begins anew as the server asks, and keeps what is shown if it comes from another database. */
  private async beginAnew(other: boolean): Promise<void> {
    let copy: Shown | null = null;
    if (other) {
      const shown = this.ask((core) => core.document(), new Uint8Array());
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

  private receive(messages: Uint8Array[]): void {
    const changed = this.ask((core) => core.receive(messages), 0);
    if (changed >= 0 && changed & T.WORK_LEFT) this.busy = true;
    this.apply(changed);
  }

  private async comeTo(stage: number): Promise<void> {
    for (; this.stage < stage; this.stage++) await pause();
  }

  /** Begins again from what is stored, keeping what was not sent. */
  private async reopen(why: string): Promise<void> {
    this.connection.pause();
    this.core = null;
    this.play = null;
    this.settleWaiting();
    const now = performance.now();
    this.failures = [...this.failures.filter((at) => now - at < FAILING), now];
    if (this.failures.length > FAILURES) {
      this.error = FAILS;
      return;
    }
    await this.open();
    if (!this.error) this.say(why);
  }

  say(text: string): void {
    const id = this.nextMessage++;
    this.messages = [...this.messages.slice(-3), { id, text }];
    setTimeout(() => (this.messages = this.messages.filter((m) => m.id !== id)), 7000);
  }

  /** Shows what the core says has changed. */
  apply(changed: number): void {
    if (!this.core) return;
    if (changed === BROKEN || changed === GAP) {
      void this.reopen(changed === BROKEN ? FAILED : BEHIND);
      return;
    }
    this.ask((core) => this.show(core, changed), undefined);
    if (changed & T.WORK_LEFT) this.goOn();
    this.draw();
  }

  private show(core: Core, changed: number): void {
    if (changed & T.SCENE_CHANGED) {
      this.scene = core.scene();
      this.lookUp(this.scene.tilesets);
      this.strips.fetchMissing(this.scene.missing);
      this.animate();
    }
    if (changed & (T.STATE_CHANGED | T.OUTGOING_CHANGED)) {
      if (changed & T.OUTGOING_CHANGED) {
        this.connection.flush(core);
        this.connection.settle(core);
      }
      const was = this.state;
      this.state = core.state();
      for (const text of this.state.messages) this.say(text);
      if (was?.playing && !this.state.playing) this.ended();
    }
    if (changed & T.CELLS_CHANGED && this.bitmaps) this.bitmaps.version++;
    if (changed & (T.SCENE_CHANGED | T.CELLS_CHANGED | T.REPLAYS_CHANGED)) this.replays.changed(core);
    if (changed & T.POINTER_CHANGED) this.pointerStale = true;
    if (changed & T.PLAY_CHANGED) this.play = core.play();
  }

  /** Asks for all tilesets, one after the other. */
  private async lookAhead(core: Core, heads: T.TilesetHead[]): Promise<void> {
    this.stamped = [];
    for (const { id, stamp } of heads) {
      await pause();
      const set = core.tileset(id);
      if (set) this.stamped.push({ stamp, set });
    }
    await pause();
  }

  /** Asks for the tilesets that have changed. */
  private lookUp(heads: T.TilesetHead[]): void {
    const fresh: typeof this.stamped = [];
    for (const { id, stamp } of heads) {
      const had = this.stamped.find((entry) => entry.set.id === id);
      const set = had?.stamp === stamp ? had.set : this.core?.tileset(id);
      if (set) fresh.push({ stamp, set });
    }
    this.stamped = fresh;
    this.tilesets = fresh.map((entry) => entry.set);
  }

  /** Gives the core a picture that it lacked, and says what has changed. */
  addStrip(of: string, bytes: Uint8Array): number {
    return this.ask((core) => core.addStrip(of, bytes), 0);
  }

  order(order: Partial<T.Order> & { do: string }): void {
    if (!this.core) return;
    const changed = this.ask((core) => core.order(order), 0);
    if (changed >= 0 && changed & T.WORK_LEFT) this.busy = true;
    this.apply(changed);
    if (this.state) this.lately.remember(this.state);
  }

  /** Gives an order, and comes back once it was done: what is under way comes first. */
  async done(order: Partial<T.Order> & { do: string }): Promise<void> {
    this.order(order);
    if (this.busy) await new Promise<void>((done) => this.waiting.push(done));
  }

  private settleWaiting(): void {
    this.busy = false;
    const waiting = this.waiting;
    this.waiting = [];
    for (const done of waiting) done();
  }

  /**
   * Changes some of what can be set of a thing; as says which part of the order that is. As long as that waits its turn
   * the next change builds on it.
   */
  set(order: Partial<T.Order> & { do: string; id: string }, as: keyof T.Order, change: object): void {
    const { id } = order;
    this.asked.set(id, { ...this.asked.get(id), ...change });
    void this.done({ ...order, [as]: change }).then(() => this.asked.delete(id));
  }

  /** What can be set of a thing, as it will be once all that was asked for is done. */
  asAsked<L extends object>(id: string, look: L): L {
    const asked = this.asked.get(id);
    return asked ? { ...look, ...asked } : look;
  }

  /** Takes back the last step, or brings it back. Steps from before the page was opened may have to be fetched first. */
  async takeBack(which: 'undo' | 'redo'): Promise<void> {
    while (this.state && this.state[which] === '' && this.state.earlier > 0 && !this.state.working) {
      if (!(await this.fetchEarlier())) return;
    }
    this.order({ do: which });
  }

  /** Does steps here that were meant for another database, as far as they can be done. */
  doAgain(): void {
    const steps = this.asides.list.filter(({ other }) => other).map(({ bytes }) => bytes);
    this.apply(this.ask((core) => core.doAgain(steps), 0));
  }

  /** Fetches earlier steps of this session. Says whether any answer came. */
  async fetchEarlier(): Promise<boolean> {
    const { core, state } = this;
    if (!core || !state || state.earlier === 0) return false;
    try {
      const steps = await this.connection.earlier(state.earlier);
      if (core === this.core) this.apply(this.ask(() => core.addEarlier(steps), 0));
      return core === this.core;
    } catch (failure) {
      this.say((failure as Error).message);
      return false;
    }
  }

  point(what: number, x: number, y: number, erase = false, steady = false): void {
    if (!this.core) return;
    const near = Math.ceil(EDGE / this.camera.zoom);
    this.apply(this.ask((core) => core.pointer(what, Math.floor(x), Math.floor(y), erase, steady, near), 0));
  }

  /** What is selected, as text for the clipboard. */
  copied(cut: boolean): string {
    if (!this.core) return '';
    const { text, changed } = this.ask((core) => core.copied(cut), { text: '', changed: 0 });
    this.apply(changed);
    return text;
  }

  paste(text: string): void {
    this.apply(this.ask((core) => core.paste(text), 0));
  }

  /** Shows a kept state on the board. */
  async look(state: string, name: string): Promise<void> {
    try {
      const document = await fetchState(this.id, state);
      this.apply(this.ask((core) => core.look(document, name), 0));
    } catch (failure) {
      this.say((failure as Error).message);
    }
  }

  mapOfColours(legend: T.Legend, places: Uint8Array): void {
    this.apply(this.ask((core) => core.mapOfColours(legend, places), 0));
  }

  /** Lays the cells of a CSV file on a layer. */
  async layCSV(map: string, layer: string, file: File): Promise<void> {
    if (file.size > T.CSV_BYTES) {
      this.say(`The file ${file.name} has ${file.size >> 20} MB; the most is ${T.CSV_BYTES >> 20} MB.`);
      return;
    }
    const text = new Uint8Array(await file.arrayBuffer());
    this.apply(this.ask((core) => core.layCSV(map, layer, text), 0));
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
    if (changed >= 0 && left === 0) this.settleWaiting();
  };

  /** The board draws itself on the next frame, once. */
  onDraw(draw: (() => void) | null): void {
    this.drawBoard = draw;
    this.draw();
  }

  draw(): void {
    if (this.frameAsked) return;
    this.frameAsked = true;
    requestAnimationFrame((now) => {
      this.frameAsked = false;
      if (this.play && !this.play.finished) this.tick(now);
      if (this.pointerStale && this.core) {
        this.pointerStale = false;
        this.pointer = this.ask((core) => core.pointerView(), this.pointer);
        if (this.pointer?.map) this.currentMap = this.pointer.map;
      }
      this.drawBoard?.();
      if (this.play && !this.play.finished && !this.playing.paused) this.draw();
    });
  }

  /** Lets as many ticks pass as time has. */
  private tick(now: number): void {
    if (!this.core) return;
    const changed = this.playing.pass(now, this.core, this.inGame ? this.playing.held : 0);
    if (changed === BROKEN) this.apply(changed);
    else if (changed) this.play = this.ask((core) => core.play(), null);
  }

  /** Holds time, or lets it go on. */
  pauseGame(pause: boolean): void {
    if (!this.play || this.play.finished) return;
    this.playing.paused = pause;
    this.draw();
  }

  /** Lets one tick pass and holds time. */
  oneTick(): void {
    if (!this.core || !this.play || this.play.finished) return;
    this.playing.paused = true;
    this.apply(this.core.tick(this.inGame ? this.playing.held : 0));
  }

  /** Holds time and shows a tick that was played, from which the game goes on then. */
  showTick(tick: number): void {
    if (!this.play) return;
    this.playing.paused = true;
    this.order({ do: 'show-tick', n: tick });
  }

  /** Lets animated tiles show their frames, and comes back when the next is due. */
  readonly animate = (): void => {
    clearTimeout(this.motion);
    if (!this.core) return;
    // Nothing moves before all in view was drawn once.
    if (!this.bitmaps?.settled) {
      this.motion = window.setTimeout(this.animate, SETTLING);
      return;
    }
    const { changed, next } = this.core.animate(this.still ? -1 : performance.now());
    if (changed) this.apply(T.CELLS_CHANGED);
    if (next > 0) this.motion = window.setTimeout(this.animate, Math.max(next, SHORTEST_FRAME));
  };

  /** Begins to play from the pointer or cursor, or from the spawn; or ends. */
  togglePlay(fromSpawn: boolean): void {
    if (this.state?.playing || this.beginning) {
      this.order({ do: 'stop' });
      return;
    }
    const at = this.cursor ?? (this.pointer ? { x: this.pointer.box.x, y: this.pointer.box.y } : null);
    const { cellW, cellH } = this.scene?.project ?? { cellW: 0, cellH: 0 };
    const here = fromSpawn || !at ? {} : { yes: true, x: at.x + (cellW >> 1), y: at.y + (cellH >> 1) };
    void this.begin({ do: 'play', ...here });
  }

  /** Begins to play at a piece. */
  playAt(id: string, map: string): void {
    void this.begin({ do: 'play-at', kind: 'piece', id, map });
  }

  /** Plays a kept replay, until anything is held down. */
  async watch(id: string): Promise<void> {
    if (this.state?.playing) await this.done({ do: 'stop' });
    await this.begin({ do: 'watch', kind: 'replay', id });
  }

  private async begin(order: Partial<T.Order> & { do: string }): Promise<void> {
    this.before = this.camera.copy();
    this.playing.begin();
    this.beginning = true;
    await this.done(order);
    this.beginning = false;
    this.inGame = this.state?.playing ?? false;
    this.draw();
  }

  private ended(): void {
    this.inGame = false;
    this.play = null;
    if (this.before) Object.assign(this.camera, this.before);
    this.before = null;
    this.moveCamera(() => undefined);
  }

  moveCamera(move: (camera: Camera) => void): void {
    move(this.camera);
    this.moved++;
    this.draw();
  }

  /** Shows all maps. */
  showAll(): void {
    const all = around(this.scene?.maps ?? []);
    if (all) this.moveCamera((c) => c.fit(all));
  }

  tile(n: number): ImageData | null {
    const p = this.scene?.project;
    return p ? (this.core?.tile(n, p.cellW, p.cellH) ?? null) : null;
  }

  layOnDesk(what: OnDesk): void {
    this.desk = what;
    this.opened = 'desk';
  }

  lensOf(map: string, cells: T.BoxView): Uint8Array {
    return this.lens ? this.ask((core) => core.lens(map, cells, this.lens), new Uint8Array(0)) : new Uint8Array(0);
  }

  addBackdrop(sum: string, image: ImageData): void {
    this.apply(this.ask((core) => core.addBackdrop(sum, image), 0));
  }

  /** The cells of the current layer in a box of a map that is called so, row by row. */
  cells(name: string, x: number, y: number, w: number, h: number): number[] {
    const map = this.scene?.maps.find((m) => m.name === name);
    const layer = map?.layers.find((l) => l.current);
    return map && layer ? this.ask((core) => core.cells(map.id, layer.id, { x, y, w, h }), []) : [];
  }

  probe(): object {
    const s = this.state;
    const { pending, holding, shape, tile, size, chosen } = s ?? {};
    const { text, problem } = this.pointer?.ghost ?? {};
    const hand = { pending, holding, shape, tile, size, chosen, ghost: problem || text || '' };
    const { gridStep, frameShown, reachShown, lens } = this;
    return { ...this.ask((core) => core.probe(), null), ...hand, gridStep, frameShown, reachShown, lens };
  }

  /** The name of a cell's tile, however it lies. */
  tileName(cell: number): string {
    const n = cell & TILE_MASK;
    const set = this.tilesets.find((t) => n >= t.first && n < t.first + t.count);
    return set ? `${set.tiles[n - set.first]?.name ?? ''}, ${set.name}` : 'a tile';
  }

  mapView(id: string | null): T.MapView | null {
    return this.scene?.maps.find((m) => m.id === id) ?? null;
  }
}
