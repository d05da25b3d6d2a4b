<script lang="ts">
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import type { Project } from '../project.svelte';
  import type { MatchView, Pair, Reskin, ReskinView } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';

  interface Props {
    p: Project;
    plan: Reskin;
    view: ReskinView;
    choose: (chosen: Pair[]) => void;
  }
  let { p, plan, view, choose }: Props = $props();

  /** The tile for which a replacement is being chosen. */
  let open = $state<number | null>(null);
  const lost = (m: MatchView): boolean => m.to === 0 && !m.chosen;
  const sorted = $derived([...view.matches].sort((a, b) => Number(lost(b)) - Number(lost(a)) || b.cells - a.cells));
  const to = $derived(p.session.tilesets.find((t) => t.id === plan.to));

  function set(from: number, tile: number | null): void {
    const others = plan.chosen.filter((c) => c.from !== from);
    choose(tile === null ? others : [...others, { from, to: tile }]);
    open = null;
  }
</script>

<section class="w-88 shrink-0 overflow-auto border-l border-line p-3 max-lg:w-64" aria-label="Tiles that are used">
  <h3 class="mb-2 name">tiles that are used</h3>
  <ul class="flex flex-col gap-1">
    {#each sorted as match (match.from)}
      <li>
        <button
          class="flex w-full items-center gap-2 rounded-inner border p-0.5 text-left hover:bg-shelf {lost(match)
            ? 'border-rose'
            : open === match.from
              ? 'border-saffron'
              : 'border-transparent'}"
          aria-expanded={open === match.from}
          onclick={() => (open = open === match.from ? null : match.from)}
        >
          <TilePicture {p} n={match.from} size={28} />
          <ArrowRight size={14} class="shrink-0 text-soft" />
          {#if match.to > 0}<TilePicture {p} n={match.to} size={28} />{:else}
            <span class="size-7 shrink-0 rounded-sm border border-dashed border-line"></span>
          {/if}
          <span class="min-w-0 flex-1 truncate">{match.name}</span>
          <span class="text-small whitespace-nowrap {lost(match) ? 'text-rose-ink' : 'text-soft'} figures">
            {lost(match) ? 'unmatched, ' : match.chosen ? 'chosen, ' : ''}{match.cells}
          </span>
        </button>
        {#if open === match.from}
          <div class="my-1 flex flex-wrap gap-0.5 rounded-inner bg-shelf p-1">
            {#each (to?.tiles ?? []).slice(0, 512) as tile, i (i)}
              <button
                class="flex rounded-inner border border-transparent p-0.5 hover:border-line"
                aria-label="Replace it with {tile.name}"
                title={tile.name}
                onclick={() => set(match.from, (to?.first ?? 0) + i)}
                ><TilePicture {p} n={(to?.first ?? 0) + i} size={24} /></button
              >
            {/each}
            <Button label="Keep this tile" onclick={() => set(match.from, 0)} />
            {#if match.chosen}<Button label="Back to the match" onclick={() => set(match.from, null)} />{/if}
          </div>
        {/if}
      </li>
    {:else}
      <li class="text-soft">None of its tiles lie here.</li>
    {/each}
  </ul>
</section>
