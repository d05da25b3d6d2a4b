<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import Minus from '@lucide/svelte/icons/minus';
  import type { Project } from '../project.svelte';
  import type { RuleInPlay, RuleView, WhyView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import { openRule } from './opening';

  /** Why a rule went in the game that is played, or did not, and what went besides. */
  let { p, rule, played }: { p: Project; rule: RuleView; played: RuleInPlay | null } = $props();

  let why: WhyView | null = $state.raw(null);
  const tick = $derived(p.game.view?.ticks ?? 0);
  // While time is held it is looked by itself at each tick that is shown.
  $effect(() => {
    void tick;
    if (p.game.clock.paused) look();
  });

  /** What was played is played again for it, which takes a moment. */
  function look(): void {
    why = p.session.ask.why({ rule: rule.id });
  }
</script>

<section
  class="flex w-76 shrink-0 flex-col gap-1.5 overflow-auto border-l border-line px-3 py-2 max-lg:w-56"
  aria-label="Why"
  data-why
>
  <div class="flex items-center justify-between gap-2">
    <Button label="Look why" onclick={look} />
    <Button
      label="Hold when it goes"
      pressed={played?.holds === true}
      onclick={() => p.session.orders.holdAtRule({ rule: rule.id, on: played?.holds !== true })}
    />
  </div>
  {#if why?.playing}
    <p class="text-small text-soft figures">from {why.from} to {why.to}</p>
    {#if why.now !== ''}<p>{why.now}</p>{/if}
    {#if why.none !== ''}<p>{why.none}</p>{/if}
    <ol aria-label="When it was to go">
      {#each why.trials as trial, i (i)}
        <li>
          <button
            class="flex w-full gap-1.5 rounded-inner px-1 py-0.5 text-left text-small hover:bg-shelf"
            title="Show the game as it was then"
            onclick={() => p.game.showTick(trial.tick)}
          >
            <span class="mt-0.5 shrink-0 {trial.goes ? 'text-moss-ink' : 'text-soft'}" aria-hidden="true"
              >{#if trial.goes}<Check size={13} />{:else}<Minus size={13} />{/if}</span
            >
            <span class="min-w-0 break-words figures">{trial.at} {trial.says}</span>
          </button>
        </li>
      {/each}
    </ol>
    {#if why.went.length > 0}
      <h3 class="text-small text-soft">all that went</h3>
      <ol aria-label="All that went">
        {#each why.went as one, i (i)}
          <li class="flex items-baseline gap-1 text-small">
            <button
              class="shrink-0 rounded-inner px-1 text-soft figures hover:bg-shelf"
              title="Show the game as it was then"
              onclick={() => p.game.showTick(one.tick)}>{one.at}</button
            >
            <button
              class="min-w-0 truncate rounded-inner px-1 text-left hover:bg-shelf {one.says === ''
                ? 'font-semibold'
                : ''}"
              title={one.name}
              onclick={() => openRule(p, one.rule, one.part === '0' ? '' : one.part)}
              >{one.says === '' ? one.name : one.says}</button
            >
          </li>
        {/each}
      </ol>
    {/if}
  {:else}
    <p class="text-small text-soft">
      Says when this rule was to go in the last seconds, whether it did, and what did not hold; each a click back in
      time.
    </p>
  {/if}
</section>
