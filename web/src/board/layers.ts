import type { Project } from '../project.svelte';
import { TICKS_PER_SECOND, type BoxView, type MapView, type Scene, type Slab } from '../core/types.gen';
import { Camera } from './camera';

/** The box of the board that counts for the depth of layers. */
const viewOf = (p: Project): BoxView => {
  const { x, y, width, height, zoom } = p.viewport.camera;
  return p.game.view?.frame ?? { x, y, w: width / zoom, h: height / zoom };
};

/** For how long backdrops have drifted. */
const seconds = (p: Project): number =>
  p.game.view ? p.game.view.ticks / TICKS_PER_SECOND : p.viewport.still ? 0 : performance.now() / 1000;

/** Draws layers of a map in their order. Returns false if something was left for the next frame. */
export function drawLayers(
  context: CanvasRenderingContext2D,
  p: Project,
  scene: Scene,
  map: MapView,
  slabs: Slab[],
): boolean {
  const { bitmaps, camera, backdrops } = p.viewport;
  if (!bitmaps) return true;
  let whole = true;
  for (const { low, high, layer } of slabs) {
    const look = map.layers.find((l) => l.id === layer)?.look;
    if (!look) {
      whole = bitmaps.draw(context, scene, map, [low, high], camera) && whole;
      continue;
    }
    const { way, backdrop } = p.viewport.layerLies(map.id, layer, viewOf(p), seconds(p));
    within(context, p, map, () => {
      if (look.backdrop.picture !== '') backdrops.draw(context, map, look, backdrop);
      const moved = Object.assign(new Camera(), camera);
      moved.x -= way.x;
      moved.y -= way.y;
      whole = bitmaps.draw(context, scene, map, [low, high], moved) && whole;
    });
  }
  return whole;
}

/** Draws so that nothing is seen beyond a map. */
function within(context: CanvasRenderingContext2D, p: Project, map: MapView, draw: () => void): void {
  const at = p.viewport.camera.toScreen(map.x, map.y);
  context.save();
  context.beginPath();
  context.rect(at.x, at.y, map.w * p.viewport.camera.zoom, map.h * p.viewport.camera.zoom);
  context.clip();
  draw();
  context.restore();
}

/** Fills a map with its background, if it has one; else with the colour of an empty shelf. */
export function drawBackground(context: CanvasRenderingContext2D, map: MapView, b: BoxView, shelf: string): void {
  const { top, bottom } = map.look;
  context.fillStyle = top || shelf;
  if (top && bottom) {
    const gradient = context.createLinearGradient(0, b.y, 0, b.y + b.h);
    gradient.addColorStop(0, top);
    gradient.addColorStop(1, bottom);
    context.fillStyle = gradient;
  }
  context.fillRect(b.x, b.y, b.w, b.h);
}
