import type { Project } from '../project.svelte';
import type { Scene, WireView } from '../core/types.gen';
import type { Colours } from './colours';

/** How strongly wires are seen that nobody asked for. */
const QUIET = 0.25;
/** Radius of the valve wheel in which a wire ends, and how far above the middle of its piece it stands, in screen pixels. */
const WHEEL = 5;
const RAISED = 14;
/** How broad the line round a wire is that is selected. */
const HALO = 5;

/**
 * Draws the wires: those of what is selected, all while a wire is in the hand or the board is far away, else faintly where
 * lines are shown. In play those are bright that are on.
 */
export function drawWires(
  context: CanvasRenderingContext2D,
  p: Project,
  scene: Scene,
  near: boolean,
  colours: Colours,
): void {
  const selected = p.session.state?.slip;
  const held = p.session.state?.holding === 'wire';
  const live = p.game.view?.live;
  for (const wire of scene.wires) {
    const chosen =
      selected !== null &&
      selected !== undefined &&
      (selected.kind === 'wire' ? selected.id === wire.id : selected.id === wire.from || selected.id === wire.to);
    const on = live?.includes(wire.id) ?? false;
    const strong = live ? on : chosen || held || !near;
    if (!strong && !p.viewport.lines) continue;
    if (selected?.kind === 'wire' && chosen && !live) drawWire(context, p, wire, 0.6, colours.saffron, HALO);
    drawWire(context, p, wire, strong ? 1 : QUIET, on ? colours.saffron : colours.plum);
  }
}

/** One wire: a thin line that hangs a little, and a valve wheel where it ends. */
function drawWire(
  context: CanvasRenderingContext2D,
  p: Project,
  wire: WireView,
  strength: number,
  colour: string,
  width = 1.5,
): void {
  const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = wire.line;
  const from = p.viewport.camera.toScreen(x0, y0);
  const piece = p.viewport.camera.toScreen(x1, y1);
  const to = { x: piece.x, y: piece.y - RAISED };
  const sag = Math.min(60, Math.hypot(to.x - from.x, to.y - from.y) / 6);
  context.save();
  context.globalAlpha = strength;
  context.strokeStyle = colour;
  context.fillStyle = colour;
  context.lineWidth = width;
  context.beginPath();
  context.arc(from.x, from.y, 2.5, 0, Math.PI * 2);
  context.fill();
  context.beginPath();
  context.moveTo(from.x, from.y);
  context.quadraticCurveTo((from.x + to.x) / 2, (from.y + to.y) / 2 + sag, to.x, to.y);
  context.stroke();
  context.beginPath();
  context.arc(to.x, to.y, WHEEL, 0, Math.PI * 2);
  for (let spoke = 0; spoke < 4; spoke++) {
    const angle = (spoke * Math.PI) / 4;
    const [dx, dy] = [Math.cos(angle) * WHEEL * 1.5, Math.sin(angle) * WHEEL * 1.5];
    context.moveTo(to.x - dx, to.y - dy);
    context.lineTo(to.x + dx, to.y + dy);
  }
  context.stroke();
  context.beginPath();
  context.moveTo(to.x, to.y + WHEEL);
  context.lineTo(piece.x, piece.y);
  context.stroke();
  context.restore();
}
