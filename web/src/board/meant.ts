import type { Project } from '../project.svelte';
import type { BoxView, Scene } from '../core/types.gen';
import type { Colours } from './colours';

/** Outlines what a word names at which the pointer or the focus is: a piece, an area, or a map. */
export function drawMeant(context: CanvasRenderingContext2D, p: Project, scene: Scene, colours: Colours): void {
  const { meant, camera } = p.viewport;
  if (!meant) return;
  const box = boxOf(scene, meant.kind, meant.id ?? '');
  if (!box) return;
  const b = camera.boxOnScreen(box);
  context.strokeStyle = colours.sheet;
  context.lineWidth = 5;
  context.strokeRect(b.x - 3, b.y - 3, b.w + 6, b.h + 6);
  context.strokeStyle = colours.plum;
  context.lineWidth = 2.5;
  context.strokeRect(b.x - 3, b.y - 3, b.w + 6, b.h + 6);
}

function boxOf(scene: Scene, kind: string, id: string): BoxView | undefined {
  const { cellW, cellH } = scene.project;
  const piece = kind === 'piece' ? scene.pieces.find((one) => one.id === id) : undefined;
  if (piece) return { x: piece.x - cellW / 2, y: piece.y - cellH, w: cellW, h: cellH };
  if (kind === 'area') return scene.areas.find((one) => one.id === id)?.box;
  if (kind === 'map') return scene.maps.find((one) => one.id === id);
  return scene.crossings.find((one) => kind === 'crossing' && one.id === id)?.doors[0];
}
