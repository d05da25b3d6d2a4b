import type { Project } from '../core/project.svelte';
import { theme } from '../core/theme.svelte';
import { around } from '../board/camera';
import type { State } from '../core/types.gen';

/** Everything that can be done has one entry here: keys, seek, tooltips, the key sheet and the tests read it. */
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
  run: (p: Project) => void;
}

const shape = (p: Project, text: string): void => p.order({ do: 'shape', text });

/** Shapes that share a key: pressed again, it goes round. */
const ROUNDS: Record<string, string[]> = { box: ['box', 'ring', 'room'], fill: ['fill', 'everywhere'] };

/** Takes a shape, or the next of those that share its key. */
function nextShape(p: Project, id: string): void {
  const round = ROUNDS[id] ?? [id];
  const at = p.state?.holding === 'nothing' ? -1 : round.indexOf(p.state?.shape ?? '');
  leaveHand(p);
  shape(p, round[(at + 1) % round.length] ?? id);
}

/** Gives the keyboard to something that has just been opened. */
const focusOn = (selector: string): void => {
  requestAnimationFrame(() => document.querySelector<HTMLElement>(selector)?.focus());
};

const cursorOf = (p: Project): { x: number; y: number } => p.cursor ?? p.pointer?.box ?? { x: 0, y: 0 };
const chosen = (p: Project): boolean => editing(p) && Boolean(p.state?.chosen);
/** Every how many cells the grid may have a stronger line; 0 is every screen. */
const GRID_STEPS = [1, 2, 4, 8, 16, 0];
const editing = (p: Project): boolean => !p.state?.playing || !p.inGame;

function layer(p: Project, step: number): void {
  const map = p.mapView(p.currentMap);
  if (!map) return;
  const at = map.layers.findIndex((l) => l.current);
  const next = map.layers[at + step];
  if (next) p.order({ do: 'layer', map: map.id, id: next.id, kind: 'layer' });
}

/** Goes round: what is selected, the map one is on, all maps. */
let round = 0;
function look(p: Project): void {
  const map = p.mapView(p.currentMap);
  const boxes = [p.state?.slip?.box, map, around(p.scene?.maps ?? [])].filter((b) => b !== undefined && b !== null);
  const box = boxes[round++ % Math.max(1, boxes.length)];
  if (box) p.moveCamera((c) => c.fit(box));
}

/** Lays a lens over the maps, or takes it away. */
function through(p: Project, property: string): void {
  p.lens = p.lens === property ? '' : property;
  p.draw();
}

const zoom = (p: Project, direction: 1 | -1): void =>
  p.moveCamera((c) => {
    const at = p.cursor ? c.toScreen(p.cursor.x, p.cursor.y) : { x: c.width / 2, y: c.height / 2 };
    c.step(direction, at.x, at.y);
  });

let previous: Held | null = null;

/** What is in the hand, to be taken again. */
export type Held = Pick<State, 'holding' | 'shape' | 'tile' | 'type' | 'medley' | 'bond' | 'patch'>;

export const heldNow = (s: State): Held => ({
  holding: s.holding,
  shape: s.shape,
  tile: s.tile,
  type: s.type,
  medley: s.medley,
  bond: s.bond,
  patch: s.patch,
});

/** Takes into the hand what was held. */
export function holdAgain(p: Project, held: Held): void {
  p.order({ do: 'shape', text: held.shape });
  const id = { medley: held.medley, bond: held.bond, patch: held.patch }[held.holding] ?? held.type;
  p.order({ do: 'hold', kind: held.holding, n: held.tile, id });
}

/** Remembers what is held, before something else is taken. */
export function leaveHand(p: Project): void {
  const s = p.state;
  if (s) previous = heldNow(s);
}

function takeBefore(p: Project): void {
  const to = previous;
  if (!to) return;
  leaveHand(p);
  holdAgain(p, to);
}

/** Takes something into the hand. */
export function hold(p: Project, kind: string, what: { n?: number; id?: string } = {}): void {
  leaveHand(p);
  p.order({ do: 'hold', kind, ...what });
}

function shapeCommand(id: string, key: string, name: string, does: string): Command {
  return { id, name, keys: [key], group: 'hand', does, lasts: true, run: (p) => nextShape(p, id) };
}

/** The shapes that another's key goes round to, for seek. */
function roundShape(id: string, name: string, does: string): Command {
  return { id, name, keys: [], group: 'hand', does, run: (p) => (leaveHand(p), shape(p, id)) };
}

function nudge(way: string, x: number, y: number): Command {
  return {
    id: `nudge-${way}`,
    name: `Nudge what is selected ${way}`,
    keys: [`Ctrl+Arrow${way.charAt(0).toUpperCase()}${way.slice(1)}`],
    group: 'select',
    does: 'Moves the selected cells by one, with the pieces among them; or the selected map.',
    possible: (p) => chosen(p) || p.state?.slip?.kind === 'map',
    run: (p) => p.order({ do: 'move-cells', x, y }),
  };
}

/** Copies or cuts without the browser's own keys. */
async function toClipboard(p: Project, cut: boolean): Promise<void> {
  const text = p.copied(cut);
  if (text === '') return;
  try {
    await navigator.clipboard.writeText(text);
  } catch {
    p.say(`The browser does not let this page write to the clipboard. Press Ctrl+${cut ? 'X' : 'C'} instead.`);
  }
}

async function fromClipboard(p: Project): Promise<void> {
  try {
    p.paste(await navigator.clipboard.readText());
  } catch {
    p.say('The browser does not let this page read the clipboard. Press Ctrl+V instead.');
  }
}

export const commands: Command[] = [
  shapeCommand('free', 'D', 'Paint freely', 'Lays tiles where the pointer goes.'),
  shapeCommand('line', 'L', 'Line', 'Lays a straight line.'),
  shapeCommand('box', 'B', 'Box', 'Fills a box; again, draws a ring, then a room: walls with a floor inside.'),
  roundShape('ring', 'Ring', 'Draws the edge of a box, as thick as the brush.'),
  roundShape('room', 'Room', 'Draws walls of what is held, with a floor of what was held before.'),
  shapeCommand('oval', 'O', 'Oval', 'Fills an oval.'),
  shapeCommand('fill', 'F', 'Fill', 'Fills all that hangs together and is the same; again, the same everywhere.'),
  roundShape('everywhere', 'Fill everywhere', 'Fills all cells of the layer that hold the same.'),
  {
    id: 'larger',
    name: 'Larger brush',
    keys: ['='],
    group: 'hand',
    does: 'Makes the brush a cell wider, and rings a cell thicker.',
    run: (p) => p.order({ do: 'size', n: (p.state?.size ?? 1) + 1 }),
  },
  {
    id: 'smaller',
    name: 'Smaller brush',
    keys: ['-'],
    group: 'hand',
    does: 'Makes the brush a cell narrower.',
    run: (p) => p.order({ do: 'size', n: (p.state?.size ?? 1) - 1 }),
  },
  {
    id: 'turn',
    name: 'Turn',
    keys: ['R'],
    group: 'hand',
    does: 'Turns the selected cells, or what is in the hand, by a quarter to the right.',
    possible: editing,
    run: (p) => p.order({ do: 'turn' }),
  },
  {
    id: 'mirror',
    name: 'Mirror left and right',
    keys: ['M'],
    group: 'hand',
    does: 'Mirrors the selected cells, or what is in the hand.',
    possible: editing,
    run: (p) => p.order({ do: 'flip', yes: true }),
  },
  {
    id: 'mirror-down',
    name: 'Mirror top and bottom',
    keys: ['Shift+M'],
    group: 'hand',
    does: 'Mirrors the selected cells, or what is in the hand, upside down.',
    possible: editing,
    run: (p) => p.order({ do: 'flip', yes: false }),
  },
  {
    id: 'mirror-strokes',
    name: 'Mirror-paint left and right',
    keys: ['K'],
    group: 'hand',
    does: 'Repeats each stroke on the other side of the map’s mirror line.',
    run: (p) => p.order({ do: 'mirror-strokes', yes: true }),
  },
  {
    id: 'mirror-strokes-down',
    name: 'Mirror-paint top and bottom',
    keys: ['Shift+K'],
    group: 'hand',
    does: 'Repeats each stroke above or below the map’s mirror line.',
    run: (p) => p.order({ do: 'mirror-strokes', yes: false }),
  },
  {
    id: 'mirror-here',
    name: 'Mirror lines through here',
    keys: [],
    group: 'hand',
    does: 'Lets the map’s mirror lines go through the cell under the pointer or cursor.',
    possible: editing,
    run: (p) => p.order({ do: 'mirror-here', ...cursorOf(p) }),
  },
  {
    id: 'select',
    name: 'Select cells',
    keys: ['Q'],
    group: 'select',
    does: 'Selects cells in the shapes that paint: free is a lasso, fill takes what is alike. Right button takes away.',
    run: (p) => hold(p, 'choose'),
  },
  {
    id: 'select-all',
    name: 'Select all cells of the map',
    keys: ['Ctrl+A'],
    group: 'select',
    does: 'Selects every cell of the map you are on.',
    possible: editing,
    run: (p) => p.order({ do: 'choose-all', kind: 'map', id: p.currentMap ?? '' }),
  },
  {
    id: 'select-adds',
    name: 'Select anew, add or take away',
    keys: ['I'],
    group: 'select',
    does: 'Says what selecting does with what is selected; with Ctrl held it adds.',
    run: (p) => {
      const round = ['anew', 'add', 'take away'];
      const next = round[(round.indexOf(p.state?.adds || 'anew') + 1) % round.length] ?? 'anew';
      p.order({ do: 'adds', text: next });
    },
  },
  {
    id: 'through',
    name: 'Through all layers',
    keys: ['X'],
    group: 'select',
    does: 'Lets selecting, erasing and picking go through all layers that are shown, or the current one alone.',
    run: (p) => p.order({ do: 'through' }),
  },
  {
    id: 'copy',
    name: 'Copy',
    keys: ['Ctrl+C'],
    group: 'select',
    native: true,
    does: 'Copies the selected cells or piece, for any map, project or window.',
    run: (p) => void toClipboard(p, false),
  },
  {
    id: 'cut',
    name: 'Cut',
    keys: ['Ctrl+X'],
    group: 'select',
    native: true,
    does: 'Copies what is selected and takes it away.',
    possible: editing,
    run: (p) => void toClipboard(p, true),
  },
  {
    id: 'paste',
    name: 'Paste',
    keys: ['Ctrl+V'],
    group: 'select',
    native: true,
    does: 'Takes what was copied into the hand, to be laid down.',
    possible: editing,
    run: (p) => void fromClipboard(p),
  },
  {
    id: 'duplicate',
    name: 'Duplicate',
    keys: ['Ctrl+D'],
    group: 'select',
    does: 'Takes a copy of what is selected into the hand.',
    possible: editing,
    run: (p) => (leaveHand(p), p.order({ do: 'duplicate' })),
  },
  {
    id: 'fill-cells',
    name: 'Fill what is selected',
    keys: ['Shift+F'],
    group: 'select',
    does: 'Fills the selected cells with what is in the hand, or was before.',
    possible: chosen,
    run: (p) => p.order({ do: 'fill-cells' }),
  },
  {
    id: 'keep-patch',
    name: 'Keep as a patch',
    keys: ['Shift+Q'],
    group: 'select',
    does: 'Keeps the selected cells, or the block in the hand, as a patch in the drawer.',
    possible: editing,
    run: (p) => p.order({ do: 'keep-patch' }),
  },
  nudge('left', -1, 0),
  nudge('right', 1, 0),
  nudge('up', 0, -1),
  nudge('down', 0, 1),
  {
    id: 'eraser',
    name: 'Eraser',
    keys: ['E'],
    group: 'hand',
    lasts: true,
    does: 'Takes the eraser into the hand; it erases in the same shapes.',
    run: (p) => hold(p, 'eraser'),
  },
  {
    id: 'pick',
    name: 'Pick what is under the pointer',
    keys: ['W'],
    group: 'hand',
    does: 'Takes the tile or piece under the pointer or cursor into the hand; held and dragged, a block of them.',
    possible: editing,
    run: (p) => {
      const at = p.cursor ?? p.pointer?.box;
      if (!at) return;
      leaveHand(p);
      p.order({ do: 'pick', x: at.x, y: at.y });
    },
  },
  {
    id: 'before',
    name: 'Take what was held before',
    keys: ['A'],
    group: 'hand',
    does: 'Swaps what is in the hand for what was there before.',
    run: takeBefore,
  },
  {
    id: 'map-of-colours',
    name: 'Make a map of a picture’s colours',
    keys: [],
    group: 'hand',
    does: 'Takes a picture in which each pixel is a cell and each colour means a tile, by a legend that you see first.',
    run: (p) => p.layOnDesk({ kind: 'colours' }),
  },
  {
    id: 'measure',
    name: 'Measure',
    keys: ['H'],
    group: 'hand',
    does: 'Drag to see how far it is: in cells, pixels, steps of the player round what is solid, and seconds.',
    run: (p) => hold(p, 'measure'),
  },
  {
    id: 'crossing',
    name: 'Crossing',
    keys: [],
    group: 'hand',
    does: 'Takes a crossing into the hand: drag from a cell of one map to a cell of another.',
    run: (p) => hold(p, 'crossing'),
  },
  {
    id: 'empty',
    name: 'Empty the hand',
    keys: ['Esc'],
    group: 'hand',
    inGame: true,
    does: 'Stops what is under way, or ends the innermost thing: a gesture, the game’s keys, what is in the hand, the selection.',
    run: (p) => {
      const idle = p.state?.holding === 'nothing' && !p.state.slip && !p.state.chosen && !p.pointer?.busy;
      if (p.state?.working?.stops) p.order({ do: 'cancel' });
      else if (p.opened === 'desk' && !p.pointer?.busy) p.opened = 'nothing';
      else if (p.panelled) {
        p.layerOpen = '';
        p.keptShown = false;
        p.stepsShown = false;
      } else if (p.state?.playing && p.inGame) p.inGame = false;
      else if (idle && p.opened === 'drawer') p.opened = 'nothing';
      else p.order({ do: 'cancel' });
    },
  },
  {
    id: 'undo',
    name: 'Undo',
    keys: ['Ctrl+Z'],
    group: 'board',
    inGame: true,
    does: 'Takes back your last step.',
    run: (p) => void p.takeBack('undo'),
  },
  {
    id: 'redo',
    name: 'Redo',
    keys: ['Ctrl+Shift+Z', 'Ctrl+Y'],
    group: 'board',
    inGame: true,
    does: 'Brings back what was taken back last.',
    run: (p) => void p.takeBack('redo'),
  },
  {
    id: 'delete',
    name: 'Delete what is selected',
    keys: ['Delete'],
    group: 'board',
    does: 'Deletes the selected cells, piece, crossing or map. With a tile in the hand, erases the cell of the cursor.',
    possible: editing,
    run: (p) => {
      const slip = p.state?.slip;
      if (slip?.kind === 'map') p.slipShown = true;
      if (p.state?.chosen) {
        p.order({ do: 'delete' });
      } else if (p.state?.holding !== 'nothing' && p.cursor) {
        p.point(1, p.cursor.x, p.cursor.y, true);
        p.point(3, p.cursor.x, p.cursor.y, true);
      } else if (slip?.kind === 'map' && !slip.kept) {
        document.getElementById('slip-delete')?.focus();
      } else {
        p.order({ do: 'delete' });
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
      const map = p.mapView(p.currentMap);
      const current = map?.layers.find((l) => l.current);
      if (map && current) p.order({ do: 'make-layer', kind: 'layer', map: map.id, id: current.id });
    },
  },
  {
    id: 'layer-settings',
    name: 'Settings of the layer',
    keys: ['Shift+Y'],
    group: 'board',
    does: 'Opens what can be set of the current layer: movement, lock, fade, tint, depth, backdrop.',
    possible: editing,
    run: (p) => {
      const current = p.mapView(p.currentMap)?.layers.find((l) => l.current)?.id ?? '';
      p.layerOpen = p.layerOpen === current ? '' : current;
      if (p.layerOpen !== '') focusOn('[data-layer-settings] input');
    },
  },
  {
    id: 'only',
    name: 'This layer alone',
    keys: ['Shift+X'],
    group: 'view',
    does: 'Shows the current layer alone, or again all.',
    run: (p) => {
      const map = p.mapView(p.currentMap);
      const current = map?.layers.find((l) => l.current);
      if (map && current) p.order({ do: 'only', map: map.id, id: current.id, yes: !current.only });
    },
  },
  {
    id: 'steps',
    name: 'What was done',
    keys: ['U'],
    group: 'view',
    does: 'Lists the steps, yours and those of others, to walk along.',
    run: (p) => {
      p.stepsShown = !p.stepsShown;
      p.keptShown = false;
      if (p.stepsShown) focusOn('[data-steps] [aria-current], [data-steps] button');
    },
  },
  {
    id: 'kept',
    name: 'Copies and kept states',
    keys: ['Shift+U'],
    group: 'view',
    does: 'Keeps the project as it is now, shows how it was, copies it to a file.',
    run: (p) => {
      p.keptShown = !p.keptShown;
      p.stepsShown = false;
      if (p.keptShown) focusOn('[data-kept] input');
    },
  },
  {
    id: 'look',
    name: 'Look at selection, map, all',
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
    run: (p) => p.moveCamera((c) => c.zoomTo(1, c.width / 2, c.height / 2)),
  },
  { id: 'zoom-in', name: 'Zoom in', keys: ['PageUp'], group: 'view', does: 'Comes nearer.', run: (p) => zoom(p, 1) },
  {
    id: 'zoom-out',
    name: 'Zoom out',
    keys: ['PageDown'],
    group: 'view',
    does: 'Goes further off.',
    run: (p) => zoom(p, -1),
  },
  {
    id: 'drawer',
    name: 'Drawer',
    keys: ['T'],
    group: 'view',
    does: 'Opens or closes the drawer with all tiles and pieces.',
    run: (p) => (p.opened = p.opened === 'drawer' ? 'nothing' : 'drawer'),
  },
  {
    id: 'tileset',
    name: 'Bring in a tileset',
    keys: [],
    group: 'board',
    does: 'Lays a picture on the desk, to be cut into tiles.',
    run: (p) => {
      p.layOnDesk({ kind: 'nothing' });
    },
  },
  {
    id: 'reskin',
    name: 'Re-skin',
    keys: [],
    group: 'board',
    does: 'Swaps the tiles of one tileset for those of another, on a map or on all.',
    run: (p) => p.layOnDesk({ kind: 'reskin' }),
  },
  {
    id: 'stack',
    name: 'Depth stack',
    keys: ['Y'],
    group: 'view',
    does: 'Makes the depth stack wide or narrow.',
    run: (p) => (p.stackOpen = !p.stackOpen),
  },
  {
    id: 'slip',
    name: 'Slip',
    keys: ['C'],
    group: 'view',
    does: 'Shows or hides the slip of what is selected.',
    run: (p) => (p.slipShown = !p.slipShown),
  },
  {
    id: 'grid',
    name: 'Grid',
    keys: ['G'],
    group: 'view',
    does: 'Shows or hides the grid.',
    run: (p) => ((p.grid = !p.grid), p.draw()),
  },
  {
    id: 'grid-step',
    name: 'Grid by other steps',
    keys: ['Shift+G'],
    group: 'view',
    does: 'Goes round: a stronger line at every 2, 4, 8, 16 cells, at every screen, at none.',
    run: (p) => {
      const next = GRID_STEPS[(GRID_STEPS.indexOf(p.gridStep) + 1) % GRID_STEPS.length] ?? 1;
      p.gridStep = next;
      p.grid = true;
      p.say(
        next === 1
          ? 'The grid has a line at every cell.'
          : `The grid has a stronger line at every ${next === 0 ? 'screen' : `${next} cells`}.`,
      );
      p.draw();
    },
  },
  {
    id: 'frame',
    name: 'What the player sees',
    keys: ['V'],
    group: 'view',
    does: 'Shows the frame of what the player sees from the pointer, or from the selected piece.',
    run: (p) => ((p.frameShown = !p.frameShown), p.draw()),
  },
  {
    id: 'minimap',
    name: 'Minimap',
    keys: ['Shift+N'],
    group: 'view',
    does: 'Shows or hides the small picture of all maps.',
    run: (p) => (p.minimap = !p.minimap),
  },
  {
    id: 'lines',
    name: 'Lines and names',
    keys: ['N'],
    group: 'view',
    does: 'Shows or hides the lines of crossings and the names of maps.',
    run: (p) => ((p.lines = !p.lines), p.draw()),
  },
  {
    id: 'lens',
    name: 'Lens: what is solid',
    keys: ['S'],
    group: 'view',
    inGame: true,
    does: 'Hatches the cells that nobody can walk into.',
    run: (p) => through(p, 'solid'),
  },
  ...(['water', 'danger', 'climbable', 'one-way', 'slippery', 'slow'] as const).map((property): Command => ({
    id: `lens-${property}`,
    name: `Lens: ${property}`,
    keys: [],
    group: 'view',
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
