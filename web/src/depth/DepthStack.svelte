<script lang="ts">
  import Eye from '@lucide/svelte/icons/eye';
  import EyeOff from '@lucide/svelte/icons/eye-off';
  import PersonStanding from '@lucide/svelte/icons/person-standing';
  import type { Project } from '../core/project.svelte';
  import { runCommand } from '../commands/register';
  import LayerPicture from './LayerPicture.svelte';

  let { p }: { p: Project } = $props();

  const map = $derived(p.mapView(p.currentMap));
  const HEIGHT = 160;
  /**
   * At the map's own left edge, outside it where there is room, and always in view; where another map lies there, at
   * its right edge or at the edge of the board.
   */
  const place = $derived.by(() => {
    void p.moved;
    if (!map) return null;
    const near = p.camera.zoom * (p.scene?.project.cellW ?? 16) >= 12;
    if (!near) return null;
    const at = p.camera.toScreen(map.x, map.y);
    const end = p.camera.toScreen(map.x + map.w, map.y + map.h);
    const width = p.stackOpen ? 168 : 62;
    const last = Math.max(12, p.camera.width - width - 22);
    const y = Math.min(Math.max(12, at.y), Math.max(12, p.camera.height - HEIGHT));
    const left = Math.min(Math.max(12, at.x - width - 12), last);
    const free = (x: number): boolean =>
      !(p.scene?.maps ?? []).some((m) => {
        const a = p.camera.toScreen(m.x, m.y);
        const b = p.camera.toScreen(m.x + m.w, m.y + m.h);
        return m.id !== map.id && a.x < x + width && b.x > x && a.y < y + HEIGHT && b.y > y;
      });
    const x = [left, Math.min(end.x + 12, last), 12].find(free) ?? left;
    return { x, y };
  });
  const layers = $derived([...(map?.layers ?? [])].reverse());
</script>

{#if map && place}
  <section
    class="absolute z-10 sheet p-1.5"
    style:left="{place.x}px"
    style:top="{place.y}px"
    style:width={p.stackOpen ? '168px' : '62px'}
    aria-label="Depth stack of {map.name}"
    data-back
  >
    <button
      class="w-full px-1 pb-1 text-left text-small text-soft"
      aria-expanded={p.stackOpen}
      aria-keyshortcuts="Y"
      onclick={() => runCommand(p, 'stack')}
    >
      {p.stackOpen ? 'layers, front to back' : 'layers'}
    </button>
    {#each layers as layer (layer.id)}
      <div
        class="flex items-center gap-1 rounded-inner border-2 p-1 {layer.current
          ? 'border-saffron bg-held'
          : 'border-transparent'}"
      >
        <button
          class="flex min-w-0 flex-1 items-center gap-2 text-left"
          aria-label="Paint on {layer.name}"
          aria-pressed={layer.current}
          onclick={() => p.order({ do: 'layer', map: map.id, id: layer.id })}
        >
          <LayerPicture {p} map={map.id} layer={layer.id} />
          {#if p.stackOpen}
            <span class="min-w-0">
              <span class="block truncate {layer.hidden ? 'text-soft line-through' : ''}">{layer.name}</span>
              <span class="text-small text-soft">{layer.counts ? 'counts' : 'looks only'}</span>
            </span>
          {/if}
        </button>
        {#if p.stackOpen}
          <button
            class="text-soft"
            aria-label="{layer.hidden ? 'Show' : 'Hide'} {layer.name}"
            title={layer.hidden ? 'Show' : 'Hide'}
            onclick={() => p.order({ do: 'hide', id: layer.id, yes: !layer.hidden })}
          >
            {#if layer.hidden}<EyeOff size={16} />{:else}<Eye size={16} />{/if}
          </button>
        {/if}
      </div>
      {#if layer.player}
        <div class="flex items-center gap-1 px-1 py-0.5 text-small text-soft" title="The player walks on this layer">
          <PersonStanding size={14} />{#if p.stackOpen}walks on {layer.name}{/if}
        </div>
      {/if}
    {/each}
  </section>
{/if}
