import type { BoxView } from '../core/types.gen';

/** Hatches a box, or those of its 8 × 8 parts that rows name: a pattern and an edge, not a colour alone. */
export function hatch(context: CanvasRenderingContext2D, b: BoxView, colour: string, rows: number[] | null): void {
  context.save();
  context.beginPath();
  if (rows) {
    const w = b.w / 8;
    const h = b.h / 8;
    rows.forEach((row, y) => {
      for (let x = 0; x < 8; x++) if ((row >> x) & 1) context.rect(b.x + x * w, b.y + y * h, w, h);
    });
  } else context.rect(b.x, b.y, b.w, b.h);
  context.clip();
  context.strokeStyle = colour;
  if (!rows) {
    context.lineWidth = 2;
    context.strokeRect(b.x + 1, b.y + 1, b.w - 2, b.h - 2);
  } else {
    context.fillStyle = colour;
    context.globalAlpha = 0.25;
    context.fillRect(b.x, b.y, b.w, b.h);
    context.globalAlpha = 1;
  }
  context.lineWidth = 1.5;
  context.beginPath();
  for (let i = -b.h; i < b.w; i += 8) {
    context.moveTo(b.x + i, b.y + b.h);
    context.lineTo(b.x + i + b.h, b.y);
  }
  context.stroke();
  context.restore();
}
