<script lang="ts">
  import Eye from '@lucide/svelte/icons/eye';
  import EyeOff from '@lucide/svelte/icons/eye-off';
  import PersonStanding from '@lucide/svelte/icons/person-standing';
  import type { Project } from '../core/project.svelte';
  import { runCommand } from '../commands/register';
  import LayerPicture from './LayerPicture.svelte';

  let { p }: { p: Project } = $props();

  const map = $derived(p.mapView(p.currentMap));
  /** At the map's own left edge, outside it where there is room, and always in view. */
  const place = $derived.by(() => {
    void p.moved;
    if (!map) return null;
    const near = p.camera.zoom * (p.scene?.project.cellW ?? 16) >= 12;
    if (!near) return null;
    const at = p.camera.toScreen(map.x, map.y);
    const width = p.stackOpen ? 168 : 62;
    const x = Math.min(Math.max(12, at.x - width - 12), Math.max(12, p.camera.width - 190));
    return { x, y: Math.min(Math.max(12, at.y), Math.max(12, p.camera.height - 160)) };
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
