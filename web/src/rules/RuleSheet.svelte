<script lang="ts">
  import { Copy, Trash2, TriangleAlert } from '@lucide/svelte';
  import type { Project } from '../project.svelte';
  import type { RuleInPlay, RuleLook, RuleView } from '../core/types.gen';
  import Condition from '../conditions/Condition.svelte';
  import Button from '../ui/Button.svelte';
  import Rename from '../ui/Rename.svelte';
  import AddPart from './AddPart.svelte';
  import RuleLine from './RuleLine.svelte';
  import RuleWhy from './RuleWhy.svelte';
  import RuleTerms from './RuleTerms.svelte';
  import SlotPopover from './SlotPopover.svelte';
  import { foldRule, openRule } from './opening';

  /** A rule, read as sentences and changed in them. */
  let { p, rule, part }: { p: Project; rule: RuleView; part: string } = $props();

  const WHILE = 1;
  const { orders } = $derived(p.session);
  const is = $derived(p.session.asAsked(rule.id, rule));
  /** Milliseconds between two looks at a game. */
  const LOOK = 150;
  const watching = $derived(p.session.state?.playing === true);
  let played: RuleInPlay | null = $state.raw(null);
  $effect(() => {
    played = null;
    if (!watching) return;
    const look = (): void => {
      played = p.session.ask.ruleInPlay({ rule: rule.id });
    };
    look();
    const timer = setInterval(look, LOOK);
    return () => clearInterval(timer);
  });
  const went = $derived.by(() => {
    if (!played?.playing) return '';
    if (played.jammed) return 'the game stands still by it';
    const { times, last } = played;
    return times === 0
      ? 'it has not gone in this play'
      : `it went ${times === 1 ? 'once' : `${times} times`}, last at ${last}`;
  });
  const wrong = $derived((void p.findings.view, p.session.ask.findings({ rule: rule.id }).list));
  let sheet: HTMLElement | undefined = $state();
  // The line that is meant is brought into view.
  $effect(() => {
    if (part !== '') sheet?.querySelector(`[data-line="${part}"]`)?.scrollIntoView({ block: 'nearest' });
  });
  const holds = $derived(rule.begins === WHILE);
  const moments = $derived(rule.lines.filter((line) => line.sort === 'moment'));
  const lines = $derived(rule.lines.filter((line) => line.sort !== 'moment'));

  function set(change: Partial<RuleLook>): void {
    void p.session.setting(rule.id, change, orders.setRule({ rule: rule.id, change }));
  }

  async function copy(): Promise<void> {
    const { made } = await orders.copyRule({ rule: rule.id });
    if (made[0] !== undefined) openRule(p, made[0]);
  }
</script>

{#snippet found(at: string)}
  {#each wrong.filter((one) => one.part === at) as one, i (i)}
    <p class="flex items-center gap-1 pl-1 text-small text-rose-ink" data-wrong>
      <TriangleAlert size={12} class="shrink-0" />{one.here}
    </p>
  {/each}
{/snippet}

{#snippet theirs(at: string)}
  {#each rule.theirs.filter((one) => one.part === at) as one (one.part)}
    <p class="flex flex-wrap items-center gap-1 pl-1 text-small" data-theirs={one.part}>
      <span class="text-soft">Somebody else made of it at the same time:</span>
      <span>{one.says}</span>
      <Button label="Take theirs" onclick={() => orders.settleTheirs({ rule: rule.id, part: one.part, take: true })} />
      <Button label="Leave mine" onclick={() => orders.settleTheirs({ rule: rule.id, part: one.part, take: false })} />
    </p>
  {/each}
{/snippet}

<section
  class="flex min-w-0 flex-1 flex-col"
  bind:this={sheet}
  aria-label="The rule {is.name || rule.proposed}"
  data-sheet={rule.id}
>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-4 py-1.5">
    <div class="-ml-1 max-w-90 min-w-40 name text-title">
      <Rename
        value={rule.name}
        placeholder={rule.proposed}
        label="Name of this rule"
        rename={(name) => orders.rename({ thing: { kind: 'rule', id: rule.id }, name })}
      />
    </div>
    <RuleTerms {is} {holds} {set} />
    {#if played && went !== ''}
      <span class="text-small figures {played.jammed ? 'text-rose-ink' : 'text-soft'}" data-went>
        {went}
      </span>
    {/if}
    <span class="ml-auto flex gap-1">
      <Button label={is.off ? 'Switched off' : 'On'} pressed={is.off} onclick={() => set({ off: !is.off })} />
      {#if rule.wire}
        <Button label="Fold into a wire" onclick={() => void foldRule(p, rule.id)} />
      {/if}
      <Button label="Copy this rule" icon onclick={() => void copy()}><Copy size={14} /></Button>
      <Button label="Delete this rule" icon onclick={() => orders.delete({ thing: { kind: 'rule', id: rule.id } })}
        ><Trash2 size={14} /></Button
      >
    </span>
  </div>
  <div class="flex min-h-0 flex-1">
    <div class="min-w-0 flex-1 overflow-auto px-4 py-2 {is.off ? 'opacity-60' : ''}">
      <div class="mb-1 flex flex-wrap items-baseline gap-x-1.5">
        <button
          class="font-semibold underline decoration-dotted underline-offset-4"
          title="Whether it begins when something happens, or is so while something holds"
          onclick={() => set({ begins: holds ? 0 : WHILE })}>{holds ? 'While' : 'When'}</button
        >
        {#if !holds}
          {#each moments as line, i (line.id)}
            {#if i > 0}<span class="text-soft">or</span>{/if}
            <RuleLine {p} {rule} {line} inline />
          {/each}
          <AddPart {p} {rule} takes="moments" into="0" branch={0} />
          {#if rule.condition.is}<span>, and if</span>{/if}
        {/if}
        <SlotPopover
          text={rule.condition.is ? rule.condition.says : holds ? '…' : 'and if …'}
          label="What must hold for this rule"
          soft={!rule.condition.is && !holds}
          lacking={holds && !rule.condition.is}
          wide
        >
          <Condition
            {p}
            condition={rule.condition}
            home={rule.type}
            fresh
            happens={!holds}
            lasts={holds}
            change={(condition) => orders.setRuleCondition({ rule: rule.id, condition })}
          />
        </SlotPopover>
        <span class="-ml-1">:</span>
      </div>
      {@render found('0')}
      {@render theirs('0')}
      {#each moments as { id } (id)}{@render found(id)}{@render theirs(id)}{/each}
      <ol aria-label="What it does">
        {#each lines as line (line.id === '' ? `${line.sort} ${line.in} ${line.branch}` : line.id)}
          {#if line.sort === 'add'}
            <li style="padding-left: calc({line.deep} * 1.5rem)">
              <AddPart {p} {rule} takes={line.takes} into={line.in} branch={line.branch} />
            </li>
          {:else if line.sort === 'branch'}
            <li class="flex min-h-6 items-center text-soft" style="padding-left: calc({line.deep} * 1.5rem)">
              {line.says}
            </li>
          {:else}
            <li
              class={played?.now.includes(line.id) ? 'rounded-inner bg-held' : ''}
              aria-current={played?.now.includes(line.id)}
            >
              <RuleLine {p} {rule} {line} />
              <div style="padding-left: calc({line.deep} * 1.5rem)">
                {@render found(line.id)}{@render theirs(line.id)}
              </div>
            </li>
          {/if}
        {/each}
      </ol>
      {#each rule.theirs.filter((one) => one.part !== '0' && !rule.lines.some((line) => line.id === one.part)) as one (one.part)}
        {@render theirs(one.part)}
      {/each}
    </div>
    {#if watching}<RuleWhy {p} {rule} {played} />{/if}
  </div>
</section>
