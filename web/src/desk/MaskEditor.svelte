<script lang="ts">
  import { readColours } from '../board/colours';
  import type { Project } from '../project.svelte';
  import { theme } from '../core/theme.svelte';

  interface Props {
    p: Project;
    n: number;
    /** The 8 rows of what is solid, the leftmost part in the lowest bit; empty if nothing is. */
    rows: number[];
    change: (rows: number[]) => void;
  }
  let { p, n, rows, change }: Props = $props();

  const SIDE = 8;
  const PART = 15;
  let canvas: HTMLCanvasElement | undefined = $state();
  let drawn = $state.raw<number[] | null>(null);
  let setting = true;
  let at = $state({ x: 0, y: 0 });
  let focused = $state(false);

  const empty = Array.from({ length: SIDE }, () => 0);
  const now = $derived(drawn ?? (rows.length === SIDE ? rows : empty));
  const has = (list: number[], x: number, y: number): boolean => (((list[y] ?? 0) >> x) & 1) === 1;

  function put(x: number, y: number): void {
    const next = [...now];
    next[y] = setting ? (next[y] ?? 0) | (1 << x) : (next[y] ?? 0) & ~(1 << x);
    drawn = next;
  }

  function place(event: PointerEvent): { x: number; y: number } {
    const r = (event.currentTarget as Element).getBoundingClientRect();
    const clamp = (v: number): number => Math.min(Math.max(0, Math.floor(v / PART)), SIDE - 1);
    return { x: clamp(event.clientX - r.left), y: clamp(event.clientY - r.top) };
  }

  function done(): void {
    if (drawn) change(drawn);
    drawn = null;
  }

  function key(event: KeyboardEvent): void {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (way) {
      const [dx = 0, dy = 0] = way;
      at = { x: Math.min(Math.max(0, at.x + dx), SIDE - 1), y: Math.min(Math.max(0, at.y + dy), SIDE - 1) };
    } else if (event.key === 'Enter') {
      setting = !has(now, at.x, at.y);
      put(at.x, at.y);
      done();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  $effect(() => {
    void theme.dark;
    const context = canvas?.getContext('2d');
    const project = p.session.scene?.project;
    if (!canvas || !context || !project) return;
    canvas.width = canvas.height = SIDE * PART;
    const { rose, shelf, line, saffron } = readColours();
    context.fillStyle = shelf;
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.imageSmoothingEnabled = false;
    const image = p.session.tile(n);
    if (image) {
      const small = new OffscreenCanvas(project.cellW, project.cellH);
      small.getContext('2d')?.putImageData(image, 0, 0);
      context.drawImage(small, 0, 0, canvas.width, canvas.height);
    }
    for (let y = 0; y < SIDE; y++) {
      for (let x = 0; x < SIDE; x++) {
        context.strokeStyle = line;
        context.lineWidth = 1;
        context.strokeRect(x * PART + 0.5, y * PART + 0.5, PART, PART);
        if (!has(now, x, y)) continue;
        context.strokeStyle = rose;
        context.lineWidth = 2;
        context.strokeRect(x * PART + 2, y * PART + 2, PART - 4, PART - 4);
        context.beginPath();
        context.moveTo(x * PART + 2, y * PART + PART - 2);
        context.lineTo(x * PART + PART - 2, y * PART + 2);
        context.stroke();
      }
    }
    if (focused) {
      context.strokeStyle = saffron;
      context.lineWidth = 2;
      context.strokeRect(at.x * PART + 1, at.y * PART + 1, PART - 2, PART - 2);
    }
  });
</script>

<div>
  <div class="mb-1 text-soft">What of it is solid</div>
  <!-- The mask takes focus and keys as a whole. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <div
    class="w-fit touch-none"
    tabindex="0"
    role="application"
    aria-label="What of the tile is solid. Arrows move, Enter sets. Part {at.x + 1}, {at.y + 1}: {has(now, at.x, at.y)
      ? 'solid'
      : 'free'}"
    data-mask
    onfocus={() => (focused = true)}
    onblur={() => (focused = false)}
    onpointerdown={(e) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      const { x, y } = place(e);
      setting = !has(now, x, y);
      put(x, y);
    }}
    onpointermove={(e) => {
      const { x, y } = place(e);
      at = { x, y };
      if (drawn) put(x, y);
    }}
    onpointerup={done}
    onkeydown={key}
  >
    <canvas bind:this={canvas} class="block" aria-hidden="true"></canvas>
  </div>
</div>
