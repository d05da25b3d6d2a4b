import { panels, type PanelEntry } from '../shell/panels';
import type { Command } from './command';

/** A command for each panel, which opens it or closes it again. */
export const panelCommands: Command[] = panels.map((panel: PanelEntry, i): Command => {
  const id = panels[i]?.id ?? 'none';
  return {
    id: panel.id,
    name: panel.command ?? panel.title,
    keys: panel.keys,
    group: panel.group,
    does: panel.does,
    ...(panel.inGame ? { inGame: true } : {}),
    run: (p) => p.shell.togglePanel(id),
  };
});
