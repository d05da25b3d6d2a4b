<script lang="ts">
  import type { Project } from '../project.svelte';
  import ReadyMade from './ReadyMade.svelte';
  import RuleList from './RuleList.svelte';
  import RuleSheet from './RuleSheet.svelte';

  /** What happens in the game, and when: the rules at the left, the one that is read beside them. */
  let { p, id, part }: { p: Project; id: string; part: string } = $props();

  /** Whether something ready-made is being made. */
  let making = $state(false);
  const homes = $derived((void p.session.scene, void p.session.state, p.session.ask.rules()));
  const all = $derived(homes.flatMap((home) => home.rules));
  const shown = $derived(all.some((rule) => rule.id === id) ? id : (all[0]?.id ?? ''));
  const rule = $derived(
    (void p.session.scene, void p.session.state, shown === '' ? null : p.session.ask.rule({ rule: shown })),
  );

  // Whoever opens a rule sees it.
  $effect(() => {
    if (id !== '') making = false;
  });
  // A click on the board answers for the noun that was to be pointed at.
  $effect(() => {
    const slip = p.session.state?.slip ?? null;
    const { pointing } = p.shell;
    if (!pointing || !slip || !pointing.sorts.includes(slip.kind)) return;
    p.shell.pointing = null;
    pointing.take({ kind: slip.kind, map: slip.map, id: slip.id });
  });
  $effect(() => () => (p.shell.pointing = null));
</script>

<div class="flex min-h-0 flex-1">
  <RuleList {p} {homes} {shown} {making} ready={(on) => (making = on)} />
  {#if making}
    <ReadyMade {p} close={() => (making = false)} />
  {:else if rule}
    {#key rule.id}<RuleSheet {p} {rule} {part} />{/key}
  {:else}
    <div class="grid flex-1 place-items-center p-4">
      <p class="max-w-100 text-center text-soft">
        A rule says what is done when something happens: a plate is pressed and a sluice opens, somebody speaks, an
        ending comes. Make one for the whole game here, or for a piece, an area or a map in its slip.
      </p>
    </div>
  {/if}
</div>
