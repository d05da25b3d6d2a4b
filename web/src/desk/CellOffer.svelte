<script lang="ts">
  import type { Cut } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';

  /** Says what becomes of tiles that are not as large as the project's cells, and offers cells as large as they are. */
  let { p, cut }: { p: Project; cut: Cut } = $props();

  const would = $derived.by(() => {
    void p.session.scene;
    return cut.scale === 0 ? p.session.ask.cellSizeWould({ w: cut.w, h: cut.h }) : null;
  });
</script>

{#if would?.shown}
  <div class="rounded-inner bg-shelf p-2" role="status" data-cell-offer>
    <p>{would.shown}</p>
    {#if would.refused}
      <p class="mt-1.5">The cells can’t become as large as the tiles: {would.refused}</p>
    {:else}
      <p class="my-1.5">Or the cells become as large as the tiles. {would.says}</p>
      <Button
        label="Make cells {cut.w} × {cut.h} px"
        onclick={() => void p.session.orders.setCellSize({ w: cut.w, h: cut.h })}
      />
    {/if}
  </div>
{/if}
