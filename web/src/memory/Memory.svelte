<script lang="ts">
  import { ChevronDown, ChevronRight } from '@lucide/svelte';
  import { untrack } from 'svelte';
  import type { Project } from '../project.svelte';
  import { STAYS_SAYS, STAYS_WHEN, type StaysPiece, type StaysView } from '../core/types.gen';
  import Says from './Says.svelte';

  /** What of a map stays as it is left, and what begins anew: for the map, for all pieces of a type, and for each. */
  let { p }: { p: Project } = $props();

  /** Milliseconds between two looks at a game. */
  const LOOK = 250;
  const { orders } = $derived(p.session);
  const maps = $derived(p.session.scene?.maps ?? []);
  let map = $state(untrack(() => p.game.view?.map ?? p.viewport.currentMap ?? p.session.scene?.maps[0]?.id ?? ''));
  let type = $state('');
  const watching = $derived(p.session.state?.playing === true);

  let view: StaysView | null = $state.raw(null);
  $effect(() => {
    // Made anew once anything of the project changes, and while a game goes on.
    void p.session.scene;
    const look = (): void => {
      view = p.session.ask.whatStays({ map, type });
    };
    look();
    if (!watching || type === '') return;
    const timer = setInterval(look, LOOK);
    return () => clearInterval(timer);
  });

  function go(one: StaysPiece): void {
    void orders.select({ thing: { kind: 'piece', map, id: one.id } });
    p.viewport.moveCamera((c) => c.center(one.x, one.y));
  }
</script>

{#snippet both(name: string, says: number[], inMap: boolean[] | null, choose: (when: number, says: number) => unknown)}
  {#each STAYS_WHEN as when, i (when)}
    <td class="py-0.5 pl-1"
      ><Says
        label="{name}, {when}"
        options={inMap ? STAYS_SAYS : STAYS_SAYS.slice(1)}
        byMap={inMap?.[i]}
        value={says[i] ?? 0}
        choose={(is) => choose(i, is)}
      /></td
    >
  {/each}
{/snippet}

<label class="flex items-center justify-between gap-2">
  <span class="text-soft">Map</span>
  <select class="h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-1" bind:value={map}>
    {#each maps as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
  </select>
</label>
{#if view}
  {@const stays = view}
  <table class="w-full border-collapse text-small" aria-label="What stays and what begins anew on {view.name}">
    <thead>
      <tr class="text-left text-soft">
        <th class="py-1 font-normal"><span class="sr-only">What</span></th>
        {#each STAYS_WHEN as when (when)}<th class="w-31 py-1 pl-1 font-normal">{when}</th>{/each}
      </tr>
    </thead>
    <tbody>
      <tr class="border-t border-line" data-stays="map">
        <th class="py-1 text-left font-semibold">The whole map</th>
        {@render both(view.name, view.anew.map(Number), null, (when, is) =>
          orders.setMapStays({ map, when, anew: is === 1 }),
        )}
      </tr>
      {#each view.types as of (of.type)}
        <tr class="border-t border-line" data-stays={of.name}>
          <th class="py-1 text-left font-normal">
            <button
              class="flex w-full items-center gap-1 rounded-inner text-left hover:bg-shelf"
              aria-expanded={type === of.type}
              onclick={() => (type = type === of.type ? '' : of.type)}
            >
              {#if type === of.type}<ChevronDown size={13} />{:else}<ChevronRight size={13} />{/if}
              <span class="min-w-0 truncate">{of.name}</span><span class="text-soft figures">{of.count}</span>
            </button>
          </th>
          {@render both(of.name, of.says, stays.anew, (when, says) =>
            orders.setPieceStays({ map, type: of.type, piece: '0', when, says }),
          )}
        </tr>
        {#each of.pieces as one (one.id)}
          <tr data-stays={one.name}>
            <th class="py-0.5 pl-4 text-left font-normal">
              <button class="w-full rounded-inner text-left hover:bg-shelf" onclick={() => go(one)}
                ><span class="block truncate">{one.name}</span>{#if one.now !== ''}<span
                    class="block text-moss-ink"
                    title="In the game that is played">{one.now}</span
                  >{/if}</button
              >
            </th>
            {@render both(one.name, one.says, stays.anew, (when, says) =>
              orders.setPieceStays({ map, type: of.type, piece: one.id, when, says }),
            )}
          </tr>
        {/each}
        {#if of.more > 0}<tr
            ><td colspan="3" class="py-0.5 pl-4 text-soft figures"
              >and {of.more} more, as their type says or as they say</td
            ></tr
          >{/if}
      {/each}
    </tbody>
  </table>
{/if}
<p class="text-small text-soft">
  What stays is as the player left it. What begins anew is as when play begins: not taken, not opened, back in its
  place. What is done to it from another map after the player left stays.
</p>
<p class="text-small text-soft">
  Facts, items and which rules went once ever always stay. A rule of this map that is under way ends when the map begins
  anew.
</p>
