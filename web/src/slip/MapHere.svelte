<script lang="ts">
  import type { Project } from '../project.svelte';
  import { MEASURES, type MapLook, type MapView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import MeasureField from '../ui/MeasureField.svelte';
  import Forces from './Forces.svelte';

  /** How one moves on a map, what lottery pieces give there, and its tracks and areas. */
  let { p, map, look, set }: { p: Project; map: MapView; look: MapLook; set: (change: Partial<MapLook>) => void } =
    $props();
</script>

<details>
  <summary class="cursor-pointer">How one moves here</summary>
  <div class="mt-2 flex flex-col gap-1">
    <Forces forces={look.forces} set={(forces) => set({ forces })} />
    <div class="mt-1 text-small text-soft">Not allowed here</div>
    <div class="flex flex-wrap gap-1" role="group" aria-label="What nobody can do here">
      {#each p.session.scene?.movement.abilities ?? [] as name, i (name)}
        <Button
          label={name}
          pressed={(look.barred & (1 << i)) !== 0}
          onclick={() => set({ barred: look.barred ^ (1 << i) })}
        />
      {/each}
      {#each p.session.scene?.movement.arms ?? [] as name, i (name)}
        <Button
          label={name}
          pressed={(look.barredArms & (1 << i)) !== 0}
          onclick={() => set({ barredArms: look.barredArms ^ (1 << i) })}
        />
      {/each}
    </div>
    <div class="mt-1 text-small text-soft">Lottery pieces here become, by weight</div>
    {#each p.session.scene?.odds ?? [] as name, i (name)}
      <MeasureField
        measure={MEASURES.odds}
        label={name}
        value={look.lottery[i] ?? 0}
        change={(weight) => set({ lottery: look.lottery.map((w, k) => (k === i ? Math.round(weight) : w)) })}
      />
    {/each}
  </div>
</details>
{#if map.places.length > 0}
  <details>
    <summary class="cursor-pointer">Tracks and areas</summary>
    <ul class="mt-1">
      {#each map.places as place (place.id)}
        <li>
          <button
            class="flex w-full justify-between gap-2 rounded-inner px-1.5 py-0.5 text-left hover:bg-shelf"
            onclick={() => p.session.orders.select({ thing: { kind: place.kind, id: place.id } })}
            ><span class="truncate">{place.name}</span><span class="text-soft">{place.kind}</span></button
          >
        </li>
      {/each}
    </ul>
  </details>
{/if}
