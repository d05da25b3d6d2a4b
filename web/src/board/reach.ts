import type { Project } from '../project.svelte';
import type { ReachView } from '../core/types.gen';
import type { Colours } from './colours';

/** Ticks between two notches of an arc. */
const NOTCH = 12;

/** Where the player can jump to from the cell under the pointer, found anew when that or the map changes. */
export class Reach {
  private at = '';
  private of: unknown = null;
  private cells = -1;
  private found: ReachView | null = null;

  constructor(private readonly p: Project) {}

  here(): ReachView | null {
    const { pointer, bitmaps } = this.p.viewport;
    const { scene } = this.p.session;
    if (!pointer?.map) return null;
    const at = `${pointer.map} ${pointer.cellX} ${pointer.cellY}`;
    const cells = bitmaps?.version ?? 0;
    if (at !== this.at || scene !== this.of || cells !== this.cells) {
      [this.at, this.of, this.cells] = [at, scene, cells];
      this.found = this.p.session.ask.reachFrom({ map: pointer.map, x: pointer.cellX, y: pointer.cellY });
    }
    return this.found;
  }
}

/** Draws where the player can jump to from the pointer: the ways of their foot, with notches of time, and where they land. */
export function drawReach(context: CanvasRenderingContext2D, p: Project, reach: ReachView, colours: Colours): void {
  const { camera } = p.viewport;
  context.fillStyle = colours.moss;
  context.globalAlpha = 0.35;
  for (const box of reach.landings) {
    const at = camera.toScreen(box.x, box.y + box.h * 0.75);
    context.fillRect(at.x, at.y, box.w * camera.zoom, box.h * 0.25 * camera.zoom);
  }
  context.globalAlpha = 1;
  for (const [colour, width] of [
    [colours.sheet, 4],
    [colours.moss, 2],
  ] as const) {
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.beginPath();
    for (const arc of reach.arcs) {
      for (let i = 0; i + 1 < arc.length; i += 2) {
        const at = camera.toScreen(arc[i] ?? 0, arc[i + 1] ?? 0);
        if (i === 0) context.moveTo(at.x, at.y);
        else context.lineTo(at.x, at.y);
      }
    }
    context.stroke();
  }
  context.fillStyle = colours.moss;
  for (const arc of reach.arcs) {
    for (let i = 2 * NOTCH; i + 1 < arc.length; i += 2 * NOTCH) {
      const at = camera.toScreen(arc[i] ?? 0, arc[i + 1] ?? 0);
      context.fillRect(at.x - 2.5, at.y - 2.5, 5, 5);
    }
  }
}
