import type { Cut, Sheet } from '../core/types.gen';

/** A point on the picture that is dragged to change the cut. */
export interface Handle {
  what: 'start' | 'size' | 'spacing' | 'crop-left' | 'crop-right' | 'crop-top' | 'crop-bottom';
  x: number;
  y: number;
}

const whole = (cut: Cut, of: Sheet): { x: number; y: number; w: number; h: number } =>
  cut.crop.w > 0 && cut.crop.h > 0 ? cut.crop : { x: 0, y: 0, w: of.width, h: of.height };

/** All handles: where the first tile begins and ends, where the second begins, the edges of the part that is cut. */
export function handlesOf(cut: Cut, of: Sheet): Handle[] {
  const area = whole(cut, of);
  const x = area.x + cut.offsetX + cut.margin;
  const y = area.y + cut.offsetY + cut.margin;
  return [
    { what: 'size', x: x + cut.w, y: y + cut.h },
    { what: 'spacing', x: x + cut.w + cut.spacing, y: y + cut.h / 2 },
    { what: 'start', x, y },
    { what: 'crop-left', x: area.x, y: area.y + area.h / 2 },
    { what: 'crop-right', x: area.x + area.w, y: area.y + area.h / 2 },
    { what: 'crop-top', x: area.x + area.w / 2, y: area.y },
    { what: 'crop-bottom', x: area.x + area.w / 2, y: area.y + area.h },
  ];
}

const within = (v: number, least: number, most: number): number => Math.min(Math.max(v, least), most);

/** The cut after a handle was dragged to a pixel of the picture. */
export function moved(handle: Handle, x: number, y: number, cut: Cut, of: Sheet): Cut {
  const area = whole(cut, of);
  const startX = area.x + cut.offsetX + cut.margin;
  const startY = area.y + cut.offsetY + cut.margin;
  const right = area.x + area.w;
  const bottom = area.y + area.h;
  switch (handle.what) {
    case 'start':
      return { ...cut, margin: 0, offsetX: within(x - area.x, 0, area.w), offsetY: within(y - area.y, 0, area.h) };
    case 'size':
      return { ...cut, w: Math.max(1, x - startX), h: Math.max(1, y - startY) };
    case 'spacing':
      return { ...cut, spacing: Math.max(0, x - startX - cut.w) };
    case 'crop-left': {
      const left = within(x, 0, right - 1);
      return { ...cut, crop: { ...area, x: left, w: right - left } };
    }
    case 'crop-right':
      return { ...cut, crop: { ...area, w: within(x, area.x + 1, of.width) - area.x } };
    case 'crop-top': {
      const top = within(y, 0, bottom - 1);
      return { ...cut, crop: { ...area, y: top, h: bottom - top } };
    }
    case 'crop-bottom':
      return { ...cut, crop: { ...area, h: within(y, area.y + 1, of.height) - area.y } };
  }
}
