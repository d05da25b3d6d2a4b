<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { TILE_MASK } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import type { Bonding } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';

  interface Props {
    p: Project;
    /** The bond itself, empty while it is a proposal. */
    id: string;
    now: Bonding;
    change: (to: Partial<Bonding>) => void;
  }
  let { p, id, now, change }: Props = $props();

  const others = $derived((p.session.scene?.bonds ?? []).filter((b) => b.id !== id));
  const late = $derived(
    p.session.lately.tiles
      .map((cell) => cell & TILE_MASK)
      .filter((n) => !now.also.includes(n) && !now.tiles.some((t) => t.tile === n)),
  );
</script>

<section class="flex flex-col gap-1.5" aria-label="What else it joins to">
  <h3 class="name">joins on to</h3>
  <label class="flex items-center gap-2">
    <input
      type="checkbox"
      class="accent-saffron"
      checked={now.border}
      onchange={(e) => change({ border: e.currentTarget.checked })}
    />
    the border of the map
  </label>
  {#each others as other (other.id)}
    <label class="flex items-center gap-2">
      <input
        type="checkbox"
        class="accent-saffron"
        checked={now.joinsTo.includes(other.id)}
        onchange={(e) =>
          change({
            joinsTo: e.currentTarget.checked
              ? [...now.joinsTo, other.id]
              : now.joinsTo.filter((known) => known !== other.id),
          })}
      />
      <span class="truncate">{other.name}</span>
    </label>
  {/each}
  {#each now.also as n (n)}
    <div class="flex items-center gap-2">
      <TilePicture {p} {n} size={24} />
      <span class="min-w-0 flex-1 truncate">{p.session.tileName(n)}</span>
      <button
        class="text-soft"
        aria-label="Join to {p.session.tileName(n)} no more"
        onclick={() => change({ also: now.also.filter((known) => known !== n) })}><X size={14} /></button
      >
    </div>
  {/each}
  {#each late.slice(0, 3) as n (n)}
    <Button label="and to {p.session.tileName(n)}" onclick={() => change({ also: [...now.also, n] })} />
  {/each}
</section>
