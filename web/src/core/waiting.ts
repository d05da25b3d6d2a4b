import type { Reply } from './types.gen';

/** Those who wait for the replies to orders, by the tickets that go with these. */
export class Waiting {
  private readonly list = new Map<number, (reply: Reply) => void>();
  private tickets = 0;

  /** A ticket for an order, and the reply that will come for it. */
  next(): { ticket: number; reply: Promise<Reply> } {
    const ticket = ++this.tickets;
    return { ticket, reply: new Promise((done) => this.list.set(ticket, done)) };
  }

  /** Hands a reply to whoever waits for it. */
  answer(reply: Reply): void {
    this.list.get(reply.ticket)?.(reply);
    this.list.delete(reply.ticket);
  }

  /** Tells all who wait that what they asked for was not done, and why. */
  refuse(why: string): void {
    for (const ticket of [...this.list.keys()]) this.answer({ ticket, changed: 0, made: [], refused: why });
  }
}
