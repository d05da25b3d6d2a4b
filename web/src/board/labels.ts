import type { Colours } from './colours';

/** The icons of the built-in types, on a raster of 12 × 12, as strokes. */
const ICONS: Record<string, string> = {
  '24': 'M6 1v3M3 4.500h6M3.500 4.500l.700 3h3.600l.700-3M3 6c-1 1-1 2-.700 3M9 6c1 1 1 2 .700 3M6 7.500V11',
  '23': 'M1.500 5.500h9v3h-9zM3 10.500h.100M6 10.500h.100M9 10.500h.100M3 3h5M6.500 1.500 8 3 6.500 4.500',
  '22': 'M1.500 1.500h9M1.500 10.500h9M3 1.500v9M6 1.500v9M9 1.500v9',
  '21': 'M6 5a1.800 1.800 0 1 0 0-3.600A1.800 1.800 0 0 0 6 5zM3 11c0-2.600 1.200-4 3-4s3 1.400 3 4M9.500 2.200h2v1.600h-1l-1 .9z',
  '20': 'M2 2h8v5H2zM6 7v4.500M3.700 3.800h4.600M3.700 5.300h3',
  '19': 'M1.5 1.5h9v9.500h-9zM6 1.500v9.500M4.700 5.800v1M7.300 5.800v1',
  '18': 'M1.5 10.500h9M3 10.500V8h6v2.500M6 8V3M4.300 4.700 6 6.500l1.700-1.800',
  '17': 'M2.5 11.5v-10h7v10M.5 11.5h11M7.3 6v1.4',
  '1': 'M6 5.2a1.9 1.9 0 1 0 0-3.8 1.9 1.9 0 0 0 0 3.8zM2.5 11c0-2.6 1.4-4 3.5-4s3.5 1.4 3.5 4',
  '2': 'M2.5 11V3.5C2.5 2 4 1 6 1s3.5 1 3.5 2.5V11M6 5v4M4.3 7.2 6 9l1.7-1.8',
  '5': 'M1.5 6.500h9M1.500 6.500v2M10.500 6.500v2M3.500 3 1.500 4.200 3.500 5.400M8.500 3l2 1.200-2 1.200M2 4.200h8',
  '6': 'M1.500 9.500h8.500c.8-2.200.3-4-1.200-4.600C7.200 4.300 5 5 4.300 6.700 3.700 8.200 2.500 8.600 1.500 9.500zM8.300 4.800 8 2.500M9.600 5.200l.8-2.200',
  '7': 'M2.500 2.500h7M3.500 4.500l5 1.500-5 1.500 5 1.500M2.500 10.500h7',
  '8': 'M3 11V3M6 11V1.500M9 11V4M3 6 1.500 4.500M6 5l1.800-1.800M9 8l1.700-1.500M6 8 4.400 6.600',
  '9': 'M1.500 1.500h9v9h-9zM3.500 6h5M7 4.300 8.700 6 7 7.700',
  '10': 'M1.500 1.500h9v9h-9zM6 1.500 4.800 4.500 7 6.300 5.200 8 6 10.500',
  '11': 'M2 11h8M3.500 11V7.500h5V11M6 5.500V1M4.500 2.500 6 1l1.500 1.500M2.500 5 1.500 3.500M9.500 5l1-1.500',
  '12': 'M4.200 4.200a1.900 1.900 0 1 1 2.700 1.700c-.6.3-.9.700-.9 1.400M6 9.500v.6M1.500 1.500h9v9h-9z',
  '4': 'M6 11V6M4 11h4M4.200 1.200h3.600v4.600H4.200zM6 2.600v1.600',
  '3': 'M6 11C3 9 2 6.500 3 4c1-2 2.500-2.800 3-3 .5.2 2 1 3 3 1 2.500 0 5-3 7zM6 4v6',
};

/** The board of a label that stands for a family other than ways. */
function board(context: CanvasRenderingContext2D, family: string): void {
  if (family === 'looks') context.ellipse(0, -23, 11, 9, 0, 0, 2 * Math.PI);
  else if (family === 'people and foes') context.roundRect(-10, -33, 20, 19, 9);
  else if (family === 'things') context.roundRect(-10, -32, 20, 18, 4);
  else {
    // Cut corners for workings, a gable for hazards.
    const cut: [number, number][] =
      family === 'workings'
        ? [
            [-10, -28],
            [-6, -32],
            [6, -32],
            [10, -28],
            [10, -18],
            [6, -14],
            [-6, -14],
            [-10, -18],
          ]
        : [
            [-10, -27],
            [0, -35],
            [10, -27],
            [10, -14],
            [-10, -14],
          ];
    for (const [i, [x, y]] of cut.entries()) {
      if (i === 0) context.moveTo(x, y);
      else context.lineTo(x, y);
    }
    context.closePath();
  }
}

/** A mark is a small ring on its spot. */
const MARK = '13';

function drawMark(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  radius: number,
  colours: Colours,
  selected: boolean,
): void {
  for (const [width, style] of [
    [6, colours.sheet],
    [selected ? 3.5 : 2.5, selected ? colours.saffron : colours.lagoon],
  ] as const) {
    context.beginPath();
    context.arc(x, y, radius, 0, Math.PI * 2);
    context.lineWidth = width;
    context.strokeStyle = style;
    context.stroke();
  }
}

/** A plant label with a pointed foot on the spot; its outline tells the family. */
export function drawLabel(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  type: string,
  family: string,
  colours: Colours,
  selected: boolean,
  sometimes = false,
): void {
  if (type === MARK) {
    drawMark(context, x, y - 8, 7, colours, selected);
    return;
  }
  const outline = family === 'ways' ? colours.lagoon : family === 'hazards' ? colours.rose : colours.ink;
  context.save();
  context.translate(Math.round(x), Math.round(y));
  context.beginPath();
  if (family === 'ways') {
    context.moveTo(-9, -30);
    context.quadraticCurveTo(0, -36, 9, -30);
    context.lineTo(9, -14);
  } else {
    board(context, family);
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
  // What is there only while something holds has a broken outline.
  if (sometimes) context.setLineDash([3, 2.5]);
  context.stroke();
  context.setLineDash([]);
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
  type: string,
  family: string,
  size: number,
  colours: Colours,
  selected: boolean,
): void {
  const s = Math.max(2.5, Math.min(5, size / 3));
  if (type === MARK) {
    drawMark(context, x, y, s - 1, colours, selected);
    return;
  }
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
