/** Frames for which something is waited for that was opened and may have to be fetched. */
const FETCHING = 120;

/** Tells whether the designer still waits: no more from the next key or click on, for what comes later must not take those. */
export function waits(): () => boolean {
  const ended = new AbortController();
  const end = (event: Event): void => {
    if (!(event instanceof KeyboardEvent && event.repeat)) ended.abort();
  };
  for (const type of ['keydown', 'pointerdown']) addEventListener(type, end, { capture: true, signal: ended.signal });
  return () => !ended.signal.aborted;
}

/** Gives the keyboard to something that has just been opened, once it is there, unless the designer has gone on by then. */
export function focusOn(selector: string): void {
  let left = FETCHING;
  const waiting = waits();
  const look = (): void => {
    if (!waiting()) return;
    const found = document.querySelector<HTMLElement>(selector);
    if (found) found.focus();
    else if (left-- > 0) requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}
