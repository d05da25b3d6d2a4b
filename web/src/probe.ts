import type { BoxView } from './core/types.gen';
import type { Project } from './project.svelte';

/** What the browser tests read of a page: the document's hash, the hand, and what is shown. */
export function probe({ session, viewport }: Project): object {
  const { pending, holding, shape, tile, size, chosen } = session.state ?? {};
  const { text, problem } = viewport.pointer?.ghost ?? {};
  const hand = { pending, holding, shape, tile, size, chosen, ghost: problem || text || '' };
  const { gridStep, frameShown, reachShown, lens } = viewport;
  return { ...session.ask.probe(), ...hand, gridStep, frameShown, reachShown, lens };
}

/** The cells of the current layer in a box of a map that is called so, row by row. */
export function cellsOf({ session }: Project, name: string, box: BoxView): number[] {
  const map = session.scene?.maps.find((m) => m.name === name);
  const layer = map?.layers.find((l) => l.current);
  return map && layer ? session.ask.cellsIn({ map: map.id, layer: layer.id, box }) : [];
}
