<script lang="ts">
  import { untrack } from 'svelte';
  import type { Project } from '../project.svelte';
  import type { Reskin } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Picture from '../ui/Picture.svelte';
  import ReskinMatches from './ReskinMatches.svelte';

  let { p }: { p: Project } = $props();

  const SIDE = 640;
  const SELECTED = 'selected';
  const ways: [string, string][] = [
    ['position', 'their place in the sheet'],
    ['name', 'their names'],
    ['role', 'their roles'],
  ];
  const chosen = $derived(p.session.state?.chosen ?? null);
  let plan = $state.raw<Reskin>(
    untrack(() => ({
      ...p.session.ask.proposeReskin({
        map: chosen?.map ?? p.viewport.currentMap ?? p.session.scene?.maps[0]?.id ?? '',
      }),
      selected: chosen !== null,
    })),
  );

  const change = (to: Partial<Reskin>): void => {
    plan = { ...plan, chosen: 'from' in to || 'to' in to ? [] : plan.chosen, ...to };
  };
  const seen = $derived(
    p.session.mapView(plan.map === '' ? p.viewport.currentMap : plan.map) ?? p.session.scene?.maps[0] ?? null,
  );
  const view = $derived.by(() => {
    void p.session.scene;
    void [p.session.state?.undo, chosen];
    return p.session.ask.previewReskin({ plan });
  });
  const pictures = $derived.by(() => {
    void view;
    if (!seen) return [];
    return [
      { words: 'before', image: p.session.ask.reskinPicture({ plan: { ...plan, to: '' }, map: seen.id, side: SIDE }) },
      { words: 'after', image: p.session.ask.reskinPicture({ plan, map: seen.id, side: SIDE }) },
    ];
  });
  const fit = (image: ImageData | null): number => (image ? Math.min(272 / image.width, 230 / image.height) : 1);
</script>

<div class="flex min-h-0 flex-1">
  <div class="flex min-w-0 flex-1 flex-wrap content-start gap-4 overflow-auto bg-board p-4" data-reskin>
    {#each pictures as { words, image } (words)}
      <figure>
        <figcaption class="mb-1 text-soft">{seen?.name}, {words}</figcaption>
        {#if image}<Picture {image} width={image.width * fit(image)} height={image.height * fit(image)} />{/if}
      </figure>
    {/each}
  </div>
  <div class="flex w-80 shrink-0 flex-col border-l border-line max-lg:w-60">
    <div class="flex min-h-0 flex-1 flex-col gap-2 overflow-auto p-3">
      <label class="flex flex-col gap-1">
        <span>On</span>
        <select
          class="h-7 rounded-inner border border-line bg-sheet px-2"
          value={plan.selected ? SELECTED : plan.map}
          onchange={(e) => {
            const selected = e.currentTarget.value === SELECTED;
            change({ selected, map: selected ? (chosen?.map ?? '') : e.currentTarget.value });
          }}
        >
          {#if chosen || plan.selected}<option value={SELECTED}>the selected cells</option>{/if}
          {#each p.session.scene?.maps ?? [] as map (map.id)}<option value={map.id}>{map.name}</option>{/each}
          <option value="">all maps</option>
        </select>
      </label>
      {#each [{ key: 'from', label: 'Tiles of' }, { key: 'to', label: 'give way to' }] as const as { key, label } (key)}
        <label class="flex flex-col gap-1">
          <span>{label}</span>
          <select
            class="h-7 rounded-inner border border-line bg-sheet px-2"
            value={plan[key]}
            onchange={(e) => change({ [key]: e.currentTarget.value })}
          >
            {#each p.session.tilesets as set (set.id)}<option value={set.id}>{set.name}</option>{/each}
          </select>
        </label>
      {/each}
      <label class="flex flex-col gap-1">
        <span>found by</span>
        <select
          class="h-7 rounded-inner border border-line bg-sheet px-2"
          value={plan.by}
          onchange={(e) => change({ by: e.currentTarget.value })}
        >
          {#each ways as [way, words] (way)}<option value={way}>{words}</option>{/each}
        </select>
      </label>
    </div>
    <div class="flex flex-wrap items-center gap-2 border-t border-line px-3 py-2">
      <Button
        label="Re-skin {view.cells} cells"
        main
        disabled={view.cells === 0}
        onclick={() => p.session.orders.applyReskin({ plan })}
      />
      {#if view.unmatched > 0}<span class="text-rose-ink figures">{view.unmatched} tiles unmatched</span>{/if}
    </div>
  </div>
  <ReskinMatches {p} {plan} {view} choose={(chosen) => change({ chosen })} />
</div>
