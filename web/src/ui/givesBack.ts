/** The board has the focus where nothing else is to have it. */
const board = (): HTMLElement | null => document.querySelector('[data-board]');

/** Gives the focus back, when a part of the page is closed that had it, to what had it when that was opened, or to the board. */
export function givesBack(part: HTMLElement): { destroy: () => void } {
  const opener = document.activeElement;
  let inside = false;
  part.addEventListener('focusin', () => (inside = true));
  part.addEventListener('focusout', (event) => (inside = event.relatedTarget === null));
  return {
    destroy() {
      const lost = document.activeElement === document.body || part.contains(document.activeElement);
      if (!inside || !lost) return;
      const to = opener instanceof HTMLElement && opener !== document.body && opener.isConnected ? opener : board();
      to?.focus();
    },
  };
}
