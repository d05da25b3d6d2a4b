import type { Fetched } from './panels';
import { panels } from './panels';

/** Parts of the page that are fetched when they are first needed. */
export const parts = {
  slips: () => import('../slip/Slips.svelte'),
  drawer: () => import('../drawer/Drawer.svelte'),
  desk: () => import('../desk/Desk.svelte'),
  keys: () => import('../seek/KeySheet.svelte'),
  layer: () => import('../depth/LayerSettings.svelte'),
  play: () => import('../play/PlayBar.svelte'),
  padWays: () => import('../play/PadWays.svelte'),
  padActions: () => import('../play/PadActions.svelte'),
  looking: () => import('../history/LookingBar.svelte'),
} satisfies Record<string, () => Promise<Fetched>>;

/**
 * Fetches all parts, one after the other, so that they are there at once when they are needed, also without the server. One
 * that does not come now is fetched when it is needed.
 */
export async function fetchAhead(rest: () => Promise<void>): Promise<void> {
  for (const load of [
    parts.slips,
    parts.play,
    parts.drawer,
    ...panels.map((panel) => panel.load),
    ...Object.values(parts),
  ]) {
    await rest();
    await load().catch(() => undefined);
  }
}
