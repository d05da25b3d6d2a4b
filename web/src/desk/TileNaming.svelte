<script lang="ts">
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import type { Mark } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import Rename from '../ui/Rename.svelte';
  import FrameList from './FrameList.svelte';
  import MaskEditor from './MaskEditor.svelte';
  import { markOf } from './marks';

  let { p, set, index }: { p: Project; set: Tileset; index: number } = $props();

  const tile = $derived(set.tiles[index]);
  const role = $derived(p.session.scene?.roles[tile?.role ?? 0] ?? '');

  function mark(to: Mark): void {
    void p.session.orders.markTiles({ tileset: set.id, tiles: [index], mark: to });
  }
</script>

{#if tile}
  <div class="flex items-center gap-2">
    <TilePicture {p} n={set.first + index} size={40} />
    <div class="min-w-0 flex-1">
      <div class="-ml-1 name">
        <Rename
          value={tile.named ? tile.name : ''}
          placeholder={tile.name}
          label="Name of this tile"
          rename={(text) => mark({ ...markOf('name'), text })}
        />
      </div>
      <div class="text-small text-soft">{tile.role > 0 ? role : 'no role'}</div>
    </div>
  </div>
  <p>{tile.does || 'does nothing'}</p>
  {#each tile.own as { id, value } (id)}
    <p class="truncate">{p.session.scene?.own.find((o) => o.id === id)?.name}: {value}</p>
  {/each}
  {#if tile.frames.length > 0}
    <FrameList
      {p}
      frames={tile.frames}
      change={(frames) => p.session.orders.animateTile({ tileset: set.id, tile: index, frames })}
    />
  {/if}
  <MaskEditor
    {p}
    n={set.first + index}
    rows={tile.rows}
    change={(rows) => mark({ ...markOf('solid'), amount: 3, rows })}
  />
  <label class="flex flex-col gap-1">
    <span class="text-soft">Keywords</span>
    <span class="rounded-inner border border-line px-1">
      <Rename
        value={tile.keywords}
        placeholder="words to find it by"
        label="Keywords of this tile"
        rename={(text) => mark({ ...markOf('keywords'), text })}
      />
    </span>
  </label>
{/if}
