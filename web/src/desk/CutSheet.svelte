<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { takePicture } from '../core/api';
  import type { Project } from '../core/project.svelte';
  import { MAX_CELL_SIDE, MIN_CELL_SIDE, PICTURE_BYTES, type Sheet } from '../core/types.gen';
  import { readColours } from '../board/colours';
  import Button from '../ui/Button.svelte';
  import NumberField from '../ui/NumberField.svelte';
  import { Cutter } from './cutter';

  interface Props {
    p: Project;
    file: File;
    taken: (strip: string) => void;
    giveUp: () => void;
  }
  let { p, file, taken, giveUp }: Props = $props();

  const cutter = new Cutter();
  let canvas: HTMLCanvasElement | undefined = $state();
  let bitmap = $state.raw<ImageBitmap | null>(null);
  let opened = $state.raw<Sheet | null>(null);
  let sheet = $state.raw<Sheet | null>(null);
  let error = $state('');
  let busy = $state(false);
  let name = $state(untrack(() => file.name.replace(/\.[^.]*$/, '').replace(/[-_]+/g, ' ')));
  const cut = $state(
    untrack(() => ({ w: p.scene?.project.cellW ?? 16, h: p.scene?.project.cellH ?? 16, margin: 0, spacing: 0 })),
  );

  async function open(): Promise<void> {
    if (file.size > PICTURE_BYTES) {
      error = `The file has ${Math.ceil(file.size / 2 ** 20)} MB; the most is ${PICTURE_BYTES / 2 ** 20} MB. Make the picture smaller or cut it in parts.`;
      return;
    }
    const first = await cutter.open(await file.arrayBuffer());
    if (first.error) {
      error = sentence(first.error);
      return;
    }
    bitmap = await createImageBitmap(file).catch(() => null);
    opened = first;
  }

  const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;

  onMount(() => {
    void open();
    return () => cutter.end();
  });

  let asked = 0;
  $effect(() => {
    if (!opened) return;
    const wanted = { w: cut.w || 0, h: cut.h || 0, margin: cut.margin || 0, spacing: cut.spacing || 0 };
    const mine = ++asked;
    void cutter.cut(wanted).then((answer) => {
      if (mine !== asked) return;
      sheet = answer;
      error = answer.error ? sentence(answer.error) : '';
    });
  });

  const scale = $derived(opened ? Math.max(1, Math.min(4, Math.floor(720 / opened.width))) : 1);

  $effect(() => {
    const context = canvas?.getContext('2d');
    if (!canvas || !context || !bitmap || !opened) return;
    canvas.width = opened.width * scale;
    canvas.height = opened.height * scale;
    context.imageSmoothingEnabled = false;
    context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    if (!sheet || sheet.error) return;
    const { saffron, board } = readColours();
    const full = new Set(sheet.places);
    for (let i = 0; i < sheet.columns * sheet.rows; i++) {
      const x = (cut.margin + (i % sheet.columns) * (cut.w + cut.spacing)) * scale;
      const y = (cut.margin + Math.floor(i / sheet.columns) * (cut.h + cut.spacing)) * scale;
      if (!full.has(i)) {
        context.fillStyle = board;
        context.globalAlpha = 0.6;
        context.fillRect(x, y, cut.w * scale, cut.h * scale);
        context.globalAlpha = 1;
        continue;
      }
      context.strokeStyle = saffron;
      context.lineWidth = 1;
      context.strokeRect(x + 0.5, y + 0.5, cut.w * scale - 1, cut.h * scale - 1);
    }
  });

  async function take(): Promise<void> {
    busy = true;
    try {
      const answer = await takePicture(p.id, file, cut);
      p.order({ do: 'tileset', taken: { name, ...answer, ...cut } });
      taken(answer.strip);
    } catch (failure) {
      error = failure instanceof Error ? failure.message : String(failure);
    } finally {
      busy = false;
    }
  }
</script>

<div class="flex min-h-0 flex-1">
  <div class="min-w-0 flex-1 overflow-auto bg-board p-4">
    {#if opened}
      <div role="img" aria-label="The picture with its cut" data-cut>
        <canvas bind:this={canvas} class="[image-rendering:pixelated]" aria-hidden="true"></canvas>
      </div>
    {:else if !error}
      <p class="text-soft">Reading the picture …</p>
    {/if}
  </div>
  <form
    class="flex w-76 shrink-0 flex-col gap-2 overflow-auto border-l border-line p-3"
    aria-label="The cut"
    novalidate
    onsubmit={(e) => {
      e.preventDefault();
      void take();
    }}
  >
    {#if opened}
      <label class="flex flex-col gap-1"
        ><span>Name</span><input bind:value={name} class="h-7 rounded-inner border border-line bg-sheet px-2" /></label
      >
      <div class="flex gap-3">
        <NumberField label="Tile width" unit="px" bind:value={cut.w} min={MIN_CELL_SIDE} max={MAX_CELL_SIDE} />
        <NumberField label="Tile height" unit="px" bind:value={cut.h} min={MIN_CELL_SIDE} max={MAX_CELL_SIDE} />
      </div>
      <div class="flex gap-3">
        <NumberField label="Margin" unit="px" bind:value={cut.margin} min={0} max={MAX_CELL_SIDE} />
        <NumberField label="Spacing" unit="px" bind:value={cut.spacing} min={0} max={MAX_CELL_SIDE} />
      </div>
      <p class="text-soft figures">
        {opened.width} × {opened.height} px{#if sheet && !sheet.error}: {sheet.columns} × {sheet.rows} tiles{#if sheet.empty > 0},
            {sheet.empty}
            empty left out{/if}{/if}
      </p>
    {/if}
    {#if error}<p class="text-rose-ink" role="alert">{error}</p>{/if}
    <div class="mt-auto flex gap-2">
      {#if opened}
        <Button
          label={sheet && !sheet.error ? `Take ${sheet.tiles} tiles` : 'Take the tiles'}
          type="submit"
          main
          disabled={busy || !sheet || sheet.error !== '' || name.trim() === ''}
        />
      {/if}
      <Button label="Another picture" onclick={giveUp} />
    </div>
  </form>
</div>
