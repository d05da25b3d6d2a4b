import type { Core } from './bridge';
import { soon } from './soon';
import { REPLAYS_CHANGED, RERUN_LEFT, type ReplayView, type TrialView } from './types.gen';

/** Milliseconds of quiet before kept replays are played again. */
const QUIET = 200;
/** Milliseconds of a frame that are spent on it, and ticks between two glances at the clock. */
const SLICE = 4;
const TICKS = 30;

/** The replays that were kept, and what comes of them on the document as it is now. */
export class Replays {
  list = $state.raw<ReplayView[]>([]);
  /** One of them with other values, if any are tried. */
  trial = $state.raw<TrialView | null>(null);
  private core: Core | null = null;
  private timer = 0;

  /** @param broke is told when the core itself failed. */
  constructor(private readonly broke: (changed: number) => void) {}

  /** The document may have changed. Replays are played on it once it is left alone for a moment. */
  changed(core: Core): void {
    this.core = core;
    clearTimeout(this.timer);
    this.timer = window.setTimeout(() => soon(this.go), QUIET);
  }

  close(): void {
    clearTimeout(this.timer);
    this.core = null;
  }

  private readonly go = (): void => {
    const core = this.core;
    if (!core) return;
    let changed = core.rerun(0);
    for (const until = performance.now() + SLICE; changed > 0 && changed & RERUN_LEFT && performance.now() < until;) {
      const more = core.rerun(TICKS);
      changed = more < 0 ? more : (changed & REPLAYS_CHANGED) | more;
    }
    if (changed < 0) {
      this.broke(changed);
      return;
    }
    if (changed & REPLAYS_CHANGED || !(changed & RERUN_LEFT)) {
      const { kept, trial } = core.replays();
      this.list = kept;
      this.trial = trial;
    }
    if (changed & RERUN_LEFT) soon(this.go);
  };
}
