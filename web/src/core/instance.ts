import './generated/wasm_exec.js';
import { BROKEN } from './answers';
import { pause } from './pause';

/** Bytes that are copied into an instance at a time. */
const PART = 4 << 20;

/** What every module of the core exports. */
export interface Bridge extends WebAssembly.Exports {
  mem: WebAssembly.Memory;
  buffer(length: number): number;
  resultAddress(): number;
}

/** What cmd/azzel-wasm exports. Ids are 64 bits wide and travel as bigint. */
export interface Exports extends Bridge {
  pixelsAddress(): number;
  boxAddress(): number;
  enqueue(): number;
  leave(): number;
  aside(n: number): number;
  document(): number;
  open(): number;
  openStep(budget: number): number;
  warm(part: number): number;
  limber(part: number): number;
  receive(): number;
  order(ticket: number): number;
  ask(): number;
  pointer(what: number, x: number, y: number, erase: number, steady: number, near: number): number;
  work(budget: number): number;
  tick(input: number): number;
  handOver(budget: number): number;
  handOverAnew(): number;
  rerunTake(): number;
  rerun(ticks: number): number;
  prepare(): number;
  prepared(): number;
  replays(): number;
  animate(millis: number): number;
  outgoing(): number;
  resend(): number;
  sequence(): number;
  answered(): number;
  revision(): number;
  bitmap(map: bigint, low: number, high: number, level: number, x: number, y: number): number;
  forget(map: bigint, low: number, high: number, level: number, x: number, y: number): number;
  tile(n: number): number;
  sprite(which: number, facing: number, frame: number): number;
  layerLies(map: bigint, layer: bigint, x: number, y: number, w: number, h: number, seconds: number): number;
}

/** Thrown where an answer was needed from an instance that has failed. */
export class Broken extends Error {}

/** A running instance of a module. What has failed once answers with rubbish, so that every call is watched. */
export class Running<E extends Bridge> {
  private watching: { failed: () => void } | null = null;
  /** Whether it has failed. */
  broken = false;

  constructor(
    private readonly raw: E,
    private readonly exited: () => boolean,
  ) {}

  /**
   * The exports, each of which answers BROKEN once anything has failed: a panic, an exit, or a throw past both, as for
   * want of stack. Then, and once, failed is called. Whoever had them before can't call any more.
   */
  watch(failed: () => void): E {
    const mine = { failed };
    this.watching = mine;
    const call =
      (work: (...values: never[]) => unknown) =>
      (...values: never[]): unknown => {
        if (this.broken || this.watching !== mine) return BROKEN;
        try {
          const answer = work(...values);
          if (answer !== BROKEN && !this.exited()) return answer;
        } catch (failure) {
          console.warn(failure);
        }
        this.broken = true;
        mine.failed();
        return BROKEN;
      };
    return Object.fromEntries(
      Object.entries(this.raw).map(([name, value]) => [
        name,
        typeof value === 'function' ? call(value as (...values: never[]) => unknown) : value,
      ]),
    ) as E;
  }

  /** Lets nobody call any more. */
  retire(): void {
    this.watching = null;
  }
}

/** Runs a fresh instance of a compiled module. */
export async function start<E extends Bridge>(module: WebAssembly.Module): Promise<Running<E>> {
  const go = new Go();
  const instance = await WebAssembly.instantiate(module, go.importObject);
  void go.run(instance);
  return new Running(instance.exports as E, () => go.exited === true);
}

/** Reads and writes the two buffers that are shared with an instance. */
export class Buffers<E extends Bridge = Bridge> {
  private readonly decoder = new TextDecoder();
  private readonly encoder = new TextEncoder();

  constructor(readonly exports: E) {}

  give(bytes: Uint8Array): void {
    const at = this.room(bytes.length);
    new Uint8Array(this.exports.mem.buffer, at, bytes.length).set(bytes);
  }

  /** Gives what is large in parts, between which the page can draw. */
  async giveInParts(bytes: Uint8Array): Promise<void> {
    const at = this.room(bytes.length);
    for (let from = 0; from < bytes.length; from += PART) {
      const part = bytes.subarray(from, from + PART);
      new Uint8Array(this.exports.mem.buffer, at + from, part.length).set(part);
      await pause();
    }
  }

  /** Where so many bytes can be written. */
  private room(length: number): number {
    const at = this.exports.buffer(length);
    if (at === BROKEN) throw new Broken();
    return at >>> 0;
  }

  giveText(text: string): void {
    this.give(this.encoder.encode(text));
  }

  /** The last result, a copy. */
  take(length: number): Uint8Array<ArrayBuffer> {
    if (length <= 0) return new Uint8Array(0);
    const at = this.exports.resultAddress() >>> 0;
    return new Uint8Array(this.exports.mem.buffer as ArrayBuffer, at, length).slice();
  }

  /** The last result, which is JSON. */
  takeValue<T>(length: number): T {
    if (length <= 0) throw new Broken();
    return JSON.parse(this.takeText(length)) as T;
  }

  takeText(length: number): string {
    return this.decoder.decode(this.take(length));
  }
}
