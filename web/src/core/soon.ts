import { pause } from './pause';

const waiting = new Set<() => void>();
let asked = false;

function run(): void {
  asked = false;
  const turns = [...waiting];
  waiting.clear();
  for (const turn of turns) turn();
}

// The frame that turns wait for may not come when the page is hidden meanwhile.
document.addEventListener('visibilitychange', () => document.hidden && run());

/** Does something with the next frame, once a frame. A page that nobody sees has none, and goes on by itself. */
export function soon(turn: () => void): void {
  waiting.add(turn);
  if (asked) return;
  asked = true;
  if (document.hidden) void pause().then(run);
  else requestAnimationFrame(run);
}
