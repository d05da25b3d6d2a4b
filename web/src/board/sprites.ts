import type { Project } from '../project.svelte';
import type { ReadingView } from '../core/types.gen';
import { tinted } from './tint';

/** Stands for the player among the types of pieces; see core/page. */
const FIGURE = 0;

/** Small pictures from the core, kept as canvases until the scene changes. */
export class Sprites {
  private kept = new Map<string, HTMLCanvasElement>();
  private of: unknown = null;

  constructor(private readonly p: Project) {}

  private get(name: string, make: () => ImageData | null): HTMLCanvasElement | null {
    if (this.of !== this.p.session.scene) {
      this.of = this.p.session.scene;
      this.kept.clear();
    }
    const have = this.kept.get(name);
    if (have) return have;
    const image = make();
    if (!image) return null;
    const canvas = document.createElement('canvas');
    canvas.width = image.width;
    canvas.height = image.height;
    canvas.getContext('2d')?.putImageData(image, 0, 0);
    this.kept.set(name, canvas);
    return canvas;
  }

  tile(n: number): HTMLCanvasElement | null {
    return n > 0 ? this.get(`tile ${n}`, () => this.p.session.tile(n)) : null;
  }

  figure(facing: number, frame: number): HTMLCanvasElement | null {
    return this.get(`figure ${facing} ${frame}`, () => this.p.session.sprite(FIGURE, facing, frame));
  }

  /** A frame of the sheet of a character. */
  character(who: string, frame: number): HTMLCanvasElement | null {
    return this.get(`character ${who} ${frame}`, () => this.p.session.ask.characterPicture({ character: who, frame }));
  }

  /** What a piece looks like in another tint; as it is without one. */
  tinted(name: string, picture: HTMLCanvasElement | null, tint: string): HTMLCanvasElement | null {
    if (tint === '' || !picture) return picture;
    const key = `${name} in ${tint}`;
    const have = this.kept.get(key);
    if (have) return have;
    const made = tinted(picture, tint);
    this.kept.set(key, made);
    return made;
  }

  /** A frame of a picture that a piece has of its own. */
  seen(picture: number, frame: number): HTMLCanvasElement | null {
    return this.get(`seen ${picture} ${frame}`, () => this.p.session.ask.piecePicture({ picture, frame }));
  }

  /** The box that the player reads now. */
  reading({ text, more, choices, chosen }: ReadingView): HTMLCanvasElement | null {
    const key = `reading ${String(more)} ${String(chosen)} ${[text, ...choices].join('\n')}`;
    return this.get(key, () => this.p.session.ask.readingPicture());
  }

  /** What a piece looks like in play; null if it is not seen there. */
  piece(type: string, state: number): HTMLCanvasElement | null {
    return this.get(`piece ${type} ${state}`, () => this.p.session.sprite(Number(type), 0, state));
  }
}
