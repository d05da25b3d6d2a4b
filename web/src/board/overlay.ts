import type { Project } from '../core/project.svelte';
import type { BoxView, PieceView, Scene } from '../core/types.gen';
import type { Colours } from './colours';
import { drawLabel, drawSmall } from './labels';
import { drawCrossing } from './lines';
import { Sprites } from './sprites';
import { drawGame } from './game';
import { drawLens } from './lens';

/** Cells smaller than this on the screen show pieces as small shapes, and all lines. */
const NEAR = 24;

/** The parts of a box's width that none of the others covers, which are sorted and apart. */
function uncovered(box: BoxView, others: BoxView[]): [number, number][] {
  const parts: [number, number][] = [];
  let from = box.x;
  for (const other of others) {
    if (other.x + other.w <= from || other.x >= box.x + box.w) continue;
    if (other.x > from) parts.push([from, other.x]);
    from = Math.max(from, other.x + other.w);
  }
  if (from < box.x + box.w) parts.push([from, box.x + box.w]);
  return parts;
}

/** Draws what lies over the maps: grid, names, lines, pieces, the ghost, the game. */
export class Overlay {
  readonly sprites: Sprites;

  constructor(
    private readonly p: Project,
    private readonly context: CanvasRenderingContext2D,
  ) {
    this.sprites = new Sprites(p);
  }

  draw(colours: Colours): void {
    const { p, context } = this;
    const scene = p.scene;
    context.clearRect(0, 0, p.camera.width, p.camera.height);
    if (!scene) return;
    const playing = p.play !== null;
    const near = scene.project.cellW * p.camera.zoom >= NEAR;
    if (p.grid && !playing) this.grid(scene, colours);
    if (p.lens) drawLens(context, p, scene, colours);
    if (!playing || !p.inGame) this.crossings(scene, colours, near);
    this.names(scene, colours);
    if (p.play) drawGame(context, p, scene, p.play, this.sprites, colours);
    else for (const piece of scene.pieces) this.piece(piece, near, colours);
    if (playing && p.inGame) return;
    this.selection(colours);
    this.ghost(scene, colours);
    this.cursor(scene, colours);
  }

  private screen(b: BoxView): BoxView {
    const { camera } = this.p;
    const at = camera.toScreen(b.x, b.y);
    return { x: at.x, y: at.y, w: b.w * camera.zoom, h: b.h * camera.zoom };
  }

  private visible(b: BoxView): boolean {
    const { camera } = this.p;
    return b.x < camera.width && b.y < camera.height && b.x + b.w > 0 && b.y + b.h > 0;
  }

  private grid(scene: Scene, colours: Colours): void {
    const { context, p } = this;
    const w = scene.project.cellW * p.camera.zoom;
    const h = scene.project.cellH * p.camera.zoom;
    if (w < 8 || h < 8) return;
    context.strokeStyle = colours.ink;
    context.globalAlpha = 0.1;
    context.lineWidth = 1;
    context.beginPath();
    for (const map of scene.maps) {
      const b = this.screen(map);
      if (!this.visible(b)) continue;
      const left = Math.max(0, Math.ceil(-b.x / w));
      for (let i = left; i <= map.columns && b.x + i * w <= p.camera.width; i++) {
        const x = Math.round(b.x + i * w) + 0.5;
        context.moveTo(x, Math.max(0, b.y));
        context.lineTo(x, Math.min(p.camera.height, b.y + b.h));
      }
      const top = Math.max(0, Math.ceil(-b.y / h));
      for (let i = top; i <= map.rows && b.y + i * h <= p.camera.height; i++) {
        const y = Math.round(b.y + i * h) + 0.5;
        context.moveTo(Math.max(0, b.x), y);
        context.lineTo(Math.min(p.camera.width, b.x + b.w), y);
      }
    }
    context.stroke();
    context.globalAlpha = 1;
  }

  private crossings(scene: Scene, colours: Colours, near: boolean): void {
    const { context, p } = this;
    const selected = p.state?.slip;
    for (const crossing of scene.crossings) {
      const chosen = selected?.kind === 'crossing' && selected.id === crossing.id;
      if (p.lines) drawCrossing(context, crossing, p.camera, colours, chosen || !near ? 1 : 0.25);
      for (const door of crossing.doors) {
        const b = this.screen(door);
        context.strokeStyle = colours.lagoon;
        context.lineWidth = near ? 2 : 1.5;
        context.setLineDash(near ? [5, 3] : []);
        context.strokeRect(b.x + 1, b.y + 1, b.w - 2, b.h - 2);
        context.setLineDash([]);
      }
      if (chosen) for (const landing of selected.landings) this.ring(this.screen(landing), colours);
    }
  }

  /** Where one arrives. */
  private ring(b: BoxView, colours: Colours): void {
    const { context } = this;
    context.beginPath();
    context.arc(b.x + b.w / 2, b.y + b.h / 2, Math.max(3, b.w / 4), 0, Math.PI * 2);
    context.strokeStyle = colours.moss;
    context.lineWidth = 2;
    context.stroke();
  }

  private names(scene: Scene, colours: Colours): void {
    const { context, p } = this;
    if (!p.lines) return;
    context.font = "600 15px 'Fraunces Variable', serif";
    context.textBaseline = 'bottom';
    for (const map of scene.maps) {
      const b = this.screen(map);
      if (b.w < 40 || !this.visible({ ...b, y: b.y - 24, h: b.h + 24 })) continue;
      context.fillStyle = colours.ink;
      context.fillText(this.fitted(map.name, Math.max(b.w, 60)), b.x + 1, b.y - 5);
    }
  }

  /** As much of a text as fits into a width. */
  private fitted(text: string, width: number): string {
    const { context } = this;
    if (context.measureText(text).width <= width) return text;
    let length = Math.min(text.length, Math.ceil(width / 4));
    while (length > 1 && context.measureText(`${text.slice(0, length)}…`).width > width) length--;
    return `${text.slice(0, length).trimEnd()}…`;
  }

  private piece(piece: PieceView, near: boolean, colours: Colours): void {
    const { context, p } = this;
    const at = p.camera.toScreen(piece.x, piece.y);
    if (!this.visible({ x: at.x - 12, y: at.y - 36, w: 24, h: 40 })) return;
    const slip = p.state?.slip;
    const selected = slip?.kind === 'piece' && slip.id === piece.id;
    if (near) drawLabel(context, at.x, at.y, piece.type, piece.family, colours, selected);
    else
      drawSmall(
        context,
        at.x,
        at.y - 2,
        piece.family,
        (p.scene?.project.cellW ?? 16) * p.camera.zoom,
        colours,
        selected,
      );
  }

  private selection(colours: Colours): void {
    const slip = this.p.state?.slip;
    if (!slip || this.p.play) return;
    const b = this.screen(slip.box);
    this.context.strokeStyle = colours.saffron;
    this.context.lineWidth = 2;
    this.context.strokeRect(b.x - 1, b.y - 1, b.w + 2, b.h + 2);
  }

  private ghost(scene: Scene, colours: Colours): void {
    const { context, p } = this;
    const pointer = p.pointer;
    if (!pointer) return;
    const { ghost } = pointer;
    const colour = ghost.erase || ghost.problem ? colours.rose : colours.saffron;
    const area = ghost.room ?? ghost.box;
    if (area) {
      const boxes: BoxView[] = [];
      for (let i = 0; i + 3 < ghost.spans.length; i += 4) {
        const [x = 0, y = 0, w = 0, h = 0] = ghost.spans.slice(i, i + 4);
        boxes.push({ x, y, w, h });
      }
      if (boxes.length === 0) boxes.push(area);
      const cells = ghost.cells;
      let next = 0;
      for (const box of boxes) {
        const tiles = (): HTMLCanvasElement | null =>
          this.sprites.tile(cells.length > 0 ? (cells[next++] ?? 0) : ghost.tile);
        const shows = !ghost.erase && !ghost.room && !ghost.piece && (ghost.tile > 0 || cells.length > 0);
        this.ghostBox(this.screen(box), box, scene, shows ? tiles : null, colour);
      }
      this.outline(boxes, colour);
      if (ghost.piece && !ghost.erase) {
        const foot = p.camera.toScreen(area.x + area.w / 2, area.y + area.h * 0.85);
        const family = scene.types.find((t) => t.id === ghost.piece)?.family ?? '';
        context.globalAlpha = 0.75;
        drawLabel(context, foot.x, foot.y, ghost.piece, family, colours, true);
        context.globalAlpha = 1;
      }
    }
    if (ghost.joins.length === 4) this.joining(ghost.joins, scene, colour);
    if (ghost.text || ghost.problem)
      this.words(ghost.problem || ghost.text, ghost.problem !== '', area ?? pointer.box, colours);
  }

  private ghostBox(
    b: BoxView,
    box: BoxView,
    scene: Scene,
    tiles: (() => HTMLCanvasElement | null) | null,
    colour: string,
  ): void {
    const { context, p } = this;
    const { cellW, cellH } = scene.project;
    const cells = (box.w / cellW) * (box.h / cellH);
    if (tiles && cells <= 5000) {
      context.globalAlpha = 0.9;
      context.imageSmoothingEnabled = false;
      for (let y = 0; y < box.h; y += cellH) {
        for (let x = 0; x < box.w; x += cellW) {
          const at = p.camera.toScreen(box.x + x, box.y + y);
          const tile = tiles();
          if (tile) context.drawImage(tile, at.x, at.y, cellW * p.camera.zoom, cellH * p.camera.zoom);
        }
      }
    } else {
      context.globalAlpha = 0.25;
      context.fillStyle = colour;
      context.fillRect(b.x, b.y, b.w, b.h);
    }
    context.globalAlpha = 1;
  }

  /** The edge around boxes that may touch: sides, and of top and bottom what no other box covers. */
  private outline(boxes: BoxView[], colour: string): void {
    const { context } = this;
    const rows = new Map<number, BoxView[]>();
    for (const box of boxes) rows.set(box.y, [...(rows.get(box.y) ?? []), box]);
    context.strokeStyle = colour;
    context.lineWidth = 1.5;
    context.beginPath();
    for (const box of boxes) {
      const b = this.screen(box);
      context.moveTo(b.x, b.y);
      context.lineTo(b.x, b.y + b.h);
      context.moveTo(b.x + b.w, b.y);
      context.lineTo(b.x + b.w, b.y + b.h);
      for (const [beside, y] of [
        [box.y - box.h, b.y],
        [box.y + box.h, b.y + b.h],
      ] as const) {
        for (const [from, to] of uncovered(box, rows.get(beside) ?? [])) {
          context.moveTo(this.p.camera.toScreen(from, 0).x, y);
          context.lineTo(this.p.camera.toScreen(to, 0).x, y);
        }
      }
    }
    context.stroke();
  }

  private joining(joins: number[], scene: Scene, colour: string): void {
    const { context, p } = this;
    const [ax = 0, ay = 0, bx = 0, by = 0] = joins;
    const a = p.camera.toScreen(ax, ay);
    const b = p.camera.toScreen(bx, by);
    const side = Math.max(8, scene.project.cellW * p.camera.zoom);
    context.strokeStyle = colour;
    context.lineWidth = 2;
    for (const at of [a, b]) context.strokeRect(at.x - side / 2, at.y - side / 2, side, side);
    context.beginPath();
    context.moveTo(a.x, a.y);
    context.lineTo(b.x, b.y);
    context.stroke();
  }

  private words(text: string, problem: boolean, below: BoxView, colours: Colours): void {
    const { context, p } = this;
    const b = this.screen(below);
    context.font = "12px 'Atkinson Hyperlegible Next Variable', sans-serif";
    context.textBaseline = 'middle';
    const width = context.measureText(text).width + 16;
    const x = Math.min(Math.max(4, b.x), p.camera.width - width - 4);
    const y = Math.min(Math.max(4, b.y + b.h + 8), p.camera.height - 28);
    context.fillStyle = colours.sheet;
    context.strokeStyle = colours.line;
    context.lineWidth = 1;
    context.beginPath();
    context.roundRect(x, y, width, 23, 6);
    context.fill();
    context.stroke();
    context.fillStyle = problem ? colours.rose : colours.ink;
    context.fillText(text, x + 8, y + 12);
  }

  private cursor(scene: Scene, colours: Colours): void {
    const { cursor } = this.p;
    if (!cursor) return;
    const b = this.screen({ ...cursor, w: scene.project.cellW, h: scene.project.cellH });
    const { context } = this;
    context.lineWidth = 4;
    context.strokeStyle = colours.sheet;
    context.strokeRect(b.x, b.y, b.w, b.h);
    context.lineWidth = 2;
    context.strokeStyle = colours.saffron;
    context.setLineDash([Math.max(3, b.w / 4), Math.max(3, b.w / 4)]);
    context.strokeRect(b.x, b.y, b.w, b.h);
    context.setLineDash([]);
  }
}
