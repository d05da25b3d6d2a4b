import { start, type Exports } from './instance';

/** Given by a part after which others of the same sort come; see cmd/azzel-wasm. */
const MORE = 1;

/** Does parts from one on, until none of the same sort is left. Says which comes next. */
function parts(core: Exports, from: number): number {
  let part = from;
  while (core.warm(part) === MORE) part++;
  return part + 1;
}

/**
 * Runs the core once with a small project while the page is still being built. The browser compiles a function of a
 * module when it is called first, and what is compiled here need not be compiled in the page, which would stand still
 * for it. What play needs follows once the page says so.
 */
let warmed: { core: Exports; next: number } | undefined;

self.onmessage = async (event: MessageEvent<WebAssembly.Module | null>) => {
  try {
    if (event.data) {
      const core = (await start<Exports>(event.data)).watch(() => undefined);
      warmed = { core, next: parts(core, 0) };
      self.postMessage(null);
      return;
    }
    if (warmed) parts(warmed.core, warmed.next);
  } catch {
    // Whatever goes wrong here will be said when the page does the same.
    self.postMessage(null);
  }
  self.close();
};
