import type { Project } from '../project.svelte';
import type { Scene } from '../core/types.gen';
import type { Colours } from './colours';

/** Lines nearer to each other than this, in pixels of the screen, are left out. */
const NEAREST = 8;

/** Draws the lines of every map's grid, every so many cells from the map's cell 0, 0; 0 is every screen. */
export function drawGrid(
  context: CanvasRenderingContext2D,
  p: Project,
  scene: Scene,
  step: number,
  colours: Colours,
): void {
  const { camera } = p.viewport;
  const { cellW, cellH, seenW, seenH } = scene.project;
  const w = cellW * camera.zoom * (step || seenW);
  const h = cellH * camera.zoom * (step || seenH);
  if (w < NEAREST || h < NEAREST) return;
  context.strokeStyle = colours.ink;
  context.globalAlpha = step === 1 ? 0.1 : 0.4;
  context.lineWidth = 1;
  context.beginPath();
  for (const map of scene.maps) {
    const at = camera.toScreen(map.x, map.y);
    const right = Math.min(camera.width, at.x + map.w * camera.zoom);
    const bottom = Math.min(camera.height, at.y + map.h * camera.zoom);
    if (at.x > camera.width || at.y > camera.height || right < 0 || bottom < 0) continue;
    const origin = camera.toScreen(map.originX, map.originY);
    for (let i = Math.ceil((Math.max(0, at.x) - origin.x) / w); origin.x + i * w <= right; i++) {
      const x = Math.round(origin.x + i * w) + 0.5;
      context.moveTo(x, Math.max(0, at.y));
      context.lineTo(x, bottom);
    }
    for (let i = Math.ceil((Math.max(0, at.y) - origin.y) / h); origin.y + i * h <= bottom; i++) {
      const y = Math.round(origin.y + i * h) + 0.5;
      context.moveTo(Math.max(0, at.x), y);
      context.lineTo(right, y);
    }
  }
  context.stroke();
  context.globalAlpha = 1;
}
