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
  import { arrows } from '../ui/arrows';
  import LayerPicture from './LayerPicture.svelte';

  let { p }: { p: Project } = $props();

  const map = $derived(p.session.mapView(p.viewport.currentMap));
  const wide = $derived(p.shell.stackWide);
  /** It is there as soon as one is near enough to paint. */
  const near = $derived.by(() => {
    void p.viewport.moved;
    return p.viewport.near();
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

  const note = (layer: LayerView): string => (layer.only ? 'shown alone' : layer.look.counts ? '' : 'scenery only');
  const hide = (layer: LayerView, hidden: boolean): void =>
    void p.session.orders.hideLayer({ layer: layer.id, hidden });
</script>

{#if map && near}
  <section
    class="flex min-h-0 flex-1 flex-col border-r border-line bg-sheet p-1.5 {wide ? 'w-50' : 'w-16'}"
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
        {wide ? 'layers, front to back' : 'layers'}
      </button>
      {#if wide}
        <button
          class="px-1 text-soft hover:text-ink"
          aria-label="Make a layer above the current one"
          title="Make a layer above the current one"
          onclick={() => runCommand(p, 'make-layer')}><Plus size={14} /></button
        >
      {/if}
    </div>
    <div
      class="min-h-0 overflow-x-hidden overflow-y-auto"
      use:arrows
      role="toolbar"
      aria-label="Layers"
      aria-orientation="vertical"
    >
      {#each groups as group, at (at)}
        {#if group.name !== '' && wide}
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
    draggable={wide}
    ondragstart={(e) => e.dataTransfer?.setData(TYPE, layer.id)}
    ondragover={(e) => e.preventDefault()}
    ondrop={(e) => dropped(e, layer.id)}
  >
    <button
      class="flex min-w-0 flex-1 items-center gap-2 text-left"
      aria-label={`Paint on ${layer.name} ${note(layer)}`.trim()}
      aria-pressed={layer.current}
      onclick={() => map && p.session.orders.setCurrentLayer({ map: map.id, layer: layer.id })}
    >
      <LayerPicture {p} map={map?.id ?? ''} layer={layer.id} />
      {#if wide}
        <span class="min-w-0">
          <span class="block truncate {layer.hidden ? 'text-soft line-through' : ''}">{layer.name}</span>
          <span class="block text-small whitespace-nowrap text-soft">{note(layer)}</span>
        </span>
      {/if}
    </button>
    {#if wide}
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
        onclick={() => p.shell.toggleLayer(layer.id)}
      >
        <SlidersHorizontal size={15} />
      </button>
    {/if}
  </div>
  {#if layer.player}
    <div class="flex items-center gap-1 px-1 py-0.5 text-small text-soft" title="The player walks on this layer">
      <PersonStanding size={14} />{#if wide}walks on {layer.name}{/if}
    </div>
  {/if}
{/snippet}
