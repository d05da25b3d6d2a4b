<script lang="ts">
  import type { Cut } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';

  /** Says what becomes of tiles that are not as large as the project's cells, and offers cells as large as they are. */
  let { p, cut }: { p: Project; cut: Cut } = $props();

  const cell = $derived(p.session.scene?.project);
  const differs = $derived(cell !== undefined && cut.scale === 0 && (cut.w !== cell.cellW || cut.h !== cell.cellH));
  const becomes = $derived.by(() => {
    if (!cell) return '';
    const times = cut.w / cell.cellW;
    if (times !== cut.h / cell.cellH) return 'stretched';
    if (times > 1) return Number.isInteger(times) ? `${times} times smaller` : 'smaller, with pixels left out';
    return Number.isInteger(1 / times) ? `${1 / times} times larger` : 'larger, with pixels doubled';
  });
  const would = $derived(differs ? p.session.ask.cellSizeWould({ w: cut.w, h: cut.h }) : null);
</script>

{#if cell && would}
  <div class="rounded-inner bg-shelf p-2" role="status" data-cell-offer>
    <p>
      The project’s cells are {cell.cellW} × {cell.cellH} px, these tiles {cut.w} × {cut.h} px: they would be shown {becomes}.
    </p>
    {#if would.refused === ''}
      <p class="my-1.5">Or the cells become as large as the tiles. {would.says}</p>
      <Button
        label="Make cells {cut.w} × {cut.h} px"
        onclick={() => void p.session.orders.setCellSize({ w: cut.w, h: cut.h })}
      />
    {/if}
  </div>
{/if}
