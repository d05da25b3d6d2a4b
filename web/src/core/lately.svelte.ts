import type { State } from './types.gen';

/** What was in the hand lately, the latest first. */
export class Lately {
  tiles = $state<number[]>([]);
  types = $state<string[]>([]);
  patches = $state<string[]>([]);

  /** Keeps what is in the hand now. */
  remember(s: State): void {
    if (s.holding === 'tile') this.tiles = first(this.tiles, s.tile, 8);
    if (s.holding === 'patch' && s.patch !== '0') this.patches = first(this.patches, s.patch, 3);
    if (s.holding === 'piece') this.types = first(this.types, s.type, 4);
  }

  /** Types of piece, those used lately first. */
  typesFirst<T extends { id: string }>(types: T[]): T[] {
    const rank = (id: string): number => (this.types.includes(id) ? this.types.indexOf(id) : this.types.length);
    return [...types].sort((a, b) => rank(a.id) - rank(b.id));
  }
}

/** A list with a thing at its beginning, the same list if it is there. */
function first<T>(list: T[], thing: T, most: number): T[] {
  return list[0] === thing ? list : [thing, ...list.filter((other) => other !== thing)].slice(0, most);
}
