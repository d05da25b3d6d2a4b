<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Project } from '../project.svelte';
  import { MEASURES, type LayerLook } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import { givesBack } from '../ui/givesBack';
  import Range from '../ui/Range.svelte';
  import Rename from '../ui/Rename.svelte';
  import BackdropFields from './BackdropFields.svelte';
  import LayerCells from './LayerCells.svelte';
  import LayerTakes from './LayerTakes.svelte';

  let { p }: { p: Project } = $props();

  const map = $derived(p.session.scene?.maps.find((m) => m.layers.some((l) => l.id === p.shell.layerOpen)) ?? null);
  const layer = $derived(map?.layers.find((l) => l.id === p.shell.layerOpen) ?? null);

  const look = $derived(layer && p.session.asAsked(layer.id, layer.look));

  function set(change: Partial<LayerLook>): void {
    if (layer) void p.session.setting(layer.id, change, orders.setLayer({ ...mine, change }));
  }

  const { orders } = $derived(p.session);
  const mine = $derived({ map: map?.id ?? '', layer: layer?.id ?? '' });
</script>

{#if map && layer && look && !p.session.state?.playing}
  <aside
    use:givesBack
    class="flex min-h-0 w-72 flex-1 flex-col gap-2.5 overflow-y-auto border-l border-line bg-sheet p-3"
    aria-label="Settings of the layer {layer.name}"
    data-layer-settings
  >
    <div class="flex items-start gap-2">
      <div class="-ml-1 min-w-0 flex-1 name text-title">
        <Rename
          value={layer.name}
          label="Name of this layer"
          rename={(text) =>
            p.session.orders.rename({ thing: { kind: 'layer', map: map.id, id: layer.id }, name: text })}
        />
      </div>
      <button class="self-center text-soft" aria-label="Close the settings" onclick={() => (p.shell.layerOpen = '')}
        ><X size={14} /></button
      >
    </div>
    <div class="-mt-2 text-soft">layer of {map.name}{layer.player ? ', on which the player walks' : ''}</div>
    <div class="flex flex-wrap gap-1.5">
      <Button label="Affects movement" pressed={look.counts} onclick={() => set({ counts: !look.counts })} />
      <Button label="Locked" pressed={look.locked} onclick={() => set({ locked: !look.locked })} />
      <Button
        label="Show only this layer"
        pressed={layer.only}
        onclick={() => orders.showLayerAlone({ ...mine, on: !layer.only })}
      />
      {#if !layer.player}<Button label="Let the player walk here" onclick={() => orders.walkOnLayer(mine)} />{/if}
    </div>
    <Range measure={MEASURES.fade} value={look.fade} change={(fade) => set({ fade })} />
    <div class="flex items-end gap-2">
      <label class="flex min-w-0 flex-1 flex-col gap-1">
        <span>Tint</span>
        <input
          type="color"
          class="h-7 w-full rounded-inner border border-line bg-sheet px-1"
          value={look.tint || '#ffffff'}
          onchange={(e) => set({ tint: e.currentTarget.value })}
        />
      </label>
      <Button label="No tint" disabled={look.tint === ''} onclick={() => set({ tint: '' })} />
    </div>
    <Range measure={MEASURES.depthX} value={look.depthX} change={(depthX) => set({ depthX })} />
    <Range measure={MEASURES.depthY} value={look.depthY} change={(depthY) => set({ depthY })} />
    <p class="text-small text-soft">
      0 goes with the map, 100 stands still while it passes, below 0 is nearer than the map.
    </p>
    <label class="flex flex-col gap-1">
      <span>Group</span>
      <input
        class="h-7 rounded-inner border border-line bg-sheet px-2"
        value={look.group}
        placeholder="none"
        list="layer-groups"
        onchange={(e) => set({ group: e.currentTarget.value })}
      />
      <datalist id="layer-groups">
        {#each [...new Set(map.layers.map((l) => l.look.group).filter(Boolean))] as name (name)}<option value={name}
          ></option>{/each}
      </datalist>
    </label>
    <LayerTakes {p} {look} {set} />
    <BackdropFields {p} {look} {set} />
    <LayerCells {p} map={map.id} layer={layer.id} />
    <div class="flex flex-wrap gap-1.5 border-t border-line pt-2.5">
      <Button label="Move up" onclick={() => orders.moveLayer({ ...mine, by: 1 })} />
      <Button label="Move down" onclick={() => orders.moveLayer({ ...mine, by: -1 })} />
      <Button label="Duplicate" onclick={() => orders.duplicateLayer(mine)} />
      <Button label="Merge into the layer below" onclick={() => orders.mergeLayer(mine)} />
      <Button label="Clear" onclick={() => orders.clearLayer(mine)} />
      <button
        class="h-7 rounded-inner border border-line px-3 text-rose-ink hover:bg-shelf"
        onclick={() => orders.deleteLayer(mine)}>Delete this layer</button
      >
    </div>
  </aside>
{/if}
