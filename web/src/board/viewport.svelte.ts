import { SvelteSet } from 'svelte/reactivity';
import type { Core, LayerPlace } from '../core/bridge';
import type { Session } from '../core/session.svelte';
import { SETTLING, Strips } from '../core/strips';
import * as T from '../core/types.gen';
import { Backdrops } from './backdrops';
import { Bitmaps } from './bitmaps';
import { around, Camera } from './camera';
import { Trail } from './trail.svelte';

/** Milliseconds between two frames of animated tiles, at the least. */
const SHORTEST_FRAME = 30;
/** A cell this large on the screen, in pixels, is painted; the layers of its map are shown then. */
const NEAR = 12;
/** A board lower than this, in screen pixels, has no room for a minimap. */
const LOWEST = 300;
/** Screen pixels within which the edge of the selected map is taken. */
const EDGE = 8;

/** What is seen of the board: from where, where the pointer is on it, and what is drawn over the maps. */
export class Viewport {
  pointer = $state.raw<T.Pointer | null>(null);
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
  /** The thing that a word names at which the pointer or the focus is. */
  meant = $state.raw<T.Thing | null>(null);
  /** Counts camera movements, for what must follow the board. */
  moved = $state(0);
  /** The map one is on: under the pointer, or most in view. */
  currentMap = $state<string | null>(null);
  cursor = $state<{ x: number; y: number } | null>(null);
  /** Keys held down that change what the pointer does. */
  readonly held = new SvelteSet<string>();
  readonly camera = new Camera();
  /** How many screen pixels the column at the left takes where it stands. */
  column = 0;
  /** How many a slip takes at most, with what is left free around it. */
  slip = { w: 0, h: 0 };
  readonly backdrops: Backdrops;
  readonly trail: Trail;
  /** How many pixels of the board a cell is wide, as far as that is known before the project is there. */
  cellW = 16;
  bitmaps: Bitmaps | null = null;
  /** Counts how often cells came to be of another size: what was made for the size before is made anew. */
  resized = $state(0);
  private cells = '';

  private readonly strips: Strips;
  private readonly reduced = matchMedia('(prefers-reduced-motion: reduce)');
  private pointerStale = false;
  private frameAsked = false;
  private drawBoard: ((all: boolean) => void) | null = null;
  /** Whether more than what follows the pointer is to be drawn. */
  private stale = true;
  private motion = 0;
  /** Called on each frame before it is drawn; says whether another must follow. */
  private frame: (now: number) => boolean = () => false;

  constructor(private readonly session: Session) {
    this.backdrops = new Backdrops(session, this);
    this.trail = new Trail(session);
    this.strips = new Strips(session, () => this.bitmaps?.settled ?? false);
    this.reduced.addEventListener('change', this.animate);
    session.follow(this);
  }

  opened(core: Core): void {
    this.bitmaps = new Bitmaps(core);
    if (this.cells !== '' && this.cells !== this.cellsNow) this.resized++;
    this.cells = this.cellsNow;
    this.strips.fetchMissing(this.session.scene?.missing ?? []);
    this.animate();
  }

  changed(changed: number): void {
    if (changed & T.SCENE_CHANGED) {
      this.strips.fetchMissing(this.session.scene?.missing ?? []);
      this.animate();
    }
    if (changed & T.CELLS_CHANGED && this.bitmaps) this.bitmaps.version++;
    if (changed & T.POINTER_CHANGED) this.pointerStale = true;
    this.draw((changed & ~T.POINTER_CHANGED) !== 0);
  }

  private get cellsNow(): string {
    const { cellW, cellH } = this.session.scene?.project ?? { cellW: 0, cellH: 0 };
    return `${cellW} × ${cellH}`;
  }

  closed(): void {
    clearTimeout(this.motion);
    this.bitmaps?.clear();
    this.bitmaps = null;
  }

  /** Gives up what outlasts a project that is left. */
  leave(): void {
    this.reduced.removeEventListener('change', this.animate);
    this.drawBoard = null;
  }

  /** Whether nothing may move by itself. */
  get still(): boolean {
    return this.reduced.matches || document.hidden;
  }

  /** Lets something happen on each frame before it is drawn, and says whether another must follow. */
  onFrame(frame: (now: number) => boolean): void {
    this.frame = frame;
  }

  /** The board draws itself on the next frame, once: all of it, or what follows the pointer alone. */
  onDraw(draw: ((all: boolean) => void) | null): void {
    this.drawBoard = draw;
    this.draw();
  }

  draw(all = true): void {
    this.stale ||= all;
    if (this.frameAsked) return;
    this.frameAsked = true;
    requestAnimationFrame((now) => {
      this.frameAsked = false;
      const more = this.frame(now);
      if (this.pointerStale) {
        this.pointerStale = false;
        this.pointer = this.session.ask.pointer() ?? this.pointer;
        if (this.pointer?.map) this.currentMap = this.pointer.map;
      }
      const all = this.stale || more;
      this.stale = false;
      this.drawBoard?.(all);
      if (more) this.draw();
    });
  }

  /** Lets the pointer, or the cell cursor in its place, do something at a place of the board. */
  point(what: number, x: number, y: number, erase = false, steady = false): void {
    const near = Math.ceil(EDGE / this.camera.zoom);
    this.session.apply(
      this.session.safely((core) => core.pointer(what, Math.floor(x), Math.floor(y), erase, steady, near), 0),
    );
  }

  moveCamera(move: (camera: Camera) => void): void {
    move(this.camera);
    this.moved++;
    this.draw();
  }

  /** Whether cells are so large on the screen that they are painted. */
  near(zoom = this.camera.zoom): boolean {
    return zoom * (this.session.scene?.project.cellW ?? this.cellW) >= NEAR;
  }

  /** Whether maps are out of view that a minimap can find; a low board has no room for it. */
  get minimapNeeded(): boolean {
    const { camera } = this;
    if (!this.minimap || camera.height < LOWEST) return false;
    // The column in which it stands is counted as free: else the minimap itself would take maps out of view.
    const right = camera.free.x + camera.free.w;
    return (this.session.scene?.maps ?? []).some((m) => {
      const { x, y, w, h } = camera.boxOnScreen(m);
      return x < 0 || y < 0 || x + w > right || y + h > camera.height;
    });
  }

  /** What parts of the page leave free of the board. */
  leaveFree(free: T.BoxView): void {
    this.moveCamera((c) => (c.free = free));
  }

  /** Shows a box whole, beside the column that stands at the left once the box is near, and with room for its slip if it has one. */
  showWhole(box: T.BoxView, slip = false): void {
    this.moveCamera((c) => {
      const { free } = c;
      const column = free.x === 0 ? this.column : 0;
      const beside = { ...free, w: Math.min(free.w, c.width - free.x - this.slip.w) };
      const rooms = slip ? [beside, { ...free, h: free.h - this.slip.h }] : [free];
      const fits = rooms.map((room) => {
        c.free = room;
        c.fit(box);
        if (column > 0 && (this.near() || this.minimapNeeded)) {
          c.free = { ...room, x: column, w: room.w - column };
          c.fit(box);
        }
        return c.copy();
      });
      Object.assign(
        c,
        fits.reduce((best, other) => (other.zoom > best.zoom ? other : best)),
      );
      c.free = free;
    });
  }

  /** Shows all maps. */
  showAll(): void {
    const all = around(this.session.scene?.maps ?? []);
    if (all) this.showWhole(all);
  }

  /** Lets animated tiles show their frames, and comes back when the next is due. */
  readonly animate = (): void => {
    clearTimeout(this.motion);
    if (!this.bitmaps) return;
    // Nothing moves before all in view was drawn once.
    if (!this.bitmaps.settled) {
      this.motion = window.setTimeout(this.animate, SETTLING);
      return;
    }
    const still = { changed: false, next: 0 };
    const { changed, next } = this.session.safely((core) => core.animate(this.still ? -1 : performance.now()), still);
    if (changed) this.session.apply(T.CELLS_CHANGED);
    if (next > 0) this.motion = window.setTimeout(this.animate, Math.max(next, SHORTEST_FRAME));
  };

  lensOf(map: string, box: T.BoxView): Uint8Array {
    return this.lens ? this.session.ask.lens({ map, box, property: this.lens }) : new Uint8Array(0);
  }

  /** How far a layer is moved by its depth where a view shows a box of the board, and where its backdrop lies by then. */
  layerLies(map: string, layer: string, view: T.BoxView, seconds: number): LayerPlace {
    const still = { way: { x: 0, y: 0 }, backdrop: { x: 0, y: 0 } };
    return this.session.safely((core) => core.layerLies(map, layer, view, seconds), still);
  }

  /** Makes ready, once all in view was drawn, for what may be asked for next. */
  limber(): Promise<void> {
    return this.session.safely((core) => core.limber(), Promise.resolve());
  }
}
