import * as T from '../core/types.gen';

/** How far a stick is moved before it counts. */
const MOVED = 0.5;

/** Buttons of the standard layout of gamepads (W3C Gamepad), and what they are in the game. */
const BUTTONS: [number, number][] = [
  [0, T.JUMP],
  [1, T.USE],
  [2, T.STRIKE],
  [3, T.SHOOT],
  [8, T.ITEMS],
  [12, T.UP],
  [13, T.DOWN],
  [14, T.LEFT],
  [15, T.RIGHT],
];

/** What is held down on the gamepads that are plugged in. */
export function heldOnGamepads(): number {
  let held = 0;
  for (const pad of navigator.getGamepads()) {
    if (!pad?.connected) continue;
    for (const [button, input] of BUTTONS) if (pad.buttons[button]?.pressed) held |= input;
    const [x = 0, y = 0] = pad.axes;
    if (x < -MOVED) held |= T.LEFT;
    if (x > MOVED) held |= T.RIGHT;
    if (y < -MOVED) held |= T.UP;
    if (y > MOVED) held |= T.DOWN;
  }
  return held;
}
