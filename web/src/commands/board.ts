import type { Project } from '../project.svelte';
import { focusOn } from '../ui/focus';
import { chosen, cursorOf, editing, type Command } from './command';

function layer(p: Project, step: number): void {
  const map = p.session.mapView(p.viewport.currentMap);
  if (!map) return;
  const at = map.layers.findIndex((l) => l.current);
  const next = map.layers[at + step];
  if (next) void p.session.orders.setCurrentLayer({ map: map.id, layer: next.id });
}

/** What changes maps and layers, or looks back at what was done. */
export const boardCommands: Command[] = [
  {
    id: 'undo',
    name: 'Undo',
    keys: ['Ctrl+Z'],
    group: 'board',
    inGame: true,
    does: 'Undoes your last step.',
    run: (p) => void p.session.takeBack('undo'),
  },
  {
    id: 'redo',
    name: 'Redo',
    keys: ['Ctrl+Shift+Z', 'Ctrl+Y'],
    group: 'board',
    inGame: true,
    does: 'Does again what was undone last.',
    run: (p) => void p.session.takeBack('redo'),
  },
  {
    id: 'delete',
    name: 'Delete what is selected',
    keys: ['Delete'],
    group: 'board',
    does: 'Deletes the selected cells, piece, crossing or map. With a tile in the hand, erases the cell of the cursor.',
    possible: editing,
    run: (p) => {
      const slip = p.session.state?.slip;
      if (slip?.kind === 'map') p.shell.slipShown = true;
      if (p.session.state?.chosen) {
        void p.session.orders.deleteSelected();
      } else if (p.session.state?.holding !== 'nothing' && p.viewport.cursor) {
        p.viewport.point(1, p.viewport.cursor.x, p.viewport.cursor.y, true);
        p.viewport.point(3, p.viewport.cursor.x, p.viewport.cursor.y, true);
      } else if (slip?.kind === 'map' && !slip.kept) {
        document.getElementById('slip-delete')?.focus();
      } else {
        void p.session.orders.deleteSelected();
      }
    },
  },
  {
    id: 'layer-down',
    name: 'Layer below',
    keys: [','],
    group: 'board',
    does: 'Makes the layer below the current one.',
    run: (p) => layer(p, -1),
  },
  {
    id: 'layer-up',
    name: 'Layer above',
    keys: ['.'],
    group: 'board',
    does: 'Makes the layer above the current one.',
    run: (p) => layer(p, 1),
  },
  {
    id: 'make-layer',
    name: 'Make a layer',
    keys: [],
    group: 'board',
    does: 'Makes a layer above the current one of the map you are on.',
    possible: editing,
    run: (p) => {
      const map = p.session.mapView(p.viewport.currentMap);
      const current = map?.layers.find((l) => l.current);
      if (map && current) void p.session.orders.makeLayer({ map: map.id, above: current.id });
    },
  },
  {
    id: 'make-area',
    name: 'Make an area of the selected cells',
    keys: ['Shift+A'],
    group: 'board',
    does: 'Gives the selected cells a name, and a gravity, wind and camera of their own; foes can be told to stay there.',
    possible: chosen,
    run: (p) => p.session.orders.makeArea(),
  },
  {
    id: 'lead-on',
    name: 'Add track point',
    keys: ['Shift+T'],
    group: 'board',
    does: 'Leads the track of the selected foe or platform on to the cell under the pointer, or begins one.',
    possible: editing,
    run: (p) => {
      const at = cursorOf(p);
      void p.session.orders.addTrackPoint({ x: at.x, y: at.y });
    },
  },
  {
    id: 'layer-settings',
    name: 'Settings of the layer',
    keys: ['Shift+Y'],
    group: 'board',
    does: 'Opens what can be set of the current layer: movement, lock, fade, tint, depth, backdrop.',
    possible: editing,
    opens: '[data-layer-settings]',
    run: (p) => {
      const current = p.session.mapView(p.viewport.currentMap)?.layers.find((l) => l.current)?.id ?? '';
      p.shell.toggleLayer(current);
      if (p.shell.layerOpen !== '') focusOn('[data-layer-settings] input');
    },
  },
  {
    id: 'only',
    name: 'Show only this layer',
    keys: ['Shift+X'],
    group: 'view',
    does: 'Shows the current layer alone, or again all.',
    run: (p) => {
      const map = p.session.mapView(p.viewport.currentMap);
      const current = map?.layers.find((l) => l.current);
      if (map && current) void p.session.orders.showLayerAlone({ map: map.id, layer: current.id, on: !current.only });
    },
  },
];
