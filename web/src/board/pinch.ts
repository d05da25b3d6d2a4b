import type { Project } from '../project.svelte';

interface Place {
  x: number;
  y: number;
}

/** Two fingers on the board: they pan and zoom it, and lay nothing. */
export class Pinch {
  private fingers: { id: number; at: Place }[] = [];

  constructor(private readonly p: Project) {}

  /** Whether two fingers are down. */
  get active(): boolean {
    return this.fingers.length === 2;
  }

  /** Takes a finger that came down; places are those of the board's element. */
  down(id: number, at: Place): void {
    if (this.fingers.length < 2) this.fingers.push({ id, at });
  }

  /** Moves a finger. What lay between the two of them stays between them. */
  move(id: number, at: Place): void {
    const finger = this.fingers.find((f) => f.id === id);
    if (!finger) return;
    const before = this.middle();
    finger.at = at;
    const now = this.middle();
    if (!before || !now) return;
    this.p.viewport.moveCamera((c) => {
      c.pan(now.x - before.x, now.y - before.y);
      if (before.apart > 0 && now.apart > 0) c.zoomBy(now.apart / before.apart, now.x, now.y);
    });
  }

  /** Lets a finger go; the zoom settles on one at which pixels are sharp. */
  up(id: number): void {
    const middle = this.middle();
    this.fingers = this.fingers.filter((f) => f.id !== id);
    if (middle) this.p.viewport.moveCamera((c) => c.settle(middle.x, middle.y));
  }

  private middle(): (Place & { apart: number }) | null {
    const [a, b] = this.fingers.map((f) => f.at);
    if (!a || !b) return null;
    return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, apart: Math.hypot(a.x - b.x, a.y - b.y) };
  }
}
