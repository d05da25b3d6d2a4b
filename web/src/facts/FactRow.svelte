<script lang="ts">
  import { untrack } from 'svelte';
  import type { Project } from '../project.svelte';
  import type { FactView, KnownFact } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Named from '../ui/Named.svelte';
  import Rename from '../ui/Rename.svelte';
  import FactSort from './FactSort.svelte';
  import FactValue from './FactValue.svelte';

  /** One fact: what it starts with, what it is now, and what names it. */
  let { p, fact, now }: { p: Project; fact: FactView; now: KnownFact | null } = $props();

  /** What it becomes at which play is held. */
  let at = $state(untrack(() => (now?.holds ? now.at : 1)));
  /** How many of what names a fact are shown at once; more are folded away. */
  const FEW = 5;
  const many = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more} it`;
  const sum = $derived(`${many(fact.sets, 'sets', 'set')}, ${many(fact.asks, 'asks for', 'ask for')}`);
</script>

<li class="flex flex-col gap-1 border-t border-line py-2" data-fact={fact.name}>
  <span class="flex items-center gap-2">
    <span class="min-w-0 flex-1"
      ><Rename
        value={fact.name}
        label="Name of the fact {fact.name}"
        rename={(text) => p.session.orders.rename({ thing: { kind: 'fact', id: fact.id }, name: text })}
      /></span
    >
    <Button label="Delete" onclick={() => p.session.orders.delete({ thing: { kind: 'fact', id: fact.id } })} />
  </span>
  {#if now}
    <span class="flex items-center gap-2 rounded-inner bg-held px-1.5 py-1" data-now>
      <span>now</span>
      <FactValue
        label="{fact.name} is now"
        {fact}
        value={now.value}
        set={(n) => p.session.orders.setFactInPlay({ fact: fact.id, value: n })}
      />
      <span class="min-w-0 flex-1 text-small text-soft figures">{now.since}</span>
    </span>
    <span class="flex items-center gap-2 text-small">
      <Button
        label="Hold play when it becomes"
        pressed={now.holds}
        onclick={() => p.session.orders.holdAtFact({ fact: fact.id, on: !now.holds, value: at })}
      />
      <FactValue
        label="{fact.name} at which play is held"
        {fact}
        value={at}
        set={(n) => {
          at = n;
          if (now?.holds) void p.session.orders.holdAtFact({ fact: fact.id, on: true, value: n });
        }}
      />
    </span>
  {/if}
  <span class="flex items-center gap-2 text-small">
    <span class="text-soft">starts with</span>
    <FactValue
      label="{fact.name} starts with"
      {fact}
      value={fact.start}
      set={(n) => p.session.orders.setFact({ fact: fact.id, start: n })}
      type={(text) => p.session.orders.setFactText({ fact: fact.id, text })}
    />
  </span>
  <FactSort {p} {fact} />
  {#if fact.named.length > 0}
    <details open={!now && fact.named.length <= FEW}>
      <summary class="cursor-pointer text-small text-soft figures">
        {sum}
      </summary>
      <Named {p} named={fact.named} more={fact.more} />
    </details>
  {/if}
  {#if fact.sets === 0}<p class="text-small text-rose-ink">Nothing sets it.</p>{/if}
  {#if fact.asks === 0 && !fact.objective}<p class="text-small text-rose-ink">Nothing asks for it.</p>{/if}
</li>
