import { computePosition, flip, offset, shift, type Platform } from '@floating-ui/core';
import { shared } from '../board/camera';
import type { BoxView } from '../core/types.gen';

/** Screen pixels between a thing and its slip, and between a slip and the edge of the room. */
const GAP = 14;
const EDGE = 8;

const rect = (b: BoxView): { x: number; y: number; width: number; height: number } => ({
  ...{ x: b.x, y: b.y },
  ...{ width: b.w, height: b.h },
});

/** Lets boxes be placed that are no elements. */
const boxes = (thing: BoxView, slip: BoxView, room: BoxView): Platform => ({
  getElementRects: () => ({ reference: rect(thing), floating: rect(slip) }),
  getDimensions: () => ({ width: slip.w, height: slip.h }),
  getClippingRect: () => rect(room),
});

/**
 * Where a slip of a size can stand beside a thing: right of it, else left, below or above, all of it in the room and not over
 * the thing. Null if it can't.
 */
export async function beside(thing: BoxView, size: { w: number; h: number }, room: BoxView): Promise<BoxView | null> {
  const slip = { x: 0, y: 0, ...size };
  const { x, y } = await computePosition(thing, slip, {
    placement: 'right-start',
    platform: boxes(thing, slip, room),
    middleware: [
      offset(GAP),
      flip({ padding: EDGE, crossAxis: false, fallbackPlacements: ['left-start', 'bottom-start', 'top-start'] }),
      shift({ padding: EDGE }),
    ],
  });
  const at = { x, y, ...size };
  const inside = shared(at, room);
  // Sums of fractions may be off by the last digit.
  return inside && inside.w > size.w - 0.5 && inside.h > size.h - 0.5 && !shared(at, thing) ? at : null;
}
