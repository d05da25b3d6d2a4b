import type { BoxView } from '../core/types.gen';

/** The zooms that the wheel and the keys step through: whole numbers when in. */
const ZOOMS = [1 / 32, 1 / 16, 1 / 12, 1 / 8, 1 / 6, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 1, 2, 3, 4, 6, 8, 12, 16];

/** Which part of the board is shown: screen pixel = (board pixel − x) × zoom. */
export class Camera {
  x = 0;
  y = 0;
  zoom = 1;
  /** The whole surface in screen pixels, also what is drawn below the parts of the page that stand at its sides. */
  width = 1;
  height = 1;
  /** What of the surface no part of the page stands on, in screen pixels. */
  free: BoxView = { x: 0, y: 0, w: 1, h: 1 };

  /** The middle of what is free. */
  get middle(): { x: number; y: number } {
    return { x: this.free.x + this.free.w / 2, y: this.free.y + this.free.h / 2 };
  }

  toBoard(screenX: number, screenY: number): { x: number; y: number } {
    return { x: this.x + screenX / this.zoom, y: this.y + screenY / this.zoom };
  }

  toScreen(x: number, y: number): { x: number; y: number } {
    return { x: (x - this.x) * this.zoom, y: (y - this.y) * this.zoom };
  }

  pan(dx: number, dy: number): void {
    this.x -= dx / this.zoom;
    this.y -= dy / this.zoom;
  }

  /** Zooms so that the board stays still under a point of the screen. */
  zoomTo(zoom: number, screenX: number, screenY: number): void {
    const at = this.toBoard(screenX, screenY);
    this.zoom = zoom;
    this.x = at.x - screenX / zoom;
    this.y = at.y - screenY / zoom;
  }

  step(direction: 1 | -1, screenX: number, screenY: number): void {
    const next =
      direction > 0 ? ZOOMS.find((z) => z > this.zoom * 1.001) : ZOOMS.findLast((z) => z < this.zoom * 0.999);
    if (next !== undefined) this.zoomTo(next, screenX, screenY);
  }

  /** Zooms by a factor, not beyond the zooms that there are. */
  zoomBy(factor: number, screenX: number, screenY: number): void {
    const least = ZOOMS[0] ?? 1;
    const most = ZOOMS.at(-1) ?? 1;
    this.zoomTo(Math.min(most, Math.max(least, this.zoom * factor)), screenX, screenY);
  }

  /** Goes to the zoom of the steps that is nearest. */
  settle(screenX: number, screenY: number): void {
    const far = (zoom: number): number => Math.abs(Math.log(zoom / this.zoom));
    const nearest = ZOOMS.reduce((best, zoom) => (far(zoom) < far(best) ? zoom : best));
    this.zoomTo(nearest, screenX, screenY);
  }

  /** Shows a box whole where nothing stands, with room around it. */
  fit(box: BoxView, room = Math.min(56, this.free.w / 8, this.free.h / 8)): void {
    const most = Math.min((this.free.w - 2 * room) / box.w, (this.free.h - 2 * room) / box.h);
    this.zoom = ZOOMS.findLast((z) => z <= most && z <= 4) ?? ZOOMS[0] ?? 1;
    this.center(box.x + box.w / 2, box.y + box.h / 2);
  }

  center(x: number, y: number): void {
    const { middle } = this;
    this.x = x - middle.x / this.zoom;
    this.y = y - middle.y / this.zoom;
  }

  /** Where a box of the board is on the screen. */
  boxOnScreen(box: BoxView): BoxView {
    return { ...this.toScreen(box.x, box.y), w: box.w * this.zoom, h: box.h * this.zoom };
  }

  copy(): { x: number; y: number; zoom: number } {
    return { x: this.x, y: this.y, zoom: this.zoom };
  }
}

/** The smallest box around boxes; null if there are none. */
export function around(boxes: BoxView[]): BoxView | null {
  if (boxes.length === 0) return null;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  const right = Math.max(...boxes.map((b) => b.x + b.w));
  const bottom = Math.max(...boxes.map((b) => b.y + b.h));
  return { x, y, w: right - x, h: bottom - y };
}

/** What two boxes share; null if nothing. */
export function shared(a: BoxView, b: BoxView): BoxView | null {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  const [w, h] = [Math.min(a.x + a.w, b.x + b.w) - x, Math.min(a.y + a.h, b.y + b.h) - y];
  return w > 0 && h > 0 ? { x, y, w, h } : null;
}
