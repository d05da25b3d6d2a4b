import type { Project } from '../project.svelte';
import type { DressView, PieceView, SeenView, SpotView } from '../core/types.gen';
import type { Sprites } from './sprites';

/** A picture that stands with the middle of its lower edge on a spot. */
export interface Standing {
  picture: HTMLCanvasElement | null;
  spot: SpotView;
  /** How often it is drawn side by side; once if nothing is said. */
  cells?: number;
  /** How often it is drawn one above the other, a cell apart; once if nothing is said. */
  rows?: number;
  /** How many cells lie between two that are drawn one above the other; one if nothing is said. */
  rise?: number;
  mirrored?: boolean;
  /** How it is seen, round its middle; as it is if nothing is said. */
  dress?: DressView | null;
}

/** Turns, sizes and fades what is drawn next, of a width and height, round its middle. */
function put(context: CanvasRenderingContext2D, dress: DressView, w: number, h: number): void {
  const size = dress.size / 100;
  context.globalAlpha *= 1 - dress.fade / 100;
  context.translate(w / 2, h / 2 + (dress.down / 100) * h);
  context.rotate((dress.turned * Math.PI) / 180);
  context.scale(dress.flipped ? -size : size, size);
  context.translate(-w / 2, -h / 2);
}

/** A picture of a piece's own, side by side and one above the other as often as it takes for a piece of so many cells. */
export function seenAs(sprites: Sprites, seen: SeenView, spot: SpotView, cells = 1, rows = 1): Standing {
  return {
    picture: sprites.seen(seen.picture, seen.frame),
    spot,
    cells: Math.max(1, Math.round(cells / seen.columns)),
    rows: Math.max(1, Math.round(rows / seen.rows)),
    rise: seen.rows,
    mirrored: seen.mirrored,
  };
}

/** A piece that does not move, in the state of its built-in picture if it has none of its own. */
export function pictured(sprites: Sprites, piece: PieceView, state: number): Standing {
  const { seen, who, sprite, spot, mirrored, dress, type } = piece;
  const plain = (): HTMLCanvasElement | null =>
    who === '' ? sprites.piece(type, state) : sprites.character(who, sprite);
  const is: Standing = seen
    ? seenAs(sprites, seen, spot, piece.columns, piece.rows)
    : { picture: plain(), spot, mirrored };
  if (!dress) return is;
  const name = seen ? `seen ${seen.picture} ${seen.frame}` : `piece ${type} ${state} ${who} ${sprite}`;
  return { ...is, picture: sprites.tinted(name, is.picture, dress.tint), dress };
}

export function stand(context: CanvasRenderingContext2D, p: Project, one: Standing): void {
  const { camera } = p.viewport;
  const { picture, spot, cells = 1, rows = 1, rise = 1, mirrored = false, dress } = one;
  if (!picture) return;
  const [w, h] = [picture.width * camera.zoom, picture.height * camera.zoom];
  const at = camera.toScreen(spot.x - (picture.width * cells) / 2, spot.y - picture.height);
  const more = dress ? (Math.max(w, h) * dress.size) / 50 : 0;
  if (at.x - more > camera.width || at.y - more > camera.height) return;
  if (at.x + more + w * cells < 0 || (at.y + more + h < 0 && rows === 1)) return;
  context.save();
  context.translate(mirrored ? at.x + w : at.x, at.y);
  if (mirrored) context.scale(-1, 1);
  if (dress) put(context, dress, w * cells, h);
  const cell = (p.session.scene?.project.cellH ?? 0) * camera.zoom * rise;
  for (let row = rows - 1; row >= 0; row--) {
    for (let n = 0; n < cells; n++) context.drawImage(picture, n * w, -row * cell, w, h);
  }
  context.restore();
}

/** How far from where it stands a picture can reach, in pixels of the board at its own size. */
const REACH = 320;

/** Whether a piece could be in view. */
export function inView(p: Project, { x, y, dress }: PieceView): boolean {
  const { camera } = p.viewport;
  const at = camera.toScreen(x, y);
  const reach = (REACH * camera.zoom * (dress?.size ?? 100)) / 100;
  return at.x > -reach && at.y > -reach && at.x < camera.width + reach && at.y < camera.height + reach;
}
