import type { Project } from '../project.svelte';
import type { Scene } from '../core/types.gen';
import { letters } from './letters';
import type { Colours } from './colours';
import { boxesOf } from './ghost';

/** Areas whose cells are at least so high on the screen show their names, in px. */
const NAMED = 16;

/** Draws the areas of all maps: their outlines, and their names where there is room. */
export function drawAreas(context: CanvasRenderingContext2D, p: Project, scene: Scene, colours: Colours): void {
  const { camera } = p.viewport;
  for (const area of scene.areas) {
    const chosen = p.session.state?.slip?.kind === 'area' && p.session.state.slip.id === area.id;
    const at = camera.toScreen(area.box.x, area.box.y);
    const [w, h] = [area.box.w * camera.zoom, area.box.h * camera.zoom];
    if (at.x > camera.width || at.y > camera.height || at.x + w < 0 || at.y + h < 0) continue;
    context.save();
    context.beginPath();
    for (const box of boxesOf(area.spans, area.box)) {
      const from = camera.toScreen(box.x, box.y);
      context.rect(from.x, from.y, box.w * camera.zoom, box.h * camera.zoom);
    }
    context.fillStyle = colours.moss;
    context.globalAlpha = chosen ? 0.22 : 0.1;
    context.fill();
    context.globalAlpha = 1;
    context.restore();
    context.strokeStyle = chosen ? colours.saffron : colours.moss;
    context.lineWidth = chosen ? 2 : 1;
    context.setLineDash([2, 4]);
    context.strokeRect(at.x, at.y, w, h);
    context.setLineDash([]);
    if (scene.project.cellH * camera.zoom < NAMED) continue;
    context.font = letters(12, true);
    context.textBaseline = 'top';
    context.strokeStyle = colours.board;
    context.lineWidth = 3;
    context.strokeText(area.name, at.x + 4, at.y + 3, w - 8);
    context.fillStyle = colours.ink;
    context.fillText(area.name, at.x + 4, at.y + 3, w - 8);
  }
}
