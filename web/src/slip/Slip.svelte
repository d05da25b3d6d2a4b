<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';
  import Rename from '../ui/Rename.svelte';
  import MapFields from './MapFields.svelte';
  import PieceType from '../kit/PieceType.svelte';
  import PieceFields from './PieceFields.svelte';
  import RuleFields from './RuleFields.svelte';
  import PlaceFields from './PlaceFields.svelte';
  import WireFields from './WireFields.svelte';
  import SlipSheet from './SlipSheet.svelte';

  let { p }: { p: Project } = $props();

  let asked = $state(false);

  const slip = $derived(p.session.state?.slip ?? null);
  const shown = $derived(
    slip !== null &&
      p.shell.slipShown &&
      !p.viewport.pointer?.busy &&
      !p.session.state?.playing &&
      p.session.state?.holding === 'nothing',
  );
  const map = $derived(slip?.kind === 'map' ? p.session.mapView(slip.id) : null);

  /** Whose ground and walls a map could have that is empty yet. */
  const like = $derived.by(() => {
    void p.session.state;
    return map ? p.session.ask.furnishedLike({ map: map.id }) : '';
  });

  $effect(() => {
    void slip?.id;
    asked = false;
  });

  function show(): void {
    const to = slip?.leads;
    if (to) p.viewport.moveCamera((c) => c.center(to.x + to.w / 2, to.y + to.h / 2));
  }
</script>

{#if slip && shown}
  <SlipSheet {p} about={slip.clear} label="Slip of {slip.proposed}">
    <div class="flex items-start gap-2">
      <div class="-ml-1 min-w-0 flex-1 name text-title">
        <Rename
          value={slip.name}
          placeholder={slip.proposed}
          label="Name of this {slip.kind}"
          rename={(text) =>
            p.session.orders.rename({ thing: { kind: slip.kind, map: slip.map, id: slip.id }, name: text })}
        />
      </div>
      <button class="self-center text-soft" aria-label="Close the slip" onclick={() => p.session.orders.unselect()}
        ><X size={14} /></button
      >
    </div>
    {#if slip.kind === 'piece'}
      <PieceType {p} {slip} />
    {:else}
      <div class="-mt-2 {slip.kind === 'crossing' ? 'text-lagoon-ink' : 'text-soft'}">{slip.sort}</div>
    {/if}
    <dl>
      {#each slip.lines as line (line.label)}
        <div class="flex justify-between gap-3 border-t border-line py-1">
          <dt class="shrink-0 text-soft">{line.label}</dt>
          <dd class="min-w-0 text-right font-semibold break-words figures">{line.value}</dd>
        </div>
      {/each}
    </dl>
    {#if map && like}
      <Button
        label="Lay ground and walls as in {like}"
        main
        onclick={() => p.session.orders.furnishMap({ map: map.id })}
      />
    {/if}
    {#if map}<MapFields {p} {map} />{/if}
    <PieceFields {p} {slip} />
    <PlaceFields {p} {slip} />
    <WireFields {p} {slip} />
    <RuleFields {p} {slip} />
    {#if slip.stack.length > 1}
      <div>
        <div class="mb-1 text-small text-soft">in this cell, front to back</div>
        <ol>
          {#each slip.stack as { kind, map, id, end, ...entry } (`${kind} ${id} ${end}`)}
            <li>
              <button
                class="flex w-full justify-between gap-2 rounded-inner px-1.5 py-0.5 text-left {entry.selected
                  ? 'bg-held'
                  : 'hover:bg-shelf'}"
                aria-pressed={entry.selected}
                onclick={() => p.session.orders.selectInStack({ thing: { kind, map, id }, end })}
                ><span class="truncate">{entry.name}</span><span class="text-soft">{entry.sort}</span></button
              >
            </li>
          {/each}
        </ol>
      </div>
    {/if}
    {#if slip.removes && (asked || slip.kept)}<p class="text-small break-words text-rose-ink" role="alert">
        {slip.removes}
      </p>{/if}
    <div class="flex flex-wrap gap-2">
      {#if map}
        <Button label="Copy this map" onclick={() => p.session.orders.copyMap({ map: map.id })} />
        {#if map.ways > 0}
          <Button
            label="Copy it with its ways out"
            onclick={() => p.session.orders.copyMap({ map: map.id, leading: true })}
          />
        {/if}
      {/if}
      {#if slip.starts}
        <Button label="Play from this {slip.sort.toLowerCase()}" onclick={() => p.game.startAt(slip.id)} />
      {/if}
      {#if slip.leads}<Button label="Show the other end" onclick={show} />{/if}
      {#if !slip.kept}
        <span class="contents" data-back={asked || slip.kind !== 'map' ? '' : undefined}>
          <button
            id="slip-delete"
            class="h-7 rounded-inner border border-line px-3 text-rose-ink hover:bg-shelf"
            onclick={() => {
              if (slip.kind === 'map' && !asked) asked = true;
              else void p.session.orders.deleteSelected();
            }}>{slip.kind === 'map' && asked ? 'Delete it with all of that' : `Delete this ${slip.kind}`}</button
          >
        </span>
      {/if}
    </div>
  </SlipSheet>
{/if}
