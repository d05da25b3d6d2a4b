/// <reference types="svelte" />
/// <reference types="vite/client" />

/** The glue that ships with Go and runs a module compiled by it. */
declare class Go {
  importObject: WebAssembly.Imports;
  exited: boolean;
  run(instance: WebAssembly.Instance): Promise<void>;
}

declare module '*/wasm_exec.js';

/** What the browser tests may read; nothing here changes anything. */
interface Window {
  azzel?: {
    probe(): object;
    memory(): number;
    screen(x: number, y: number): { x: number; y: number };
    scene(): object | null;
    play(): object | null;
    /** All views: the pages, and what commands open in one. */
    views(): object[];
    cells(map: string, x: number, y: number, w: number, h: number): number[];
  };
}
