import type { Project } from '../core/project.svelte';
import type { Scene } from '../core/types.gen';
import type { Colours } from './colours';
import { hatch } from './hatch';

/** Cells smaller than this on the screen are not hatched one by one. */
const LEAST = 7;

/** Hatches the cells in view whose tiles have the property of the lens. */
export function drawLens(context: CanvasRenderingContext2D, p: Project, scene: Scene, colours: Colours): void {
  const { camera } = p;
  const { cellW, cellH } = scene.project;
  const w = cellW * camera.zoom;
  const h = cellH * camera.zoom;
  if (w < LEAST || h < LEAST) return;
  const end = camera.toBoard(camera.width, camera.height);
  const colour = p.lens === 'solid' || p.lens === 'danger' ? colours.rose : colours.ink;
  for (const map of scene.maps) {
    const left = Math.max(0, Math.floor((camera.x - map.x) / cellW));
    const top = Math.max(0, Math.floor((camera.y - map.y) / cellH));
    const right = Math.min(map.columns, Math.ceil((end.x - map.x) / cellW));
    const bottom = Math.min(map.rows, Math.ceil((end.y - map.y) / cellH));
    if (right <= left || bottom <= top) continue;
    const x0 = (map.x - map.originX) / cellW;
    const y0 = (map.y - map.originY) / cellH;
    const cells = { x: x0 + left, y: y0 + top, w: right - left, h: bottom - top };
    const found = p.lensOf(map.id, cells);
    for (let i = 0; i < found.length; i++) {
      if (!found[i]) continue;
      const at = camera.toScreen(
        map.x + (left + (i % cells.w)) * cellW,
        map.y + (top + Math.floor(i / cells.w)) * cellH,
      );
      context.globalAlpha = found[i] === 2 ? 0.35 : 0.65;
      hatch(context, { x: at.x, y: at.y, w, h }, colour, null);
    }
    context.globalAlpha = 1;
  }
}
