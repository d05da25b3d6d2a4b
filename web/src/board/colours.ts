/** The theme's colours, for what is drawn on a canvas. */
export interface Colours {
  board: string;
  sheet: string;
  shelf: string;
  ink: string;
  soft: string;
  line: string;
  saffron: string;
  lagoon: string;
  rose: string;
  moss: string;
  plum: string;
  night: string;
}

const NAMES = [
  'board',
  'sheet',
  'shelf',
  'ink',
  'soft',
  'line',
  'saffron',
  'lagoon',
  'rose',
  'moss',
  'plum',
  'night',
] as const;

export function readColours(): Colours {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(NAMES.map((n) => [n, style.getPropertyValue(`--color-${n}`).trim()])) as unknown as Colours;
}
