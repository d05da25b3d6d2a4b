<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Project } from '../project.svelte';
  import { MAX_WEIGHT, type Dealing, type MedleyView } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';
  import Rename from '../ui/Rename.svelte';
  import CellsPicture from './CellsPicture.svelte';

  let { p, medley }: { p: Project; medley: MedleyView } = $props();

  const COLUMNS = 12;
  const ROWS = 7;
  /** Weights while a bar is dragged, before they are an edit. */
  let dragged = $state.raw<number[] | null>(null);

  const is = $derived(p.session.asAsked(medley.id, medley));
  const weights = $derived(dragged ?? is.tiles.map((t) => t.weight));
  const dealing = $derived<Dealing>({
    tiles: is.tiles.map((t, i) => ({ tile: t.tile, weight: weights[i] ?? 0 })),
    seed: is.seed,
    turned: is.turned,
    mirrored: is.mirrored,
  });

  const dealt = $derived(p.session.ask.dealMedley({ medley: dealing, w: COLUMNS, h: ROWS }));
  const share = (i: number): string => ((dealt.shares[i] ?? 0) / 10).toFixed(1);

  function change(to: Partial<Dealing>): void {
    void p.session.setting(medley.id, to, p.session.orders.changeMedley({ medley: medley.id, change: to }));
    dragged = null;
  }

  function weigh(i: number, weight: number): number[] {
    return weights.map((w, k) => (k === i ? Math.min(Math.max(0, Math.round(weight) || 0), MAX_WEIGHT) : w));
  }

  function add(tile: number): void {
    if (!is.tiles.some((t) => t.tile === tile)) change({ tiles: [...dealing.tiles, { tile, weight: 1 }] });
  }

  function dropped(event: DragEvent): void {
    const n = Number(event.dataTransfer?.getData('text/azzel-tile'));
    if (n > 0) {
      event.preventDefault();
      event.stopPropagation();
      add(n);
    }
  }
</script>

<div class="flex min-h-0 flex-1">
  <section
    class="flex w-100 shrink-0 flex-col gap-1 overflow-auto border-r border-line p-3 max-lg:w-72"
    aria-label="Tiles of the medley"
    ondragover={(e) => e.preventDefault()}
    ondrop={dropped}
  >
    {#each is.tiles as { tile }, i (tile)}
      <div class="flex items-center gap-2">
        <TilePicture {p} n={tile} size={30} />
        <input
          type="range"
          class="min-w-0 flex-1 accent-saffron"
          min="0"
          max={Math.max(100, ...weights)}
          value={weights[i]}
          aria-label="Weight of {p.session.tileName(tile)}"
          oninput={(e) => (dragged = weigh(i, e.currentTarget.valueAsNumber))}
          onchange={(e) => {
            dragged = weigh(i, e.currentTarget.valueAsNumber);
            change({ tiles: dealing.tiles });
          }}
        />
        <input
          type="number"
          class="h-7 w-16 rounded-inner border border-line bg-sheet px-1 figures"
          min="0"
          max={MAX_WEIGHT}
          value={weights[i]}
          aria-label="Weight of {p.session.tileName(tile)} as a number"
          onchange={(e) => {
            dragged = weigh(i, e.currentTarget.valueAsNumber);
            change({ tiles: dealing.tiles });
          }}
        />
        <span class="w-13 text-right figures" data-share>{share(i)} %</span>
        <button
          class="text-soft disabled:opacity-40"
          aria-label="Take {p.session.tileName(tile)} out"
          disabled={is.tiles.length < 2}
          onclick={() => change({ tiles: dealing.tiles.filter((t) => t.tile !== tile) })}><X size={14} /></button
        >
      </div>
    {/each}
    <p class="text-soft">Drag tiles here, or click them on the right.</p>
  </section>
  <div class="flex w-80 shrink-0 flex-col border-r border-line max-lg:w-60">
    <div class="flex min-h-0 flex-1 flex-col gap-2 overflow-auto p-3">
      <div class="-ml-1 name text-title">
        <Rename
          value={medley.name}
          label="Name of this medley"
          rename={(text) => p.session.orders.rename({ thing: { kind: 'medley', id: medley.id }, name: text })}
        />
      </div>
      <CellsPicture {p} cells={dealt.cells} columns={COLUMNS} rows={ROWS} />
      <div class="flex flex-wrap gap-2">
        <Button label="Shuffle again" onclick={() => change({ seed: is.seed + 1 })} />
        <Button label="Also mirrored" pressed={is.mirrored} onclick={() => change({ mirrored: !is.mirrored })} />
        <Button label="Also turned" pressed={is.turned} onclick={() => change({ turned: !is.turned })} />
      </div>
    </div>
    <div class="flex flex-wrap gap-2 border-t border-line px-3 py-2">
      <span data-back
        ><Button
          label="Take into the hand"
          main
          onclick={() => p.session.orders.hold({ holding: 'medley', id: medley.id })}
        /></span
      >
      <Button
        label="Delete this medley"
        onclick={() => p.session.orders.delete({ thing: { kind: 'medley', id: medley.id } })}
      />
    </div>
  </div>
  <section class="flex min-w-0 flex-1 flex-col gap-2 overflow-auto p-3" aria-label="Tiles to choose from">
    {#each [...p.session.tilesets].reverse() as set (set.id)}
      <h3 class="name">{set.name}</h3>
      <div class="flex flex-wrap gap-0.5">
        {#each set.tiles.slice(0, 512) as tile, i (i)}
          <button
            class="flex rounded-inner border border-transparent p-0.5 hover:border-line"
            draggable="true"
            aria-label="Add {tile.name}"
            title={tile.name}
            ondragstart={(e) => e.dataTransfer?.setData('text/azzel-tile', String(set.first + i))}
            onclick={() => add(set.first + i)}><TilePicture {p} n={set.first + i} size={26} /></button
          >
        {/each}
      </div>
    {/each}
  </section>
</div>
