import type { Project } from '../project.svelte';

/** Something that can be done: an entry of the register. */
export interface Command {
  id: string;
  name: string;
  /** As printed on the key sheet; the first is shown in tooltips. */
  keys: string[];
  group: 'hand' | 'select' | 'board' | 'view' | 'play' | 'find';
  does: string;
  /** Possible while the game has the keys. */
  inGame?: boolean;
  /** The browser tells of its keys by an event of its own, which is heard instead. */
  native?: boolean;
  /** Held longer than 200 ms, it lasts only while held. */
  lasts?: boolean;
  possible?: (p: Project) => boolean;
  /** The selector of the view that it opens, if it opens one. */
  opens?: string;
  run: (p: Project) => void;
}

export const cursorOf = (p: Project): { x: number; y: number } =>
  p.viewport.cursor ?? p.viewport.pointer?.box ?? { x: 0, y: 0 };

export const editing = (p: Project): boolean => !p.session.state?.playing || !p.game.inGame;

export const chosen = (p: Project): boolean => editing(p) && Boolean(p.session.state?.chosen);
