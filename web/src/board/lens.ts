import type { Project } from '../project.svelte';
import type { BodyView, Scene } from '../core/types.gen';
import type { Colours } from './colours';
import { hatch } from './hatch';
import { drawPath } from './trail.svelte';

/** Cells smaller than this on the screen are not hatched one by one. */
const LEAST = 7;

/** What can be seen through beside properties of tiles. */
export const GAME_LENSES = ['bodies', 'triggers', 'tracks'] as const;

/** Draws what the lens shows. */
export function drawLens(context: CanvasRenderingContext2D, p: Project, scene: Scene, colours: Colours): void {
  const { camera } = p.viewport;
  switch (p.viewport.lens) {
    case 'bodies':
      drawBodies(context, p, colours, false);
      return;
    case 'tracks':
      for (const path of scene.paths) drawPath(context, p, path, colours);
      return;
    case 'triggers':
      for (const { piece, box } of scene.triggers) {
        // Where nothing is by now nothing happens.
        if (p.game.view?.goneIds.includes(piece)) continue;
        const at = camera.toScreen(box.x, box.y);
        hatch(context, { x: at.x, y: at.y, w: box.w * camera.zoom, h: box.h * camera.zoom }, colours.lagoon, null);
      }
      return;
    default:
      hatchTiles(context, p, scene, colours);
      if (p.viewport.lens === 'danger') drawBodies(context, p, colours, true);
  }
}

/** Outlines the bodies of all that acts, with what hurts in the colour of danger, or those alone that hurt. */
function drawBodies(context: CanvasRenderingContext2D, p: Project, colours: Colours, dangerous: boolean): void {
  const { camera } = p.viewport;
  const play = p.game.view;
  if (!play) return;
  const outline = ({ x, y, w, h }: BodyView, colour: string): void => {
    const at = camera.toScreen(x, y);
    context.lineWidth = 4;
    context.strokeStyle = colours.sheet;
    context.strokeRect(at.x, at.y, w * camera.zoom, h * camera.zoom);
    context.lineWidth = 2;
    context.strokeStyle = colour;
    context.strokeRect(at.x, at.y, w * camera.zoom, h * camera.zoom);
  };
  for (const { body, gone, hurts } of play.things) {
    if (!gone && (hurts || !dangerous)) outline(body, hurts ? colours.rose : colours.lagoon);
  }
  if (!dangerous) outline(play.body, colours.saffron);
}

/** Hatches the cells in view whose tiles have the property of the lens. */
function hatchTiles(context: CanvasRenderingContext2D, p: Project, scene: Scene, colours: Colours): void {
  const { camera } = p.viewport;
  const { cellW, cellH } = scene.project;
  const w = cellW * camera.zoom;
  const h = cellH * camera.zoom;
  if (w < LEAST || h < LEAST) return;
  const end = camera.toBoard(camera.width, camera.height);
  const colour = p.viewport.lens === 'solid' || p.viewport.lens === 'danger' ? colours.rose : colours.ink;
  for (const map of scene.maps) {
    const left = Math.max(0, Math.floor((camera.x - map.x) / cellW));
    const top = Math.max(0, Math.floor((camera.y - map.y) / cellH));
    const right = Math.min(map.columns, Math.ceil((end.x - map.x) / cellW));
    const bottom = Math.min(map.rows, Math.ceil((end.y - map.y) / cellH));
    if (right <= left || bottom <= top) continue;
    const x0 = (map.x - map.originX) / cellW;
    const y0 = (map.y - map.originY) / cellH;
    const cells = { x: x0 + left, y: y0 + top, w: right - left, h: bottom - top };
    const found = p.viewport.lensOf(map.id, cells);
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
