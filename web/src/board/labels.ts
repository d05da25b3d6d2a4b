import type { Colours } from './colours';

/** The icons of the built-in types, on a raster of 12 × 12, as strokes. */
const ICONS: Record<string, string> = {
  '1': 'M6 5.2a1.9 1.9 0 1 0 0-3.8 1.9 1.9 0 0 0 0 3.8zM2.5 11c0-2.6 1.4-4 3.5-4s3.5 1.4 3.5 4',
  '2': 'M2.5 11V3.5C2.5 2 4 1 6 1s3.5 1 3.5 2.5V11M6 5v4M4.3 7.2 6 9l1.7-1.8',
  '4': 'M6 11V6M4 11h4M4.200 1.200h3.600v4.600H4.200zM6 2.600v1.600',
  '3': 'M6 11C3 9 2 6.500 3 4c1-2 2.500-2.800 3-3 .5.2 2 1 3 3 1 2.500 0 5-3 7zM6 4v6',
};

/** A plant label with a pointed foot on the spot; its outline tells the family. */
export function drawLabel(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  type: string,
  family: string,
  colours: Colours,
  selected: boolean,
): void {
  const outline = family === 'ways' ? colours.lagoon : colours.ink;
  context.save();
  context.translate(Math.round(x), Math.round(y));
  context.beginPath();
  if (family === 'ways') {
    context.moveTo(-9, -30);
    context.quadraticCurveTo(0, -36, 9, -30);
    context.lineTo(9, -14);
  } else {
    context.roundRect(-10, -32, 20, 18, 4);
    context.moveTo(9, -14);
  }
  context.lineTo(3, -14);
  context.lineTo(0, 0);
  context.lineTo(-3, -14);
  context.lineTo(-9, -14);
  if (family === 'ways') context.closePath();
  context.fillStyle = colours.sheet;
  context.fill();
  context.lineWidth = selected ? 2.5 : 1.5;
  context.strokeStyle = selected ? colours.saffron : outline;
  context.lineJoin = 'round';
  context.stroke();
  context.translate(-6, -29);
  context.strokeStyle = outline;
  context.lineWidth = 1.3;
  context.stroke(new Path2D(ICONS[type] ?? ''));
  context.restore();
}

/** The small shape of a family, where a label would be too large. */
export function drawSmall(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  family: string,
  size: number,
  colours: Colours,
  selected: boolean,
): void {
  const s = Math.max(2.5, Math.min(5, size / 3));
  context.beginPath();
  if (family === 'ways') {
    context.moveTo(x - s, y + s);
    context.lineTo(x - s, y - s / 2);
    context.arc(x, y - s / 2, s, Math.PI, 0);
    context.lineTo(x + s, y + s);
    context.closePath();
  } else {
    context.arc(x, y, s, 0, Math.PI * 2);
  }
  context.fillStyle = selected ? colours.saffron : family === 'ways' ? colours.lagoon : colours.ink;
  context.fill();
  context.strokeStyle = colours.sheet;
  context.lineWidth = 1;
  context.stroke();
}
