import type { BitmapKey, Core } from '../core/bridge';
import type { MapView, Scene } from '../core/types.gen';
import type { Camera } from './camera';

interface Kept {
  key: BitmapKey;
  canvas: HTMLCanvasElement;
  context: CanvasRenderingContext2D;
  checked: number;
  used: number;
}

/** Bytes of bitmaps that are kept. */
const BUDGET = 96 << 20;
/** Milliseconds of a frame in which the core may draw; what is missing then comes with the next frames. */
const DRAWING = 5;
/** The same before all in view was drawn for the first time, when nobody can be held up yet. */
const FIRST_DRAWING = 24;

/** What of a map is in view, in its own pixels, and how its bitmaps divide it. */
interface View {
  map: MapView;
  mask: [number, number];
  level: number;
  w: number;
  h: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
}

const nameOf = (k: BitmapKey): string => `${k.map}/${k.low}/${k.high}/${k.level}/${k.x}/${k.y}`;

/** The pictures of maps that the core has drawn, kept as canvases. */
export class Bitmaps {
  private readonly kept = new Map<string, Kept>();
  /** A canvas that was given up is taken for the next: its memory would be given back late. */
  private spare: CanvasRenderingContext2D | null = null;
  private frame = 0;
  private until = 0;
  /** Counts changes of cells: a bitmap checked at this count is current. */
  version = 0;
  /** Whether all in view was drawn once. */
  settled = false;

  constructor(private readonly core: Core) {}

  /** Gives the memory of all of them back at once. */
  clear(): void {
    for (const { canvas } of this.kept.values()) canvas.width = canvas.height = 0;
    this.kept.clear();
    this.spare = null;
  }

  /** Whether this is the first frame of all. */
  get first(): boolean {
    return this.frame === 1;
  }

  begin(): void {
    this.frame++;
    // The first frames have all else to draw for the first time.
    const budget = this.settled ? DRAWING : this.frame <= 2 ? 0 : FIRST_DRAWING;
    this.until = performance.now() + budget;
  }

  /** Draws a map's layers. Returns false if something was left for the next frame. */
  draw(context: CanvasRenderingContext2D, scene: Scene, map: MapView, mask: [number, number], camera: Camera): boolean {
    const ratio = devicePixelRatio;
    const finest = Math.max(0, Math.floor(-Math.log2(camera.zoom * ratio) + 0.001));
    const level = Math.min(finest, scene.bitmap.levels - 1);
    const { cellW, cellH } = scene.project;
    const side = scene.bitmap.baseCells << level;
    const w = side * cellW;
    const h = side * cellH;
    const end = camera.toBoard(camera.width, camera.height);
    const left = Math.max(camera.x, map.x) - map.originX;
    const top = Math.max(camera.y, map.y) - map.originY;
    const right = Math.min(end.x, map.x + map.w) - map.originX;
    const bottom = Math.min(end.y, map.y + map.h) - map.originY;
    if (right <= left || bottom <= top) return true;
    let all = true;
    const whole = (n: number): number => Math.round(n * ratio) / ratio;
    context.imageSmoothingEnabled = camera.zoom * ratio < 1;
    for (let y = Math.floor(top / h); y * h < bottom; y++) {
      for (let x = Math.floor(left / w); x * w < right; x++) {
        const kept = this.get(scene, { map: map.id, low: mask[0], high: mask[1], level, x, y });
        if (!kept) {
          all = false;
          continue;
        }
        all = all && kept.checked === this.version;
        // Both ends stand on whole pixels, so that no seam is seen between two of them.
        const at = camera.toScreen(map.originX + x * w, map.originY + y * h);
        const end = camera.toScreen(map.originX + (x + 1) * w, map.originY + (y + 1) * h);
        const [x0, y0, x1, y1] = [whole(at.x), whole(at.y), whole(end.x), whole(end.y)];
        context.drawImage(kept.canvas, x0, y0, x1 - x0, y1 - y0);
      }
    }
    return all && this.ahead(scene, { map, mask, level, w, h, left, top, right, bottom });
  }

  /** Makes one bitmap of the ring around the view, while there is time. */
  private ahead(scene: Scene, view: View): boolean {
    const { map, mask, level, w, h } = view;
    const inside = (v: number, from: number, length: number): boolean => v < from + length && v + 1 > from;
    for (let y = Math.floor(view.top / h) - 1; y * h < view.bottom + h; y++) {
      for (let x = Math.floor(view.left / w) - 1; x * w < view.right + w; x++) {
        const within =
          inside(x, (map.x - map.originX) / w, map.w / w) && inside(y, (map.y - map.originY) / h, map.h / h);
        const key = { map: map.id, low: mask[0], high: mask[1], level, x, y };
        if (!within || this.kept.get(nameOf(key))) continue;
        this.get(scene, key);
        return false;
      }
    }
    return true;
  }

  private get(scene: Scene, key: BitmapKey): Kept | null {
    const name = nameOf(key);
    let kept = this.kept.get(name);
    if (!kept) {
      if (performance.now() >= this.until) return null;
      const width = scene.bitmap.baseCells * scene.project.cellW;
      const height = scene.bitmap.baseCells * scene.project.cellH;
      this.evict(width * height * 4);
      const context = this.canvas(width, height);
      if (!context) return null;
      kept = { key, canvas: context.canvas, context, checked: -1, used: 0 };
      this.kept.set(name, kept);
    }
    while (kept.checked !== this.version && performance.now() <= this.until) {
      if (this.core.refresh(key, kept.context)) kept.checked = this.version;
    }
    kept.used = this.frame;
    return kept;
  }

  private canvas(width: number, height: number): CanvasRenderingContext2D | null {
    const { spare } = this;
    this.spare = null;
    if (spare?.canvas.width === width && spare.canvas.height === height) {
      spare.clearRect(0, 0, width, height);
      return spare;
    }
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    // Read often, as it is drawn on the board: without this it would be kept twice.
    return canvas.getContext('2d', { willReadFrequently: true });
  }

  /** Gives up the bitmap not used for longest, if another would be too many. */
  private evict(bytes: number): void {
    const most = Math.max(8, Math.floor(BUDGET / bytes));
    if (this.kept.size < most) return;
    let oldest: [string, Kept] | null = null;
    for (const entry of this.kept) {
      if (entry[1].used < this.frame && entry[1].checked >= 0 && (!oldest || entry[1].used < oldest[1].used)) {
        oldest = entry;
      }
    }
    if (!oldest) return;
    this.core.forget(oldest[1].key);
    this.spare = oldest[1].context;
    this.kept.delete(oldest[0]);
  }
}
