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

/** Puts a rule that does the same in the place of a wire, and lays it on the desk. */
export async function openWire(p: Project, wire: string): Promise<void> {
  const { made } = await p.session.orders.openWire({ wire });
  if (made[0] !== undefined) openRule(p, made[0]);
}

/** Puts wires that do the same in the place of a rule, and selects the first of them. */
export async function foldRule(p: Project, rule: string): Promise<void> {
  const { made } = await p.session.orders.foldRule({ rule });
  if (made[0] !== undefined) void p.session.orders.select({ thing: { kind: 'wire', map: '', id: made[0] } });
}
