<script lang="ts">
  import Eraser from '@lucide/svelte/icons/eraser';
  import MousePointer2 from '@lucide/svelte/icons/mouse-pointer-2';
  import Spline from '@lucide/svelte/icons/spline';
  import type { Snippet } from 'svelte';
  import type { Project } from '../core/project.svelte';
  import PieceIcon from './PieceIcon.svelte';
  import FourTiles from './FourTiles.svelte';
  import MedleyPicture from './MedleyPicture.svelte';
  import TilePicture from './TilePicture.svelte';

  let { p, children }: { p: Project; children: Snippet } = $props();

  const s = $derived(p.state);
  const family = $derived(p.scene?.types.find((t) => t.id === s?.type)?.family ?? '');
  const empty = $derived(!s || s.holding === 'nothing');
</script>

<section class="flex w-70 items-center gap-3 border-r border-line px-3 {empty ? '' : 'bg-held'}" aria-label="In hand">
  <div
    class="grid size-12 shrink-0 place-items-center overflow-hidden rounded-sheet border-2 bg-shelf {empty
      ? 'border-line'
      : 'border-saffron'}"
  >
    {#if s?.holding === 'medley'}
      {@const medley = p.scene?.medleys.find((m) => m.id === s.medley)}
      {#if medley}<MedleyPicture {p} {medley} size={44} />{/if}
    {:else if s?.holding === 'bond'}
      {@const bond = p.scene?.bonds.find((b) => b.id === s.bond)}
      {#if bond}<FourTiles {p} cells={bond.picture} size={44} />{/if}
    {:else if s?.holding === 'tile'}
      <TilePicture {p} n={s.tile} size={44} />
    {:else if s?.holding === 'eraser'}
      <Eraser size={24} />
    {:else if s?.holding === 'piece'}
      <PieceIcon type={s.type} {family} />
    {:else if s?.holding === 'crossing'}
      <Spline size={24} class="text-lagoon" />
    {:else}
      <MousePointer2 size={20} class="text-soft" />
    {/if}
  </div>
  <div class="min-w-0">
    <div class="truncate" data-held>
      {#if empty}
        <span class="text-soft">Empty hand: selects and drags</span>
      {:else}
        <strong>{s?.heldName}</strong>
      {/if}
    </div>
    <div class="mt-0.5 flex items-center gap-0.5 text-small">{@render children()}</div>
  </div>
</section>
