import { unit } from '../ui/unit';

/** Sizes on the board are those with which browsers begin, 16 pixels to the unit. */
const BEGINS = 16;

/** A size in pixels on the screen, for the size of letters that the browser is set to. */
export const scaled = (pixels: number): number => (pixels * unit()) / BEGINS;

/** The font of words on the board, of names or of all else. */
export const letters = (pixels: number, names = false): string =>
  names
    ? `600 ${scaled(pixels)}px 'Fraunces Variable', serif`
    : `${scaled(pixels)}px 'Atkinson Hyperlegible Next Variable', sans-serif`;
