import { BROKEN, MORE } from './answers';
import { Broken, Buffers, type Exports, type Running } from './instance';
import { giveBack, instantiate, warmPlay } from './module';
import { leisure, pause } from './pause';
import { SIXTEENTH, type BoxView, type Scene, type State } from './types.gen';

/** Cells of a project that are read between two glances at the clock, and milliseconds until the page has a rest. */
const OPEN_STEP = 2_000;
const OPENING = 8;

/** How far a layer is moved, and where its backdrop lies from the corner of the map, in pixels of the board. */
export interface LayerPlace {
  way: { x: number; y: number };
  backdrop: { x: number; y: number };
}

/** Which bitmap is meant; see core/picture. */
export interface BitmapKey {
  map: string;
  low: number;
  high: number;
  level: number;
  x: number;
  y: number;
}

/**
 * The page's own instance of the core. It decides; the page draws and listens. Orders and questions come through one door
 * each; what is called for each frame or message has a door of its own, through which numbers go.
 */
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

  private enqueue(messages: Uint8Array[]): void {
    for (const message of messages) {
      this.buffers.give(message);
      this.exports.enqueue();
    }
  }

  /** Gives an order with what comes with it. The reply that has the ticket says what came of it. */
  order(ticket: number, name: string, order: object, attached: Uint8Array[]): number {
    this.enqueue(attached);
    this.say(name, order);
    return this.exports.order(ticket);
  }

  private say(name: string, said: object): void {
    this.buffers.giveText(JSON.stringify({ do: name, with: said }));
  }

  private asked(name: string, question: object): number {
    this.say(name, question);
    return this.exports.ask();
  }

  /** The answer to a question that is JSON. */
  value<A>(name: string, question: object): A {
    return this.buffers.takeValue<A>(this.asked(name, question));
  }

  bytes(name: string, question: object): Uint8Array {
    const length = this.asked(name, question);
    if (length === BROKEN) throw new Broken();
    return this.buffers.take(length);
  }

  /** The answer to a question that is a picture; null if there is none. */
  picture(name: string, question: object): ImageData | null {
    const length = this.asked(name, question);
    if (length === BROKEN) throw new Broken();
    const [, , w = 0, h = 0] = this.box();
    return this.image(length, w, h);
  }

  /** The state and the scene, with pauses in which the page can draw, for the first time when all of it takes long. */
  async firstViews(): Promise<{ state: State; scene: Scene }> {
    const views: unknown[] = [];
    for (const name of ['state', 'scene']) {
      await pause();
      this.say(name, {});
      this.exports.prepare();
      await pause();
      views.push(this.buffers.takeValue(this.exports.prepared()));
    }
    await pause();
    return { state: views[0] as State, scene: views[1] as Scene };
  }

  /** The pointer, or the cell cursor in its place, does something at a pixel of the board. */
  pointer(what: number, x: number, y: number, erase: boolean, steady: boolean, near: number): number {
    return this.exports.pointer(what, x, y, erase ? 1 : 0, steady ? 1 : 0, near);
  }

  /** How far a layer is moved by its depth where a view shows a box of the board, and where its backdrop lies by then. */
  layerLies(map: string, layer: string, view: BoxView, seconds: number): LayerPlace {
    const [vx, vy, vw, vh] = [view.x, view.y, view.w, view.h].map((n) => Math.round(n * SIXTEENTH));
    this.exports.layerLies(BigInt(map), BigInt(layer), vx ?? 0, vy ?? 0, vw ?? 0, vh ?? 0, seconds);
    const [x = 0, y = 0, left = 0, top = 0] = this.box();
    return { way: { x: x / SIXTEENTH, y: y / SIXTEENTH }, backdrop: { x: left / SIXTEENTH, y: top / SIXTEENTH } };
  }

  /** Goes on with what is under way, for about as many cells. */
  work(budget: number): number {
    return this.exports.work(budget);
  }

  tick(input: number): number {
    return this.exports.tick(input);
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

  /** Does what the first order and the first frame of play need, in parts between which there is time for all else. */
  async limber(): Promise<void> {
    warmPlay();
    for (let part = 0, more = 1; more > 0; part++) {
      await leisure();
      more = this.exports.limber(part);
    }
  }

  /** What the core's module has taken, in bytes; it never gives any back. */
  memory(): number {
    return this.exports.mem.buffer.byteLength;
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

  /** The box that goes with the last picture. */
  private box(): Int32Array {
    return new Int32Array(this.exports.mem.buffer, this.exports.boxAddress() >>> 0, 4);
  }

  private image(length: number, w: number, h: number): ImageData | null {
    if (length <= 0 || length !== w * h * 4) return null;
    return new ImageData(new Uint8ClampedArray(this.buffers.take(length).buffer), w, h);
  }
}
