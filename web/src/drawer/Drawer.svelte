<script lang="ts">
  import ImagePlus from '@lucide/svelte/icons/image-plus';
  import type { Project } from '../core/project.svelte';
  import { hold } from '../commands/register';
  import PieceIcon from '../tray/PieceIcon.svelte';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';

  let { p }: { p: Project } = $props();

  function desk(id: string | null): void {
    p.desk = id;
    p.opened = 'desk';
  }
</script>

<section class="relative z-10 flex h-50 shrink-0 border-t border-line bg-sheet" aria-label="Drawer">
  <div class="w-70 shrink-0 overflow-auto border-r border-line p-3">
    <h2 class="mb-2 name">Pieces</h2>
    <ul class="space-y-1" data-back>
      {#each p.scene?.types ?? [] as type (type.id)}
        <li>
          <button
            class="flex w-full items-center gap-2 rounded-inner border px-1 text-left hover:bg-shelf {p.state
              ?.holding === 'piece' && p.state.type === type.id
              ? 'border-saffron bg-held'
              : 'border-transparent'}"
            onclick={() => hold(p, 'piece', { id: type.id })}
          >
            <PieceIcon type={type.id} family={type.family} />
            <span><strong>{type.name}</strong><br /><span class="text-small text-soft">{type.purpose}</span></span>
          </button>
        </li>
      {/each}
    </ul>
  </div>
  <!-- The one that came last stands first. -->
  <div class="flex min-w-0 flex-1 flex-col gap-4 overflow-auto p-3">
    {#each [...(p.scene?.tilesets ?? [])].reverse() as set (set.id)}
      <div>
        <div class="mb-1.5 flex items-center gap-3">
          <h2 class="min-w-0 truncate name">{set.name}</h2>
          <span class="text-small whitespace-nowrap text-soft figures"
            >{set.count} tiles, {set.solid.filter(Boolean).length} solid</span
          >
          <span data-back><Button label="Lay it on the desk" onclick={() => desk(set.id)} /></span>
        </div>
        <div class="flex flex-wrap gap-0.5" data-back>
          {#each set.places.slice(0, 512) as place, i (place)}
            {@const n = set.first + i}
            <button
              class="flex rounded-inner border p-0.5 {p.state?.holding === 'tile' && p.state.tile === n
                ? 'border-saffron'
                : 'border-transparent'}"
              aria-label="Take {set.names[i]}{set.solid[i] ? ', solid' : ''}"
              title="{set.names[i]}{set.solid[i] ? ' · solid' : ''}"
              onclick={() => hold(p, 'tile', { n })}><TilePicture {p} {n} size={30} /></button
            >
          {/each}
        </div>
        {#if set.count > 512}
          <p class="mt-2 text-soft">{set.count - 512} more lie on the desk.</p>
        {/if}
      </div>
    {/each}
  </div>
  <div class="w-52 shrink-0 overflow-auto border-l border-line p-3">
    <h2 class="mb-2 name">Another tileset</h2>
    <p class="mb-2 text-soft">A picture of tiles. Drop or paste it anywhere, or lay it on the desk.</p>
    <Button label="Bring in a picture" onclick={() => desk(null)}><ImagePlus size={16} /></Button>
  </div>
</section>
