import type { FindingsView } from '../core/types.gen';
import * as T from '../core/types.gen';
import type { Follower, Session } from '../core/session.svelte';

/** Milliseconds without a change after which it is looked for what is wrong. */
const PAUSE = 250;

/** What is wrong in the project, looked for anew after each change, once there is a pause. */
export class Findings implements Follower {
  /** What was found; null until it was looked for once. */
  view = $state.raw<FindingsView | null>(null);
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly session: Session) {
    session.follow(this);
  }

  opened(): void {
    this.soon();
  }

  changed(changed: number): void {
    if (changed & T.SCENE_CHANGED) this.soon();
  }

  closed(): void {
    clearTimeout(this.timer);
  }

  private soon(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.view = this.session.ask.findings({});
    }, PAUSE);
  }
}
