import type { Project } from '../project.svelte';
import { TICKS_PER_SECOND, type BoxView, type LayerView, type MapView, type Scene } from '../core/types.gen';
import { maskOf } from './bitmaps';
import { Camera } from './camera';

/** How far a layer is moved against its map, for what depth it has, in pixels of the board. */
function wayOf(p: Project, map: MapView, layer: LayerView): { x: number; y: number } {
  const { depthX, depthY } = layer.look;
  // What one paints on lies still.
  if ((depthX === 0 && depthY === 0) || (layer.current && !p.game.view)) return { x: 0, y: 0 };
  const view = p.game.view?.frame ?? {
    x: p.viewport.camera.x,
    y: p.viewport.camera.y,
    w: p.viewport.camera.width / p.viewport.camera.zoom,
    h: p.viewport.camera.height / p.viewport.camera.zoom,
  };
  return p.viewport.layerWay(map.id, layer.id, view);
}

const shown = (map: MapView, layer: LayerView): boolean => {
  const only = map.layers.find((l) => l.only);
  return only ? only === layer : !layer.hidden;
};

/**
 * Draws the layers of a map from one to another, both within: those that lie still together as one picture, backdrops and
 * layers with depth each for themselves. Returns false if something was left for the next frame.
 */
export function drawLayers(
  context: CanvasRenderingContext2D,
  p: Project,
  scene: Scene,
  map: MapView,
  from: number,
  to: number,
): boolean {
  const { bitmaps, camera, backdrops } = p.viewport;
  if (!bitmaps) return true;
  let whole = true;
  let group: number[] = [];
  const seconds =
    (p.game.view ? p.game.view.ticks / TICKS_PER_SECOND : p.viewport.still ? 0 : performance.now() / 1000) || 0;
  const flush = (): void => {
    const members = group;
    group = [];
    if (members.length === 0) return;
    const mask = maskOf(map, (i) => members.includes(i));
    whole = bitmaps.draw(context, scene, map, mask, camera) && whole;
  };
  for (let i = Math.max(0, from); i <= to && i < map.layers.length; i++) {
    const layer = map.layers[i];
    if (!layer || !shown(map, layer)) continue;
    const way = wayOf(p, map, layer);
    if (layer.look.backdrop.picture === '' && way.x === 0 && way.y === 0) {
      group.push(i);
      continue;
    }
    flush();
    within(context, p, map, () => {
      if (layer.look.backdrop.picture !== '') {
        const box: BoxView = { x: way.x, y: way.y, w: 0, h: 0 };
        backdrops.draw(context, map, layer.look, box, seconds);
      }
      const moved = Object.assign(new Camera(), camera);
      moved.x -= way.x;
      moved.y -= way.y;
      whole =
        bitmaps.draw(
          context,
          scene,
          map,
          maskOf(map, (k) => k === i),
          moved,
        ) && whole;
    });
  }
  flush();
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
