<script lang="ts">
  import { untrack } from 'svelte';
  import type { Project } from '../project.svelte';
  import {
    JOINS,
    SAMPLE_COLUMNS,
    SAMPLE_ROWS,
    type Bonded,
    type Bonding,
    type BondView,
    type Proposal,
  } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Rename from '../ui/Rename.svelte';
  import BondJoins from './BondJoins.svelte';
  import BondTile from './BondTile.svelte';
  import BondTiles from './BondTiles.svelte';
  import CellsPicture from './CellsPicture.svelte';

  interface Props {
    p: Project;
    bond: BondView | null;
    proposal: Proposal | null;
  }
  let { p, bond, proposal }: Props = $props();

  const empty = { border: false, also: [], joinsTo: [], seed: 0 };
  const first = (): Bonding => {
    const { join, tiles } = (bond && p.session.asAsked(bond.id, bond)) ?? proposal ?? { join: 0, tiles: [] };
    return { ...empty, ...(bond ? p.session.asAsked(bond.id, bond) : {}), join, tiles };
  };
  /** What is on the desk and not yet an edit: a proposal, or a stroke under way. */
  let draft = $state.raw<Bonding | null>(untrack(() => (bond ? null : first())));
  let unsure = $state.raw<number[]>(untrack(() => proposal?.unsure ?? []));
  let name = $state('');
  let seen = $state<number | null>(null);

  const now = $derived(draft ?? first());
  const sample = $derived(p.session.ask.sampleBond({ bond: now }));
  const looked = $derived(now.tiles.find((t) => t.tile === seen) ?? null);

  function change(to: Partial<Bonding>, done = true): void {
    const becomes = { ...now, ...to };
    draft = becomes;
    if (!done || !bond) return;
    void p.session.setting(bond.id, becomes, p.session.orders.changeBond({ bond: bond.id, change: becomes }));
    draft = null;
  }

  function painted(tiles: Bonded[], done: boolean): void {
    unsure = unsure.filter((n) => n !== seen);
    change({ tiles }, done);
  }

  function joinAnother(join: number): void {
    const again = p.session.ask.proposeBond({ tiles: now.tiles.map((t) => t.tile), join });
    unsure = again.unsure;
    change({ join: again.join, tiles: again.tiles });
  }

  async function make(): Promise<void> {
    const { made } = await p.session.orders.makeBond({ name: name.trim(), bond: now });
    if (made[0]) p.shell.desk = { kind: 'bond', id: made[0] };
  }
</script>

<div class="flex min-h-0 flex-1">
  <div class="flex min-w-0 flex-1 flex-col gap-3 overflow-auto bg-board p-4">
    <p class="text-soft">
      A bridge shows where a tile joins on. Paint over an edge or corner to join or part it{unsure.length > 0
        ? `; ${unsure.length} marked with ? are not sure`
        : ''}.
    </p>
    <BondTiles {p} join={now.join} tiles={now.tiles} {unsure} {seen} look={(n) => (seen = n)} change={painted} />
  </div>
  <div class="flex w-100 shrink-0 flex-col border-l border-line max-lg:w-72">
    <div class="flex min-h-0 flex-1 flex-col gap-2 overflow-auto p-3">
      {#if bond}
        <div class="-ml-1 name text-title">
          <Rename
            value={bond.name}
            label="Name of this bond"
            rename={(text) => p.session.orders.rename({ thing: { kind: 'bond', id: bond.id }, name: text })}
          />
        </div>
      {:else}
        <label class="flex flex-col gap-1">
          <span>Name of the bond</span>
          <input bind:value={name} class="h-7 rounded-inner border border-line bg-sheet px-2" />
        </label>
      {/if}
      <label class="flex flex-col gap-1">
        <span>Its tiles join</span>
        <select
          class="h-7 rounded-inner border border-line bg-sheet px-2"
          value={now.join}
          onchange={(e) => joinAnother(Number(e.currentTarget.value))}
        >
          {#each JOINS as words, join (join)}<option value={join}>{words}</option>{/each}
        </select>
      </label>
      <div class="mx-auto w-56" data-bond-sample>
        {#if sample.length > 0}
          <CellsPicture {p} cells={sample} columns={SAMPLE_COLUMNS} rows={SAMPLE_ROWS} />
        {:else}
          <p class="text-rose-ink" role="alert">One tile, the centre, must join on every side.</p>
        {/if}
      </div>
      {#if bond && bond.lacks > 0}
        <p class="text-small text-soft">
          For {bond.lacks} surroundings it has no tile of its own; the nearest is laid.
        </p>
      {/if}
    </div>
    <div class="flex flex-wrap gap-2 border-t border-line px-3 py-2">
      {#if bond}
        <span data-back
          ><Button
            label="Take into the hand"
            main
            onclick={() => p.session.orders.hold({ holding: 'bond', id: bond.id })}
          /></span
        >
        <Button label="Shuffle again" onclick={() => change({ seed: now.seed + 1 })} />
        <Button
          label="Delete this bond"
          onclick={() => p.session.orders.delete({ thing: { kind: 'bond', id: bond.id } })}
        />
      {:else}
        <Button label="Make the bond" main disabled={sample.length === 0} onclick={make} />
        <Button label="Cancel" onclick={() => (p.shell.desk = { kind: 'nothing' })} />
      {/if}
    </div>
  </div>
  <div class="flex w-72 shrink-0 flex-col gap-3 overflow-auto border-l border-line p-3 max-lg:w-48">
    {#if looked}
      <BondTile
        {p}
        join={now.join}
        tile={looked}
        change={(to) => {
          unsure = unsure.filter((n) => n !== to.tile);
          change({ tiles: now.tiles.map((t) => (t.tile === to.tile ? to : t)) });
        }}
        remove={() => change({ tiles: now.tiles.filter((t) => t.tile !== looked.tile) })}
      />
    {/if}
    <BondJoins {p} id={bond?.id ?? ''} {now} {change} />
  </div>
</div>
