/** Milliseconds between two turns of a page that nobody sees. */
const HIDDEN_TURN = 8;

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

/** Does something with the next frame, once a frame. A page that nobody sees has none, and goes by the clock. */
export function soon(turn: () => void): void {
  waiting.add(turn);
  if (asked) return;
  asked = true;
  if (document.hidden) setTimeout(run, HIDDEN_TURN);
  else requestAnimationFrame(run);
}

/** Lets the page draw and listen before it goes on. */
export function pause(): Promise<void> {
  return new Promise((go) => setTimeout(go));
}
