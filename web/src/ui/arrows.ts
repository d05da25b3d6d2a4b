/**
 * Lets the arrows, Home and End go along the buttons of a toolbar, of which Tab stops at one: the one that had the focus last.
 * Buttons may come and go.
 */
export function arrows(toolbar: HTMLElement): { destroy: () => void } {
  let current: HTMLElement | undefined;

  const buttons = (): HTMLElement[] =>
    [...toolbar.querySelectorAll<HTMLElement>('button:not(:disabled)')].filter((b) => b.offsetParent !== null);

  function settle(): void {
    const all = buttons();
    if (!current || !all.includes(current)) current = all[0];
    for (const button of all) button.tabIndex = button === current ? 0 : -1;
  }

  function focused(event: FocusEvent): void {
    if (event.target instanceof HTMLButtonElement) current = event.target;
    settle();
  }

  function key(event: KeyboardEvent): void {
    // What else stands there, as a slider, has arrows of its own.
    if (!(event.target instanceof HTMLButtonElement)) return;
    const all = buttons();
    const at = current ? all.indexOf(current) : -1;
    const to = { ArrowRight: at + 1, ArrowDown: at + 1, ArrowLeft: at - 1, ArrowUp: at - 1, Home: 0, End: -1 }[
      event.key
    ];
    if (to === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    all.at(to % all.length)?.focus();
  }

  const watcher = new MutationObserver(settle);
  watcher.observe(toolbar, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
  toolbar.addEventListener('focusin', focused);
  toolbar.addEventListener('keydown', key);
  settle();
  return { destroy: () => watcher.disconnect() };
}
