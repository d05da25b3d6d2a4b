import { openDB, type IDBPDatabase } from 'idb';
import { wait } from './within';

interface Stored {
  project: string;
  session: string;
  used: number;
  /** The database that the session is of; profiles of long ago do not say. */
  database?: string;
}

/** A session that was taken over, and the database that it is of, if that is known. */
export interface Claimed {
  session: string;
  database: string;
}

/** A step that could not be taken up: it could not be read, or is of another database. */
export interface Aside {
  key: IDBValidKey;
  bytes: Uint8Array<ArrayBuffer>;
  other: boolean;
}

/** What a page showed, with the pictures that it had. */
export interface Shown {
  document: Blob;
  pictures: Blob[];
}

/** That, as it is kept in this profile. */
export interface Copy {
  key: IDBValidKey;
  shown: Shown;
}

let database: Promise<IDBPDatabase> | undefined;
/** Why this browser keeps nothing for the page, once it is known. */
let fault = '';
let told: ((why: string) => void) | undefined;

/** Has it told once, at once or later, why this browser keeps nothing for the page. */
export function onFault(tell: (why: string) => void): void {
  told = tell;
  if (fault !== '') tell(fault);
}

function failed(failure: unknown): void {
  const first = fault === '';
  fault =
    failure instanceof DOMException && failure.name === 'QuotaExceededError'
      ? 'its storage is full'
      : 'its storage is closed to this page';
  if (first) told?.(fault);
}

/** What is kept in this profile; whatever keeps that from working is told, and the rest goes on without. */
async function stored<T>(work: (db: IDBPDatabase) => Promise<T>, otherwise: T): Promise<T> {
  try {
    database ??= openDB('azzel', 1, {
      upgrade(db) {
        db.createObjectStore('sessions', { keyPath: ['project', 'session'] });
        db.createObjectStore('queue');
      },
    });
    return await work(await database);
  } catch (failure) {
    // The next may succeed, once there is room again.
    database = undefined;
    failed(failure);
    return otherwise;
  }
}

/** The same for what is kept under one word. */
function words<T>(work: () => T, otherwise: T): T {
  try {
    return work();
  } catch (failure) {
    failed(failure);
    return otherwise;
  }
}

const own = (project: string): string => `azzel-session-${project}`;
/** Says without opening the database that this profile has sessions of the project. */
const known = (project: string): string => `azzel-known-${project}`;

/** What lets go of each session's lock that this page holds, and comes back once it is free. */
const held = new Map<string, () => Promise<void>>();

/** Holds a session's lock until it is let go of, or the page ends; false if it is held already. */
function hold(session: string): Promise<boolean> {
  return new Promise((resolve) => {
    const free = navigator.locks
      .request(`azzel-session-${session}`, { ifAvailable: true }, (lock) => {
        resolve(lock !== null);
        if (lock === null) return undefined;
        channel();
        return new Promise<void>((release) => {
          held.set(session, async () => {
            release();
            await free;
          });
        });
      })
      .catch((failure: unknown) => {
        // Where there are no locks, nobody else has one either.
        failed(failure);
        resolve(true);
      });
  });
}

/** Where pages ask one another for a session, and the page that has it says so. */
let pages: BroadcastChannel | undefined;

function channel(): BroadcastChannel {
  if (pages) return pages;
  pages = new BroadcastChannel('azzel-sessions');
  pages.addEventListener('message', ({ data }: MessageEvent<{ asked?: string }>) => {
    if (data.asked !== undefined && held.has(data.asked)) pages?.postMessage({ has: data.asked });
  });
  return pages;
}

/**
 * Holds the session of this tab. A reload may begin before the page it replaces has let go of it, which takes a busy
 * browser a second or more: what waits there is not left behind for that. A page that is open says that it has the
 * session, as one does whose tab was doubled, and then nothing is waited for.
 */
async function holdOwn(session: string): Promise<boolean> {
  let elsewhere = false;
  const listen = ({ data }: MessageEvent<{ has?: string }>): void => {
    elsewhere ||= data.has === session;
  };
  channel().addEventListener('message', listen);
  try {
    for (let tries = 0; !(await hold(session)); tries++) {
      if (elsewhere || tries === 50) return false;
      channel().postMessage({ asked: session });
      await wait(100);
    }
    return true;
  } finally {
    channel().removeEventListener('message', listen);
  }
}

/** Sessions that are being let go of: what claims one waits for them. */
const leaving = new Set<Promise<void>>();

/** Lets go of a session once something has ended, so that it can be claimed again in this page or another. */
export function release(session: string, after: Promise<void>): void {
  const left = after.then(async () => {
    const free = held.get(session);
    held.delete(session);
    await free?.();
  });
  leaving.add(left);
  void left.finally(() => leaving.delete(left));
}

/** Takes over a session that has ended, this tab's own first; null if there is none. */
export async function claim(project: string): Promise<Claimed | null> {
  await Promise.all(leaving);
  if (words(() => localStorage.getItem(known(project)), null) === null) return null;
  const all = await stored(async (db) => (await db.getAll('sessions')) as Stored[], []);
  const mine = words(() => sessionStorage.getItem(own(project)), null);
  const list = all.filter((s) => s.project === project);
  list.sort((a, b) => Number(b.session === mine) - Number(a.session === mine) || b.used - a.used);
  for (const { session, database = '' } of list) {
    if (await (session === mine ? holdOwn(session) : hold(session))) return { session, database };
  }
  return null;
}

/** Remembers that this page uses the session. */
export async function keep(project: string, session: string, database: string, fresh: boolean): Promise<void> {
  if (fresh) await hold(session);
  words(() => {
    sessionStorage.setItem(own(project), session);
    localStorage.setItem(known(project), '1');
  }, undefined);
  await stored(async (db) => {
    await db.put('sessions', { project, session, database, used: Date.now() } satisfies Stored);
  }, undefined);
}

const range = (project: string, session: string, upTo: number): IDBKeyRange =>
  IDBKeyRange.bound([project, session, 0], [project, session, upTo]);

/** The messages of a session that the server may not have taken, in order. */
export function queued(project: string, session: string): Promise<Uint8Array[]> {
  return stored(async (db) => (await db.getAll('queue', range(project, session, Infinity))) as Uint8Array[], []);
}

export function enqueue(project: string, session: string, sequence: number, bytes: Uint8Array): Promise<void> {
  return stored(async (db) => {
    await db.put('queue', bytes, [project, session, sequence]);
  }, undefined);
}

export function answered(project: string, session: string, upTo: number): Promise<void> {
  return stored((db) => db.delete('queue', range(project, session, upTo)), undefined);
}

const asideOf = (project: string): string => `aside of ${project}`;
/** Says in the key of a step that it is of another database. */
const OTHER = 'other';
const copyOf = (project: string): string => `copy of ${project}`;

/** Sets steps aside that can't be taken up, in one go with what the queue is without them. */
export function setAside(
  project: string,
  session: string,
  aside: Uint8Array[],
  queue: Map<number, Uint8Array>,
): Promise<void> {
  return stored(async (db) => {
    const change = db.transaction('queue', 'readwrite');
    await change.store.delete(range(project, session, Infinity));
    for (const [i, bytes] of aside.entries()) await change.store.put(bytes, [asideOf(project), session, Date.now(), i]);
    for (const [sequence, bytes] of queue) await change.store.put(bytes, [project, session, sequence]);
    await change.done;
  }, undefined);
}

/** Gives up a session of another database: what it had is kept as a copy, or as steps, and its queue goes. */
export function disown(project: string, session: string, copy: Shown | null, steps: Uint8Array[]): Promise<void> {
  return stored(async (db) => {
    const change = db.transaction(['queue', 'sessions'], 'readwrite');
    const queue = change.objectStore('queue');
    if (copy) await queue.put(copy, [copyOf(project), session, Date.now()]);
    for (const [i, bytes] of steps.entries()) await queue.put(bytes, [asideOf(project), session, Date.now(), i, OTHER]);
    await queue.delete(range(project, session, Infinity));
    await change.objectStore('sessions').delete([project, session]);
    await change.done;
  }, undefined);
}

function keptAs<T>(of: string): Promise<{ key: IDBValidKey; value: T }[]> {
  return stored(async (db) => {
    const all = IDBKeyRange.bound([of], [of, []]);
    const [keys, values] = await Promise.all([db.getAllKeys('queue', all), db.getAll('queue', all)]);
    return keys.map((key, i) => ({ key, value: values[i] as T }));
  }, []);
}

/** The steps of a project that were set aside in this profile. */
export async function asides(project: string): Promise<Aside[]> {
  const list = await keptAs<Uint8Array<ArrayBuffer>>(asideOf(project));
  return list.map(({ key, value }) => ({ key, bytes: value, other: Array.isArray(key) && key[4] === OTHER }));
}

/** What pages showed of a project that came from another database. */
export async function copies(project: string): Promise<Copy[]> {
  const list = await keptAs<Shown>(copyOf(project));
  return list.map(({ key, value }) => ({ key, shown: value }));
}

/** Forgets what was set aside. */
export function forget(list: { key: IDBValidKey }[]): Promise<void> {
  return stored(async (db) => {
    for (const { key } of list) await db.delete('queue', key);
  }, undefined);
}
