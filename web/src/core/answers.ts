/** What exports of the core answer with beside what is asked for; see cmd/azzel-wasm. */

/** Given by an export when the core itself failed, or when messages are missing. */
export const BROKEN = -1;
export const GAP = -2;
/** Given while something goes on with the next call. */
export const MORE = -3;
