<script lang="ts">
  import type { Project } from '../project.svelte';
  import { MEASURES, type CharacterView } from '../core/types.gen';

  /** What a character has when play begins. */
  let { p, character }: { p: Project; character: CharacterView } = $props();

  const count = (item: string): number => character.begins.find((s) => s.id === item)?.count ?? 0;
</script>

{#if (p.session.scene?.items.length ?? 0) > 0}
  <div class="flex flex-col gap-1" role="group" aria-label="What it begins with">
    <h3 class="text-small text-soft">Begins with</h3>
    {#each p.session.scene?.items ?? [] as item (item.id)}
      <label class="flex items-center justify-between gap-2">
        <span class="truncate">{item.name}</span>
        <input
          type="number"
          class="h-7 w-14 rounded-inner border border-line bg-sheet px-1 figures"
          min={MEASURES.itemBegins.least}
          max={MEASURES.itemBegins.most}
          value={count(item.id)}
          onchange={(e) => {
            const n = Math.round(e.currentTarget.valueAsNumber);
            if (Number.isFinite(n))
              void p.session.orders.setBegins({ character: character.id, item: item.id, count: n });
            e.currentTarget.valueAsNumber = count(item.id);
          }}
        />
      </label>
    {/each}
  </div>
{/if}
