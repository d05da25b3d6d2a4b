import moduleUrl from '../core/generated/desk.wasm?url';
import { Buffers, start, type Bridge } from '../core/module';
import type { Sheet } from '../core/types.gen';

/** What the desk asks of the core that runs in this worker: the picture's size, or how it would be cut. */
export type Question =
  { id: number; open: ArrayBuffer } | { id: number; cut: { w: number; h: number; margin: number; spacing: number } };

export interface Answer {
  id: number;
  sheet: Sheet | null;
}

/** What cmd/azzel-desk-wasm exports. */
interface Desk extends Bridge {
  deskOpen(): number;
  deskCut(w: number, h: number, margin: number, spacing: number): number;
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
    length = buffers.exports.deskOpen();
  } else {
    const { w, h, margin, spacing } = data.cut;
    length = buffers.exports.deskCut(w | 0, h | 0, margin | 0, spacing | 0);
  }
  const sheet = length > 0 ? (JSON.parse(buffers.takeText(length)) as Sheet) : null;
  self.postMessage({ id: data.id, sheet } satisfies Answer);
};
