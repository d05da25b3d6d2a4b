import { start, type Exports } from './instance';

/** Given after the last part that opening a project needs; see cmd/azzel-wasm. */
const OPENS = 2;
/** Milliseconds until play is warmed: by then the project is open. */
const LATER = 4000;

/**
 * Runs the core once with a small project while the page is still being built. The browser compiles a function of a
 * module when it is called first, and what is compiled here need not be compiled in the page, which would stand still
 * for it. What play needs follows once the page is there.
 */
self.onmessage = async (event: MessageEvent<WebAssembly.Module>) => {
  try {
    const core = (await start(event.data)) as Exports;
    let answer = 1;
    for (let part = 0; answer > 0; part++) {
      answer = core.warm(part);
      if (answer !== OPENS) continue;
      self.postMessage(null);
      await new Promise((go) => setTimeout(go, LATER));
    }
  } finally {
    self.postMessage(null);
    self.close();
  }
};
