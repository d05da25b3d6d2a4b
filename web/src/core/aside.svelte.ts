import * as sessions from './sessions';

/** Steps of earlier pages that could not be read: they are offered as a file until they are forgotten. */
export class Asides {
  list = $state.raw<sessions.Aside[]>([]);

  constructor(private readonly project: string) {}

  async look(): Promise<void> {
    this.list = await sessions.asides(this.project);
  }

  fileName(project: string): string {
    return `${project || 'project'}, steps set aside.json`;
  }

  /** All of them as JSON, the bytes of each in base 64. */
  file(): Blob {
    const steps = this.list.map(({ bytes }) => btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join('')));
    return new Blob([JSON.stringify({ azzel: 'steps', project: this.project, steps }, null, 1)], {
      type: 'application/json',
    });
  }

  async forget(): Promise<void> {
    await sessions.forget(this.list);
    this.list = [];
  }
}
