import type { Project } from '../project.svelte';
import type { Thing } from '../core/types.gen';

/** Lays a rule on the desk, with one of its lines in view; without an id the first one. */
export function openRule(p: Project, id = '', part = ''): void {
  p.shell.layOnDesk({ kind: 'rules', id, part });
}

/** Makes a rule that belongs to something, and lays it on the desk. */
export async function addRule(p: Project, home: Thing): Promise<void> {
  const { made } = await p.session.orders.addRule({ home });
  if (made[0] !== undefined) openRule(p, made[0]);
}
