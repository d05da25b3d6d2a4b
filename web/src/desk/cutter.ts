import type { Apart, Colours, Comparison, Cut, Parts, Sheet } from '../core/types.gen';
import type { Answer, Known, Question } from './desk.worker';

const FAILED = 'the picture could not be read: try a smaller one';

/** The core in a worker of its own, which is ended with the desk: large pictures leave no memory behind. */
export class Cutter {
  private readonly worker = new Worker(new URL('./desk.worker.ts', import.meta.url), { type: 'module' });
  private readonly waiting = new Map<number, (answer: Answer['answer']) => void>();
  private next = 1;

  constructor() {
    this.worker.onmessage = (event: MessageEvent<Answer>) => {
      this.waiting.get(event.data.id)?.(event.data.answer);
      this.waiting.delete(event.data.id);
    };
    this.worker.onerror = () => {
      for (const answer of this.waiting.values()) answer(null);
      this.waiting.clear();
    };
  }

  /** Throws an error with a text for people if the core can't say anything of the picture. */
  private async ask<T extends Known>(question: Question, transfer: Transferable[] = []): Promise<T> {
    const answer = await new Promise<Answer['answer']>((resolve) => {
      this.waiting.set(question.id, resolve);
      this.worker.postMessage(question, transfer);
    });
    if (!answer) throw new Error(FAILED);
    return answer as T;
  }

  open(bytes: ArrayBuffer, cellW: number, cellH: number): Promise<Sheet> {
    return this.ask({ id: this.next++, open: bytes, cellW, cellH }, [bytes]);
  }

  cut(cut: Cut): Promise<Sheet> {
    return this.ask({ id: this.next++, cut: { ...cut, crop: { ...cut.crop } } });
  }

  /** What became of the tiles of a tileset in the picture on the desk. */
  compare(strip: Uint8Array, cut: Cut): Promise<Comparison> {
    return this.ask({ id: this.next++, compare: { ...cut, crop: { ...cut.crop } }, strip });
  }

  /** What a finished map would be taken apart into. */
  apart(cut: Cut, apart: Apart): Promise<Parts> {
    return this.ask({ id: this.next++, apart: { cut: { ...cut, crop: { ...cut.crop } }, apart: { ...apart } } });
  }

  /** The colours of a picture in which each pixel is a cell. */
  colours(): Promise<Colours> {
    return this.ask({ id: this.next++, colours: true });
  }

  /** Which colour each pixel has, after they were asked for. */
  places(): Promise<Uint8Array> {
    return this.ask({ id: this.next++, places: true });
  }

  end(): void {
    this.worker.terminate();
  }
}
