import { SPEEDS } from '../play/clock.svelte';
import type { Project } from '../project.svelte';
import { TICKS_PER_SECOND } from '../core/types.gen';
import { boardCommands } from './board';
import { bindings, type Keyed } from './bindings.svelte';
import type { Command } from './command';
import { gameInputs } from './game';
import { handCommands } from './hand';
import { panelCommands } from './panels';
import { viewCommands } from './view';

const running = (p: Project): boolean => p.game.view !== null && !p.game.view.finished;

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
    opens: '#seek-results',
    run: (p) => (p.shell.seeking = true),
  },
  {
    id: 'keys',
    name: 'All keys',
    keys: ['?'],
    group: 'find',
    does: 'Shows all keys.',
    opens: '[role=dialog]',
    run: (p) => (p.shell.keysShown = true),
  },
  {
    id: 'play',
    name: 'Play from here',
    keys: ['P'],
    group: 'play',
    inGame: true,
    does: 'Plays from the pointer or the cursor, whichever moved last; again, goes back.',
    opens: '[data-play]',
    run: (p) => p.game.toggle(false),
  },
  {
    id: 'play-as-if',
    name: 'Play as if',
    keys: ['Ctrl+P'],
    group: 'play',
    inGame: true,
    does: 'Plays from the named start of last time, or from the first, with what the player would have there.',
    opens: '[data-play]',
    run: (p) => void p.game.startAs(),
  },
  {
    id: 'play-spawn',
    name: 'Play from the spawn',
    keys: ['Shift+P'],
    group: 'play',
    inGame: true,
    does: 'Plays from the spawn; again, goes back.',
    run: (p) => p.game.toggle(true),
  },
  {
    id: 'pause',
    name: 'Pause',
    keys: ['J'],
    group: 'play',
    inGame: true,
    does: 'Pauses the game; again, lets it go on.',
    possible: running,
    run: (p) => p.game.pause(!p.game.clock.paused),
  },
  {
    id: 'one-tick',
    name: 'One tick on',
    keys: [']'],
    group: 'play',
    inGame: true,
    does: 'Lets a sixtieth of a second pass in the game and pauses it.',
    possible: running,
    run: (p) => p.game.oneTick(),
  },
  {
    id: 'second-back',
    name: 'One second back',
    keys: ['['],
    group: 'play',
    inGame: true,
    does: 'Shows the game as it was a second before. It goes on from there.',
    possible: (p) => p.game.view !== null,
    run: (p) => p.game.showTick((p.game.view?.ticks ?? 0) - TICKS_PER_SECOND),
  },
  {
    id: 'screen-pad',
    name: 'Pad on the screen',
    keys: ['Shift+O'],
    group: 'play',
    inGame: true,
    does: 'Shows or hides a gamepad on the screen, for fingers. One that is plugged in works by itself.',
    possible: running,
    opens: '[data-pad]',
    run: (p) => (p.game.clock.padShown = !p.game.clock.padShown),
  },
  ...SPEEDS.map((speed): Command => ({
    id: `speed-${speed}`,
    name: `Play at ${speed} × the speed`,
    keys: [],
    group: 'play',
    inGame: true,
    does: 'Lets time pass slower or faster in the game.',
    possible: running,
    run: (p) => (p.game.clock.speed = speed),
  })),
  ...panelCommands,
];

/** What a command is called. */
export const nameOf = (id: string): string => commands.find((c) => c.id === id)?.name ?? id;

/** The key that is shown for a command; empty if it has none. */
export function keyOf(id: string): string {
  const command = commands.find((c) => c.id === id);
  return command ? (bindings.of(command)[0] ?? '') : '';
}

/** What else has a key: among what the game is given and what can be done meanwhile, or among all commands. */
export function holderOf(key: string, except: Keyed, game: boolean): Keyed | undefined {
  const others: Keyed[] = game ? [...gameInputs, ...commands.filter((c) => c.inGame)] : commands;
  return others.find((one) => one.id !== except.id && bindings.of(one).includes(key));
}

export function runCommand(p: Project, id: string): void {
  const command = commands.find((c) => c.id === id);
  if (command && (command.possible?.(p) ?? true)) command.run(p);
}
