import { NEIGHBOURS } from '../core/types.gen';

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

export function joinsWords(joined: number): string {
  const list = NEIGHBOURS.filter((_, bit) => joined & (1 << bit));
  return list.length > 0 ? `joins ${list.join(', ')}` : 'joins nothing';
}
