import { BROKEN, VIEW_REPLAYS } from './answers';
import { pause } from './pause';
import { Buffers, start, type Exports } from './instance';
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
      const view = buffers.takeText(exports.view(VIEW_REPLAYS));
      if (view !== told) self.postMessage((told = view));
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
}

self.onmessage = async (event: MessageEvent<WebAssembly.Module | Uint8Array<ArrayBuffer>>) => {
  if (event.data instanceof Uint8Array) waiting.push(event.data);
  else buffers = new Buffers((await start(event.data)) as Exports);
  await play();
};
