import type { Apart, Colours, Comparison, Cut, Parts, Sheet } from '../core/types.gen';
import { within } from '../core/within';
import type { Answer, Known, Question } from './desk.worker';

const FAILED = 'the picture could not be read: try a smaller one';
const MISSING =
  'The part of Azzel that reads pictures could not be fetched. Start the server again if it has stopped, then try once more.';
const STUCK = 'Reading the picture took over two minutes and was given up: try a smaller one.';
/** Milliseconds until the worker is given up. */
const PATIENCE = 120_000;

/** A question without its number. */
type Asked = Question extends infer Q ? (Q extends Question ? Omit<Q, 'id'> : never) : never;

/** The core in a worker of its own, which is ended with the desk: large pictures leave no memory behind. */
export class Cutter {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, (answer: Answer['answer']) => void>();
  private next = 1;

  private begin(): Worker {
    const worker = new Worker(new URL('./desk.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = (event: MessageEvent<Answer>) => {
      this.waiting.get(event.data.id)?.(event.data.answer);
      this.waiting.delete(event.data.id);
    };
    worker.onerror = () => this.end();
    return worker;
  }

  /** Throws an error with a text for people if the core can't say anything of the picture. */
  private async ask<T extends Known>(asked: Asked, transfer: Transferable[] = []): Promise<T> {
    const worker = (this.worker ??= this.begin());
    const question = { id: this.next++, ...asked } as Question;
    const answer = await within(
      PATIENCE,
      STUCK,
      new Promise<Answer['answer']>((resolve) => {
        this.waiting.set(question.id, resolve);
        worker.postMessage(question, transfer);
      }),
    ).catch((failure: unknown) => {
      this.end();
      throw failure;
    });
    // A worker whose module did not come is begun anew with the next question.
    if (answer === 'missing') this.end();
    if (answer === 'missing') throw new Error(MISSING);
    if (!answer) throw new Error(FAILED);
    return answer as T;
  }

  open(bytes: ArrayBuffer, cellW: number, cellH: number): Promise<Sheet> {
    return this.ask({ open: bytes, cellW, cellH }, [bytes]);
  }

  cut(cut: Cut): Promise<Sheet> {
    return this.ask({ cut: { ...cut, crop: { ...cut.crop } } });
  }

  /** What became of the tiles of a tileset in the picture on the desk. */
  compare(strip: Uint8Array, cut: Cut): Promise<Comparison> {
    return this.ask({ compare: { ...cut, crop: { ...cut.crop } }, strip });
  }

  /** What a finished map would be taken apart into. */
  apart(cut: Cut, apart: Apart): Promise<Parts> {
    return this.ask({ apart: { cut: { ...cut, crop: { ...cut.crop } }, apart: { ...apart } } });
  }

  /** The colours of a picture in which each pixel is a cell. */
  colours(): Promise<Colours> {
    return this.ask({ colours: true });
  }

  /** Which colour each pixel has, after they were asked for. */
  places(): Promise<Uint8Array> {
    return this.ask({ places: true });
  }

  end(): void {
    this.worker?.terminate();
    this.worker = null;
    for (const answer of this.waiting.values()) answer(null);
    this.waiting.clear();
  }
}
