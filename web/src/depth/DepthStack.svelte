<script lang="ts">
  import Eye from '@lucide/svelte/icons/eye';
  import EyeOff from '@lucide/svelte/icons/eye-off';
  import Lock from '@lucide/svelte/icons/lock';
  import Plus from '@lucide/svelte/icons/plus';
  import SlidersHorizontal from '@lucide/svelte/icons/sliders-horizontal';
  import PersonStanding from '@lucide/svelte/icons/person-standing';
  import type { Project } from '../project.svelte';
  import type { LayerView } from '../core/types.gen';
  import { runCommand } from '../commands/register';
  import { PANEL } from '../ui/panel';
  import LayerPicture from './LayerPicture.svelte';

  let { p }: { p: Project } = $props();

  const map = $derived(p.session.mapView(p.viewport.currentMap));
  const WIDE = 200;
  const NARROW = 72;
  const stackWidth = $derived(p.shell.stackOpen ? WIDE : NARROW);
  const HEIGHT = $derived(64 + 40 * (map?.layers.length ?? 2));
  /**
   * At the map's own left edge, outside it where there is room, and always in view; where another map lies there, at
   * its right edge or at the edge of the board.
   */
  const place = $derived.by(() => {
    void p.viewport.moved;
    if (!map) return null;
    const near = p.viewport.camera.zoom * (p.session.scene?.project.cellW ?? 16) >= 12;
    if (!near) return null;
    const at = p.viewport.camera.toScreen(map.x, map.y);
    const end = p.viewport.camera.toScreen(map.x + map.w, map.y + map.h);
    const width = stackWidth;
    const last = Math.max(12, p.viewport.camera.width - width - 22 - (p.shell.panelled ? PANEL : 0));
    const y = Math.min(Math.max(12, at.y), Math.max(12, p.viewport.camera.height - HEIGHT));
    const left = Math.min(Math.max(12, at.x - width - 12), last);
    const free = (x: number): boolean =>
      !(p.session.scene?.maps ?? []).some((m) => {
        const a = p.viewport.camera.toScreen(m.x, m.y);
        const b = p.viewport.camera.toScreen(m.x + m.w, m.y + m.h);
        return m.id !== map.id && a.x < x + width && b.x > x && a.y < y + HEIGHT && b.y > y;
      });
    const x = [left, Math.min(end.x + 12, last), 12].find(free) ?? left;
    return { x, y };
  });
  $effect(() => {
    p.shell.stackBox = place ? { x: place.x, y: place.y, w: stackWidth, h: HEIGHT } : null;
  });
  const layers = $derived([...(map?.layers ?? [])].reverse());
  const TYPE = 'text/azzel-layer';

  /** Layers that are shown below one heading. */
  const groups = $derived.by(() => {
    const list: { name: string; layers: typeof layers }[] = [];
    for (const layer of layers) {
      const last = list.at(-1);
      if (last && layer.look.group !== '' && last.name === layer.look.group) last.layers.push(layer);
      else list.push({ name: layer.look.group, layers: [layer] });
    }
    return list;
  });

  /** Lets go of a dragged layer over another: it comes to lie above it. */
  function dropped(event: DragEvent, over: string): void {
    const id = event.dataTransfer?.getData(TYPE) ?? '';
    if (!map || id === '' || id === over) return;
    event.preventDefault();
    void p.session.orders.layLayerOver({ map: map.id, layer: id, over });
  }

  const hide = (layer: LayerView, hidden: boolean): void =>
    void p.session.orders.hideLayer({ layer: layer.id, hidden });
</script>

{#if map && place}
  <section
    class="absolute z-10 sheet p-1.5"
    style:left="{place.x}px"
    style:top="{place.y}px"
    style:width="{stackWidth}px"
    aria-label="Depth stack of {map.name}"
    data-back
  >
    <div class="flex items-center pb-1">
      <button
        class="min-w-0 flex-1 px-1 text-left text-small text-soft"
        aria-expanded={p.shell.stackOpen}
        aria-keyshortcuts="Y"
        onclick={() => runCommand(p, 'stack')}
      >
        {p.shell.stackOpen ? 'layers, front to back' : 'layers'}
      </button>
      {#if p.shell.stackOpen}
        <button
          class="px-1 text-soft hover:text-ink"
          aria-label="Make a layer above the current one"
          title="Make a layer above the current one"
          onclick={() => runCommand(p, 'make-layer')}><Plus size={14} /></button
        >
      {/if}
    </div>
    <div class="max-h-100 overflow-x-hidden overflow-y-auto">
      {#each groups as group, at (at)}
        {#if group.name !== '' && p.shell.stackOpen}
          {@const hidden = group.layers.every((l) => l.hidden)}
          <div class="flex items-center gap-1 px-1 pt-1 text-small text-soft">
            <span class="min-w-0 flex-1 truncate">{group.name}</span>
            <button
              aria-label="{hidden ? 'Show' : 'Hide'} the group {group.name}"
              title={hidden ? 'Show the group' : 'Hide the group'}
              onclick={() => group.layers.forEach((l) => hide(l, !hidden))}
            >
              {#if hidden}<EyeOff size={14} />{:else}<Eye size={14} />{/if}
            </button>
          </div>
        {/if}
        <div class={group.name !== '' ? 'ml-1 border-l border-line pl-1' : ''}>
          {#each group.layers as layer (layer.id)}{@render row(layer)}{/each}
        </div>
      {/each}
    </div>
  </section>
{/if}

{#snippet row(layer: LayerView)}
  <div
    class="flex items-center gap-1 rounded-inner border-2 p-1 {layer.current
      ? 'border-saffron bg-held'
      : 'border-transparent'}"
    role="group"
    aria-label={layer.name}
    draggable={p.shell.stackOpen}
    ondragstart={(e) => e.dataTransfer?.setData(TYPE, layer.id)}
    ondragover={(e) => e.preventDefault()}
    ondrop={(e) => dropped(e, layer.id)}
  >
    <button
      class="flex min-w-0 flex-1 items-center gap-2 text-left"
      aria-label="Paint on {layer.name}"
      aria-pressed={layer.current}
      onclick={() => map && p.session.orders.setCurrentLayer({ map: map.id, layer: layer.id })}
    >
      <LayerPicture {p} map={map?.id ?? ''} layer={layer.id} />
      {#if p.shell.stackOpen}
        <span class="min-w-0">
          <span class="block truncate {layer.hidden ? 'text-soft line-through' : ''}">{layer.name}</span>
          <span class="block text-small whitespace-nowrap text-soft"
            >{layer.only ? 'shown alone' : layer.look.counts ? '' : 'scenery only'}</span
          >
        </span>
      {/if}
    </button>
    {#if p.shell.stackOpen}
      {#if layer.look.locked}<span title="Locked" class="text-soft"><Lock size={14} /></span>{/if}
      <button
        class="text-soft"
        aria-label="{layer.hidden ? 'Show' : 'Hide'} {layer.name}"
        title={layer.hidden ? 'Show' : 'Hide'}
        onclick={() => hide(layer, !layer.hidden)}
      >
        {#if layer.hidden}<EyeOff size={16} />{:else}<Eye size={16} />{/if}
      </button>
      <button
        class="text-soft"
        aria-label="Settings of {layer.name}"
        aria-expanded={p.shell.layerOpen === layer.id}
        title="Settings"
        onclick={() => (p.shell.layerOpen = p.shell.layerOpen === layer.id ? '' : layer.id)}
      >
        <SlidersHorizontal size={15} />
      </button>
    {/if}
  </div>
  {#if layer.player}
    <div class="flex items-center gap-1 px-1 py-0.5 text-small text-soft" title="The player walks on this layer">
      <PersonStanding size={14} />{#if p.shell.stackOpen}walks on {layer.name}{/if}
    </div>
  {/if}
{/snippet}
