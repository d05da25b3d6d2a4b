import { openDB, type IDBPDatabase } from 'idb';

interface Stored {
  project: string;
  session: string;
  used: number;
}

let database: Promise<IDBPDatabase> | undefined;

function open(): Promise<IDBPDatabase> {
  database ??= openDB('azzel', 1, {
    upgrade(db) {
      db.createObjectStore('sessions', { keyPath: ['project', 'session'] });
      db.createObjectStore('queue');
    },
  });
  return database;
}

const own = (project: string): string => `azzel-session-${project}`;
/** Says without opening the database that this profile has sessions of the project. */
const known = (project: string): string => `azzel-known-${project}`;

/** Holds a session's lock for as long as the page lives; false if another page holds it. */
function hold(session: string): Promise<boolean> {
  return new Promise((resolve) => {
    void navigator.locks.request(`azzel-session-${session}`, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock === null ? undefined : new Promise<void>(() => undefined);
    });
  });
}

/** Takes over a session that has ended, this tab's own first; null if there is none. */
export async function claim(project: string): Promise<string | null> {
  if (localStorage.getItem(known(project)) === null) return null;
  const db = await open();
  const all = (await db.getAll('sessions')) as Stored[];
  const mine = sessionStorage.getItem(own(project));
  const list = all.filter((s) => s.project === project);
  list.sort((a, b) => Number(b.session === mine) - Number(a.session === mine) || b.used - a.used);
  for (const { session } of list) {
    if (await hold(session)) return session;
    if (session === mine) {
      // A reload may begin before the page it replaces has let go.
      await new Promise((wait) => setTimeout(wait, 250));
      if (await hold(session)) return session;
    }
  }
  return null;
}

/** Remembers that this page uses the session. */
export async function keep(project: string, session: string, fresh: boolean): Promise<void> {
  if (fresh) await hold(session);
  sessionStorage.setItem(own(project), session);
  localStorage.setItem(known(project), '1');
  await (await open()).put('sessions', { project, session, used: Date.now() } satisfies Stored);
}

const range = (project: string, session: string, upTo: number): IDBKeyRange =>
  IDBKeyRange.bound([project, session, 0], [project, session, upTo]);

/** The messages of a session that the server may not have taken, in order. */
export async function queued(project: string, session: string): Promise<Uint8Array[]> {
  return (await (await open()).getAll('queue', range(project, session, Infinity))) as Uint8Array[];
}

export async function enqueue(project: string, session: string, sequence: number, bytes: Uint8Array): Promise<void> {
  await (await open()).put('queue', bytes, [project, session, sequence]);
}

export async function answered(project: string, session: string, upTo: number): Promise<void> {
  await (await open()).delete('queue', range(project, session, upTo));
}
