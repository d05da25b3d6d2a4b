import { fetchBlob } from './api';
import { pause } from './pause';
import type { Session } from './session.svelte';
import type { MissingView } from './types.gen';

/** Milliseconds until it is looked again whether all was drawn. */
export const SETTLING = 250;

/** The pictures of tilesets and characters, which are fetched one after the other. */
export class Strips {
  private readonly fetching = new Set<string>();

  /** @param settled says whether all in view was drawn once. */
  constructor(
    private readonly session: Session,
    private readonly settled: () => boolean,
  ) {}

  /** Fetches pictures that the core lacks, and gives it all that came at once. */
  fetchMissing(missing: MissingView[]): void {
    const wanted = missing.filter(({ of }) => !this.fetching.has(of));
    if (wanted.length === 0) return;
    for (const { of } of wanted) this.fetching.add(of);
    void this.takeIn(wanted.sort((a, b) => Number(b.used) - Number(a.used)));
  }

  /** One after the other, so that large ones never lie in memory side by side. */
  private async takeIn(wanted: MissingView[]): Promise<void> {
    for (const { of, sum, used } of wanted) {
      // What is on no map comes after all in view was drawn once.
      if (!used) await this.afterFirst();
      try {
        const bytes = await fetchBlob(this.session.id, sum);
        await this.session.orders.addPictures({ of }, bytes);
        await pause();
      } catch (failure) {
        this.session.say((failure as Error).message);
      }
      this.fetching.delete(of);
    }
  }

  private async afterFirst(): Promise<void> {
    for (let i = 0; i < 20 && !this.settled(); i++) await new Promise((done) => setTimeout(done, SETTLING));
  }
}
