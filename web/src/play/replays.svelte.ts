import type { Core } from '../core/bridge';
import { beginReruns, compile } from '../core/module';
import { soon } from '../core/soon';
import type { ReplaysView, ReplayView, TrialView } from '../core/types.gen';

/** Milliseconds of quiet before kept replays are played again. */
const QUIET = 200;
/** Milliseconds of a frame in which it is told what is new, and cells between two glances at the clock. */
const SLICE = 4;
const CELLS = 5_000;
/** How often a worker that failed is begun anew, and milliseconds without a sign of it until it has failed. */
const TRIES = 3;
const SILENCE = 20_000;

/** The replays that were kept, and what comes of them on the document as it is now: a worker plays them. */
export class Replays {
  list = $state.raw<ReplayView[]>([]);
  /** One of them with other values, if any are tried. */
  trial = $state.raw<TrialView | null>(null);
  private core: Core | null = null;
  private worker: Worker | null = null;
  private timer = 0;
  private silence = 0;
  private failures = 0;

  /**
   * @param say tells the designer something.
   * @param broke is told when the page's own core failed.
   */
  constructor(
    private readonly say: (text: string) => void,
    private readonly broke: () => void,
  ) {}

  /** The document may have changed. The worker is told of it once it is left alone for a moment. */
  changed(core: Core): void {
    if (core !== this.core) this.end();
    this.core = core;
    clearTimeout(this.timer);
    this.timer = window.setTimeout(() => soon(this.tell), QUIET);
  }

  close(): void {
    clearTimeout(this.timer);
    this.end();
    this.core = null;
  }

  private end(): void {
    clearTimeout(this.silence);
    this.worker?.terminate();
    this.worker = null;
  }

  private readonly tell = (): void => {
    const core = this.core;
    if (!core || this.failures >= TRIES) return;
    let more = true;
    for (const until = performance.now() + SLICE; more && performance.now() < until;) {
      const told = core.handOver(CELLS);
      if (told.broken) {
        this.broke();
        return;
      }
      more = told.more;
      if (told.message) this.send(told.message);
    }
    if (more) soon(this.tell);
  };

  private send(message: Uint8Array<ArrayBuffer>): void {
    if (!this.worker) {
      const worker = beginReruns();
      this.worker = worker;
      worker.onmessage = (event: MessageEvent<string | boolean | null>) => {
        if (worker !== this.worker) return;
        this.listen(event.data !== false);
        if (event.data === null) this.failed();
        else if (typeof event.data === 'string') this.show(JSON.parse(event.data) as ReplaysView);
      };
      worker.onerror = () => worker === this.worker && this.failed();
      compile().then(
        (module) => worker.postMessage(module),
        () => this.failed(),
      );
    }
    this.worker.postMessage(message, [message.buffer]);
    this.listen(true);
  }

  /** A worker that is at work gives signs of it; one that does not has failed. */
  private listen(working: boolean): void {
    clearTimeout(this.silence);
    if (working) this.silence = window.setTimeout(() => this.failed(), SILENCE);
  }

  private show(view: ReplaysView): void {
    this.list = view.kept;
    this.trial = view.trial;
  }

  /** Begins anew from the document. */
  private failed(): void {
    this.end();
    this.core?.handOverAnew();
    if (++this.failures < TRIES) soon(this.tell);
    else this.say('The kept replays can not be played again in this page. Reload it; nothing of them is lost.');
  }
}
