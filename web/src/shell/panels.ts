import type { Component } from 'svelte';
import type { Project } from '../project.svelte';

/** What a part of the page is once it was fetched. */
export interface Fetched {
  default: Component<{ p: Project }>;
}

/** A panel that can stand at the right. From its entry follow its command, keys, seek and the tests. */
export interface PanelEntry<ID extends string = string> {
  id: ID;
  /** What it is called in its heading and among commands, if that is not the same. */
  title: string;
  command?: string;
  keys: string[];
  group: 'board' | 'view' | 'play';
  does: string;
  /** Whether it can be opened while the game has the keys. */
  inGame?: boolean;
  /** Whether it needs more room. */
  wide?: boolean;
  /** What of it takes the focus when it is opened. */
  focus: string;
  load: () => Promise<Fetched>;
}

const entries = [
  {
    id: 'characters',
    title: 'Characters',
    keys: ['Shift+C'],
    group: 'board',
    inGame: true,
    wide: true,
    does: 'Lists the characters: their sheets and bodies, and which of them is the player.',
    focus: 'li button, input',
    load: () => import('../characters/Characters.svelte'),
  },
  {
    id: 'types',
    title: 'Types',
    command: 'Types of your own',
    keys: [';'],
    group: 'board',
    inGame: true,
    wide: true,
    does: 'Lists the types of piece that you made: what each builds on, what is usual of its pieces, how many there may be.',
    focus: 'li button, select',
    load: () => import('../kit/Types.svelte'),
  },
  {
    id: 'items',
    title: 'Items',
    keys: ['Shift+I'],
    group: 'board',
    inGame: true,
    wide: true,
    does: 'Lists what the player can have, and where each is given and needed.',
    focus: 'input',
    load: () => import('../items/Items.svelte'),
  },
  {
    id: 'facts',
    title: 'Facts',
    keys: ['Shift+S'],
    group: 'board',
    inGame: true,
    wide: true,
    does: 'Lists what the game remembers, what sets it and asks for it; while it plays, what each is by now, and why.',
    focus: 'input',
    load: () => import('../facts/Facts.svelte'),
  },
  {
    id: 'starts',
    title: 'Starts',
    keys: ['Shift+D'],
    group: 'play',
    inGame: true,
    wide: true,
    does: 'Lists from where play can begin as if the player had come so far, with items, facts and states.',
    focus: 'input',
    load: () => import('../starts/Starts.svelte'),
  },
  {
    id: 'memory',
    title: 'Memory',
    keys: ['Shift+B'],
    group: 'board',
    inGame: true,
    wide: true,
    does: 'Says of a map what stays as the player left it and what begins anew, on coming back and after harm.',
    focus: 'select',
    load: () => import('../memory/Memory.svelte'),
  },
  {
    id: 'findings',
    title: 'Findings',
    keys: ['Shift+W'],
    group: 'board',
    inGame: true,
    wide: true,
    does: 'Lists what is wrong in the project: where it is, and what mends it.',
    focus: 'li button',
    load: () => import('../findings/FindingList.svelte'),
  },
  {
    id: 'history',
    title: 'History',
    keys: ['U'],
    group: 'view',
    does: 'Lists the steps, yours and those of others, to walk along.',
    focus: '[aria-current], li button',
    load: () => import('../history/History.svelte'),
  },
  {
    id: 'versions',
    title: 'Versions',
    command: 'Versions and export',
    keys: ['Shift+U'],
    group: 'view',
    does: 'Keeps the project as it is now, shows how it was, exports it as a file.',
    focus: 'input',
    load: () => import('../history/Versions.svelte'),
  },
  {
    id: 'messages',
    title: 'Messages',
    keys: ['Shift+L'],
    group: 'view',
    does: 'Lists what was said since the page was opened, to be read again.',
    focus: 'button',
    load: () => import('../messages/MessageList.svelte'),
  },
  {
    id: 'movement',
    title: 'Movement',
    keys: ['Shift+J'],
    group: 'play',
    inGame: true,
    wide: true,
    does: 'Sets how fast the player walks, how high they jump, and how else they move.',
    focus: 'input',
    load: () => import('../play/Movement.svelte'),
  },
  {
    id: 'helps',
    title: 'Test aids',
    keys: ['Shift+H'],
    group: 'play',
    inGame: true,
    wide: true,
    does: 'Helps while you try a game: safe from harm, unseen by foes, through walls; what the game remembers.',
    focus: 'button',
    load: () => import('../play/TestAids.svelte'),
  },
  {
    id: 'replays',
    title: 'Replays',
    keys: ['Shift+R'],
    group: 'play',
    inGame: true,
    wide: true,
    does: 'Keeps what was played, lists what was kept, and says what comes of it on the project as it is now.',
    focus: 'form:first-of-type input:enabled, li button',
    load: () => import('../play/Replays.svelte'),
  },
] as const satisfies PanelEntry[];

type PanelID = (typeof entries)[number]['id'];

/** The panel that is open at the right, if any is. */
export type Panel = 'none' | PanelID;

/** All panels, in the order in which their commands are listed. */
export const panels: readonly PanelEntry<PanelID>[] = entries;

export const panelOf = (id: Panel): PanelEntry | undefined => panels.find((entry) => entry.id === id);
