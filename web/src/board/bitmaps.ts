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
/** New bitmaps a frame; what is missing shows coarser until the next. */
const NEW_A_FRAME = 2;

/** Layers of a map as two words of bits, the lowest layer's first. */
export function maskOf(map: MapView, shown: (index: number) => boolean): [number, number] {
  let low = 0;
  let high = 0;
  map.layers.forEach((_, i) => {
    if (!shown(i)) return;
    if (i < 32) low |= 1 << i;
    else high |= 1 << (i - 32);
  });
  return [low >>> 0, high >>> 0];
}

/** The pictures of maps that the core has drawn, kept as canvases. */
export class Bitmaps {
  private readonly kept = new Map<string, Kept>();
  private fresh = 0;
  private frame = 0;
  /** Counts changes of cells: a bitmap checked at this count is current. */
  version = 0;

  constructor(private readonly core: Core) {}

  begin(): void {
    this.frame++;
    this.fresh = 0;
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
    let whole = true;
    context.imageSmoothingEnabled = camera.zoom * ratio < 1;
    for (let y = Math.floor(top / h); y * h < bottom; y++) {
      for (let x = Math.floor(left / w); x * w < right; x++) {
        const kept = this.get(scene, { map: map.id, low: mask[0], high: mask[1], level, x, y });
        if (!kept) {
          whole = false;
          continue;
        }
        const at = camera.toScreen(map.originX + x * w, map.originY + y * h);
        context.drawImage(
          kept.canvas,
          Math.round(at.x * ratio) / ratio,
          Math.round(at.y * ratio) / ratio,
          w * camera.zoom,
          h * camera.zoom,
        );
      }
    }
    return whole;
  }

  private get(scene: Scene, key: BitmapKey): Kept | null {
    const name = `${key.map}/${key.low}/${key.high}/${key.level}/${key.x}/${key.y}`;
    let kept = this.kept.get(name);
    if (!kept) {
      if (this.fresh >= NEW_A_FRAME) return null;
      this.fresh++;
      const canvas = document.createElement('canvas');
      canvas.width = scene.bitmap.baseCells * scene.project.cellW;
      canvas.height = scene.bitmap.baseCells * scene.project.cellH;
      const context = canvas.getContext('2d');
      if (!context) return null;
      kept = { key, canvas, context, checked: -1, used: 0 };
      this.kept.set(name, kept);
      this.evict(canvas.width * canvas.height * 4);
    }
    if (kept.checked !== this.version) {
      this.core.refresh(key, kept.context);
      kept.checked = this.version;
    }
    kept.used = this.frame;
    return kept;
  }

  private evict(bytes: number): void {
    const most = Math.max(8, Math.floor(BUDGET / bytes));
    if (this.kept.size <= most) return;
    let oldest: [string, Kept] | null = null;
    for (const entry of this.kept) {
      if (entry[1].used < this.frame && entry[1].checked >= 0 && (!oldest || entry[1].used < oldest[1].used)) {
        oldest = entry;
      }
    }
    if (!oldest) return;
    this.core.forget(oldest[1].key);
    this.kept.delete(oldest[0]);
  }
}
