<script lang="ts">
  import SquarePlus from '@lucide/svelte/icons/square-plus';
  import Trash2 from '@lucide/svelte/icons/trash-2';
  import { hold } from '../commands/holding';
  import type { PatchView } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import PatchPicture from '../tray/PatchPicture.svelte';
  import Rename from '../ui/Rename.svelte';

  let { p, patch }: { p: Project; patch: PatchView } = $props();

  /** A map of a patch comes to lie where there is room nearest to the middle of the view. */
  function makeMap(): void {
    const { cellW, cellH } = p.session.scene?.project ?? { cellW: 1, cellH: 1 };
    const { middle } = p.viewport.camera;
    const at = p.viewport.camera.toBoard(middle.x, middle.y);
    void p.session.orders.makeMapOfPatch({ patch: patch.id, x: Math.floor(at.x / cellW), y: Math.floor(at.y / cellH) });
  }
</script>

<div class="flex items-center gap-1">
  <button
    class="flex min-w-0 flex-1 items-center gap-2 rounded-inner border p-0.5 text-left hover:bg-shelf {p.session.state
      ?.holding === 'patch' && p.session.state.patch === patch.id
      ? 'border-saffron bg-held'
      : 'border-transparent'}"
    aria-label="Take {patch.name}"
    data-back
    onclick={() => hold(p, 'patch', { id: patch.id })}
  >
    <PatchPicture {p} id={patch.id} size={30} />
    <span class="min-w-0">
      <span class="block truncate">{patch.name}</span>
      <span class="block text-small text-soft figures">
        {patch.columns} × {patch.rows} cells{patch.layers > 1 ? `, ${patch.layers} layers` : ''}{patch.pieces > 0
          ? `, ${patch.pieces === 1 ? '1 piece' : `${patch.pieces} pieces`}`
          : ''}
      </span>
    </span>
  </button>
  <div class="w-24">
    <Rename
      value={patch.name}
      placeholder="Name"
      label="Name of the patch {patch.name}"
      rename={(text) => p.session.orders.rename({ thing: { kind: 'patch', id: patch.id }, name: text })}
    />
  </div>
  <button
    class="text-soft hover:text-ink"
    aria-label="Make a map of {patch.name}"
    title="Make a map of it"
    data-back
    onclick={makeMap}><SquarePlus size={14} /></button
  >
  <button
    class="text-soft hover:text-rose-ink"
    aria-label="Delete the patch {patch.name}"
    title="Delete"
    onclick={() => p.session.orders.delete({ thing: { kind: 'patch', id: patch.id } })}><Trash2 size={14} /></button
  >
</div>
