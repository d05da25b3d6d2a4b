/** What was said to the designer, and when. */
export interface Message {
  id: number;
  text: string;
  at: number;
}

/** Milliseconds for which a message is shown, how many are at once, and how many can be read again. */
const SHOWN = 7_000;
const AT_ONCE = 4;
const KEPT = 100;

/** What is said to the designer: shown for a while, and kept to be read again. */
export class Messages {
  /** What is said at the moment. */
  shown = $state.raw<Message[]>([]);
  /** What was said since the page was opened, up to the last hundred. */
  told = $state.raw<Message[]>([]);
  private next = 1;

  say(text: string): void {
    const message = { id: this.next++, text, at: Date.now() };
    this.shown = [...this.shown.slice(1 - AT_ONCE), message];
    this.told = [...this.told.slice(1 - KEPT), message];
    setTimeout(() => (this.shown = this.shown.filter((m) => m !== message)), SHOWN);
  }
}
