import type { Project } from '../project.svelte';
import type { Session } from '../core/session.svelte';
import type { BoxView, PathView, TrailView } from '../core/types.gen';
import { TICKS_PER_SECOND } from '../core/types.gen';
import type { Colours } from './colours';
import type { Sprites } from './sprites';

/** The way that a selected piece will go, and the moment of it that is looked at. */
export class Trail {
  /** How many ticks from now on its ghost is shown. */
  at = $state(0);
  private of: unknown = null;
  private found: TrailView | null = null;

  constructor(private readonly session: Session) {}

  /** The trail of the selected piece, found anew when anything of it may have changed; null if it has none. */
  here(): TrailView | null {
    const { state } = this.session;
    if (!state?.slip?.acting?.moves || state.playing) return null;
    if (this.of !== state) {
      this.of = state;
      this.found = this.session.ask.trailOf({ piece: state.slip.id });
    }
    return this.found;
  }

  /** Whether it is as if the player stood in a box. */
  get met(): boolean {
    return this.here()?.player !== undefined && this.here()?.player !== null;
  }

  /** How many ticks the trail is long. */
  get length(): number {
    return (this.here()?.places.length ?? 0) / 2;
  }
}

/** Where a piece goes to and fro or what a track passes: a line, with a point at each turn. */
export function drawPath(context: CanvasRenderingContext2D, p: Project, path: PathView, colours: Colours): void {
  const { camera } = p.viewport;
  context.strokeStyle = colours.saffron;
  context.fillStyle = colours.saffron;
  context.lineWidth = 2;
  context.setLineDash([4, 3]);
  context.beginPath();
  for (let i = 0; i + 1 < path.points.length; i += 2) {
    const at = camera.toScreen(path.points[i] ?? 0, (path.points[i + 1] ?? 0) - path.h / 2);
    if (i === 0) context.moveTo(at.x, at.y);
    else context.lineTo(at.x, at.y);
  }
  context.stroke();
  context.setLineDash([]);
  for (let i = 0; i + 1 < path.points.length; i += 2) {
    const at = camera.toScreen(path.points[i] ?? 0, (path.points[i + 1] ?? 0) - path.h / 2);
    context.beginPath();
    context.arc(at.x, at.y, 4, 0, 2 * Math.PI);
    context.fill();
  }
}

/** The player as who follows or flees would see them. */
function drawPlayer(context: CanvasRenderingContext2D, p: Project, body: BoxView, colours: Colours): void {
  const at = p.viewport.camera.toScreen(body.x, body.y);
  const box = [at.x, at.y, body.w * p.viewport.camera.zoom, body.h * p.viewport.camera.zoom] as const;
  for (const [colour, width, dash] of [
    [colours.sheet, 4, []],
    [colours.ink, 2, [4, 3]],
  ] as const) {
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.setLineDash([...dash]);
    context.strokeRect(...box);
  }
  context.setLineDash([]);
}

/** Draws the trail of the selected piece: a notch for each second, and its ghost at the moment that is looked at. */
export function drawTrail(context: CanvasRenderingContext2D, p: Project, sprites: Sprites, colours: Colours): void {
  const trail = p.viewport.trail.here();
  const piece = p.session.scene?.pieces.find((one) => one.id === p.session.state?.slip?.id);
  if (!trail || !piece || trail.places.length < 4) return;
  const { camera } = p.viewport;
  const foot = (tick: number): { x: number; y: number } =>
    camera.toScreen(trail.places[2 * tick] ?? 0, (trail.places[2 * tick + 1] ?? 0) - trail.h / 2);
  const ticks = trail.places.length / 2;
  for (const [colour, width] of [
    [colours.sheet, 4],
    [colours.saffron, 2],
  ] as const) {
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.beginPath();
    for (let tick = 0; tick < ticks; tick += 2) {
      const at = foot(tick);
      if (tick === 0) context.moveTo(at.x, at.y);
      else context.lineTo(at.x, at.y);
    }
    context.stroke();
  }
  if (trail.player) drawPlayer(context, p, trail.player, colours);
  context.fillStyle = colours.saffron;
  for (let tick = TICKS_PER_SECOND; tick < ticks; tick += TICKS_PER_SECOND) {
    const at = foot(tick);
    context.beginPath();
    context.arc(at.x, at.y, 3.5, 0, 2 * Math.PI);
    context.fill();
  }
  const now = Math.min(p.viewport.trail.at, ticks - 1);
  if (now <= 0) return;
  const [x, y] = [trail.places[2 * now] ?? 0, trail.places[2 * now + 1] ?? 0];
  const picture = piece.who ? sprites.character(piece.who, piece.sprite) : sprites.piece(piece.type, 0);
  const box = camera.toScreen(x - trail.w / 2, y - trail.h);
  context.strokeStyle = colours.saffron;
  context.lineWidth = 1.5;
  context.strokeRect(box.x, box.y, trail.w * camera.zoom, trail.h * camera.zoom);
  if (!picture) return;
  const cells = Math.max(1, Math.round(trail.w / picture.width));
  const at = camera.toScreen(x - (picture.width * cells) / 2, y - picture.height);
  context.globalAlpha = 0.7;
  context.imageSmoothingEnabled = false;
  for (let n = 0; n < cells; n++) {
    const w = picture.width * camera.zoom;
    context.drawImage(picture, at.x + n * w, at.y, w, picture.height * camera.zoom);
  }
  context.globalAlpha = 1;
}
