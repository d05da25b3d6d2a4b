/** What exports of the core answer with, and the views they write; see cmd/azzel-wasm. */

/** Given by an export when the core itself failed, or when messages are missing. */
export const BROKEN = -1;
export const GAP = -2;
/** Given while something goes on with the next call. */
export const MORE = -3;

export const VIEW_SCENE = 0;
export const VIEW_STATE = 1;
export const VIEW_POINTER = 2;
export const VIEW_PLAY = 3;
export const VIEW_PROBE = 4;
export const VIEW_STEPS = 5;
export const VIEW_REPLAYS = 6;
export const VIEW_MEMORY = 7;
export const VIEW_KNOWN = 8;
export const VIEW_ASKABLE = 9;
