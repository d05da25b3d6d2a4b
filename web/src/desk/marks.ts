import type { Mark, OwnView, TileView } from '../core/types.gen';

/** What can be painted onto tiles: the core's name of the property, its name for people, and how its value is chosen. */
export interface Property {
  id: string;
  name: string;
  value: 'yes' | 'amount' | 'text' | 'solid' | 'role';
  says: string;
  most?: number;
}

export const properties: Property[] = [
  { id: 'solid', name: 'Solid', value: 'solid', says: 'Nobody can walk into it.' },
  {
    id: 'role',
    name: 'Role',
    value: 'role',
    says: 'What it is for. Sets the rest to what fits, and lets another tileset take its place.',
  },
  { id: 'one-way', name: 'One-way', value: 'yes', says: 'Holds whoever comes from above.' },
  { id: 'climbable', name: 'Climbable', value: 'yes', says: 'Can be climbed.' },
  { id: 'water', name: 'Water', value: 'yes', says: 'Is swum in.' },
  { id: 'danger', name: 'Danger', value: 'amount', says: 'How much it hurts.', most: 100 },
  { id: 'slippery', name: 'Slippery', value: 'yes', says: 'One slides on it.' },
  { id: 'slow', name: 'Slow', value: 'yes', says: 'One walks slowly on it.' },
  {
    id: 'above',
    name: 'Above the player',
    value: 'yes',
    says: 'Is laid into the layer above the player, as a tree’s crown.',
  },
  { id: 'weight', name: 'Weight', value: 'amount', says: 'How often it is laid among others.', most: 1000 },
  { id: 'home', name: 'Home layer', value: 'text', says: 'The layer it is always laid into, by name.' },
];

/** What strokes over a sheet are for. */
export type Taking = 'marks' | 'block' | 'frames';

/** A mark that sets the property as one mostly wants it. */
export function markOf(property: string): Mark {
  return { property, on: true, amount: 1, text: '', rows: [], own: '' };
}

/** A mark of a property of the project's own. */
export function ownMark({ id, type }: OwnView): Mark {
  return { ...markOf('own'), own: id, text: type === YES_NO ? 'yes' : '' };
}

export const YES_NO = 0;
export const OWN_TYPES = ['yes or no', 'a number', 'text'];

/** What stands for a mark's property where tiles are compared and shown by it. */
export const propertyOf = (mark: Mark): string => (mark.property === 'own' ? `own:${mark.own}` : mark.property);

/** How a tile stands to a property: not at all, with a word, or solid in parts. */
export function standing(tile: TileView, property: string, roles: string[]): { holds: boolean; word: string } {
  switch (property) {
    case 'frames':
      return { holds: false, word: tile.frames.length > 0 ? `${tile.frames.length} frames` : '' };
    case 'solid':
      return { holds: tile.rows.length > 0, word: '' };
    case 'role':
      return { holds: tile.role > 0, word: roles[tile.role] ?? '' };
    case 'one-way':
      return { holds: tile.oneWay, word: '' };
    case 'climbable':
      return { holds: tile.climbable, word: '' };
    case 'water':
      return { holds: tile.water, word: '' };
    case 'slippery':
      return { holds: tile.slippery, word: '' };
    case 'slow':
      return { holds: tile.slow, word: '' };
    case 'above':
      return { holds: tile.above, word: '' };
    case 'danger':
      return { holds: tile.danger > 0, word: String(tile.danger) };
    case 'weight':
      return { holds: tile.weight > 0, word: String(tile.weight) };
    case 'home':
      return { holds: tile.home !== '', word: tile.home };
  }
  const own = tile.own.find((o) => property === `own:${o.id}`);
  return { holds: own !== undefined, word: own?.value ?? '' };
}
