import type { Project } from '../project.svelte';
import type { BoxView } from '../core/types.gen';

/**
 * Where a slip stands: right of its thing, else left, else in the corner, and not over the depth stack; nowhere while the
 * thing is out of view.
 */
export function beside(p: Project, box: BoxView, width: number, height: number): { x: number; y: number } | null {
  const { camera } = p.viewport;
  const { stackBox } = p.shell;
  const at = camera.toScreen(box.x, box.y);
  const w = box.w * camera.zoom;
  const h = box.h * camera.zoom;
  if (at.x + w < 0 || at.y + h < 0 || at.x > camera.width || at.y > camera.height) return null;
  const y = Math.min(Math.max(8, at.y - 8), Math.max(8, camera.height - height - 8));
  const right = at.x + w + 14;
  const fits = (x: number): boolean => {
    if (x < 8 || x + width > camera.width - 8) return false;
    const s = stackBox;
    return !s || x >= s.x + s.w || x + width <= s.x || y >= s.y + s.h || y + height <= s.y;
  };
  const places = [right, at.x - width - 14, (stackBox?.x ?? 0) + (stackBox?.w ?? 0) + 8, camera.width - width - 12];
  return { x: places.find(fits) ?? camera.width - width - 12, y };
}
