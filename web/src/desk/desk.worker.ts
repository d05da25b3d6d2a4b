import moduleUrl from '../core/generated/desk.wasm?url';
import { Buffers, start, type Bridge } from '../core/instance';
import type { Apart, Colours, Comparison, Cut, Parts, Sheet } from '../core/types.gen';

/**
 * What the desk asks of the core that runs in this worker: about the picture, how it would be cut, or what became of
 * the tiles of a tileset.
 */
export type Question =
  | { id: number; open: ArrayBuffer; cellW: number; cellH: number }
  | { id: number; cut: Cut }
  | { id: number; compare: Cut; strip: Uint8Array }
  | { id: number; apart: { cut: Cut; apart: Apart } }
  | { id: number; colours: true }
  | { id: number; places: true };

export type Known = Sheet | Comparison | Parts | Colours | Uint8Array;

export interface Answer {
  id: number;
  /** Null if the core can say nothing of the picture, 'missing' if the core could not be fetched. */
  answer: Known | 'missing' | null;
}

/** What cmd/azzel-desk-wasm exports. */
interface Desk extends Bridge {
  deskOpen(cellW: number, cellH: number): number;
  deskCut(): number;
  deskApart(): number;
  deskColours(): number;
  deskPlaces(): number;
  deskCompareCut(): number;
  deskCompare(): number;
}

const core = WebAssembly.compileStreaming(fetch(moduleUrl)).then(
  // What fails answers BROKEN, below 0.
  async (module) => new Buffers((await start<Desk>(module)).watch(() => undefined)),
  () => null,
);

/** What the core says; null if it can say nothing. */
function answerOf(buffers: Buffers<Desk>, data: Question): Known | null {
  let length: number;
  if ('open' in data) {
    buffers.give(new Uint8Array(data.open));
    length = buffers.exports.deskOpen(data.cellW, data.cellH);
  } else if ('places' in data) {
    return buffers.take(buffers.exports.deskPlaces());
  } else if ('colours' in data) {
    length = buffers.exports.deskColours();
  } else if ('apart' in data) {
    buffers.giveText(JSON.stringify(data.apart));
    length = buffers.exports.deskApart();
  } else if ('compare' in data) {
    buffers.giveText(JSON.stringify(data.compare));
    length = buffers.exports.deskCompareCut();
    buffers.give(data.strip);
    if (length >= 0) length = buffers.exports.deskCompare();
  } else {
    buffers.giveText(JSON.stringify(data.cut));
    length = buffers.exports.deskCut();
  }
  return length > 0 ? buffers.takeValue<Known>(length) : null;
}

self.onmessage = async (event: MessageEvent<Question>) => {
  let answer: Answer['answer'] = null;
  try {
    const buffers = await core;
    answer = buffers ? answerOf(buffers, event.data) : 'missing';
  } catch {
    // The desk says that the picture could not be read.
  }
  self.postMessage({ id: event.data.id, answer } satisfies Answer);
};
