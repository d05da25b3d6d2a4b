import type { Project } from '../project.svelte';
import type { SpotView } from '../core/types.gen';

/** A picture that stands with the middle of its lower edge on a spot. */
export interface Standing {
  picture: HTMLCanvasElement | null;
  spot: SpotView;
  /** How often it is drawn side by side; once if nothing is said. */
  cells?: number;
  /** How often it is drawn one above the other, a cell apart; once if nothing is said. */
  rows?: number;
  mirrored?: boolean;
}

export function stand(context: CanvasRenderingContext2D, p: Project, one: Standing): void {
  const { camera } = p.viewport;
  const { picture, spot, cells = 1, rows = 1, mirrored = false } = one;
  if (!picture) return;
  const [w, h] = [picture.width * camera.zoom, picture.height * camera.zoom];
  const at = camera.toScreen(spot.x - (picture.width * cells) / 2, spot.y - picture.height);
  if (at.x > camera.width || at.y > camera.height || at.x + w * cells < 0 || (at.y + h < 0 && rows === 1)) return;
  context.save();
  context.translate(mirrored ? at.x + w : at.x, at.y);
  if (mirrored) context.scale(-1, 1);
  const cell = (p.session.scene?.project.cellH ?? 0) * camera.zoom;
  for (let row = rows - 1; row >= 0; row--) {
    for (let n = 0; n < cells; n++) context.drawImage(picture, n * w, -row * cell, w, h);
  }
  context.restore();
}
