const PLACE = 'azzel-keys';

/** Something that has keys: a command, or an input of the game. */
export interface Keyed {
  id: string;
  name: string;
  keys: string[];
}

function kept(): Record<string, string> {
  try {
    const all: unknown = JSON.parse(localStorage.getItem(PLACE) ?? '{}');
    if (typeof all !== 'object' || all === null) return {};
    return Object.fromEntries(Object.entries(all).filter((one): one is [string, string] => typeof one[1] === 'string'));
  } catch {
    return {};
  }
}

/** The keys that were changed on this machine, by what they do. */
class Bindings {
  private changed = $state<Record<string, string>>(kept());

  /** The keys of something: the one that was chosen, or those it usually has. */
  of(thing: Keyed): string[] {
    const key = this.changed[thing.id];
    return key === undefined ? thing.keys : [key];
  }

  isChanged(id: string): boolean {
    return this.changed[id] !== undefined;
  }

  get any(): boolean {
    return Object.keys(this.changed).length > 0;
  }

  /** Gives something another key. */
  set(id: string, key: string): void {
    this.keep({ ...this.changed, [id]: key });
  }

  /** Gives something its usual keys again, or all if no id is given. */
  reset(id?: string): void {
    this.keep(id === undefined ? {} : Object.fromEntries(Object.entries(this.changed).filter(([of]) => of !== id)));
  }

  private keep(next: Record<string, string>): void {
    this.changed = next;
    try {
      localStorage.setItem(PLACE, JSON.stringify(next));
    } catch {
      // Without a place to keep them they hold as long as the page is open.
    }
  }
}

export const bindings = new Bindings();
