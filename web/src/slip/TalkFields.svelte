<script lang="ts">
  import { ArrowDown, ArrowUp, X } from '@lucide/svelte';
  import Condition from '../conditions/Condition.svelte';
  import type { Project } from '../project.svelte';
  import type { ConditionForm, SlipView, TalkView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import WordsField from './WordsField.svelte';

  /** What somebody says, one thing after the other, each with what must hold for it. */
  let { p, slip, talk }: { p: Project; slip: SlipView; talk: TalkView } = $props();

  const { orders } = $derived(p.session);
  const piece = $derived({ map: slip.map, piece: slip.id });
  const ask = (saying: string, condition: ConditionForm | null): void =>
    void orders.setSayingCondition({ ...piece, saying, condition });
  /** Puts one before another, or after all. */
  const move = (saying: string, before: string | undefined): void =>
    void orders.moveSaying(before === undefined ? { ...piece, saying } : { ...piece, saying, before });
</script>

<div class="flex flex-col gap-2" role="group" aria-label="What they say" title={talk.help} data-talk>
  {#each talk.sayings as saying, i (saying.id)}
    <div class="flex flex-col gap-1 border-t border-line pt-1" data-saying={i + 1}>
      <div class="flex items-center">
        <span class="flex-1 text-small text-soft">{i + 1} of {talk.sayings.length}</span>
        <button
          class="rounded-inner p-1 text-soft hover:bg-shelf disabled:opacity-40"
          aria-label="Say {i + 1} earlier"
          disabled={i === 0}
          onclick={() => move(saying.id, talk.sayings[i - 1]?.id)}><ArrowUp size={14} aria-hidden="true" /></button
        >
        <button
          class="rounded-inner p-1 text-soft hover:bg-shelf disabled:opacity-40"
          aria-label="Say {i + 1} later"
          disabled={i === talk.sayings.length - 1}
          onclick={() => move(saying.id, talk.sayings[i + 2]?.id)}><ArrowDown size={14} aria-hidden="true" /></button
        >
        <button
          class="rounded-inner p-1 text-soft hover:bg-shelf"
          aria-label="Remove {i + 1}"
          onclick={() => orders.removeSaying({ ...piece, saying: saying.id })}
          ><X size={14} aria-hidden="true" /></button
        >
      </div>
      <WordsField
        {p}
        name="saying-{i + 1}"
        label={talk.label}
        typed={saying.typed}
        change={(typed) => orders.typeSaying({ ...piece, saying: saying.id, typed })}
      />
      <Condition
        {p}
        condition={saying.while}
        home={slip.asking?.type ?? ''}
        fresh
        change={(to) => ask(saying.id, to)}
      />
    </div>
  {:else}
    <p class="text-soft">They have nothing to say yet.</p>
  {/each}
  {#if !talk.full}
    <span data-back><Button label="Add something to say" onclick={() => orders.addSaying(piece)} /></span>
  {/if}
</div>
