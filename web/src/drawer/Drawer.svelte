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

<section class="bg-sheet border-line relative z-10 h-50 shrink-0 overflow-auto border-t" aria-label="Drawer">
  <div class="flex gap-8 p-3">
    <div class="w-64 shrink-0">
      <h2 class="name mb-2">Pieces</h2>
      <ul class="space-y-1" data-back>
        {#each p.scene?.types ?? [] as type (type.id)}
          <li>
            <button
              class="rounded-inner hover:bg-shelf flex w-full items-center gap-2 border px-1 text-left {p.state?.holding === 'piece' &&
              p.state.type === type.id
                ? 'border-saffron bg-held'
                : 'border-transparent'}"
              onclick={() => hold(p, 'piece', { id: type.id })}
            >
              <PieceIcon type={type.id} family={type.family} />
              <span
                ><strong>{type.name}</strong><br /><span class="text-soft text-small">{type.purpose}</span></span
              >
            </button>
          </li>
        {/each}
      </ul>
    </div>
    {#each p.scene?.tilesets ?? [] as set (set.id)}
      <div class="min-w-40">
        <div class="mb-2 flex items-center gap-3">
          <h2 class="name">{set.name}</h2>
          <span class="text-soft text-small figures">{set.count} tiles, {set.solid.filter(Boolean).length} solid</span>
          <span data-back><Button label="Lay it on the desk" onclick={() => desk(set.id)} /></span>
        </div>
        <div class="grid grid-cols-8 gap-1" data-back>
          {#each set.places.slice(0, 512) as place, i (place)}
            {@const n = set.first + i}
            <button
              class="rounded-inner border p-0.5 {p.state?.holding === 'tile' && p.state.tile === n ? 'border-saffron' : 'border-transparent'}"
              aria-label="Take {set.names[i]}{set.solid[i] ? ', solid' : ''}"
              title="{set.names[i]}{set.solid[i] ? ' · solid' : ''}"
              onclick={() => hold(p, 'tile', { n })}><TilePicture {p} {n} size={30} /></button
            >
          {/each}
        </div>
        {#if set.count > 512}
          <p class="text-soft mt-2">{set.count - 512} more lie on the desk.</p>
        {/if}
      </div>
    {/each}
    <div class="min-w-44">
      <h2 class="name mb-2">Another tileset</h2>
      <p class="text-soft mb-2">A picture of tiles, as PNG. Drop it anywhere, or lay it on the desk.</p>
      <Button label="Bring in a picture" onclick={() => desk(null)}><ImagePlus size={16} /></Button>
    </div>
  </div>
</section>
