import { panels } from '../shell/panels';
import type { Command } from './command';

/** A command for each panel, which opens it or closes it again. */
export const panelCommands: Command[] = panels.map(({ id, command, title, keys, group, does, inGame }) => ({
  ...{ id, keys, group, does, inGame },
  name: command ?? title,
  opens: `[data-${id}]`,
  run: (p) => p.shell.togglePanel(id),
}));
