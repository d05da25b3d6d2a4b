import { fetchAhead, keptPictures } from './api';
import { answer, bytesOf } from './ask';
import type { Core } from './bridge';
import { soon } from './soon';
import * as sessions from './sessions';
import { SOCKET_BYTES, type Problem } from './types.gen';
import { wait } from './within';

export interface Listener {
  /** Messages came, in this order. */
  received(messages: Uint8Array[]): void;
  /** The socket opened or closed. */
  connected(open: boolean): void;
  /** What it waits for while it is closed, and in words for people why. */
  waits(away: Away, why: string): void;
  /** The page must open the project anew: it is too far behind, or comes from another database. */
  anew(other: boolean): void;
  /** This browser keeps nothing for the page. */
  unkept(why: string): void;
}

/** What a page waits for that is not connected. */
export type Away = 'the server' | 'the database' | 'another server';

/** What the server says by closing a socket. */
const CLOSE_ANEW = 4001;
const CLOSE_OTHER = 4002;

/** Milliseconds that what is to be sent and kept has when a project is left. */
const LEAVING = 2_000;

/** Carries messages between the page's core and the server, and keeps what is not answered yet. */
export class Connection {
  private socket: WebSocket | null = null;
  private delay = 200;
  private ended = false;
  private readonly unanswered = new Map<number, Uint8Array<ArrayBuffer>>();
  private sending: Promise<void> = Promise.resolve();
  private session = '';
  /** The database that the session is of; empty if that is not known. */
  private database = '';
  /** Ends when the session is noted in this profile, which comes before anything is queued, and all that was queued is. */
  private kept: Promise<void> = Promise.resolve();

  constructor(
    private readonly project: string,
    private readonly listener: Listener,
  ) {
    sessions.onFault((why) => this.listener.unkept(why));
  }

  private get base(): string {
    return `/api/projects/${this.project}`;
  }

  /** Opens the project in a fresh core. Throws an error with a text for people. */
  async open(starting: Promise<Core>): Promise<Core> {
    if (this.session === '') {
      const taken = await sessions.claim(this.project);
      if (this.ended) {
        if (taken) sessions.release(taken.session, Promise.resolve());
        throw new Error('The project was left.');
      }
      // From here on whoever leaves lets go of it.
      this.session = taken?.session ?? '';
      this.database = taken?.database ?? '';
    }
    const claimed = this.session;
    const response = await answer(`${this.base}/opening?session=${claimed}&database=${this.database}`);
    const session = response.headers.get('Azzel-Session') ?? '';
    const database = response.headers.get('Azzel-Database') ?? '';
    if (claimed !== '' && session !== claimed) {
      // It is a session of another database: what it did not send belongs there.
      await this.disown(null);
    }
    fetchAhead(this.project, response.headers.get('Azzel-Pictures') ?? '');
    const opening = await bytesOf(response);
    const fresh = session !== claimed;
    const queue =
      this.unanswered.size > 0
        ? [...this.unanswered.values()]
        : fresh
          ? []
          : await sessions.queued(this.project, session);
    this.session = session;
    this.database = database;
    this.kept = this.ended ? Promise.resolve() : sessions.keep(this.project, session, database, fresh);
    const [core] = await Promise.all([starting, fresh ? undefined : this.kept]);
    performance.mark('azzel-core');
    const failure = await core.open(opening, queue);
    if (failure) throw new Error(failure);
    await this.takeUp(core);
    this.settle(core, true);
    return core;
  }

  /**
   * Gives up the session, which is of another database. What the page showed is kept as a copy, which it gives; what an
   * earlier page had not sent is kept as steps.
   */
  async disown(shown: Uint8Array<ArrayBuffer> | null): Promise<sessions.Shown | null> {
    const { session } = this;
    await this.kept;
    const steps = shown ? [] : await sessions.queued(this.project, session);
    const copy = shown ? { document: new Blob([shown]), pictures: await keptPictures(this.project) } : null;
    await sessions.disown(this.project, session, copy, steps);
    sessions.release(session, Promise.resolve());
    this.unanswered.clear();
    this.session = '';
    this.database = '';
    return copy;
  }

  /** Keeps aside what could not be taken up of the queue, which goes on without it. */
  private async takeUp(core: Core): Promise<void> {
    const aside = core.setAside();
    if (aside.length === 0) return;
    core.resend();
    this.unanswered.clear();
    for (let message = core.outgoing(); message; message = core.outgoing()) {
      this.unanswered.set(message.sequence, message.bytes);
    }
    await sessions.setAside(this.project, this.session, aside, this.unanswered);
  }

  /** What this session did before one of its steps, as far as the server gives it at a time. */
  async earlier(before: number): Promise<Uint8Array> {
    return bytesOf(await answer(`${this.base}/steps?session=${this.session}&before=${before}`));
  }

  /** Connects, and connects again whenever the socket closes. */
  connect(core: Core): void {
    if (this.ended) return;
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws';
    const address = `${scheme}://${location.host}${this.base}/socket?session=${this.session}&revision=${core.revision()}&database=${this.database}`;
    const socket = new WebSocket(address);
    socket.binaryType = 'arraybuffer';
    this.socket = socket;
    socket.onopen = () => {
      if (socket !== this.socket || this.ended) return;
      this.delay = 200;
      this.listener.connected(true);
      core.resend();
      this.flush(core);
    };
    const inbox: Uint8Array[] = [];
    const receive = (): void => {
      if (socket !== this.socket || this.ended || inbox.length === 0) return;
      this.listener.received(inbox.splice(0));
    };
    socket.onmessage = (event: MessageEvent<ArrayBuffer>) => {
      // All that came since the last frame is taken together.
      if (inbox.push(new Uint8Array(event.data)) === 1) soon(receive);
    };
    socket.onclose = ({ code }) => {
      if (socket !== this.socket || this.ended) return;
      this.listener.connected(false);
      if (code === CLOSE_ANEW || code === CLOSE_OTHER) {
        this.socket = null;
        this.listener.anew(code === CLOSE_OTHER);
        return;
      }
      void this.learnWhy(socket);
      setTimeout(() => socket === this.socket && this.connect(core), this.delay);
      this.delay = Math.min(this.delay * 1.6, 3000);
    };
  }

  /** Finds out what keeps the socket from being opened. */
  private async learnWhy(socket: WebSocket): Promise<void> {
    const tell = (away: Away, why: string): void => {
      if (socket === this.socket && !this.ended) this.listener.waits(away, why);
    };
    try {
      const response = await fetch(`${this.base}/ready`);
      if (response.ok) return;
      const { error } = (await response.json()) as Problem;
      tell(response.status === 503 ? 'the database' : response.status === 409 ? 'another server' : 'the server', error);
    } catch {
      tell('the server', '');
    }
  }

  /** Sends what the core has to send, in order. */
  flush(core: Core): void {
    for (let message = core.outgoing(); message; message = core.outgoing()) {
      const { sequence, bytes } = message;
      if (!this.unanswered.has(sequence)) {
        this.unanswered.set(sequence, bytes);
        this.kept = this.kept.then(() => sessions.enqueue(this.project, this.session, sequence, bytes));
      }
      const socket = this.socket;
      this.sending = this.sending.then(() => this.send(socket, bytes));
    }
  }

  private async send(socket: WebSocket | null, bytes: Uint8Array<ArrayBuffer>): Promise<void> {
    if (!socket || socket !== this.socket || socket.readyState !== WebSocket.OPEN) return;
    if (bytes.length < SOCKET_BYTES) {
      socket.send(bytes);
      return;
    }
    try {
      const response = await fetch(`${this.base}/edits?session=${this.session}&database=${this.database}`, {
        method: 'POST',
        body: bytes,
      });
      if (!response.ok) socket.close();
    } catch {
      socket.close();
    }
  }

  /** Forgets the messages that the server has answered, and those of an earlier page if it is the first time. */
  settle(core: Core, first = false): void {
    const upTo = core.answered();
    let any = first;
    for (const sequence of this.unanswered.keys()) {
      if (sequence <= upTo) {
        this.unanswered.delete(sequence);
        any = true;
      }
    }
    if (any) this.kept = this.kept.then(() => sessions.answered(this.project, this.session, upTo));
  }

  /** Lets go of the socket, to begin again. */
  pause(): void {
    const socket = this.socket;
    this.socket = null;
    socket?.close();
  }

  /** Sends and keeps what there still is, then lets go of socket and session for good. */
  leave(): void {
    this.ended = true;
    const done = Promise.race([Promise.all([this.sending, this.kept]), wait(LEAVING)]).then(() => this.pause());
    if (this.session) sessions.release(this.session, done);
  }
}
