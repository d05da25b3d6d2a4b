import { copyOf } from './api';
import * as sessions from './sessions';

/**
 * What earlier pages had that could not go on: steps that could not be read or are of another database, and what pages
 * showed of a project that was in another. All of it is offered as files until it is forgotten.
 */
export class Asides {
  list = $state.raw<sessions.Aside[]>([]);
  copies = $state.raw<sessions.Copy[]>([]);

  constructor(private readonly project: string) {}

  async look(): Promise<void> {
    this.list = await sessions.asides(this.project);
    this.copies = await sessions.copies(this.project);
  }

  /** The last copy as a file that can be brought in, and what is lost of its pictures. */
  copy(): Promise<{ body: Blob; lost: string[] }> | null {
    const last = this.copies.at(-1);
    return last ? copyOf(this.project, last.shown.document, last.shown.pictures) : null;
  }

  /** Keeps what was shown for as long as this page is there, where the profile does not keep it. */
  hold(shown: sessions.Shown): void {
    if (this.copies.length === 0) this.copies = [{ key: [], shown }];
  }

  async forgetCopies(): Promise<void> {
    await sessions.forget(this.copies);
    this.copies = [];
  }

  fileName(project: string): string {
    return `${project || 'project'}, steps set aside.json`;
  }

  /** Steps as JSON, the bytes of each in base 64. */
  file(list: sessions.Aside[]): Blob {
    const steps = list.map(({ bytes }) => btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join('')));
    return new Blob([JSON.stringify({ azzel: 'steps', project: this.project, steps }, null, 1)], {
      type: 'application/json',
    });
  }

  async forget(list: sessions.Aside[]): Promise<void> {
    await sessions.forget(list);
    this.list = this.list.filter((aside) => !list.includes(aside));
  }
}
