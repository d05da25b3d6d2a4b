import { answer, bytesOf, valueOf } from './ask';
import type {
  Apart,
  BoxView,
  Bringing,
  Cut,
  DeletedProject,
  KeptPicture,
  Version,
  NewProject,
  Problem,
  ProjectCard,
  TakenPicture,
  TakenSheet,
} from './types.gen';

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await answer(`/api${path}`, init);
  return response.status === 204 ? (undefined as T) : valueOf(response);
}

export const listProjects = (): Promise<ProjectCard[]> => ask('/projects');

export const listDeleted = (): Promise<DeletedProject[]> => ask('/deleted');

export const deleteProject = (id: string): Promise<void> => ask(`/projects/${id}`, { method: 'DELETE' });

export const bringProjectBack = (id: string): Promise<ProjectCard> => ask(`/deleted/${id}/back`, { method: 'POST' });

export const createProject = (project: NewProject): Promise<ProjectCard> =>
  ask('/projects', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(project) });

/** Takes a picture in as a tileset, or as a finished map that is taken apart. */
export function takePicture(project: string, file: Blob, cut: Cut, apart: Apart | null): Promise<TakenPicture> {
  const how = new URLSearchParams({ cut: JSON.stringify(cut) });
  if (apart) how.set('apart', JSON.stringify(apart));
  return ask(`/projects/${project}/tilesets?${how}`, { method: 'POST', body: file });
}

/** Takes the sheet of a character in, cut as it is guessed or by the size of a frame. */
export const takeSheet = (project: string, file: Blob, w: number, h: number): Promise<TakenSheet> =>
  ask(`/projects/${project}/characters?${new URLSearchParams({ w: String(w), h: String(h) })}`, {
    method: 'POST',
    body: file,
  });

/** Stores a picture as it is, for a backdrop. */
export const keepPicture = (project: string, file: Blob): Promise<KeptPicture> =>
  ask(`/projects/${project}/pictures`, { method: 'POST', body: file });

/** A small picture of all maps as they lie on the board: its address, what of the board it shows, and how wide a cell is there. */
export interface BoardPicture {
  address: string;
  box: BoxView;
  cellW: number;
}

function boardOf(address: string, box: string | null): BoardPicture | null {
  const [x, y, w, h, cellW] = (box ?? '').split(' ').map(Number);
  if (x === undefined || y === undefined || !w || !h || !cellW) return null;
  return { address, box: { x, y, w, h }, cellW };
}

const boardAddress = (project: string): string => `/api/projects/${project}/board`;

/** The picture of a board that came with the page; null if none did. */
export function givenBoard(project: string): BoardPicture | null {
  const given = document.querySelector<HTMLLinkElement>('link[data-box]');
  const address = boardAddress(project);
  return given?.getAttribute('href') === address ? boardOf(address, given.dataset['box'] ?? null) : null;
}

/** The picture of a board, in an address that is to be given back; null if there is none. */
export async function fetchBoard(project: string): Promise<BoardPicture | null> {
  const response = await fetch(boardAddress(project));
  if (response.status !== 200) return null;
  return boardOf(URL.createObjectURL(await response.blob()), response.headers.get('Azzel-Box'));
}

/** Milliseconds between two times that the server is asked how far it is. */
const ASKING = 300;

/**
 * Makes a new project of a bundle; tells how much of it was sent, then how much of it was read, both from 0 to 1. Null
 * if it was stopped.
 */
export function bringBundle(
  file: Blob,
  stop: AbortSignal,
  sent: (part: number) => void,
  read: (part: number) => void,
): Promise<ProjectCard | null> {
  const name = crypto.randomUUID();
  const asking = setInterval(() => {
    void fetch(`/api/bundles/${name}`)
      .then((response) => (response.ok ? valueOf<Bringing>(response) : null))
      .then((is) => is && is.of > 0 && read(is.read / is.of))
      .catch(() => undefined); // it is asked again
  }, ASKING);
  // Only this old way of asking tells how much was sent.
  const request = new XMLHttpRequest();
  const made = new Promise<ProjectCard | null>((done, fail) => {
    stop.addEventListener('abort', () => {
      request.abort();
      // What was sent whole is being read there.
      void fetch(`/api/bundles/${name}`, { method: 'DELETE' }).catch(() => undefined);
    });
    request.upload.onprogress = (e): void => sent(e.lengthComputable ? e.loaded / e.total : 0);
    request.onabort = (): void => done(null);
    request.onerror = (): void => fail(new Error('The server does not answer. Try again once it does.'));
    request.onload = (): void => {
      try {
        const answer = JSON.parse(request.responseText) as ProjectCard & Problem;
        if (request.status < 300) done(answer);
        else fail(new Error(answer.error));
      } catch {
        fail(new Error('The server gave no answer that can be read.'));
      }
    };
    request.open('POST', `/api/bundles?as=${name}`);
    request.send(file);
  });
  return made.finally(() => clearInterval(asking));
}

export const listVersions = (project: string): Promise<Version[]> => ask(`/projects/${project}/states`);

const json = { 'Content-Type': 'application/json' };

export const keepVersion = (project: string, name: string): Promise<Version> =>
  ask(`/projects/${project}/states`, { method: 'POST', headers: json, body: JSON.stringify({ name }) });

export const nameVersion = (project: string, state: string, name: string): Promise<void> =>
  ask(`/projects/${project}/states/${state}`, { method: 'PUT', headers: json, body: JSON.stringify({ name }) });

export const removeVersion = (project: string, state: string): Promise<void> =>
  ask(`/projects/${project}/states/${state}`, { method: 'DELETE' });

/** A file that the server writes, with the name that it gives it. */
export async function fetchFile(href: string): Promise<{ name: string; body: Blob }> {
  const response = await answer(href);
  const told = /filename\*=UTF-8''(.+)$/.exec(response.headers.get('Content-Disposition') ?? '')?.[1];
  return { name: decodeURIComponent(told ?? 'azzel'), body: new Blob([await bytesOf(response)]) };
}

/** A version as a document. */
export async function fetchVersion(project: string, state: string): Promise<Uint8Array> {
  return bytesOf(await answer(`/api/projects/${project}/states/${state}`));
}

const asked = new Map<string, Promise<Uint8Array>>();
/** The pictures that this page has asked for, by project; the browser keeps most of them. */
const known = new Map<string, Set<string>>();

/** Begins to fetch pictures that will be needed as soon as the core is ready. */
export function fetchAhead(project: string, sums: string): void {
  for (const sum of sums.split(',').filter((s) => s !== '')) {
    const blob = blobOf(project, sum);
    blob.catch(() => undefined); // whoever needs it hears of the failure
    asked.set(sum, blob);
  }
}

export function fetchBlob(project: string, sum: string): Promise<Uint8Array> {
  const ahead = asked.get(sum);
  asked.delete(sum);
  return ahead ?? blobOf(project, sum);
}

/** The pictures of a project that this browser still has. */
export async function keptPictures(project: string): Promise<Blob[]> {
  const pictures: Blob[] = [];
  for (const sum of known.get(project) ?? []) {
    // What the server has no more may be kept here all the same.
    const kept = await fetch(`/api/projects/${project}/blobs/${sum}`, { cache: 'force-cache' }).catch(() => null);
    if (kept?.ok) pictures.push(await kept.blob());
  }
  return pictures;
}

/** Has a bundle made of a document and pictures; lost names whose pictures are not in it. */
export async function copyOf(
  project: string,
  document: Blob,
  pictures: Blob[],
): Promise<{ body: Blob; lost: string[] }> {
  const form = new FormData();
  form.set('document', document);
  for (const picture of pictures) form.append('picture', picture);
  const response = await answer(`/api/copies?project=${project}`, { method: 'POST', body: form });
  const lost = (response.headers.get('Azzel-Lost') ?? '').split(',').filter((name) => name !== '');
  const readable = lost.map((name) => decodeURIComponent(name.replaceAll('+', ' ')));
  return { body: new Blob([await bytesOf(response)]), lost: readable };
}

async function blobOf(project: string, sum: string): Promise<Uint8Array> {
  known.set(project, (known.get(project) ?? new Set()).add(sum));
  return bytesOf(await answer(`/api/projects/${project}/blobs/${sum}`));
}
