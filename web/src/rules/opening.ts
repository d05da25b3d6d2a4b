import type { Project } from '../project.svelte';
import type { Thing } from '../core/types.gen';

/** Lays a rule on the desk; without an id the first one. */
export function openRule(p: Project, id = ''): void {
  p.shell.layOnDesk({ kind: 'rules', id });
}

/** Makes a rule that belongs to something, and lays it on the desk. */
export async function addRule(p: Project, home: Thing): Promise<void> {
  const { made } = await p.session.orders.addRule({ home });
  if (made[0] !== undefined) openRule(p, made[0]);
}
