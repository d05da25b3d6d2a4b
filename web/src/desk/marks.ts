import type { Mark, OwnView, TileView } from '../core/types.gen';

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
