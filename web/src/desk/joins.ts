/** What a tile joins to, a bit for each neighbour; see core/tiles. */
export const NEIGHBOURS = ['north', 'east', 'south', 'west', 'north-east', 'south-east', 'south-west', 'north-west'];

export const JOINS = ['along sides', 'at corners', 'along sides and at corners'];
export const SIDES = 0;
export const CORNERS = 1;

/** Where the mark of each neighbour stands on a tile: a bridge over a side, a dot in a corner. */
export const MARKS = [
  '-top-1.5 left-1/2 h-3 w-4 -translate-x-1/2',
  '-right-1.5 top-1/2 h-4 w-3 -translate-y-1/2',
  '-bottom-1.5 left-1/2 h-3 w-4 -translate-x-1/2',
  '-left-1.5 top-1/2 h-4 w-3 -translate-y-1/2',
  '-right-1 -top-1 size-2.5 rounded-full',
  '-right-1 -bottom-1 size-2.5 rounded-full',
  '-left-1 -bottom-1 size-2.5 rounded-full',
  '-left-1 -top-1 size-2.5 rounded-full',
];

/** The neighbours row by row round the tile, as they are shown for choosing; -1 is the tile itself. */
export const ROUND = [7, 0, 4, 3, -1, 1, 6, 2, 5];

export const matters = (join: number, bit: number): boolean =>
  join === SIDES ? bit < 4 : join === CORNERS ? bit >= 4 : true;

/** The neighbour that a place on a tile stands for; places are 0 to 1 along both axes. */
export function neighbourAt(join: number, x: number, y: number): number {
  const column = x < 1 / 3 ? 0 : x < 2 / 3 ? 1 : 2;
  const row = y < 1 / 3 ? 0 : y < 2 / 3 ? 1 : 2;
  const bit = ROUND[row * 3 + column] ?? -1;
  if (bit >= 0 && matters(join, bit)) return bit;
  if (join === CORNERS) return ROUND[(y < 0.5 ? 0 : 2) * 3 + (x < 0.5 ? 0 : 2)] ?? 0;
  const [dx, dy] = [x - 0.5, y - 0.5];
  if (Math.abs(dx) > Math.abs(dy)) return dx > 0 ? 1 : 3;
  return dy > 0 ? 2 : 0;
}

export function joinsWords(joined: number): string {
  const list = NEIGHBOURS.filter((_, bit) => joined & (1 << bit));
  return list.length > 0 ? `joins ${list.join(', ')}` : 'joins nothing';
}
