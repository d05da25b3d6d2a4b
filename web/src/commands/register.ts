import type { Project } from '../core/project.svelte';
import { boardCommands } from './board';
import type { Command } from './command';
import { handCommands } from './hand';
import { viewCommands } from './view';

/** Everything that can be done has one entry here: keys, seek, tips, the key sheet and the tests read it. */
export const commands: Command[] = [
  ...handCommands,
  ...boardCommands,
  ...viewCommands,
  {
    id: 'seek',
    name: 'Find anything',
    keys: ['/'],
    group: 'find',
    does: 'Finds maps, pieces, tiles, types and commands by name.',
    run: (p) => (p.seeking = true),
  },
  {
    id: 'keys',
    name: 'All keys',
    keys: ['?'],
    group: 'find',
    does: 'Shows all keys.',
    run: (p) => (p.keysShown = true),
  },
  {
    id: 'play',
    name: 'Play from here',
    keys: ['P'],
    group: 'play',
    inGame: true,
    does: 'Plays from the pointer or the cursor, whichever moved last; again, goes back.',
    run: (p) => p.togglePlay(false),
  },
  {
    id: 'play-spawn',
    name: 'Play from the spawn',
    keys: ['Shift+P'],
    group: 'play',
    inGame: true,
    does: 'Plays from the spawn; again, goes back.',
    run: (p) => p.togglePlay(true),
  },
];

/** The key that is shown for a command; empty if it has none. */
export const keyOf = (id: string): string => commands.find((c) => c.id === id)?.keys[0] ?? '';

export function runCommand(p: Project, id: string): void {
  const command = commands.find((c) => c.id === id);
  if (command && (command.possible?.(p) ?? true)) command.run(p);
}
