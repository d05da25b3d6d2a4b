import type { Core } from '../core/bridge';
import { heldOnGamepads } from './gamepad';
import { PLAY_HELD, TICKS_PER_SECOND } from '../core/types.gen';

const TICK = 1000 / TICKS_PER_SECOND;
/** Milliseconds of a frame that took longer are not caught up. */
const LONGEST_FRAME = 250;
/** Ticks of a frame at most, however fast it plays. */
const MOST_TICKS = 16;

/** How many times as fast as usual one can play. */
export const SPEEDS = [0.25, 0.5, 1, 2, 4] as const;

/** How time passes in a game: what it is given each tick, and how many ticks a frame. */
export class Clock {
  paused = $state(false);
  speed = $state<number>(1);
  /** What is held down on the keyboard; see core/play. */
  input = 0;
  /** What is held down on the pad on the screen, and whether that is shown. */
  pad = $state(0);
  padShown = $state(false);
  /** What each finger holds on the pad, by the id of its pointer. */
  private fingers: Record<number, number> = {};
  private until = 0;

  begin(): void {
    this.paused = false;
    this.speed = 1;
    this.input = 0;
    this.pad = 0;
    this.fingers = {};
  }

  /** Says what a finger holds on the pad now; 0 for nothing. */
  holdOnPad(finger: number, input: number): void {
    this.fingers[finger] = input;
    let all = 0;
    for (const held of Object.values(this.fingers)) all |= held;
    this.pad = all;
  }

  /** Whether a finger holds something on the pad. */
  onPad(finger: number): boolean {
    return (this.fingers[finger] ?? 0) > 0;
  }

  /** What the game is given in a tick. */
  get held(): number {
    return this.input | this.pad | heldOnGamepads();
  }

  /** Lets as many ticks pass as time has. Gives what has changed. */
  pass(now: number, core: Core, input: number): number {
    const tick = TICK / this.speed;
    if (this.paused || now - this.until > LONGEST_FRAME) this.until = now - (this.paused ? 0 : tick);
    let changed = 0;
    for (let n = 0; this.until + tick <= now && n < MOST_TICKS; n++) {
      this.until += tick;
      changed |= core.tick(input);
      if (changed & PLAY_HELD) {
        this.paused = true;
        break;
      }
    }
    return changed;
  }
}
