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
  answer: Known | null;
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

const core = WebAssembly.compileStreaming(fetch(moduleUrl))
  .then(start)
  .then((exports) => new Buffers(exports as Desk));

self.onmessage = async (event: MessageEvent<Question>) => {
  const buffers = await core;
  const { data } = event;
  let length: number;
  if ('open' in data) {
    buffers.give(new Uint8Array(data.open));
    length = buffers.exports.deskOpen(data.cellW, data.cellH);
  } else if ('places' in data) {
    const places = buffers.take(buffers.exports.deskPlaces());
    self.postMessage({ id: data.id, answer: places } satisfies Answer);
    return;
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
  const answer = length > 0 ? (JSON.parse(buffers.takeText(length)) as Known) : null;
  self.postMessage({ id: data.id, answer } satisfies Answer);
};
