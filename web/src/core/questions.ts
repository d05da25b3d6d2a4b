import type { Core } from './bridge';
import { Broken } from './instance';
import type * as T from './types.gen';

/** What the page asks the core without changing anything, with an answer while there is none. */
export class Questions {
  protected core: Core | null = null;

  /** Asks the core. While there is none, and where it fails, which it says by itself, the answer is another. */
  protected ask<T>(question: (core: Core) => T, otherwise: T): T {
    try {
      return this.core ? question(this.core) : otherwise;
    } catch (failure) {
      if (failure instanceof Broken) return otherwise;
      throw failure;
    }
  }

  /** A tile for each colour: the one that it meant last, if known, or the one most like it. */
  alike(set: string, colours: number[], known: boolean): number[] {
    return this.ask((core) => core.alike(set, colours, known), []);
  }

  blockPicture(patch: string, side: number): ImageData | null {
    return this.ask((core) => core.blockPicture(patch, side), null);
  }

  sprite(which: number, facing: number, frame: number): ImageData | null {
    return this.ask((core) => core.sprite(which, facing, frame), null);
  }

  reach(map: string, x: number, y: number): T.ReachView | null {
    return this.ask((core) => core.reach(map, x, y), null);
  }

  /** A frame of a character's sheet; null while it is not here. */
  characterFrame(character: string, frame: number): ImageData | null {
    return this.ask((core) => core.characterFrame(character, frame), null);
  }

  /** What the game remembers beside what the player has. */
  remembered(): T.SlipLine[] {
    return this.ask((core) => core.remembered(), []);
  }

  /** What the game remembers of the facts, and why what asks for them and sets them did or did not. */
  knownFacts(): T.KnownView {
    return this.ask((core) => core.known(), { facts: [], reasons: [], more: 0 });
  }

  /** What conditions can ask for. */
  askable(): T.AskableView | null {
    return this.ask((core) => core.askable(), null);
  }

  /** Where a piece will be, tick by tick. */
  trailOf(piece: string): T.TrailView | null {
    return this.ask((core) => core.trail(piece), null);
  }

  sheetShape(id: string, property: string, from: { x: number; y: number }, to: { x: number; y: number }): number[] {
    return this.ask((core) => core.sheetShape(id, property, from, to), []);
  }

  dealt(to: T.Dealing, w: number, h: number): T.Dealt {
    return this.ask((core) => core.dealt(to, w, h), { cells: [], shares: [] });
  }

  bondSample(to: T.Bonding): number[] {
    return this.ask((core) => core.bondSample(to), []);
  }

  proposed(list: number[], join: number): T.Proposal {
    return this.ask((core) => core.proposed(list, join), { join: 0, tiles: [], unsure: [] });
  }

  joinedWith(join: number, joined: number, bit: number, on: boolean): number {
    return this.ask((core) => core.joinedWith(join, joined, bit, on), joined);
  }

  tileCells(id: string): number[] {
    return this.ask((core) => core.tileCells(id), []);
  }

  proposedReskin(map: string): T.Reskin {
    return this.ask((core) => core.proposedReskin(map), {
      map,
      selected: false,
      from: '',
      to: '',
      by: 'position',
      chosen: [],
    });
  }

  usage(): T.Usage {
    return this.ask((core) => core.usage(), { tilesets: [], unused: [] });
  }

  reskinned(plan: T.Reskin): T.ReskinView {
    return this.ask((core) => core.reskinned(plan), { matches: [], cells: 0, unmatched: 0 });
  }

  reskinPicture(plan: T.Reskin, map: string, side: number): ImageData | null {
    return this.ask((core) => core.reskinPicture(plan, map, side), null);
  }

  /** The least size of whole screens that holds so many columns and rows. */
  wholeScreens(columns: number, rows: number): [number, number] {
    return this.ask((core) => core.wholeScreens(columns, rows), [columns, rows]);
  }

  /** A layer of a map, small; with no layer all of it. */
  layerPicture(map: string, layer: string, side: number): ImageData | null {
    return this.ask((core) => core.layerPicture(map, layer, side), null);
  }

  /** What a map would lose at another size; empty for nothing. */
  lossOf(map: string, columns: number, rows: number, anchor: number): string {
    return this.ask((core) => core.lossOf(map, columns, rows, anchor), '');
  }

  layerWay(map: string, layer: string, view: T.BoxView): { x: number; y: number } {
    return this.ask((core) => core.layerWay(map, layer, view), { x: 0, y: 0 });
  }

  scaledSize(map: string, scale: number): string {
    return this.ask((core) => core.scaledSize(map, scale), '');
  }

  steps(): T.StepView[] {
    return this.ask((core) => core.steps(), []);
  }

  /** Makes ready, once all in view was drawn, for what may be asked for next. */
  async limber(): Promise<void> {
    try {
      await this.core?.limber();
    } catch (failure) {
      if (!(failure instanceof Broken)) throw failure;
    }
  }

  /** The bytes that the core's module has taken. */
  memory(): number {
    return this.ask((core) => core.memory(), 0);
  }
}
