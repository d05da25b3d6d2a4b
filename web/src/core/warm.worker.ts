import { start, type Exports } from './instance';

/**
 * Runs the core once with a small project while the page is still being built. The browser compiles a function of a
 * module when it is called first, and what is compiled here need not be compiled in the page, which would stand still
 * for it.
 */
self.onmessage = async (event: MessageEvent<WebAssembly.Module>) => {
  try {
    const core = (await start(event.data)) as Exports;
    for (let part = 0; core.warm(part) > 0;) part++;
  } finally {
    self.postMessage(null);
  }
};
