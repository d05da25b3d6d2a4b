import type { Cut, Sheet } from '../core/types.gen';
import type { Answer, Question } from './desk.worker';

const FAILED = 'the picture could not be read: try a smaller one';

/** The core in a worker of its own, which is ended with the desk: large pictures leave no memory behind. */
export class Cutter {
  private readonly worker = new Worker(new URL('./desk.worker.ts', import.meta.url), { type: 'module' });
  private readonly waiting = new Map<number, (sheet: Sheet | null) => void>();
  private next = 1;

  constructor() {
    this.worker.onmessage = (event: MessageEvent<Answer>) => {
      this.waiting.get(event.data.id)?.(event.data.sheet);
      this.waiting.delete(event.data.id);
    };
    this.worker.onerror = () => {
      for (const answer of this.waiting.values()) answer(null);
      this.waiting.clear();
    };
  }

  /** Throws an error with a text for people if the core can't say anything of the picture. */
  private async ask(question: Question, transfer: Transferable[] = []): Promise<Sheet> {
    const sheet = await new Promise<Sheet | null>((resolve) => {
      this.waiting.set(question.id, resolve);
      this.worker.postMessage(question, transfer);
    });
    if (!sheet) throw new Error(FAILED);
    return sheet;
  }

  open(bytes: ArrayBuffer, cellW: number, cellH: number): Promise<Sheet> {
    return this.ask({ id: this.next++, open: bytes, cellW, cellH }, [bytes]);
  }

  cut(cut: Cut): Promise<Sheet> {
    return this.ask({ id: this.next++, cut: { ...cut, crop: { ...cut.crop } } });
  }

  end(): void {
    this.worker.terminate();
  }
}
