import { Findings } from './findings/findings.svelte';
import { PlayControl } from './play/control.svelte';
import { leisure } from './core/pause';
import { Session } from './core/session.svelte';
import { fetchAhead } from './shell/parts';
import { Shell } from './shell/shell.svelte';
import { Viewport } from './board/viewport.svelte';

/** The page of one open project: its five parts, of which each has a room of its own. */
export class Project {
  readonly session: Session;
  readonly viewport: Viewport;
  readonly game: PlayControl;
  readonly shell = new Shell();
  readonly findings: Findings;

  constructor(id: string) {
    this.session = new Session(id);
    this.viewport = new Viewport(this.session);
    this.game = new PlayControl(this.session, this.viewport);
    this.findings = new Findings(this.session);
  }

  /** All in view was drawn once: now there is time for what may be needed next. */
  async settled(): Promise<void> {
    await this.viewport.limber();
    await fetchAhead(leisure);
  }

  /** Gives up all that the page holds. */
  close(): void {
    this.session.close();
    this.viewport.leave();
  }
}
