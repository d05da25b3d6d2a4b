import type { Project } from '../project.svelte';
import type { State } from '../core/types.gen';

export const shape = (p: Project, shape: string): void => void p.session.orders.setShape({ shape });

/** Shapes that share a key: pressed again, it goes round. */
const ROUNDS: Record<string, string[]> = { box: ['box', 'ring', 'room'], fill: ['fill', 'everywhere'] };

/** Takes a shape, or the next of those that share its key. */
export function nextShape(p: Project, id: string): void {
  const round = ROUNDS[id] ?? [id];
  const at = p.session.state?.holding === 'nothing' ? -1 : round.indexOf(p.session.state?.shape ?? '');
  leaveHand(p);
  shape(p, round[(at + 1) % round.length] ?? id);
}

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
  void p.session.orders.setShape({ shape: held.shape });
  const id = { medley: held.medley, bond: held.bond, patch: held.patch }[held.holding] ?? held.type;
  void p.session.orders.hold({ holding: held.holding, tile: held.tile, id });
}

/** Remembers what is held, before something else is taken. */
export function leaveHand(p: Project): void {
  const s = p.session.state;
  if (s) previous = heldNow(s);
}

export function takeBefore(p: Project): void {
  const to = previous;
  if (!to) return;
  leaveHand(p);
  holdAgain(p, to);
}

/** Takes something into the hand. */
export function hold(p: Project, kind: string, what: { tile?: number; id?: string } = {}): void {
  leaveHand(p);
  void p.session.orders.hold({ holding: kind, ...what });
}
