import type { Cut } from '../core/api';
import type { Sheet } from '../core/types.gen';
import type { Answer, Question } from './desk.worker';

const FAILED = 'The picture could not be read. Try a smaller one.';

/** The core in a worker of its own, which is ended with the desk: large pictures leave no memory behind. */
export class Cutter {
  private readonly worker = new Worker(new URL('./desk.worker.ts', import.meta.url), { type: 'module' });
  private readonly waiting = new Map<number, (sheet: Sheet) => void>();
  private next = 1;

  constructor() {
    this.worker.onmessage = (event: MessageEvent<Answer>) => {
      this.waiting.get(event.data.id)?.(event.data.sheet ?? this.failed());
      this.waiting.delete(event.data.id);
    };
    this.worker.onerror = () => {
      for (const answer of this.waiting.values()) answer(this.failed());
      this.waiting.clear();
    };
  }

  private failed(): Sheet {
    return { width: 0, height: 0, columns: 0, rows: 0, tiles: 0, empty: 0, places: [], error: FAILED };
  }

  private ask(question: Question, transfer: Transferable[] = []): Promise<Sheet> {
    return new Promise((resolve) => {
      this.waiting.set(question.id, resolve);
      this.worker.postMessage(question, transfer);
    });
  }

  open(bytes: ArrayBuffer): Promise<Sheet> {
    return this.ask({ id: this.next++, open: bytes }, [bytes]);
  }

  cut(cut: Cut): Promise<Sheet> {
    return this.ask({ id: this.next++, cut: { ...cut } });
  }

  end(): void {
    this.worker.terminate();
  }
}
