import { fetchAhead } from './api';
import type { Core } from './bridge';
import { soon } from './soon';
import * as sessions from './sessions';
import { SOCKET_BYTES, type Problem } from './types.gen';

export interface Listener {
  /** A message changed what is shown; the number is the core's answer. */
  received(changed: number): void;
  /** The socket opened or closed. */
  connected(open: boolean): void;
}

/** Carries messages between the page's core and the server, and keeps what is not answered yet. */
export class Connection {
  private socket: WebSocket | null = null;
  private delay = 200;
  private ended = false;
  private readonly unanswered = new Map<number, Uint8Array<ArrayBuffer>>();
  private sending: Promise<void> = Promise.resolve();
  private session = '';
  /** Ends when the session is noted in this profile, which comes before anything is queued. */
  private kept: Promise<void> = Promise.resolve();

  constructor(
    private readonly project: string,
    private readonly listener: Listener,
  ) {}

  private get base(): string {
    return `/api/projects/${this.project}`;
  }

  /** Opens the project in a fresh core. Throws an error with a text for people. */
  async open(starting: Promise<Core>): Promise<Core> {
    const claimed = this.session || (await sessions.claim(this.project));
    const response = await fetch(`${this.base}/opening?session=${claimed ?? ''}`);
    if (!response.ok) throw new Error(((await response.json()) as Problem).error);
    const session = response.headers.get('Azzel-Session') ?? '';
    fetchAhead(this.project, response.headers.get('Azzel-Pictures') ?? '');
    const opening = new Uint8Array(await response.arrayBuffer());
    const fresh = session !== claimed;
    const queue = this.session
      ? [...this.unanswered.values()]
      : fresh
        ? []
        : await sessions.queued(this.project, session);
    this.kept = sessions.keep(this.project, session, fresh);
    this.session = session;
    const [core] = await Promise.all([starting, fresh ? undefined : this.kept]);
    performance.mark('azzel-core');
    const failure = await core.open(opening, queue);
    if (failure) throw new Error(failure);
    this.settle(core, true);
    return core;
  }

  /** What this session did before one of its steps, as far as the server gives it at a time. */
  async earlier(before: number): Promise<Uint8Array> {
    const response = await fetch(`${this.base}/steps?session=${this.session}&before=${before}`);
    if (!response.ok) throw new Error(((await response.json()) as Problem).error);
    return new Uint8Array(await response.arrayBuffer());
  }

  /** Connects, and connects again whenever the socket closes. */
  connect(core: Core): void {
    if (this.ended) return;
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws';
    const address = `${scheme}://${location.host}${this.base}/socket?session=${this.session}&revision=${core.revision()}`;
    const socket = new WebSocket(address);
    socket.binaryType = 'arraybuffer';
    this.socket = socket;
    socket.onopen = () => {
      this.delay = 200;
      this.listener.connected(true);
      core.resend();
      this.flush(core);
    };
    const inbox: Uint8Array[] = [];
    const receive = (): void => {
      if (socket !== this.socket || inbox.length === 0) return;
      this.listener.received(core.receive(inbox.splice(0)));
    };
    socket.onmessage = (event: MessageEvent<ArrayBuffer>) => {
      // All that came since the last frame is taken together.
      if (inbox.push(new Uint8Array(event.data)) === 1) soon(receive);
    };
    socket.onclose = () => {
      if (socket !== this.socket) return;
      this.listener.connected(false);
      setTimeout(() => socket === this.socket && this.connect(core), this.delay);
      this.delay = Math.min(this.delay * 1.6, 3000);
    };
  }

  /** Sends what the core has to send, in order. */
  flush(core: Core): void {
    for (let message = core.outgoing(); message; message = core.outgoing()) {
      const { sequence, bytes } = message;
      if (!this.unanswered.has(sequence)) {
        this.unanswered.set(sequence, bytes);
        void this.kept.then(() => sessions.enqueue(this.project, this.session, sequence, bytes));
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
      const response = await fetch(`${this.base}/edits?session=${this.session}`, { method: 'POST', body: bytes });
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
    if (any) void sessions.answered(this.project, this.session, upTo);
  }

  /** Lets go of the socket, to begin again or for good. */
  close(forGood: boolean): void {
    this.ended = forGood;
    const socket = this.socket;
    this.socket = null;
    socket?.close();
  }
}
