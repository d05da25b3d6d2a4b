import type { Project } from '../project.svelte';
import type { BoxView, Play, Scene } from '../core/types.gen';
import type { Colours } from './colours';
import { drawLayers } from './layers';
import type { Sprites } from './sprites';
import { inView, pictured, seenAs, stand, type Standing } from './standing';

/** How much is seen of somebody whom nothing hurts for a moment. */
const SAFE = 0.55;

/** What the player sees now, shaken if it is and things may move by themselves. */
export const frameOf = (p: Project, play: Play): BoxView => ({
  ...play.frame,
  x: play.frame.x + (p.viewport.still ? 0 : play.shakeX),
  y: play.frame.y + (p.viewport.still ? 0 : play.shakeY),
});

/** Draws pieces, the figure, what is over its head, and the frame of what the player sees. */
export function drawGame(
  context: CanvasRenderingContext2D,
  p: Project,
  scene: Scene,
  play: Play,
  sprites: Sprites,
  colours: Colours,
): void {
  const { camera } = p.viewport;
  const gone = new Set(play.goneIds);
  const lit = new Set(play.onIds);
  context.imageSmoothingEnabled = false;
  if (play.goal) {
    const at = camera.toScreen(play.goal.x + play.goal.w / 2, play.goal.y + play.goal.h / 2);
    context.strokeStyle = colours.saffron;
    context.lineWidth = 2;
    context.beginPath();
    context.ellipse(at.x, at.y, (play.goal.w / 3) * camera.zoom, (play.goal.h / 5) * camera.zoom, 0, 0, 2 * Math.PI);
    context.stroke();
  }
  // What acts on other maps stands where it was placed.
  const acts = new Set(scene.types.filter((type) => type.acts).map((type) => type.id));
  const cast = new Set(play.castMaps);
  const still = new Map(play.still.map((one) => [one.id, one]));
  const standing: (Standing & { over?: boolean })[] = [];
  for (const piece of scene.pieces) {
    if (gone.has(piece.id) || !inView(p, piece)) continue;
    const now = still.get(piece.id);
    if (now) {
      const { seen, who, sprite, spot } = now;
      // Nothing stirs by itself for who wants less motion.
      const dress = p.viewport.still ? piece.dress : now.dress;
      standing.push({ ...pictured(sprites, { ...piece, seen, who, sprite, spot, dress }, 0), over: piece.over });
    } else if (!(acts.has(piece.type) && cast.has(piece.map)))
      standing.push({ ...pictured(sprites, piece, lit.has(piece.id) ? 1 : 0), over: piece.over });
  }
  for (const thing of play.things) {
    if (thing.gone) continue;
    if (thing.seen) {
      standing.push(seenAs(sprites, thing.seen, thing.spot, thing.cells, thing.rows));
      continue;
    }
    const { cells, rows, mirrored, spot, sprite, who } = thing;
    const picture = who && sprite >= 0 ? sprites.character(who, sprite) : sprites.piece(thing.type, thing.picture);
    standing.push({ picture, spot, cells, rows, mirrored });
  }
  const player: Standing = {
    picture: play.who === '' ? sprites.figure(play.facing, play.step) : sprites.character(play.who, play.sprite),
    spot: play.spot,
    mirrored: play.mirrored,
  };
  standing.push(player);
  standing.sort((a, b) => a.spot.order - b.spot.order);
  for (const one of standing) {
    if (one.over) continue;
    context.globalAlpha = one === player && play.safe ? SAFE : 1;
    stand(context, p, one);
  }
  context.globalAlpha = 1;
  drawShots(context, p, scene, play, colours);

  const map = scene.maps.find((m) => m.id === play.map);
  if (map) drawLayers(context, p, scene, map, play.above);
  context.imageSmoothingEnabled = false;
  for (const one of standing) if (one.over) stand(context, p, one);
  const frame = frameOf(p, play);
  const start = camera.toScreen(frame.x, frame.y);
  const w = frame.w * camera.zoom;
  const h = frame.h * camera.zoom;
  context.fillStyle = colours.board;
  context.globalAlpha = 0.55;
  context.beginPath();
  context.rect(0, 0, camera.width, camera.height);
  context.rect(start.x, start.y, w, h);
  context.fill('evenodd');
  context.globalAlpha = 1;
  context.strokeStyle = colours.saffron;
  context.lineWidth = 2;
  context.strokeRect(start.x - 1, start.y - 1, w + 2, h + 2);
  if (play.dark > 0) {
    context.fillStyle = colours.night;
    context.globalAlpha = play.dark / 100;
    context.fillRect(start.x, start.y, w, h);
    context.globalAlpha = 1;
  }
  drawReading(context, p, play, sprites);
}

/** Draws the box that the player reads, over all else. */
function drawReading(context: CanvasRenderingContext2D, p: Project, play: Play, sprites: Sprites): void {
  if (!play.reading) return;
  const { box } = play.reading;
  const picture = sprites.reading(play.reading);
  if (!picture) return;
  const at = p.viewport.camera.toScreen(box.x, box.y);
  const { zoom } = p.viewport.camera;
  context.drawImage(picture, Math.round(at.x), Math.round(at.y), box.w * zoom, box.h * zoom);
}

/** Draws what flies, and the strike of the player. */
function drawShots(context: CanvasRenderingContext2D, p: Project, scene: Scene, play: Play, colours: Colours): void {
  const { camera } = p.viewport;
  const radius = (scene.project.cellW / 7) * camera.zoom;
  for (const [shots, colour] of [
    [play.shots, colours.rose],
    [play.myShots, colours.saffron],
  ] as const) {
    context.fillStyle = colour;
    context.strokeStyle = colours.sheet;
    context.lineWidth = 1.5;
    for (let i = 0; i + 1 < shots.length; i += 2) {
      const at = camera.toScreen(shots[i] ?? 0, shots[i + 1] ?? 0);
      context.beginPath();
      context.arc(at.x, at.y - radius, radius, 0, 2 * Math.PI);
      context.fill();
      context.stroke();
    }
  }
  if (play.striking === 0) return;
  const { cellW, cellH } = scene.project;
  const [dx, dy] = (
    [
      [0, 1],
      [-1, 0],
      [1, 0],
      [0, -1],
    ] as const
  )[play.facing] ?? [0, 1];
  // The outermost of the arc is where the strike ends.
  const arc = Math.min(0.45, 0.15 + 0.4 * play.striking);
  const far = 0.3 + play.striking - arc;
  const at = camera.toScreen(play.x + dx * cellW * far, play.y - cellH * 0.4 + dy * cellH * far);
  const turn = Math.atan2(dy, dx);
  context.strokeStyle = colours.saffron;
  context.lineWidth = 3;
  context.beginPath();
  context.arc(at.x, at.y, cellW * arc * camera.zoom, turn - 1.1, turn + 1.1);
  context.stroke();
}
