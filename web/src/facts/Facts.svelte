<script lang="ts">
  import type { Project } from '../project.svelte';
  import { FACT_SORTS, NAME_LETTERS, type KnownView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import FactRow from './FactRow.svelte';
  import Reasons from './Reasons.svelte';

  /** What the game remembers: what sets each fact, what asks for it, and what it is while the game is played. */
  let { p }: { p: Project } = $props();

  /** Milliseconds between two looks at a game. */
  const LOOK = 200;

  let name = $state('');
  let sort = $state(0);
  const all = $derived(p.session.scene?.facts ?? []);
  /** Those of the whole game, then those of each map that has some. */
  const facts = $derived(
    [{ id: '', name: '' }, ...(p.session.scene?.maps ?? [])]
      .map(({ id, name }) => ({ id, name, list: all.filter((fact) => !fact.objective && fact.map === id) }))
      .filter((of) => of.id === '' || of.list.length > 0),
  );
  const objectives = $derived(all.filter((fact) => fact.objective));
  const watching = $derived(p.session.state?.playing === true);

  let known: KnownView | null = $state.raw(null);
  $effect(() => {
    known = null;
    if (!watching) return;
    const look = (): void => {
      known = p.session.ask.known();
    };
    look();
    const timer = setInterval(look, LOOK);
    return () => clearInterval(timer);
  });

  function make(event: SubmitEvent): void {
    event.preventDefault();
    void p.session.orders.makeFact({ name, sort });
    name = '';
  }
</script>

{#if !known}<form class="flex flex-col gap-1" onsubmit={make}>
    <label class="flex min-w-0 flex-col gap-1">
      <span>Name of a new fact</span>
      <input class="h-7 rounded-inner border border-line bg-sheet px-2" bind:value={name} maxlength={NAME_LETTERS} />
    </label>
    <div class="flex items-center justify-between gap-2">
      <label class="flex items-center gap-2">
        <span class="text-soft">It is</span>
        <select class="h-7 rounded-inner border border-line bg-sheet px-1" bind:value={sort}>
          {#each FACT_SORTS as label, i (i)}<option value={i}>{label}</option>{/each}
        </select>
      </label>
      <Button label="Make" type="submit" main disabled={name.trim() === ''} />
    </div>
  </form>{/if}
{#if objectives.length > 0}
  <h3 class="text-small text-soft">objectives: the player is shown what is open</h3>
  <ol class="-mx-1 px-1" aria-label="Objectives">
    {#each objectives as fact (fact.id)}
      <FactRow {p} {fact} now={known?.facts.find((f) => f.id === fact.id) ?? null} />
    {/each}
  </ol>
  <h3 class="text-small text-soft">facts</h3>
{/if}
{#each facts as of (of.id)}
  {#if of.id !== ''}<h3 class="text-small text-soft">facts of {of.name}: copied and deleted with it</h3>{/if}
  <ol class="-mx-1 px-1" aria-label={of.id === '' ? 'Facts' : `Facts of ${of.name}`}>
    {#each of.list as fact (fact.id)}
      <FactRow {p} {fact} now={known?.facts.find((f) => f.id === fact.id) ?? null} />
    {/each}
  </ol>
{/each}
{#if all.length === 0}
  <p class="text-soft">
    None yet. A fact is something that the game remembers: taking, reaching, breaking or defeating a piece can set one,
    and a piece can be there only while one is as you say. Both are set in the slip of a piece.
  </p>
{/if}
{#if known}<Reasons {known} />{/if}
