import type { Project } from '../project.svelte';

/** Shows a type of one's own among the types of the project. */
export function openType(p: Project, id: string): void {
  p.shell.type = id;
  p.shell.panel = 'types';
  p.shell.layerOpen = '';
}
