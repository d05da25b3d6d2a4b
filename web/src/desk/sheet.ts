import { readColours, type Colours } from '../board/colours';
import { hatch } from '../board/hatch';
import type { Tileset } from '../core/tilesets';
import type { Project } from '../project.svelte';
import { standing } from './marks';

/** Where a place of a sheet is shown. */
const boxOf = (set: Tileset, spot: number, side: number): { x: number; y: number; w: number; h: number } => ({
  x: (spot % set.columns) * side + 1,
  y: Math.floor(spot / set.columns) * side + 1,
  w: side - 2,
  h: side - 2,
});

/** All tiles of a sheet at their places. */
export function drawTiles(p: Project, set: Tileset, side: number): OffscreenCanvas {
  const sheet = new OffscreenCanvas(set.columns * side, set.rows * side);
  const context = sheet.getContext('2d');
  const project = p.session.scene?.project;
  if (!context || !project) return sheet;
  context.imageSmoothingEnabled = false;
  const small = new OffscreenCanvas(project.cellW, project.cellH);
  const pen = small.getContext('2d');
  set.places.forEach((spot, i) => {
    const image = p.session.tile(set.first + i);
    if (!image) return;
    pen?.putImageData(image, 0, 0);
    const { x, y, w, h } = boxOf(set, spot, side);
    context.drawImage(small, x, y, w, h);
  });
  return sheet;
}

/** The sheet, with what its tiles are by one property. */
export function drawMarks(
  context: CanvasRenderingContext2D,
  sheet: OffscreenCanvas,
  set: Tileset,
  property: string,
  roles: string[],
  side: number,
): void {
  context.drawImage(sheet, 0, 0);
  const colours = readColours();
  const colour = property === 'solid' || property === 'danger' ? colours.rose : colours.ink;
  set.places.forEach((spot, i) => {
    const tile = set.tiles[i];
    if (!tile) return;
    const { holds, word } = standing(tile, property, roles);
    const box = boxOf(set, spot, side);
    if (holds) hatch(context, box, colour, property === 'solid' && !tile.whole ? tile.rows : null);
    if (word) write(context, word, box.x - 1, box.y - 1, side, colours);
  });
}

/** What lies over it: tiles taken by the stroke under way, and outlines of some width. */
export function drawChosen(
  context: CanvasRenderingContext2D,
  set: Tileset,
  chosen: Iterable<number>,
  outlined: [spot: number, width: number][],
  side: number,
): void {
  const colours = readColours();
  for (const i of chosen) hatch(context, boxOf(set, set.places[i] ?? 0, side), colours.saffron, null);
  context.strokeStyle = colours.saffron;
  for (const [spot, width] of outlined) {
    const { x, y, w, h } = boxOf(set, spot, side);
    context.lineWidth = width;
    context.strokeRect(x, y, w, h);
  }
}

function write(
  context: CanvasRenderingContext2D,
  word: string,
  x: number,
  y: number,
  side: number,
  colours: Colours,
): void {
  context.font = "9px 'Atkinson Hyperlegible Next Variable', sans-serif";
  context.textBaseline = 'middle';
  const width = Math.min(side - 4, context.measureText(word).width + 4);
  context.fillStyle = colours.sheet;
  context.fillRect(x + 2, y + side - 13, width, 11);
  context.fillStyle = colours.ink;
  context.fillText(word, x + 4, y + side - 7, side - 8);
}
