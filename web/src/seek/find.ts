import UFuzzy from '@leeoniya/ufuzzy';
import { inOrder } from '../drawer/shelf';
import { hold } from '../commands/holding';
import { openRule } from '../rules/opening';
import { commands, keyOf, runCommand } from '../commands/register';
import type { Project } from '../project.svelte';
import { HOVER } from '../core/types.gen';
import { hasWords } from './words';

export interface Found {
  id: string;
  name: string;
  does: string;
  keys: string;
  go: () => void;
}

/** How many results are shown, and from how many letters on names that are nearly so are looked for. */
const MOST = 30;
const LEAST = 3;

/** Sets the cell cursor to a place of the board, as if one had gone there. */
function standAt(p: Project, x: number, y: number): void {
  const { cellW, cellH } = p.session.scene?.project ?? { cellW: 1, cellH: 1 };
  p.viewport.cursor = { x: Math.floor(x / cellW) * cellW, y: Math.floor(y / cellH) * cellH };
  p.viewport.point(HOVER, x, y);
}

/** All that can be found, and what choosing it does. */
function everything(p: Project): Found[] {
  const scene = p.session.scene;
  const all: Found[] = commands.map((c) => ({
    id: `command ${c.id}`,
    name: c.name,
    does: c.does,
    keys: keyOf(c.id),
    go: () => runCommand(p, c.id),
  }));
  for (const type of scene?.types ?? []) {
    all.push({
      id: `type ${type.id}`,
      name: type.name,
      does: `Take it into the hand. ${type.purpose}`,
      keys: '',
      go: () => hold(p, 'piece', { id: type.id }),
    });
  }
  for (const map of scene?.maps ?? []) {
    all.push({
      id: `map ${map.id}`,
      name: map.name,
      does: `map, ${map.columns} × ${map.rows} cells`,
      keys: '',
      go: () => {
        void p.session.orders.select({ thing: { kind: 'map', id: map.id } });
        p.viewport.currentMap = map.id;
        standAt(p, map.x, map.y);
        p.viewport.showWhole(map, true);
      },
    });
  }
  for (const piece of scene?.pieces ?? []) {
    all.push({
      id: `piece ${piece.id}`,
      name: piece.name,
      does: `piece on ${p.session.mapView(piece.map)?.name ?? ''}`,
      keys: '',
      go: () => {
        void p.session.orders.select({ thing: { kind: 'piece', map: piece.map, id: piece.id } });
        p.viewport.currentMap = piece.map;
        standAt(p, piece.x, piece.y);
        p.viewport.moveCamera((c) => c.center(piece.x, piece.y));
      },
    });
  }
  for (const crossing of scene?.crossings ?? []) {
    all.push({
      id: `crossing ${crossing.id}`,
      name: crossing.name,
      does: 'crossing',
      keys: '',
      go: () => {
        void p.session.orders.select({ thing: { kind: 'crossing', id: crossing.id } });
        const door = crossing.doors[0];
        if (door) p.viewport.moveCamera((c) => c.center(door.x, door.y));
      },
    });
  }
  for (const rule of p.session.ask.rules().flatMap((home) => home.rules)) {
    all.push({ id: `rule ${rule.id}`, name: rule.name, does: 'rule', keys: '', go: () => openRule(p, rule.id) });
  }
  for (const medley of scene?.medleys ?? []) {
    all.push({
      id: `medley ${medley.id}`,
      name: medley.name,
      does: `medley of ${medley.tiles.length} tiles`,
      keys: '',
      go: () => hold(p, 'medley', { id: medley.id }),
    });
  }
  for (const patch of scene?.patches ?? []) {
    all.push({
      id: `patch ${patch.id}`,
      name: patch.name,
      does: `patch of ${patch.columns} × ${patch.rows} cells`,
      keys: '',
      go: () => hold(p, 'patch', { id: patch.id }),
    });
  }
  for (const bond of scene?.bonds ?? []) {
    all.push({
      id: `bond ${bond.id}`,
      name: bond.name,
      does: `bond of ${bond.tiles.length} tiles`,
      keys: '',
      go: () => hold(p, 'bond', { id: bond.id }),
    });
  }
  for (const set of inOrder(p, p.session.tilesets)) {
    set.tiles.forEach(({ name, does, keywords }, i) =>
      all.push({
        id: `tile ${set.first + i}`,
        name,
        does: `tile of ${set.name}${does ? `, ${does}` : ''}${keywords ? ` · ${keywords}` : ''}`,
        keys: '',
        go: () => hold(p, 'tile', { tile: set.first + i }),
      }),
    );
  }
  return all;
}

/** Finds names in which letters of the text are missing, too many or changed places; each word may be off by one. */
const fuzzy = new UFuzzy({ intraMode: 1, intraIns: 1, intraSub: 1, intraTrn: 1, intraDel: 1 });

/** What matches all words of the text, names that begin with it first; after them names that are nearly so. */
export function find(p: Project, text: string): Found[] {
  const sought = text.trim().toLowerCase();
  const rank = (f: Found): number => {
    const name = f.name.toLowerCase();
    return name === sought ? 0 : name.startsWith(sought) ? 1 : name.includes(sought) ? 2 : 3;
  };
  const all = everything(p);
  const exact = all
    .filter((f) => hasWords(`${f.name} ${f.does}`, sought))
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, MOST);
  if (exact.length === MOST || sought.length < LEAST) return exact;
  // Several words, which may stand in any order, come without one.
  const [found, info, order] = fuzzy.search(
    all.map((f) => f.name),
    sought,
    1,
  );
  const places = order ? order.map((at) => info.idx[at] ?? -1) : (found ?? []);
  const near = places.map((at) => all[at]).filter((f) => f !== undefined);
  return [...new Set([...exact, ...near])].slice(0, MOST);
}
