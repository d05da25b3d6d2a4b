import type { CrossingView } from '../core/types.gen';
import type { Camera } from './camera';
import type { Colours } from './colours';

type Point = { x: number; y: number };

function along(curve: Point[], t: number): Point {
  const [a, b, c, d] = curve as [Point, Point, Point, Point];
  const u = 1 - t;
  const mix = (p: number, q: number, r: number, s: number): number =>
    u * u * u * p + 3 * u * u * t * q + 3 * u * t * t * r + t * t * t * s;
  return { x: mix(a.x, b.x, c.x, d.x), y: mix(a.y, b.y, c.y, d.y) };
}

/** A crossing's double line, with chevrons toward where it leads. */
export function drawCrossing(
  context: CanvasRenderingContext2D,
  crossing: CrossingView,
  camera: Camera,
  colours: Colours,
  strength: number,
): void {
  const curve: Point[] = [];
  for (let i = 0; i + 1 < crossing.curve.length; i += 2) {
    curve.push(camera.toScreen(crossing.curve[i] ?? 0, crossing.curve[i + 1] ?? 0));
  }
  if (curve.length !== 4) return;
  context.save();
  context.globalAlpha = strength;
  context.strokeStyle = colours.lagoon;
  context.lineWidth = 1.6;
  for (const side of [-2.5, 2.5]) {
    context.beginPath();
    for (let i = 0; i <= 32; i++) {
      const p = along(curve, i / 32);
      const q = along(curve, Math.min(1, i / 32 + 0.01));
      const r = along(curve, Math.max(0, i / 32 - 0.01));
      const length = Math.hypot(q.x - r.x, q.y - r.y) || 1;
      const x = p.x + ((q.y - r.y) / length) * side;
      const y = p.y - ((q.x - r.x) / length) * side;
      if (i === 0) context.moveTo(x, y);
      else context.lineTo(x, y);
    }
    context.stroke();
  }
  const start = curve[0] as Point;
  const end = curve[3] as Point;
  if (Math.hypot(end.x - start.x, end.y - start.y) > 40) {
    chevron(context, curve, 0.62, 1);
    if (crossing.bothWays) chevron(context, curve, 0.38, -1);
  }
  context.restore();
}

function chevron(context: CanvasRenderingContext2D, curve: Point[], t: number, way: number): void {
  const at = along(curve, t);
  const ahead = along(curve, t + 0.01);
  const angle = Math.atan2(ahead.y - at.y, ahead.x - at.x) + (way < 0 ? Math.PI : 0);
  context.save();
  context.translate(at.x, at.y);
  context.rotate(angle);
  context.lineWidth = 2;
  context.beginPath();
  context.moveTo(-3, -7);
  context.lineTo(4, 0);
  context.lineTo(-3, 7);
  context.stroke();
  context.restore();
}
