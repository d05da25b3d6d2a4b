import { BROKEN } from './answers';
import { pause } from './pause';
import { Broken, Buffers, start, type Exports } from './instance';
import { RERUN_LEFT } from './types.gen';

/** Ticks that are played between two looks for something new. */
const TICKS = 600;

/** Plays the kept replays of a page on what it hands over, and tells what came of them. */
let buffers: Buffers<Exports> | null = null;
let playing = false;
/** What was told last. */
let told = '';
const waiting: Uint8Array<ArrayBuffer>[] = [];

async function play(): Promise<void> {
  if (playing || !buffers) return;
  playing = true;
  const { exports } = buffers;
  try {
    for (let left = true; left;) {
      for (let message = waiting.shift(); message; message = waiting.shift()) {
        buffers.give(message);
        if (exports.rerunTake() === BROKEN) throw new Error('what was handed over can not be taken');
      }
      const changed = exports.rerun(TICKS);
      if (changed === BROKEN) throw new Error('playing the replays failed');
      const view = buffers.takeText(exports.replays());
      if (view === '') throw new Broken();
      if (view === told) alive();
      else self.postMessage((told = view));
      left = (changed & RERUN_LEFT) !== 0;
      // What is newer comes first.
      await pause();
      left ||= waiting.length > 0;
    }
  } catch {
    self.postMessage(null);
  } finally {
    playing = false;
  }
  self.postMessage(false);
}

/** Milliseconds between two signs that it is still at work. */
const SIGN = 1_000;
let signed = 0;

function alive(): void {
  if (performance.now() - signed < SIGN) return;
  signed = performance.now();
  self.postMessage(true);
}

self.onmessage = async (event: MessageEvent<WebAssembly.Module | Uint8Array<ArrayBuffer>>) => {
  try {
    if (event.data instanceof Uint8Array) waiting.push(event.data);
    // What fails answers BROKEN, which is looked for.
    else buffers = new Buffers((await start<Exports>(event.data)).watch(() => undefined));
    await play();
  } catch {
    self.postMessage(null);
  }
};
