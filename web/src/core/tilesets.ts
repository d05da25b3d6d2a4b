import type { TilesetHead, TilesetView, TileView } from './types.gen';

/** A tileset with all its tiles. */
export type Tileset = Omit<TilesetView, 'tiles'> & { tiles: TileView[] };

/** The part of a cell that is the tile's number. */
export const TILE_MASK = 0xffffff;

/** A tile that does nothing. */
const PLAIN: Omit<TileView, 'name'> = {
  ...{ named: false, does: '', role: 0, rows: [], whole: false, oneWay: false, climbable: false, water: false },
  ...{ slippery: false, slow: false, above: false, danger: 0, weight: 0, keywords: '', home: '', own: [], frames: [] },
};

/** A tileset whose plain tiles, which the core leaves out, are there. */
function filled(view: TilesetView): Tileset {
  return { ...view, tiles: view.tiles.map((t, i) => t ?? { ...PLAIN, name: `${view.called} ${i + 1}` }) };
}

/** The tilesets of a project, each asked for anew only when it has changed. */
export class Tilesets {
  private stamped: { stamp: number; set: Tileset }[] = [];

  constructor(private readonly ask: (id: string) => TilesetView | null) {}

  /** Those that the scene tells of, in its order. */
  of(heads: TilesetHead[]): Tileset[] {
    const fresh: typeof this.stamped = [];
    for (const { id, stamp } of heads) {
      const had = this.stamped.find((entry) => entry.set.id === id);
      if (had?.stamp === stamp) {
        fresh.push(had);
        continue;
      }
      const view = this.ask(id);
      if (view) fresh.push({ stamp, set: filled(view) });
    }
    this.stamped = fresh;
    return fresh.map(({ set }) => set);
  }

  /** Asks for all of them, with a rest after each. */
  async anew(heads: TilesetHead[], ask: (id: string) => TilesetView | null, rest: () => Promise<void>): Promise<void> {
    this.stamped = [];
    for (const { id, stamp } of heads) {
      await rest();
      const view = ask(id);
      if (view) this.stamped.push({ stamp, set: filled(view) });
    }
    await rest();
  }
}
