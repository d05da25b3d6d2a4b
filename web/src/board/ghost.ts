import { letters, scaled } from './letters';
import { shared } from './camera';
import type { Project } from '../project.svelte';
import type { BoxView, Ghost, LayView, Scene } from '../core/types.gen';
import type { Colours } from './colours';
import { hatch } from './hatch';
import { drawLabel } from './labels';
import type { Sprites } from './sprites';

/** Cells of a lay that are drawn one by one. */
const MOST_CELLS = 5000;
/** The longer side of the picture of a block, in pixels. */
const STAMP = 1024;

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

/** Boxes of one row each, or the one box around. */
export function boxesOf(spans: number[], around: BoxView): BoxView[] {
  const boxes: BoxView[] = [];
  for (let i = 0; i + 3 < spans.length; i += 4) {
    const [x = 0, y = 0, w = 0, h = 0] = spans.slice(i, i + 4);
    boxes.push({ x, y, w, h });
  }
  return boxes.length > 0 ? boxes : [around];
}

/** Draws what would be laid, selected, moved or resized. */
export class GhostPainter {
  private fill = '';
  private under = '';
  private stamp: { block: number; picture: HTMLCanvasElement | null } = { block: 0, picture: null };

  constructor(
    private readonly p: Project,
    private readonly context: CanvasRenderingContext2D,
    private readonly sprites: Sprites,
  ) {}

  draw(scene: Scene, colours: Colours): void {
    const { p } = this;
    const pointer = p.viewport.pointer;
    this.fill = colours.saffron;
    this.under = colours.sheet;
    if (!pointer) return;
    const { ghost } = pointer;
    const colour = ghost.erase || ghost.problem ? colours.rose : colours.saffron;
    if (!ghost.problem) this.laid(ghost, scene);
    if (ghost.box) {
      const boxes = boxesOf(ghost.spans, ghost.box);
      if (ghost.erase || ghost.problem || (ghost.selects && ghost.lays.length === 0)) this.tint(boxes, colour);
      this.outline(boxes, colour, ghost.selects ? [6, 4] : []);
    }
    if (ghost.room) this.room(ghost, ghost.room, colours, colour);
    else if (ghost.sized) this.edge(scene, ghost.sized, colours);
    if (ghost.piece && !ghost.erase && ghost.box) this.piece(ghost.piece, ghost.box, scene, colours);
    if (ghost.joins.length === 4) this.joining(ghost.joins, scene, colour);
    const area = ghost.room ?? ghost.box ?? pointer.box;
    if (ghost.text || ghost.problem) this.words(ghost.problem || ghost.text, ghost.problem !== '', area, colours);
  }

  /** Tiles where they would lie; a large block as one picture. */
  private laid(ghost: Ghost, scene: Scene): void {
    const shown = ghost.lays.every((lay) => lay.tile > 0 || lay.cells.length > 0);
    if (ghost.stamp && !shown) {
      const picture = this.blockPicture();
      const b = this.p.viewport.camera.boxOnScreen(ghost.stamp);
      this.context.globalAlpha = 0.9;
      this.context.imageSmoothingEnabled = false;
      if (picture) this.context.drawImage(picture, b.x, b.y, b.w, b.h);
      this.context.globalAlpha = 1;
      return;
    }
    for (const lay of ghost.lays) this.lay(lay, scene);
  }

  private blockPicture(): HTMLCanvasElement | null {
    const block = this.p.session.state?.block ?? 0;
    if (this.stamp.block !== block || !this.stamp.picture) {
      const image = this.p.session.ask.blockPicture({ patch: '', side: STAMP });
      let picture: HTMLCanvasElement | null = null;
      if (image) {
        picture = document.createElement('canvas');
        picture.width = image.width;
        picture.height = image.height;
        picture.getContext('2d')?.putImageData(image, 0, 0);
      }
      this.stamp = { block, picture };
    }
    return this.stamp.picture;
  }

  private lay(lay: LayView, scene: Scene): void {
    const { context, p } = this;
    const { cellW, cellH } = scene.project;
    const boxes = boxesOf(lay.spans, lay.box);
    const count = boxes.reduce((n, b) => n + (b.w / cellW) * (b.h / cellH), 0);
    if (count > MOST_CELLS || (lay.tile === 0 && lay.cells.length === 0)) {
      this.tint(boxes, this.fill);
      return;
    }
    context.globalAlpha = 0.9;
    context.imageSmoothingEnabled = false;
    let next = 0;
    for (const box of boxes) {
      for (let y = 0; y < box.h; y += cellH) {
        for (let x = 0; x < box.w; x += cellW) {
          const at = p.viewport.camera.toScreen(box.x + x, box.y + y);
          const tile = this.sprites.tile(lay.cells.length > 0 ? (lay.cells[next++] ?? 0) : lay.tile);
          if (tile) context.drawImage(tile, at.x, at.y, cellW * p.viewport.camera.zoom, cellH * p.viewport.camera.zoom);
        }
      }
    }
    context.globalAlpha = 1;
  }

  private tint(boxes: BoxView[], colour: string): void {
    const { context } = this;
    context.globalAlpha = 0.25;
    context.fillStyle = colour;
    for (const box of boxes) {
      const b = this.p.viewport.camera.boxOnScreen(box);
      context.fillRect(b.x, b.y, b.w, b.h);
    }
    context.globalAlpha = 1;
  }

  /** What a map would cover, what would go with the part cut off, and who makes room. */
  private room(ghost: Ghost, room: BoxView, colours: Colours, colour: string): void {
    const { context } = this;
    if (!ghost.sized) this.tint([room], colour);
    const b = this.p.viewport.camera.boxOnScreen(room);
    context.strokeStyle = colour;
    context.lineWidth = 2;
    context.strokeRect(b.x, b.y, b.w, b.h);
    for (const lost of stacked(ghost.lost))
      hatch(context, this.p.viewport.camera.boxOnScreen(lost), colours.rose, null);
    context.setLineDash([6, 4]);
    context.strokeStyle = colours.soft;
    for (const moved of ghost.moved) {
      const to = this.p.viewport.camera.boxOnScreen(moved);
      context.strokeRect(to.x, to.y, to.w, to.h);
    }
    context.setLineDash([]);
  }

  /** The edges of the selected map, ready to be dragged. */
  private edge(scene: Scene, id: string, colours: Colours): void {
    const map = scene.maps.find((m) => m.id === id);
    if (!map) return;
    const b = this.p.viewport.camera.boxOnScreen(map);
    this.context.strokeStyle = colours.saffron;
    this.context.lineWidth = 4;
    this.context.strokeRect(b.x, b.y, b.w, b.h);
  }

  private piece(type: string, area: BoxView, scene: Scene, colours: Colours): void {
    const foot = this.p.viewport.camera.toScreen(area.x + area.w / 2, area.y + area.h * 0.85);
    const of = scene.types.find((t) => t.id === type);
    this.context.globalAlpha = 0.75;
    drawLabel(this.context, foot.x, foot.y, of?.kind ?? type, of?.family ?? '', colours, true);
    this.context.globalAlpha = 1;
  }

  /** The edge around boxes that may touch: sides, and of top and bottom what no other box covers. */
  outline(boxes: BoxView[], colour: string, dash: number[], context = this.context): void {
    const rows = new Map<number, BoxView[]>();
    for (const box of boxes) rows.set(box.y, [...(rows.get(box.y) ?? []), box]);
    context.beginPath();
    for (const box of boxes) {
      const b = this.p.viewport.camera.boxOnScreen(box);
      context.moveTo(b.x, b.y);
      context.lineTo(b.x, b.y + b.h);
      context.moveTo(b.x + b.w, b.y);
      context.lineTo(b.x + b.w, b.y + b.h);
      for (const [beside, y] of [
        [box.y - box.h, b.y],
        [box.y + box.h, b.y + b.h],
      ] as const) {
        for (const [from, to] of uncovered(box, rows.get(beside) ?? [])) {
          context.moveTo(this.p.viewport.camera.toScreen(from, 0).x, y);
          context.lineTo(this.p.viewport.camera.toScreen(to, 0).x, y);
        }
      }
    }
    if (dash.length > 0) {
      // Seen on any art: dashes over a line of the sheet's colour.
      context.strokeStyle = this.under;
      context.lineWidth = 3;
      context.stroke();
    }
    context.strokeStyle = colour;
    context.lineWidth = dash.length > 0 ? 2 : 1.5;
    context.setLineDash(dash);
    context.stroke();
    context.setLineDash([]);
  }

  private joining(joins: number[], scene: Scene, colour: string): void {
    const { context, p } = this;
    const [ax = 0, ay = 0, bx = 0, by = 0] = joins;
    const a = p.viewport.camera.toScreen(ax, ay);
    const b = p.viewport.camera.toScreen(bx, by);
    const side = Math.max(8, scene.project.cellW * p.viewport.camera.zoom);
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
    const b = this.p.viewport.camera.boxOnScreen(below);
    context.font = letters(12);
    const high = scaled(23);
    context.textBaseline = 'middle';
    const width = context.measureText(text).width + 16;
    const { free } = p.viewport.camera;
    const { slipBox } = p.shell;
    let x = Math.max(free.x + 4, Math.min(b.x, free.x + free.w - width - 4));
    const y = Math.max(free.y + 4, Math.min(b.y + b.h + 8, free.y + free.h - high - 5));
    if (slipBox && shared({ x, y, w: width, h: high }, slipBox))
      x = slipBox.x - width - 4 > free.x ? slipBox.x - width - 4 : slipBox.x + slipBox.w + 4;
    context.fillStyle = colours.sheet;
    context.strokeStyle = colours.line;
    context.lineWidth = 1;
    context.beginPath();
    context.roundRect(x, y, width, high, 6);
    context.fill();
    context.stroke();
    context.fillStyle = problem ? colours.rose : colours.ink;
    context.fillText(text, x + 8, y + high / 2 + 0.5);
  }
}

/** Rows that lie one below the other and are as wide, put together. */
function stacked(spans: number[]): BoxView[] {
  const boxes: BoxView[] = [];
  if (spans.length === 0) return boxes;
  for (const row of boxesOf(spans, { x: 0, y: 0, w: 0, h: 0 })) {
    const above = boxes.find((b) => b.x === row.x && b.w === row.w && b.y + b.h === row.y);
    if (above) above.h += row.h;
    else boxes.push(row);
  }
  return boxes;
}
