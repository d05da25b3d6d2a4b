import type { Project } from '../project.svelte';

export type Shelved = 'tileset' | 'bond' | 'medley';

const TYPE = 'text/azzel-shelf';

/** Things in the order of the drawer. */
export function inOrder<T extends { id: string }>(p: Project, list: T[]): T[] {
  const drawer = p.session.scene?.drawer ?? [];
  return [...list].sort((a, b) => drawer.indexOf(a.id) - drawer.indexOf(b.id));
}

/** Puts a thing before another of its kind, or last. */
export const putBefore = (p: Project, kind: Shelved, id: string, before: string): void =>
  void p.session.orders.arrange({ thing: { kind, id }, before });

export function dragged(event: DragEvent, kind: Shelved, id: string): void {
  event.dataTransfer?.setData(TYPE, `${kind} ${id}`);
}

/** Lets go of what is dragged over a thing: it comes before it. */
export function droppedOn(p: Project, event: DragEvent, kind: Shelved, id: string): void {
  const [what, moved] = (event.dataTransfer?.getData(TYPE) ?? '').split(' ');
  if (what !== kind || !moved) return;
  event.preventDefault();
  event.stopPropagation();
  putBefore(p, kind, moved, id);
}
