<script lang="ts">
  import { onDestroy } from 'svelte';
  import type { Project } from '../project.svelte';
  import { NAME_LETTERS, type Colours } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import { figures } from '../ui/figures';
  import Button from '../ui/Button.svelte';
  import { Cutter } from './cutter';

  let { p }: { p: Project } = $props();

  let cutter: Cutter | null = null;
  let name = $state('');
  let colours = $state.raw<Colours | null>(null);
  let cells: number[] = $state([]);
  let problem = $state('');
  /** The tileset whose tiles are proposed. */
  let set = $state('');
  const painted = $derived(colours?.list.reduce((sum, c, i) => sum + (cells[i] ? c.cells : 0), 0) ?? 0);

  $effect(() => {
    const file = p.shell.dropped[0];
    if (!file) return;
    p.shell.dropped = [];
    void open(file);
  });
  onDestroy(() => cutter?.end());

  async function open(file: File): Promise<void> {
    problem = '';
    colours = null;
    try {
      cutter ??= new Cutter();
      const { cellW, cellH } = p.session.scene?.project ?? { cellW: 16, cellH: 16 };
      const sheet = await cutter.open(await file.arrayBuffer(), cellW, cellH);
      const found = sheet.error ? null : await cutter.colours();
      problem = sheet.error || found?.error || '';
      if (!found || problem) return;
      name = file.name.replace(/\.[^.]*$/, '');
      colours = found;
      propose(set || (p.session.tilesets[0]?.id ?? ''), true);
    } catch (failure) {
      problem = (failure as Error).message;
    }
  }

  const numbers = (): number[] => (colours?.list ?? []).map((c) => parseInt(c.hex.slice(1), 16));

  /** Gives each colour the tile that it meant before, if known, or the one most like it. */
  function propose(id: string, known: boolean): void {
    set = id;
    cells = p.session.ask.likeColours({ tileset: id, colours: numbers(), known });
  }

  async function make(): Promise<void> {
    if (!colours || !cutter) return;
    const { cellW, cellH } = p.session.scene?.project ?? { cellW: 1, cellH: 1 };
    const { middle } = p.viewport.camera;
    const at = p.viewport.camera.toBoard(middle.x, middle.y);
    const places = await cutter.places();
    const legend = {
      ...{ name, columns: colours.width, rows: colours.height, cells: [...cells], colours: numbers() },
      ...{ x: Math.floor(at.x / cellW), y: Math.floor(at.y / cellH) },
    };
    const { refused } = await p.session.orders.makeMapOfColours({ legend }, places);
    if (refused !== '') return;
    p.shell.opened = 'nothing';
    p.viewport.showAll();
  }
</script>

<div class="flex min-h-0 flex-1 gap-6 p-4">
  <div class="flex w-72 shrink-0 flex-col gap-2">
    <p>Each pixel of the picture becomes a cell, and each colour a tile. What is see-through stays empty.</p>
    <label
      class="inline-flex h-7 w-fit cursor-pointer items-center rounded-inner border border-line px-3 hover:bg-shelf"
    >
      {colours ? 'Another picture' : 'Choose a picture'}
      <input
        type="file"
        accept="image/png,image/gif,image/webp,image/bmp"
        class="sr-only"
        onchange={(e) => {
          const file = e.currentTarget.files?.[0];
          if (file) void open(file);
          e.currentTarget.value = '';
        }}
      />
    </label>
    {#if problem}<p class="break-words text-rose-ink" role="alert">{problem}.</p>{/if}
    {#if colours}
      <label class="flex flex-col gap-1">
        <span>Name of the map</span>
        <input class="h-7 rounded-inner border border-line bg-sheet px-2" bind:value={name} maxlength={NAME_LETTERS} />
      </label>
      <label class="flex flex-col gap-1">
        <span>Propose tiles of</span>
        <select
          class="h-7 rounded-inner border border-line bg-sheet px-1"
          value={set}
          onchange={(e) => propose(e.currentTarget.value, false)}
        >
          {#each p.session.tilesets as t (t.id)}<option value={t.id}>{t.name}</option>{/each}
        </select>
      </label>
      <span
        ><Button
          label="Make a map of {colours.width} × {colours.height} cells"
          main
          disabled={painted === 0}
          onclick={make}
        /></span
      >
    {/if}
  </div>
  {#if colours}
    <ul
      class="grid min-h-0 flex-1 grid-cols-[repeat(auto-fill,minmax(260px,1fr))] content-start gap-2 overflow-y-auto"
      aria-label="Legend"
    >
      {#each colours.list as colour, i (colour.hex)}
        <li class="flex items-center gap-2 rounded-inner border border-line p-1.5" data-colour={colour.hex}>
          <span class="size-6 shrink-0 rounded-sm border border-line" style:background={colour.hex}></span>
          <span class="w-16 shrink-0 text-small text-soft figures"
            >{colour.hex}<br />{figures(colour.cells)}
            {colour.cells === 1 ? 'cell' : 'cells'}</span
          >
          {#if cells[i]}<TilePicture {p} n={cells[i]} size={24} />{:else}<span class="text-soft">empty</span>{/if}
          <span class="ml-auto flex gap-1">
            <Button
              label="Tile in hand"
              disabled={p.session.state?.holding !== 'tile'}
              onclick={() => (cells[i] = p.session.state?.tile ?? 0)}
            />
            <Button label="Empty" onclick={() => (cells[i] = 0)} />
          </span>
        </li>
      {/each}
    </ul>
  {/if}
</div>
