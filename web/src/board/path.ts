import type { Project } from '../core/project.svelte';
import type { PathView } from '../core/types.gen';
import type { Colours } from './colours';

/** The way of a piece that is selected: a line with a notch for each second, and what it covers at the end. */
export function drawPath(context: CanvasRenderingContext2D, p: Project, path: PathView, colours: Colours): void {
  const { camera } = p;
  const [from, to] = [camera.toScreen(path.x, path.y - path.h / 2), camera.toScreen(path.toX, path.toY - path.h / 2)];
  const length = Math.hypot(path.toX - path.x, path.toY - path.y);
  const [dx, dy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  context.strokeStyle = colours.saffron;
  context.lineWidth = 2;
  context.beginPath();
  context.moveTo(from.x, from.y);
  context.lineTo(to.x, to.y);
  for (let at = path.second; at < length && path.second * camera.zoom > 4; at += path.second) {
    const [x, y] = [from.x + at * camera.zoom * dx, from.y + at * camera.zoom * dy];
    context.moveTo(x - dy * 5, y + dx * 5);
    context.lineTo(x + dy * 5, y - dx * 5);
  }
  context.stroke();
  const end = camera.toScreen(path.toX - path.w / 2, path.toY - path.h);
  context.setLineDash([4, 3]);
  context.strokeRect(end.x, end.y, path.w * camera.zoom, path.h * camera.zoom);
  context.setLineDash([]);
}
