<script lang="ts">
  import { MAX_DIFFER, type Apart, type Parts } from '../core/types.gen';

  interface Props {
    apart: Apart | null;
    parts: Parts | null;
    change: (apart: Apart | null) => void;
  }
  let { apart, parts, change }: Props = $props();

  const clamp = (v: number): number => Math.min(Math.max(0, Math.trunc(v) || 0), MAX_DIFFER);
</script>

<label class="flex items-center gap-2">
  <input
    type="checkbox"
    class="accent-saffron"
    checked={apart !== null}
    onchange={(e) => change(e.currentTarget.checked ? { turned: false, differ: 0 } : null)}
  />
  a finished map, to be taken apart
</label>
{#if apart}
  <label class="flex items-center gap-2">
    <input
      type="checkbox"
      class="accent-saffron"
      checked={apart.turned}
      onchange={(e) => change({ ...apart, turned: e.currentTarget.checked })}
    />
    turned and mirrored tiles are the same
  </label>
  <label class="flex items-center gap-2">
    <input
      type="number"
      class="h-7 w-16 rounded-inner border border-line bg-sheet px-1 figures"
      min="0"
      max={MAX_DIFFER}
      value={apart.differ}
      onchange={(e) => change({ ...apart, differ: clamp(e.currentTarget.valueAsNumber) })}
    />
    % of a tile may differ
  </label>
  {#if parts && parts.error === ''}
    <p class="figures" data-parts>
      {`A map of ${parts.columns} × ${parts.rows} cells, from ${parts.tiles} different tiles.`}
    </p>
  {/if}
{/if}
