/** Pixels of the board that a panel at its right takes at most, with what is left free beside it. */
export const PANEL = 336;
