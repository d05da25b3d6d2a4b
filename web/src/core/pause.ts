// Unlike timers, messages are not slowed down in pages that nobody sees.
const { port1, port2 } = new MessageChannel();
const paused: (() => void)[] = [];
port1.onmessage = () => paused.shift()?.();

/** Lets the page draw and listen before it goes on. */
export function pause(): Promise<void> {
  return new Promise((go) => {
    paused.push(go);
    port2.postMessage(null);
  });
}

/** Lets the page do all else that there is to do before it goes on, for a second at most. */
export function leisure(): Promise<void> {
  return new Promise((go) => {
    if ('requestIdleCallback' in window) requestIdleCallback(() => go(), { timeout: 1000 });
    else setTimeout(go, 50);
  });
}
