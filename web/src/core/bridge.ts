import {
  BROKEN,
  MORE,
  VIEW_ASKABLE,
  VIEW_KNOWN,
  VIEW_MEMORY,
  VIEW_PLAY,
  VIEW_POINTER,
  VIEW_PROBE,
  VIEW_SCENE,
  VIEW_STATE,
  VIEW_STEPS,
} from './answers';
import { Buffers, type Exports, type Running } from './instance';
import { giveBack, instantiate, warmPlay } from './module';
import { leisure, pause } from './pause';
import { SIXTEENTH } from './types.gen';
import type {
  AskableView,
  Bonding,
  BoxView,
  Dealing,
  Dealt,
  Legend,
  Order,
  Play,
  Pointer,
  Proposal,
  ReachView,
  TrailView,
  Reskin,
  ReskinView,
  Scene,
  KnownView,
  SlipLine,
  State,
  StepView,
  TilesetView,
  TileView,
  Usage,
} from './types.gen';

/** Cells of a project that are read between two glances at the clock, and milliseconds until the page has a rest. */
const OPEN_STEP = 2_000;
const OPENING = 8;

export interface Probe {
  revision: number;
  hash: string;
}

/** A tileset with all its tiles. */
export type Tileset = Omit<TilesetView, 'tiles'> & { tiles: TileView[] };

/** A tile that does nothing. */
const PLAIN: Omit<TileView, 'name'> = {
  ...{ named: false, does: '', role: 0, rows: [], whole: false, oneWay: false, climbable: false, water: false },
  ...{ slippery: false, slow: false, above: false, danger: 0, weight: 0, keywords: '', home: '', own: [], frames: [] },
};

/** Which bitmap is meant; see core/picture. */
export interface BitmapKey {
  map: string;
  low: number;
  high: number;
  level: number;
  x: number;
  y: number;
}

/** The page's own instance of the core. It decides; the page draws and listens. */
export class Core {
  private readonly buffers: Buffers<Exports>;
  private readonly exports: Exports;
  private over = false;

  private constructor(
    private readonly running: Running<Exports>,
    failed: () => void,
  ) {
    this.exports = running.watch(failed);
    this.buffers = new Buffers(this.exports);
  }

  /** A core without a project; failed is called if it fails later. */
  static async start(failed: () => void): Promise<Core> {
    const core = new Core(await instantiate(), failed);
    await pause();
    return core;
  }

  /** Forgets the project and lets the next one have what is here. Whatever is asked later is not answered. */
  leave(): void {
    if (this.over) return;
    this.over = true;
    this.exports.leave();
    this.running.retire();
    giveBack(this.running, this.memory());
  }

  /** All that the page shows, with what was not saved; empty if the core does not answer. */
  document(): Uint8Array<ArrayBuffer> {
    const length = this.exports.document();
    return length > 0 ? this.buffers.take(length) : new Uint8Array();
  }

  /** Steps of an earlier page that could not be taken up. */
  setAside(): Uint8Array<ArrayBuffer>[] {
    const list: Uint8Array<ArrayBuffer>[] = [];
    for (;;) {
      const length = this.exports.aside(list.length);
      if (length <= 0) return list;
      list.push(this.buffers.take(length));
    }
  }

  /** Begins with the server's opening and messages that may not have arrived. An error is a text for people. */
  async open(opening: Uint8Array, queue: Uint8Array[]): Promise<string | null> {
    this.enqueue(queue);
    await this.buffers.giveInParts(opening);
    this.exports.open();
    let length = MORE;
    for (let until = 0; length === MORE; length = this.exports.openStep(OPEN_STEP)) {
      if (performance.now() < until) continue;
      await pause();
      until = performance.now() + OPENING;
    }
    if (length === BROKEN) return 'This project could not be opened. Reload the page.';
    return length === 0 ? null : this.buffers.takeText(length);
  }

  /** Takes messages from the server, in the order in which they came. */
  receive(messages: Uint8Array[]): number {
    this.enqueue(messages);
    return this.exports.receive();
  }

  /** Does steps that were meant for another database. */
  doAgain(messages: Uint8Array[]): number {
    this.enqueue(messages);
    return this.exports.doAgain();
  }

  private enqueue(messages: Uint8Array[]): void {
    for (const message of messages) {
      this.buffers.give(message);
      this.exports.enqueue();
    }
  }

  order(order: Partial<Order> & { do: string }): number {
    this.buffers.giveText(JSON.stringify(order));
    return this.exports.order();
  }

  pointer(what: number, x: number, y: number, erase: boolean, steady: boolean, near: number): number {
    return this.exports.pointer(what, x, y, erase ? 1 : 0, steady ? 1 : 0, near);
  }

  /** What is selected as text for the clipboard, empty if there is nothing; and what has changed. */
  copied(cut: boolean): { text: string; changed: number } {
    const length = this.exports.copied(cut ? 1 : 0);
    if (length < 1) return { text: '', changed: BROKEN };
    const bytes = this.buffers.take(length);
    return { text: new TextDecoder().decode(bytes.subarray(1)), changed: bytes[0] ?? 0 };
  }

  paste(text: string): number {
    this.buffers.giveText(text);
    return this.exports.paste();
  }

  /** How far a layer is moved by its depth where a view shows a box of the board, in its pixels. */
  layerWay(map: string, layer: string, view: BoxView): { x: number; y: number } {
    const [vx, vy, vw, vh] = [view.x, view.y, view.w, view.h].map((n) => Math.round(n * SIXTEENTH));
    this.exports.layerWay(BigInt(map), BigInt(layer), vx ?? 0, vy ?? 0, vw ?? 0, vh ?? 0);
    const [x = 0, y = 0] = this.box();
    return { x: x / SIXTEENTH, y: y / SIXTEENTH };
  }

  /** The least size of whole screens that holds so many columns and rows. */
  wholeScreens(columns: number, rows: number): [number, number] {
    this.exports.wholeScreens(columns, rows);
    const [, , w = columns, h = rows] = this.box();
    return [w, h];
  }

  /** How large a map's picture would be, or what keeps it from being made. */
  scaledSize(map: string, scale: number): string {
    return this.buffers.takeText(this.exports.scaledSize(BigInt(map), scale));
  }

  /** Shows a kept state in the project's place. */
  look(document: Uint8Array, name: string): number {
    this.buffers.give(document);
    this.exports.enqueue();
    this.buffers.giveText(name);
    return this.exports.look();
  }

  /** Makes a map of the places of a picture's colours. */
  mapOfColours(legend: Legend, places: Uint8Array): number {
    this.buffers.give(places);
    this.exports.enqueue();
    this.buffers.giveText(JSON.stringify(legend));
    return this.exports.mapOfColours();
  }

  /** The tiles of a tileset that are most like some colours. */
  alike(set: string, colours: number[], known: boolean): number[] {
    this.buffers.giveText(JSON.stringify(colours));
    return this.buffers.takeValue<number[]>(this.exports.alike(BigInt(set), known ? 1 : 0));
  }

  layCSV(map: string, layer: string, text: Uint8Array): number {
    this.buffers.give(text);
    return this.exports.layCSV(BigInt(map), BigInt(layer));
  }

  /** Goes on with what is under way, for about as many cells. */
  work(budget: number): number {
    return this.exports.work(budget);
  }

  tick(input: number): number {
    return this.exports.tick(input);
  }

  addStrip(of: string, bytes: Uint8Array): number {
    this.buffers.give(bytes);
    return this.exports.addStrip(BigInt(of));
  }

  /** Takes earlier steps of this session, as the server sent them. */
  addEarlier(steps: Uint8Array): number {
    this.buffers.give(steps);
    return this.exports.addEarlier();
  }

  /** Takes a backdrop for small pictures of maps. */
  addBackdrop(sum: string, image: ImageData): number {
    this.buffers.give(new Uint8Array(image.data.buffer));
    this.exports.enqueue();
    this.buffers.giveText(sum);
    return this.exports.addBackdrop(image.width, image.height);
  }

  /** The state and the scene, with pauses in which the page can draw, for the first time when all of it takes long. */
  async firstViews(): Promise<{ state: State; scene: Scene }> {
    const views: unknown[] = [];
    for (const which of [VIEW_STATE, VIEW_SCENE]) {
      await pause();
      this.exports.prepare(which);
      await pause();
      views.push(this.view(which));
    }
    await pause();
    return { state: views[0] as State, scene: views[1] as Scene };
  }

  scene(): Scene {
    return this.view(VIEW_SCENE) as Scene;
  }

  state(): State {
    return this.view(VIEW_STATE) as State;
  }

  pointerView(): Pointer {
    return this.view(VIEW_POINTER) as Pointer;
  }

  play(): Play | null {
    return this.view(VIEW_PLAY) as Play | null;
  }

  cells(map: string, layer: string, box: BoxView): number[] {
    const length = this.exports.cells(BigInt(map), BigInt(layer), box.x, box.y, box.w, box.h);
    return this.buffers.takeValue<number[]>(length);
  }

  /** What a map would lose at another size, in words; empty for nothing. */
  lossOf(map: string, columns: number, rows: number, anchor: number): string {
    return this.buffers.takeText(this.exports.lossOf(BigInt(map), columns, rows, anchor));
  }

  /** A message for those who play kept replays, once one is whole. Says whether there is more to tell, and whether it failed. */
  handOver(budget: number): { message: Uint8Array<ArrayBuffer> | null; more: boolean; broken: boolean } {
    const length = this.exports.handOver(budget);
    if (length > 0) return { message: this.buffers.take(length), more: true, broken: false };
    return { message: null, more: length === MORE, broken: length === BROKEN };
  }

  /** Forgets what was handed over, as whoever it was handed to is gone. */
  handOverAnew(): void {
    this.exports.handOverAnew();
  }

  /** What was done, the earliest first. */
  steps(): StepView[] {
    return this.view(VIEW_STEPS) as StepView[];
  }

  /** What the game remembers. */
  remembered(): SlipLine[] {
    return this.view(VIEW_MEMORY) as SlipLine[];
  }

  /** Does what the first order and the first frame of play need, in parts between which there is time for all else. */
  async limber(): Promise<void> {
    warmPlay();
    for (let part = 0, more = 1; more > 0; part++) {
      await leisure();
      more = this.exports.limber(part);
    }
  }

  /** What the game remembers of the facts, and why. */
  known(): KnownView {
    return this.view(VIEW_KNOWN) as KnownView;
  }

  /** What conditions can ask for. */
  askable(): AskableView {
    return this.view(VIEW_ASKABLE) as AskableView;
  }

  probe(): Probe {
    return this.view(VIEW_PROBE) as Probe;
  }

  /** What the core's module has taken, in bytes; it never gives any back. */
  memory(): number {
    return this.exports.mem.buffer.byteLength;
  }

  private view(which: number): unknown {
    return this.buffers.takeValue(this.exports.view(which));
  }

  tileset(id: string): Tileset | null {
    const view = this.buffers.takeValue<TilesetView | null>(this.exports.tileset(BigInt(id)));
    return view && { ...view, tiles: view.tiles.map((t, i) => t ?? { ...PLAIN, name: `${view.called} ${i + 1}` }) };
  }

  /** The tiles that the hand's shape takes on a sheet. */
  sheetShape(id: string, property: string, from: { x: number; y: number }, to: { x: number; y: number }): number[] {
    this.buffers.giveText(property);
    const length = this.exports.sheetShape(BigInt(id), from.x, from.y, to.x, to.y);
    return this.buffers.takeValue<number[]>(length);
  }

  /** How a medley would lie over a box of cells, row by row. */
  dealt(to: Dealing, w: number, h: number): Dealt {
    this.buffers.giveText(JSON.stringify(to));
    return this.buffers.takeValue<Dealt>(this.exports.dealt(w, h));
  }

  /** How a bond would lie over its sample, row by row. */
  bondSample(to: Bonding): number[] {
    this.buffers.giveText(JSON.stringify(to));
    return this.buffers.takeValue<number[]>(this.exports.bondSample());
  }

  /** Which of a bond's tiles some tiles are; join below 0 finds the way to join as well. */
  proposed(list: number[], join: number): Proposal {
    this.buffers.giveText(JSON.stringify(list));
    return this.buffers.takeValue<Proposal>(this.exports.proposed(join));
  }

  /** How much of what is in the drawer lies on no map. */
  usage(): Usage {
    return this.buffers.takeValue<Usage>(this.exports.usage());
  }

  /** A bond's tile with one neighbour joined or parted. */
  joinedWith(join: number, joined: number, bit: number, on: boolean): number {
    return this.exports.joinedWith(join, joined, bit, on ? 1 : 0);
  }

  /** How many cells hold each tile of a tileset. */
  tileCells(id: string): number[] {
    return this.buffers.takeValue<number[]>(this.exports.tileCells(BigInt(id)));
  }

  /** What a re-skin of a map begins with; an empty map stands for all. */
  proposedReskin(map: string): Reskin {
    return this.buffers.takeValue<Reskin>(this.exports.proposedReskin(BigInt(map || 0)));
  }

  /** What a re-skin would do. */
  reskinned(plan: Reskin): ReskinView {
    this.buffers.giveText(JSON.stringify(plan));
    return this.buffers.takeValue<ReskinView>(this.exports.reskinned());
  }

  /** A map as it would be after a re-skin; before it if it leads to no tileset. */
  reskinPicture(plan: Reskin, map: string, side: number): ImageData | null {
    this.buffers.giveText(JSON.stringify(plan));
    const length = this.exports.reskinPicture(BigInt(map), side);
    const [, , w = 0, h = 0] = this.box();
    return this.image(length, w, h);
  }

  /** What the tiles in a box of cells of a map are: 0 nothing, 1 all over, 2 in part. */
  lens(map: string, cells: BoxView, property: string): Uint8Array {
    this.buffers.giveText(property);
    return this.buffers.take(this.exports.lens(BigInt(map), cells.x, cells.y, cells.w, cells.h));
  }

  /** The next message to send and its sequence number. */
  outgoing(): { sequence: number; bytes: Uint8Array<ArrayBuffer> } | null {
    const length = this.exports.outgoing();
    if (length <= 0) return null;
    return { bytes: this.buffers.take(length), sequence: this.exports.sequence() };
  }

  resend(): void {
    this.exports.resend();
  }

  answered(): number {
    return this.exports.answered();
  }

  revision(): number {
    return this.exports.revision();
  }

  /** Draws what has changed of a bitmap onto its canvas. Says whether that was all. */
  refresh(key: BitmapKey, onto: CanvasRenderingContext2D): boolean {
    const drawn = this.exports.bitmap(BigInt(key.map), key.low, key.high, key.level, key.x, key.y);
    if (drawn < 1) return true;
    const [x = 0, y = 0, w = 0, h = 0] = this.box();
    const at = this.exports.pixelsAddress() >>> 0;
    const pixels = new Uint8ClampedArray(this.exports.mem.buffer as ArrayBuffer, at, w * h * 4);
    onto.putImageData(new ImageData(pixels, w, h), x, y);
    return drawn === 1;
  }

  /** Shows the frames of a time; below 0 all tiles stand still. Says when to call again: 0 for not of itself. */
  animate(millis: number): { changed: boolean; next: number } {
    const answer = this.exports.animate(millis);
    return answer < 0 ? { changed: false, next: 0 } : { changed: answer % 2 === 1, next: answer >> 1 };
  }

  forget(key: BitmapKey): void {
    this.exports.forget(BigInt(key.map), key.low, key.high, key.level, key.x, key.y);
  }

  tile(n: number, w: number, h: number): ImageData | null {
    return this.image(this.exports.tile(n), w, h);
  }

  sprite(which: number, facing: number, frame: number): ImageData | null {
    const length = this.exports.sprite(which, facing, frame);
    const [, , w = 0, h = 0] = this.box();
    return this.image(length, w, h);
  }

  reach(map: string, x: number, y: number): ReachView | null {
    const length = this.exports.reach(BigInt(map), x, y);
    return length > 0 ? this.buffers.takeValue<ReachView>(length) : null;
  }

  characterFrame(character: string, frame: number): ImageData | null {
    const length = this.exports.characterFrame(BigInt(character), frame);
    const [, , w = 0, h = 0] = this.box();
    return this.image(length, w, h);
  }

  trail(piece: string): TrailView | null {
    const length = this.exports.trail(BigInt(piece));
    return length > 0 ? this.buffers.takeValue<TrailView>(length) : null;
  }

  layerPicture(map: string, layer: string, side: number): ImageData | null {
    const length = this.exports.layerPicture(BigInt(map), BigInt(layer || 0), side);
    const [, , w = 0, h = 0] = this.box();
    return this.image(length, w, h);
  }

  /** A patch, or with an empty id the block in the hand. */
  blockPicture(patch: string, side: number): ImageData | null {
    const length = this.exports.blockPicture(BigInt(patch || 0), side);
    const [, , w = 0, h = 0] = this.box();
    return this.image(length, w, h);
  }

  /** The box that goes with the last picture. */
  private box(): Int32Array {
    return new Int32Array(this.exports.mem.buffer, this.exports.boxAddress() >>> 0, 4);
  }

  private image(length: number, w: number, h: number): ImageData | null {
    if (length <= 0 || length !== w * h * 4) return null;
    return new ImageData(new Uint8ClampedArray(this.buffers.take(length).buffer), w, h);
  }
}
