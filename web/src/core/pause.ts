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
