import moduleUrl from './generated/azzel.wasm?url';
import { start, type Exports } from './instance';

let compiled: Promise<WebAssembly.Module> | undefined;
/** The worker in which the module ran once, while it is there. */
let warming: Worker | undefined;

/** Begins to fetch and compile the core, so that it is there when it is needed. */
export function compile(): Promise<WebAssembly.Module> {
  compiled ??= warmed(WebAssembly.compileStreaming(fetch(moduleUrl)));
  return compiled;
}

/** Has a module run once elsewhere, so that it begins in the page without standing still. */
async function warmed(compiling: Promise<WebAssembly.Module>): Promise<WebAssembly.Module> {
  const worker = (warming = new Worker(new URL('./warm.worker.ts', import.meta.url), { type: 'module' }));
  const module = await compiling.catch((failure: unknown) => {
    worker.terminate();
    throw failure;
  });
  // Whatever goes wrong there will be said when the page does the same. It goes on by itself for a while, and ends.
  await new Promise<void>((done) => {
    worker.onmessage = worker.onerror = worker.onmessageerror = () => done();
    worker.postMessage(module);
  });
  return module;
}

/** Has what play needs run once there, now that the page has time for it. */
export function warmPlay(): void {
  warming?.postMessage(null);
  warming = undefined;
}

/** A worker that plays kept replays once it is given the module. */
export function beginReruns(): Worker {
  return new Worker(new URL('./replays.worker.ts', import.meta.url), { type: 'module' });
}

/** A fresh instance of the core. The module itself is compiled once. */
export async function instantiate(): Promise<Exports> {
  return (await start(await compile())) as Exports;
}
