import type { Project } from '../project.svelte';
import type { PieceView } from '../core/types.gen';
import type { Sprites } from './sprites';

/** A picture that stands with its foot on a spot. */
export interface Standing {
  picture: HTMLCanvasElement | null;
  x: number;
  y: number;
  /** How often it is drawn side by side. */
  cells: number;
  mirrored: boolean;
  /** Below all, among all by their feet, or above all: −1, 0, 1. */
  level: number;
}

/** Something that stands at a place as most do. */
export const standingAt = (x: number, y: number): Standing => ({
  picture: null,
  x,
  y,
  cells: 1,
  mirrored: false,
  level: 0,
});

/** A piece that is a character, as that stands there. */
export const character = (piece: PieceView, sprites: Sprites): Standing => ({
  ...standingAt(piece.x - piece.footX, piece.y + 1 + piece.footY),
  picture: sprites.character(piece.who, piece.sprite),
  mirrored: piece.mirrored,
});

export function stand(context: CanvasRenderingContext2D, p: Project, one: Standing): void {
  const { camera } = p.viewport;
  const { picture, x, y, cells, mirrored } = one;
  if (!picture) return;
  const [w, h] = [picture.width * camera.zoom, picture.height * camera.zoom];
  const at = camera.toScreen(x - (picture.width * cells) / 2, y - picture.height);
  if (at.x > camera.width || at.y > camera.height || at.x + w * cells < 0 || at.y + h < 0) return;
  context.save();
  context.translate(mirrored ? at.x + w : at.x, at.y);
  if (mirrored) context.scale(-1, 1);
  for (let n = 0; n < cells; n++) context.drawImage(picture, n * w, 0, w, h);
  context.restore();
}
