import type { Core } from './bridge';
import type * as T from './types.gen';

/** What the page asks the core without changing anything, with an answer while there is none. */
export class Questions {
  protected core: Core | null = null;

  /** A tile for each colour: the one that it meant last, if known, or the one most like it. */
  alike(set: string, colours: number[], known: boolean): number[] {
    return this.core?.alike(set, colours, known) ?? [];
  }

  blockPicture(patch: string, side: number): ImageData | null {
    return this.core?.blockPicture(patch, side) ?? null;
  }

  sprite(which: number, facing: number, frame: number): ImageData | null {
    return this.core?.sprite(which, facing, frame) ?? null;
  }

  reach(map: string, x: number, y: number): T.ReachView | null {
    return this.core?.reach(map, x, y) ?? null;
  }

  /** A frame of a character's sheet; null while it is not here. */
  characterFrame(character: string, frame: number): ImageData | null {
    return this.core?.characterFrame(character, frame) ?? null;
  }

  /** What the game remembers beside what the player has. */
  remembered(): T.SlipLine[] {
    return this.core?.remembered() ?? [];
  }

  /** What the game remembers of the facts, and why what asks for them and sets them did or did not. */
  knownFacts(): T.KnownView {
    return this.core?.known() ?? { facts: [], reasons: [], more: 0 };
  }

  /** Where a piece will be, tick by tick. */
  trailOf(piece: string): T.TrailView | null {
    return this.core?.trail(piece) ?? null;
  }

  sheetShape(id: string, property: string, from: { x: number; y: number }, to: { x: number; y: number }): number[] {
    return this.core?.sheetShape(id, property, from, to) ?? [];
  }

  dealt(to: T.Dealing, w: number, h: number): T.Dealt {
    return this.core?.dealt(to, w, h) ?? { cells: [], shares: [] };
  }

  bondSample(to: T.Bonding): number[] {
    return this.core?.bondSample(to) ?? [];
  }

  proposed(list: number[], join: number): T.Proposal {
    return this.core?.proposed(list, join) ?? { join: 0, tiles: [], unsure: [] };
  }

  joinedWith(join: number, joined: number, bit: number, on: boolean): number {
    return this.core?.joinedWith(join, joined, bit, on) ?? joined;
  }

  tileCells(id: string): number[] {
    return this.core?.tileCells(id) ?? [];
  }

  proposedReskin(map: string): T.Reskin {
    return this.core?.proposedReskin(map) ?? { map, selected: false, from: '', to: '', by: 'position', chosen: [] };
  }

  usage(): T.Usage {
    return this.core?.usage() ?? { tilesets: [], unused: [] };
  }

  reskinned(plan: T.Reskin): T.ReskinView {
    return this.core?.reskinned(plan) ?? { matches: [], cells: 0, unmatched: 0 };
  }

  reskinPicture(plan: T.Reskin, map: string, side: number): ImageData | null {
    return this.core?.reskinPicture(plan, map, side) ?? null;
  }

  /** The least size of whole screens that holds so many columns and rows. */
  wholeScreens(columns: number, rows: number): [number, number] {
    return this.core?.wholeScreens(columns, rows) ?? [columns, rows];
  }

  /** A layer of a map, small; with no layer all of it. */
  layerPicture(map: string, layer: string, side: number): ImageData | null {
    return this.core?.layerPicture(map, layer, side) ?? null;
  }

  /** What a map would lose at another size; empty for nothing. */
  lossOf(map: string, columns: number, rows: number, anchor: number): string {
    return this.core?.lossOf(map, columns, rows, anchor) ?? '';
  }

  layerWay(map: string, layer: string, view: T.BoxView): { x: number; y: number } {
    return this.core?.layerWay(map, layer, view) ?? { x: 0, y: 0 };
  }

  scaledSize(map: string, scale: number): string {
    return this.core?.scaledSize(map, scale) ?? '';
  }

  steps(): T.StepView[] {
    return this.core?.steps() ?? [];
  }

  /** Makes ready, once all in view was drawn, for what may be asked for next. */
  async limber(): Promise<void> {
    await this.core?.limber();
  }

  /** The bytes that the core's module has taken. */
  memory(): number {
    return this.core?.memory() ?? 0;
  }
}
