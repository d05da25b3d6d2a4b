import moduleUrl from '../core/generated/desk.wasm?url';
import { Buffers, start, type Bridge } from '../core/module';
import type { Cut, Sheet } from '../core/types.gen';

/** What the desk asks of the core that runs in this worker: about the picture, or how it would be cut. */
export type Question = { id: number; open: ArrayBuffer; cellW: number; cellH: number } | { id: number; cut: Cut };

export interface Answer {
  id: number;
  sheet: Sheet | null;
}

/** What cmd/azzel-desk-wasm exports. */
interface Desk extends Bridge {
  deskOpen(cellW: number, cellH: number): number;
  deskCut(): number;
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
  } else {
    buffers.giveText(JSON.stringify(data.cut));
    length = buffers.exports.deskCut();
  }
  const sheet = length > 0 ? (JSON.parse(buffers.takeText(length)) as Sheet) : null;
  self.postMessage({ id: data.id, sheet } satisfies Answer);
};
