import type { Project } from '../project.svelte';
import { around } from '../board/camera';
import { theme } from '../core/theme.svelte';
import { GAME_LENSES } from '../board/lens';
import type { OnDesk } from '../shell/shell.svelte';
import { openRule } from '../rules/opening';
import type { Command } from './command';

/** Every how many cells the grid may have a stronger line; 0 is every screen. */
const GRID_STEPS = [1, 2, 4, 8, 16, 0];

/** Goes round: what is selected, the map one is on, all maps. */
let round = 0;

function look(p: Project): void {
  const map = p.session.mapView(p.viewport.currentMap);
  const boxes = [p.session.state?.slip?.box, map, around(p.session.scene?.maps ?? [])].filter(
    (b) => b !== undefined && b !== null,
  );
  const box = boxes[round++ % Math.max(1, boxes.length)];
  if (box) p.viewport.showWhole(box, box === p.session.state?.slip?.box);
}

/** Lays a lens over the maps, or takes it away. */
function through(p: Project, property: string): void {
  p.viewport.lens = p.viewport.lens === property ? '' : property;
  p.viewport.draw();
}

const zoom = (p: Project, direction: 1 | -1): void =>
  p.viewport.moveCamera((c) => {
    const at = p.viewport.cursor ? c.toScreen(p.viewport.cursor.x, p.viewport.cursor.y) : c.middle;
    c.step(direction, at.x, at.y);
  });

/** What the desk shows of what is held: a bond, a medley, or the tileset of the tile; the first tileset if it is none of these. */
function heldOnDesk(p: Project): OnDesk {
  const { state, tilesets, scene } = p.session;
  if (state?.holding === 'bond') return { kind: 'bond', id: state.bond };
  if (state?.holding === 'medley') return { kind: 'medley', id: state.medley };
  const n = state?.holding === 'tile' ? state.tile : 0;
  const of = p.session.tilesetOf(n);
  const id = of?.id ?? scene?.drawer.find((d) => tilesets.some((t) => t.id === d)) ?? tilesets[0]?.id;
  return id === undefined ? { kind: 'nothing' } : { kind: 'tileset', id };
}

/** What is shown, and from where. */
export const viewCommands: Command[] = [
  {
    id: 'look',
    name: 'Zoom to selection, map, all',
    keys: ['Z'],
    group: 'view',
    does: 'Goes round: what is selected, the map you are on, all maps.',
    run: look,
  },
  {
    id: 'true-pixels',
    name: 'True pixels',
    keys: ['Shift+Z'],
    group: 'view',
    does: 'Shows one pixel as one pixel.',
    run: (p) => p.viewport.moveCamera((c) => c.zoomTo(1, c.middle.x, c.middle.y)),
  },
  {
    id: 'zoom-in',
    name: 'Zoom in',
    keys: ['PageUp'],
    group: 'view',
    does: 'Shows the board larger.',
    run: (p) => zoom(p, 1),
  },
  {
    id: 'zoom-out',
    name: 'Zoom out',
    keys: ['PageDown'],
    group: 'view',
    does: 'Shows the board smaller.',
    run: (p) => zoom(p, -1),
  },
  {
    id: 'drawer',
    name: 'Drawer',
    keys: ['T'],
    group: 'view',
    does: 'Opens or closes the drawer with all tiles and pieces.',
    opens: 'section[aria-label=Drawer]',
    run: (p) => (p.shell.opened = p.shell.opened === 'drawer' ? 'nothing' : 'drawer'),
  },
  {
    id: 'tileset',
    name: 'Import a tileset',
    keys: [],
    group: 'board',
    does: 'Lays a picture on the desk, to be cut into tiles.',
    opens: 'section[aria-label=Desk]',
    run: (p) => p.shell.layOnDesk({ kind: 'nothing' }),
  },
  {
    id: 'on-desk',
    name: 'Change what is held',
    keys: ['Shift+Enter'],
    group: 'board',
    does: 'Lays the bond or medley that is held on the desk, or the tileset of the tile; a tileset if nothing is held.',
    opens: 'section[aria-label=Desk]',
    run: (p) => p.shell.layOnDesk(heldOnDesk(p)),
  },
  {
    id: 'rules',
    name: 'Rules',
    keys: ['Shift+E'],
    group: 'board',
    does: 'Lays the rules on the desk: what happens in the game, and when.',
    opens: 'section[aria-label=Desk]',
    run: (p) => openRule(p),
  },
  {
    id: 'reskin',
    name: 'Re-skin',
    keys: [],
    group: 'board',
    does: 'Swaps the tiles of one tileset for those of another, on a map or on all.',
    opens: 'section[aria-label=Desk]',
    run: (p) => p.shell.layOnDesk({ kind: 'reskin' }),
  },
  {
    id: 'stack',
    name: 'Depth stack',
    keys: ['Y'],
    group: 'view',
    does: 'Makes the depth stack wide or narrow.',
    run: (p) => (p.shell.stackOpen = !p.shell.stackOpen),
  },
  {
    id: 'slip',
    name: 'Slip',
    keys: ['C'],
    group: 'view',
    does: 'Shows or hides the slip of what is selected.',
    run: (p) => (p.shell.slipShown = !p.shell.slipShown),
  },
  {
    id: 'grid',
    name: 'Grid',
    keys: ['G'],
    group: 'view',
    does: 'Shows or hides the grid.',
    run: (p) => ((p.viewport.grid = !p.viewport.grid), p.viewport.draw()),
  },
  {
    id: 'grid-step',
    name: 'Grid spacing',
    keys: ['Shift+G'],
    group: 'view',
    does: 'Goes round: a stronger line at every 2, 4, 8, 16 cells, at every screen, at none.',
    run: (p) => {
      const next = GRID_STEPS[(GRID_STEPS.indexOf(p.viewport.gridStep) + 1) % GRID_STEPS.length] ?? 1;
      p.viewport.gridStep = next;
      p.viewport.grid = true;
      p.session.say(
        next === 1
          ? 'The grid has a line at every cell.'
          : `The grid has a stronger line at every ${next === 0 ? 'screen' : `${next} cells`}.`,
      );
      p.viewport.draw();
    },
  },
  {
    id: 'frame',
    name: 'What the player sees',
    keys: ['V'],
    group: 'view',
    does: 'Shows the frame of what the player sees from the pointer, or from the selected piece.',
    run: (p) => ((p.viewport.frameShown = !p.viewport.frameShown), p.viewport.draw()),
  },
  {
    id: 'reach',
    name: 'Jump reach',
    keys: ['Shift+V'],
    group: 'view',
    does: 'Shows how the player can jump from the pointer, on maps that are seen from the side.',
    run: (p) => ((p.viewport.reachShown = !p.viewport.reachShown), p.viewport.draw()),
  },
  {
    id: 'minimap',
    name: 'Minimap',
    keys: ['Shift+N'],
    group: 'view',
    does: 'Shows or hides the small picture of all maps.',
    run: (p) => (p.viewport.minimap = !p.viewport.minimap),
  },
  {
    id: 'lines',
    name: 'Lines and names',
    keys: ['N'],
    group: 'view',
    does: 'Shows or hides the lines of crossings and the names of maps.',
    run: (p) => ((p.viewport.lines = !p.viewport.lines), p.viewport.draw()),
  },
  {
    id: 'lens',
    name: 'Lens: solid',
    keys: ['S'],
    group: 'view',
    inGame: true,
    does: 'Hatches the cells that stop everybody.',
    run: (p) => through(p, 'solid'),
  },
  ...GAME_LENSES.map((id): Command => ({
    id: `lens-${id}`,
    name: `Lens: ${id}`,
    keys: [],
    group: 'view',
    inGame: true,
    does: {
      bodies: 'Shows the bodies of the player and of all that acts, while it plays.',
      triggers: 'Shows the cells in which something happens to who steps onto them.',
      tracks: 'Shows the ways of all that goes somewhere by itself.',
    }[id],
    run: (p) => through(p, id),
  })),
  ...(['water', 'danger', 'climbable', 'one-way', 'slippery', 'slow'] as const).map((property): Command => ({
    id: `lens-${property}`,
    name: `Lens: ${property}`,
    keys: [],
    group: 'view',
    inGame: true,
    does: `Hatches the cells whose tiles are ${property}.`,
    run: (p) => through(p, property),
  })),
  {
    id: 'theme',
    name: 'Light or dark',
    keys: [],
    group: 'view',
    does: 'Switches between light and dark.',
    run: () => theme.toggle(),
  },
];
