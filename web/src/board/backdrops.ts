import { tinted } from './tint';
import type { Session } from '../core/session.svelte';
import type { Viewport } from './viewport.svelte';
import { fetchBlob } from '../core/api';
import type { BackdropView, LayerLook, MapView } from '../core/types.gen';

/** Pictures laid side by side that are drawn one by one; more go as a pattern. */
const MOST = 400;
/** The longer side of a backdrop in small pictures of maps, in pixels. */
const SMALL = 512;

/** The pictures behind layers, fetched once and kept. */
export class Backdrops {
  private readonly pictures = new Map<string, ImageBitmap | null>();
  private readonly tinted = new Map<string, HTMLCanvasElement>();
  /** Whether any that was drawn moves by itself. */
  drifting = false;

  constructor(
    private readonly session: Session,
    private readonly viewport: Viewport,
  ) {}

  private picture(sum: string): ImageBitmap | null {
    const have = this.pictures.get(sum);
    if (have !== undefined) return have;
    this.pictures.set(sum, null);
    void this.fetch(sum);
    return null;
  }

  private async fetch(sum: string): Promise<void> {
    try {
      const bytes = await fetchBlob(this.session.id, sum);
      const picture = await createImageBitmap(new Blob([new Uint8Array(bytes)]));
      this.pictures.set(sum, picture);
      this.viewport.draw();
      const small = smaller(picture);
      if (small) {
        const pixels = new Uint8Array(small.data.buffer);
        void this.session.orders.addBackdrop({ sum, w: small.width, h: small.height }, pixels);
      }
    } catch (failure) {
      this.session.say((failure as Error).message);
    }
  }

  /** The picture with the layer's tint multiplied in. */
  private source(look: LayerLook): CanvasImageSource | null {
    const picture = this.picture(look.backdrop.picture);
    if (!picture || look.tint === '') return picture;
    const name = `${look.backdrop.picture} ${look.tint}`;
    const have = this.tinted.get(name);
    if (have) return have;
    const made = tinted(picture, look.tint);
    this.tinted.set(name, made);
    return made;
  }

  /** Draws a layer's backdrop, which begins at a place from the corner of the map, in pixels of the board. */
  draw(context: CanvasRenderingContext2D, map: MapView, look: LayerLook, place: { x: number; y: number }): void {
    const { camera } = this.viewport;
    const { backdrop } = look;
    const source = this.source(look);
    if (!source) return;
    if (backdrop.driftX !== 0 || backdrop.driftY !== 0) this.drifting = true;
    const size = sizeOf(backdrop, map);
    const [left, top] = [map.x + place.x, map.y + place.y];
    context.globalAlpha = 1 - look.fade / 100;
    context.imageSmoothingEnabled = camera.zoom * devicePixelRatio < 1;
    const columns = range(
      left,
      size.w,
      Math.max(map.x, camera.x),
      Math.min(map.x + map.w, camera.x + camera.width / camera.zoom),
      backdrop.repeatX,
    );
    const rows = range(
      top,
      size.h,
      Math.max(map.y, camera.y),
      Math.min(map.y + map.h, camera.y + camera.height / camera.zoom),
      backdrop.repeatY,
    );
    if (columns.length * rows.length <= MOST) {
      for (const y of rows) {
        for (const x of columns) {
          const at = camera.toScreen(x, y);
          context.drawImage(source, at.x, at.y, size.w * camera.zoom, size.h * camera.zoom);
        }
      }
    } else this.pattern(context, source, left, top, map);
    context.globalAlpha = 1;
  }

  private pattern(
    context: CanvasRenderingContext2D,
    source: CanvasImageSource,
    x: number,
    y: number,
    map: MapView,
  ): void {
    const { camera } = this.viewport;
    const pattern = context.createPattern(source, 'repeat');
    if (!pattern) return;
    const at = camera.toScreen(x, y);
    pattern.setTransform(new DOMMatrix([camera.zoom, 0, 0, camera.zoom, at.x, at.y]));
    context.fillStyle = pattern;
    const corner = camera.toScreen(map.x, map.y);
    context.fillRect(corner.x, corner.y, map.w * camera.zoom, map.h * camera.zoom);
  }
}

/** A picture's pixels, of which there need not be many in small pictures of maps. */
function smaller(picture: ImageBitmap): ImageData | null {
  const scale = Math.min(1, SMALL / Math.max(picture.width, picture.height));
  const [w, h] = [picture.width, picture.height].map((n) => Math.max(1, Math.round(n * scale)));
  const context = new OffscreenCanvas(w ?? 1, h ?? 1).getContext('2d');
  context?.drawImage(picture, 0, 0, w ?? 1, h ?? 1);
  return context?.getImageData(0, 0, w ?? 1, h ?? 1) ?? null;
}

function sizeOf(backdrop: BackdropView, map: MapView): { w: number; h: number } {
  if (!backdrop.stretch) return { w: backdrop.w, h: backdrop.h };
  return { w: map.w, h: map.h };
}

/** Where pictures of a length begin that are seen between two places; one alone if it does not repeat. */
function range(start: number, length: number, from: number, to: number, repeats: boolean): number[] {
  if (!repeats) return [start];
  const list: number[] = [];
  const first = start + Math.floor((from - start) / length) * length;
  for (let at = first; at < to && list.length <= MOST; at += length) list.push(at);
  return list;
}
