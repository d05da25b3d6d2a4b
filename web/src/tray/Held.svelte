<script lang="ts">
  import FlipHorizontal2 from '@lucide/svelte/icons/flip-horizontal-2';
  import RotateCw from '@lucide/svelte/icons/rotate-cw';
  import Eraser from '@lucide/svelte/icons/eraser';
  import Lasso from '@lucide/svelte/icons/lasso';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import MousePointer2 from '@lucide/svelte/icons/mouse-pointer-2';
  import Ruler from '@lucide/svelte/icons/ruler';
  import Cable from '@lucide/svelte/icons/cable';
  import Spline from '@lucide/svelte/icons/spline';
  import type { Snippet } from 'svelte';
  import type { Project } from '../project.svelte';
  import { keyOf, runCommand } from '../commands/register';
  import PatchPicture from './PatchPicture.svelte';
  import TypeIcon from './TypeIcon.svelte';
  import FourTiles from './FourTiles.svelte';
  import MedleyPicture from './MedleyPicture.svelte';
  import TilePicture from './TilePicture.svelte';

  let { p, children }: { p: Project; children: Snippet } = $props();

  const s = $derived(p.session.state);
  /** What the hand does beside its shape, in few words. */
  const ways = $derived(
    [
      s?.mirrorX && s.mirrorY ? 'mirrored both ways' : s?.mirrorX ? 'mirrored ⇆' : s?.mirrorY ? 'mirrored ⇅' : '',
      s?.through ? 'all layers' : '',
      s?.adds === 'add' ? 'adds' : s?.adds === 'take away' ? 'takes away' : '',
    ]
      .filter(Boolean)
      .join(' · '),
  );
  const sized = $derived(Boolean(s && ['tile', 'eraser', 'medley', 'bond'].includes(s.holding)));
  const turns = $derived(s?.holding === 'tile' || s?.holding === 'patch');
  const empty = $derived(!s || s.holding === 'nothing');
</script>

<section
  class="flex w-92 shrink-0 items-center gap-3 border-r border-line px-3 {empty ? '' : 'bg-held'}"
  aria-label="In hand"
>
  <div
    class="grid size-12 shrink-0 place-items-center overflow-hidden rounded-sheet border-2 bg-shelf {empty
      ? 'border-line'
      : 'border-saffron'}"
  >
    {#if s?.holding === 'medley'}
      {@const medley = p.session.scene?.medleys.find((m) => m.id === s.medley)}
      {#if medley}<MedleyPicture {p} {medley} size={44} />{/if}
    {:else if s?.holding === 'bond'}
      {@const bond = p.session.scene?.bonds.find((b) => b.id === s.bond)}
      {#if bond}<FourTiles {p} cells={bond.picture} size={44} />{/if}
    {:else if s?.holding === 'tile'}
      <TilePicture {p} n={s.tile} size={44} />
    {:else if s?.holding === 'patch'}
      <PatchPicture {p} id="" size={44} />
    {:else if s?.holding === 'choose'}
      <Lasso size={24} />
    {:else if s?.holding === 'eraser'}
      <Eraser size={24} />
    {:else if s?.holding === 'piece'}
      <TypeIcon {p} type={s.type} />
    {:else if s?.holding === 'measure'}
      <Ruler size={22} />
    {:else if s?.holding === 'wire'}
      <Cable size={22} class="text-plum" />
    {:else if s?.holding === 'crossing'}
      <Spline size={24} class="text-lagoon" />
    {:else}
      <MousePointer2 size={20} class="text-soft" />
    {/if}
  </div>
  <div class="min-w-0 flex-1">
    <div class="flex items-center gap-2">
      <div class="min-w-0 flex-1 truncate" data-held>
        {#if empty}
          <span class="text-soft">Empty hand: selects and drags</span>
        {:else}
          <strong>{s?.heldName}</strong>
        {/if}
        {#if ways}<span class="text-small text-soft">&nbsp;{ways}</span>{/if}
      </div>
      {#if turns}
        {@render small('turn', 'Turn')}
        {@render small('mirror', 'Mirror')}
      {/if}
      {#if sized}
        {@render small('smaller', 'Smaller brush')}
        <span class="text-small text-soft figures" title="Size of the brush in cells">{s?.size}</span>
        {@render small('larger', 'Larger brush')}
      {/if}
    </div>
    <div class="mt-0.5 flex items-center gap-0.5 text-small">{@render children()}</div>
  </div>
</section>

{#snippet small(id: string, label: string)}
  <button
    class="rounded-inner p-0.5 text-soft hover:text-ink"
    aria-label={label}
    title="{label} · {keyOf(id)}"
    onclick={() => runCommand(p, id)}
  >
    {#if id === 'turn'}<RotateCw size={14} />{:else if id === 'mirror'}<FlipHorizontal2
        size={14}
      />{:else if id === 'larger'}<Plus size={14} />{:else}<Minus size={14} />{/if}
  </button>
{/snippet}
