import moduleUrl from './generated/azzel.wasm?url';
import { start, type Exports, type Running } from './instance';
import { within } from './within';

const MISSING =
  'A part of this page could not be fetched from the server. Start the server again if it has stopped, then try once more.';
/** Milliseconds until the module is given up that does not come, and those that the worker has to run it once. */
const COMING = 120_000;
const WARMING = 5_000;
/** Bytes that a core may have taken to be kept for the next project. */
const KEPT = 256 << 20;

let compiled: Promise<WebAssembly.Module> | undefined;
/** The worker in which the module ran once, while it is there. */
let warming: Worker | undefined;
/** A core without a project. */
let idle: Running<Exports> | undefined;

/** Begins to fetch and compile the core, so that it is there when it is needed. What failed is tried again when it is asked for next. */
export function compile(): Promise<WebAssembly.Module> {
  compiled ??= warmed(fetched()).catch((failure: unknown) => {
    compiled = undefined;
    throw failure;
  });
  return compiled;
}

async function fetched(): Promise<WebAssembly.Module> {
  try {
    return await within(COMING, MISSING, WebAssembly.compileStreaming(fetch(moduleUrl)));
  } catch {
    throw new Error(MISSING);
  }
}

/** Has a module run once elsewhere, so that it begins in the page without standing still. */
async function warmed(compiling: Promise<WebAssembly.Module>): Promise<WebAssembly.Module> {
  const worker = (warming = new Worker(new URL('./warm.worker.ts', import.meta.url), { type: 'module' }));
  const module = await compiling.catch((failure: unknown) => {
    endWarming();
    throw failure;
  });
  // Whatever goes wrong there will be said when the page does the same. It goes on by itself for a while, and ends.
  await new Promise<void>((done) => {
    const timer = setTimeout(done, WARMING);
    worker.onmessage =
      worker.onerror =
      worker.onmessageerror =
        () => {
          clearTimeout(timer);
          done();
        };
    worker.postMessage(module);
  });
  return module;
}

/** Has what play needs run once there, now that the page has time for it. */
export function warmPlay(): void {
  warming?.postMessage(null);
  warming = undefined;
}

/** Ends the worker, if it still waits. */
export function endWarming(): void {
  warming?.terminate();
  warming = undefined;
}

/** A worker that plays kept replays once it is given the module. */
export function beginReruns(): Worker {
  return new Worker(new URL('./replays.worker.ts', import.meta.url), { type: 'module' });
}

/** A core without a project: one that was given back, or a fresh instance. The module itself is compiled once. */
export async function instantiate(): Promise<Running<Exports>> {
  const module = await compile();
  const ready = idle;
  idle = undefined;
  return ready ?? start<Exports>(module);
}

/** Whether a core is there that the next project can take at once. */
export const isIdle = (): boolean => idle !== undefined;

/** Keeps a core for the next project, which takes less than beginning another; one that has failed, or has grown large, is dropped. */
export function giveBack(running: Running<Exports>, bytes: number): void {
  if (!running.broken && bytes <= KEPT) idle ??= running;
}
