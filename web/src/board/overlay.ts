import type { Project } from '../project.svelte';
import type { BoxView, PieceView, Scene } from '../core/types.gen';
import type { Colours } from './colours';
import { drawLabel, drawSmall } from './labels';
import { drawCrossing } from './lines';
import { drawMeant } from './meant';
import { boxesOf, GhostPainter } from './ghost';
import { drawAreas } from './areas';
import { drawPath, drawTrail } from './trail.svelte';
import { drawReach, Reach } from './reach';
import { Sprites } from './sprites';
import { drawGame } from './game';
import { inView, pictured, stand } from './standing';
import { drawGrid } from './grid';
import { letters } from './letters';
import { drawLens } from './lens';
import { drawWires } from './wires';

/** Cells smaller than this on the screen show pieces as small shapes, and all lines. */
const NEAR = 24;
/** Cells smaller than this on the screen show pieces that have pictures of their own as small shapes too. */
const SEEN = 5;

/** Draws what lies over the maps: grid, names, lines, pieces, the game; and over all that what follows the pointer. */
export class Overlay {
  readonly sprites: Sprites;
  private readonly reach: Reach;
  private readonly ghost: GhostPainter;

  constructor(
    private readonly p: Project,
    private readonly context: CanvasRenderingContext2D,
    private readonly top: CanvasRenderingContext2D,
  ) {
    this.sprites = new Sprites(p);
    this.reach = new Reach(p);
    this.ghost = new GhostPainter(p, top, this.sprites);
  }

  draw(colours: Colours): void {
    const { p, context } = this;
    const scene = p.session.scene;
    context.clearRect(0, 0, p.viewport.camera.width, p.viewport.camera.height);
    if (!scene) return;
    const playing = p.game.view !== null;
    const near = scene.project.cellW * p.viewport.camera.zoom >= NEAR;
    if (p.viewport.grid && !playing) {
      drawGrid(context, p, scene, 1, colours);
      if (p.viewport.gridStep !== 1) drawGrid(context, p, scene, p.viewport.gridStep, colours);
    }
    if (p.viewport.lines && !playing) drawAreas(context, p, scene, colours);
    if (p.viewport.lens && !playing) drawLens(context, p, scene, colours);
    if (!playing || !p.game.inGame) this.crossings(scene, colours, near);
    this.names(scene, colours);
    if (p.game.view) drawGame(context, p, scene, p.game.view, this.sprites, colours);
    else for (const piece of scene.pieces) this.piece(piece, near, colours);
    if (!playing || !p.game.inGame) drawWires(context, p, scene, near, colours);
    if (p.viewport.lens && playing) drawLens(context, p, scene, colours);
    if (playing && p.game.inGame) return;
    this.selection(colours);
    const path = p.session.state?.slip?.path;
    if (path && !playing) drawPath(context, p, path, colours);
    this.chosen(colours);
  }

  /** Draws what follows the pointer. */
  drawTop(colours: Colours): void {
    const { p, top } = this;
    const scene = p.session.scene;
    top.clearRect(0, 0, p.viewport.camera.width, p.viewport.camera.height);
    const playing = p.game.view !== null;
    if (!scene || (playing && p.game.inGame)) return;
    if (!playing) drawTrail(top, p, this.sprites, colours);
    this.mirrorLines(colours);
    if (p.viewport.frameShown && !playing) this.seen(colours);
    const reach = p.viewport.reachShown && !playing ? this.reach.here() : null;
    if (reach) drawReach(top, p, reach, colours);
    this.ghost.draw(scene, colours);
    drawMeant(top, p, scene, colours);
    this.cursor(scene, colours);
  }

  /** The mirror lines of the map under the pointer, while strokes are mirrored. */
  private mirrorLines(colours: Colours): void {
    const { top: context, p } = this;
    const [x, y] = p.viewport.pointer?.axis ?? [];
    const map = p.session.mapView(p.viewport.pointer?.map ?? null);
    if (x === undefined || y === undefined || !map || !p.session.state || p.game.view) return;
    const at = p.viewport.camera.toScreen(x, y);
    const b = this.p.viewport.camera.boxOnScreen(map);
    context.strokeStyle = colours.saffron;
    context.lineWidth = 2;
    context.setLineDash([2, 6]);
    context.beginPath();
    if (p.session.state.mirrorX) {
      context.moveTo(at.x, b.y);
      context.lineTo(at.x, b.y + b.h);
    }
    if (p.session.state.mirrorY) {
      context.moveTo(b.x, at.y);
      context.lineTo(b.x + b.w, at.y);
    }
    context.stroke();
    context.setLineDash([]);
  }

  /** The cells that are selected. */
  private chosen(colours: Colours): void {
    const chosen = this.p.session.state?.chosen;
    if (!chosen || this.p.game.view) return;
    this.ghost.outline(boxesOf(chosen.spans, chosen.box), colours.saffron, [6, 4], this.context);
  }

  private visible(b: BoxView): boolean {
    const { camera } = this.p.viewport;
    return b.x < camera.width && b.y < camera.height && b.x + b.w > 0 && b.y + b.h > 0;
  }

  /** The frame of what the player sees, from the selected piece or from the pointer. */
  private seen(colours: Colours): void {
    const seen = this.p.viewport.pointer?.seen;
    if (!seen) return;
    const { top: context } = this;
    const b = this.p.viewport.camera.boxOnScreen(seen);
    context.strokeStyle = colours.sheet;
    context.lineWidth = 4;
    context.strokeRect(b.x, b.y, b.w, b.h);
    context.strokeStyle = colours.ink;
    context.lineWidth = 2;
    context.setLineDash([10, 4, 2, 4]);
    context.strokeRect(b.x, b.y, b.w, b.h);
    context.setLineDash([]);
  }

  private crossings(scene: Scene, colours: Colours, near: boolean): void {
    const { context, p } = this;
    const selected = p.session.state?.slip;
    for (const crossing of scene.crossings) {
      const chosen = selected?.kind === 'crossing' && selected.id === crossing.id;
      if (p.viewport.lines) drawCrossing(context, crossing, p.viewport.camera, colours, chosen || !near ? 1 : 0.25);
      for (const door of crossing.doors) {
        const b = this.p.viewport.camera.boxOnScreen(door);
        context.strokeStyle = colours.lagoon;
        context.lineWidth = near ? 2 : 1.5;
        context.setLineDash(near ? [5, 3] : []);
        context.strokeRect(b.x + 1, b.y + 1, b.w - 2, b.h - 2);
        context.setLineDash([]);
      }
      if (chosen)
        for (const landing of selected.landings) this.ring(this.p.viewport.camera.boxOnScreen(landing), colours);
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
    if (!p.viewport.lines) return;
    context.font = letters(15, true);
    context.textBaseline = 'bottom';
    for (const map of scene.maps) {
      const b = this.p.viewport.camera.boxOnScreen(map);
      if (b.w < 40 || !this.visible({ ...b, y: b.y - 24, h: b.h + 24 })) continue;
      this.written(this.fitted(map.name, Math.max(b.w, 60)), b.x + 1, b.y - 5, colours);
    }
  }

  /** Writes a text so that it can be read on anything. */
  private written(text: string, x: number, y: number, colours: Colours): void {
    const { context } = this;
    context.strokeStyle = colours.board;
    context.lineWidth = 4;
    context.lineJoin = 'round';
    context.strokeText(text, x, y);
    context.fillStyle = colours.ink;
    context.fillText(text, x, y);
  }

  /** How what stands beside a label is written. */
  private label(): void {
    this.context.font = letters(13);
    this.context.textBaseline = 'middle';
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
    const at = p.viewport.camera.toScreen(piece.x, piece.y);
    if (!inView(p, piece)) return;
    const slip = p.session.state?.slip;
    const selected = slip?.kind === 'piece' && slip.id === piece.id;
    if (near && piece.starts !== '') {
      this.label();
      this.written(this.fitted(piece.starts, 120), at.x + 13, at.y - 22, colours);
    }
    if (piece.seen && (near || this.large())) {
      context.imageSmoothingEnabled = false;
      stand(context, p, pictured(this.sprites, piece, 0));
    } else if (near && piece.who) {
      context.imageSmoothingEnabled = false;
      const picture = this.sprites.character(piece.who, piece.sprite);
      stand(context, p, { picture, spot: piece.spot, mirrored: piece.mirrored });
    } else if (near) {
      drawLabel(
        context,
        at.x,
        at.y,
        piece.type,
        piece.family,
        colours,
        selected,
        piece.conditional || piece.starts !== '',
      );
      if (piece.type === p.session.scene?.mark && p.viewport.lines) {
        this.label();
        this.written(this.fitted(piece.name, 160), at.x + 13, at.y - 8, colours);
      }
    } else
      drawSmall(
        context,
        at.x,
        at.y - 2,
        piece.type,
        piece.family,
        (p.session.scene?.project.cellW ?? 16) * p.viewport.camera.zoom,
        colours,
        selected,
      );
  }

  /** Whether cells are large enough for pictures of pieces to be told from each other. */
  private large(): boolean {
    return (this.p.session.scene?.project.cellW ?? 0) * this.p.viewport.camera.zoom >= SEEN;
  }

  private selection(colours: Colours): void {
    const slip = this.p.session.state?.slip;
    // A wire shows by itself that it is selected.
    if (!slip || slip.kind === 'wire' || this.p.game.view) return;
    const b = this.p.viewport.camera.boxOnScreen(slip.box);
    this.context.strokeStyle = colours.saffron;
    this.context.lineWidth = 2;
    this.context.strokeRect(b.x - 1, b.y - 1, b.w + 2, b.h + 2);
  }

  private cursor(scene: Scene, colours: Colours): void {
    const { cursor } = this.p.viewport;
    if (!cursor) return;
    const b = this.p.viewport.camera.boxOnScreen({ ...cursor, w: scene.project.cellW, h: scene.project.cellH });
    const { top: context } = this;
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
