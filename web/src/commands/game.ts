import * as T from '../core/types.gen';
import { bindings } from './bindings.svelte';

/** Something that is held down in the game, with the keys that it usually has. */
export interface GameInput {
  id: string;
  name: string;
  keys: string[];
  /** See core/play. */
  input: number;
}

/** What the game is given; see core/play. */
export const gameInputs: GameInput[] = [
  { id: 'game-left', name: 'Left', keys: ['Arrow left'], input: T.LEFT },
  { id: 'game-right', name: 'Right', keys: ['Arrow right'], input: T.RIGHT },
  { id: 'game-up', name: 'Up', keys: ['Arrow up'], input: T.UP },
  { id: 'game-down', name: 'Down', keys: ['Arrow down'], input: T.DOWN },
  { id: 'game-jump', name: 'Jump', keys: ['Space'], input: T.JUMP },
  { id: 'game-use', name: 'Use, carry and throw', keys: ['X'], input: T.USE },
  { id: 'game-strike', name: 'Strike', keys: ['C'], input: T.STRIKE },
  { id: 'game-shoot', name: 'Shoot', keys: ['V'], input: T.SHOOT },
  { id: 'game-items', name: 'What the player has', keys: ['I'], input: T.ITEMS },
];

/** The key that is shown for an input of the game. */
export function gameKeyOf(input: number): string {
  const one = gameInputs.find((known) => known.input === input);
  return one ? (bindings.of(one)[0] ?? '') : '';
}

/** What a key without its modifiers is called in the game. */
export function gameKey(event: KeyboardEvent): string {
  if (event.key === ' ') return 'Space';
  if (event.key.startsWith('Arrow')) return `Arrow ${event.key.slice(5).toLowerCase()}`;
  return event.key.length === 1 ? event.key.toUpperCase() : event.key;
}
