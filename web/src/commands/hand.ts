import type { Project } from '../project.svelte';
import { chosen, cursorOf, editing, type Command } from './command';
import { hold, leaveHand, nextShape, shape, takeBefore } from './holding';

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
    possible: (p) => chosen(p) || p.session.state?.slip?.kind === 'map',
    run: (p) => p.session.orders.moveSelected({ x, y }),
  };
}

/** Copies or cuts without the browser's own keys. */
async function toClipboard(p: Project, cut: boolean): Promise<void> {
  const text = p.session.copied(cut);
  if (text === '') return;
  try {
    await navigator.clipboard.writeText(text);
  } catch {
    p.session.say(`The browser does not let this page write to the clipboard. Press Ctrl+${cut ? 'X' : 'C'} instead.`);
  }
}

async function fromClipboard(p: Project): Promise<void> {
  try {
    await p.session.orders.paste({ text: await navigator.clipboard.readText() });
  } catch {
    p.session.say('The browser does not let this page read the clipboard. Press Ctrl+V instead.');
  }
}

/** What takes things into the hand, and what is done to selected cells. */
export const handCommands: Command[] = [
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
    run: (p) => p.session.orders.widen({ by: 1 }),
  },
  {
    id: 'smaller',
    name: 'Smaller brush',
    keys: ['-'],
    group: 'hand',
    does: 'Makes the brush a cell narrower.',
    run: (p) => p.session.orders.widen({ by: -1 }),
  },
  {
    id: 'turn',
    name: 'Turn',
    keys: ['R'],
    group: 'hand',
    does: 'Turns the selected cells, or what is in the hand, by a quarter to the right.',
    possible: editing,
    run: (p) => p.session.orders.turn(),
  },
  {
    id: 'mirror',
    name: 'Mirror left and right',
    keys: ['M'],
    group: 'hand',
    does: 'Mirrors the selected cells, or what is in the hand.',
    possible: editing,
    run: (p) => p.session.orders.flip({ leftRight: true }),
  },
  {
    id: 'mirror-down',
    name: 'Mirror top and bottom',
    keys: ['Shift+M'],
    group: 'hand',
    does: 'Mirrors the selected cells, or what is in the hand, upside down.',
    possible: editing,
    run: (p) => p.session.orders.flip({ leftRight: false }),
  },
  {
    id: 'mirror-strokes',
    name: 'Mirror-paint left and right',
    keys: ['K'],
    group: 'hand',
    does: 'Repeats each stroke on the other side of the map’s mirror line.',
    run: (p) => p.session.orders.mirrorStrokes({ leftRight: true, on: !p.session.state?.mirrorX }),
  },
  {
    id: 'mirror-strokes-down',
    name: 'Mirror-paint top and bottom',
    keys: ['Shift+K'],
    group: 'hand',
    does: 'Repeats each stroke above or below the map’s mirror line.',
    run: (p) => p.session.orders.mirrorStrokes({ leftRight: false, on: !p.session.state?.mirrorY }),
  },
  {
    id: 'mirror-here',
    name: 'Move the mirror lines here',
    keys: [],
    group: 'hand',
    does: 'Lets the map’s mirror lines go through the cell under the pointer or cursor.',
    possible: editing,
    run: (p) => p.session.orders.mirrorHere(cursorOf(p)),
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
    run: (p) => p.session.orders.selectAllCells({ map: p.viewport.currentMap ?? '' }),
  },
  {
    id: 'select-adds',
    name: 'Selecting replaces, adds or takes away',
    keys: ['I'],
    group: 'select',
    does: 'Goes round: selecting replaces what is selected, adds to it, or takes away from it. With Ctrl held it adds.',
    run: (p) => {
      const round = ['anew', 'add', 'take away'];
      const next = round[(round.indexOf(p.session.state?.adds ?? 'anew') + 1) % round.length] ?? 'anew';
      void p.session.orders.setAdding({ adding: next });
    },
  },
  {
    id: 'through',
    name: 'Through all layers',
    keys: ['X'],
    group: 'select',
    does: 'Lets selecting, erasing and picking go through all layers that are shown, or the current one alone.',
    run: (p) => p.session.orders.reachThrough({ on: !p.session.state?.through }),
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
    run: (p) => (leaveHand(p), p.session.orders.duplicate()),
  },
  {
    id: 'fill-cells',
    name: 'Fill what is selected',
    keys: ['Shift+F'],
    group: 'select',
    does: 'Fills the selected cells with what is in the hand, or was before.',
    possible: chosen,
    run: (p) => p.session.orders.fillSelected(),
  },
  {
    id: 'keep-patch',
    name: 'Keep as a patch',
    keys: ['Shift+Q'],
    group: 'select',
    does: 'Keeps the selected cells, or the block in the hand, as a patch in the drawer.',
    possible: editing,
    run: (p) => p.session.orders.keepPatch({}),
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
      const at = p.viewport.cursor ?? p.viewport.pointer?.box;
      if (!at) return;
      leaveHand(p);
      void p.session.orders.pickUp({ x: at.x, y: at.y, toX: at.x, toY: at.y });
    },
  },
  {
    id: 'before',
    name: 'Take the previous tile or piece',
    keys: ['A'],
    group: 'hand',
    does: 'Swaps what is in the hand for what was there before.',
    run: takeBefore,
  },
  {
    id: 'map-of-colours',
    name: 'Make a map from a picture’s colours',
    keys: [],
    group: 'hand',
    does: 'Takes a picture in which each pixel is a cell and each colour means a tile, by a legend that you see first.',
    opens: 'section[aria-label=Desk]',
    run: (p) => p.shell.layOnDesk({ kind: 'colours' }),
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
    id: 'wire',
    name: 'Wire',
    keys: [],
    group: 'hand',
    does: 'Takes a wire into the hand: drag from a switch, or any piece that goes on and off, to the piece, area or layer that it is to work, on any map.',
    run: (p) => hold(p, 'wire'),
  },
  {
    id: 'empty',
    name: 'Empty the hand',
    keys: ['Esc'],
    group: 'hand',
    inGame: true,
    does: 'Stops what is under way, or ends the innermost thing: a gesture, the game’s keys, what is in the hand, the selection.',
    run: (p) => {
      const idle =
        p.session.state?.holding === 'nothing' &&
        !p.session.state.slip &&
        !p.session.state.chosen &&
        !p.viewport.pointer?.busy;
      if (p.session.state?.working?.stops) void p.session.orders.cancel();
      else if (p.shell.opened === 'desk' && !p.viewport.pointer?.busy) p.shell.opened = 'nothing';
      else if (p.shell.panelled) p.shell.closePanels();
      else if (p.session.state?.playing && p.game.inGame) p.game.inGame = false;
      else if (idle && p.shell.opened === 'drawer') p.shell.opened = 'nothing';
      else void p.session.orders.cancel();
    },
  },
];
