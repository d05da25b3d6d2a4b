<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { MEASURES, TICKS_PER_SECOND, type AskableView, type ConditionForm } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import MeasureField from '../ui/MeasureField.svelte';
  import Choose from './Choose.svelte';
  import ConditionTerm from './ConditionTerm.svelte';
  import ConditionTerms from './ConditionTerms.svelte';
  import { GROUPS, LASTING, isGroup } from './forms';

  /** Several conditions, of which all, any or none must hold. */
  interface Props {
    p: Project;
    group: ConditionForm;
    of: AskableView;
    home: string;
    fresh: boolean;
    happens?: boolean;
    lasts?: boolean;
    /** How deep it lies in others. */
    deep?: number;
    change: (to: ConditionForm) => void;
  }
  let { p, group, of, home, fresh, happens = false, lasts = false, deep = 0, change }: Props = $props();

  const DEEPEST = 3;
  const terms = $derived(group.of ?? []);
  const adding = $derived([
    {
      heading: '',
      list: [
        { key: '', name: terms.length > 0 ? 'and also …' : 'ask for …' },
        { key: 'value', name: 'a fact, an item or a number' },
        { key: 'piece', name: 'what became of a piece' },
        ...(happens ? [{ key: 'near', name: 'who is where, or chance' }] : []),
        ...(deep < DEEPEST ? [{ key: 'group', name: 'several, all, any or none of them' }] : []),
      ],
    },
  ]);

  const put = (i: number, term: ConditionForm): void => change({ ...group, of: terms.with(i, term) });

  const choose = (asks: string): void => {
    const number = { 'so-many': Math.max(1, terms.length - 1), lasts: TICKS_PER_SECOND }[asks];
    change({ asks, of: terms, ...(number === undefined ? {} : { number }) });
  };

  function count(input: HTMLInputElement): void {
    const n = Math.round(input.valueAsNumber);
    if (Number.isFinite(n)) change({ ...group, number: Math.max(1, Math.min(n, terms.length)) });
    input.value = String(group.number ?? 1);
  }

  function add(key: string): void {
    const first = fresh ? of.firstNew : of.first;
    const near: ConditionForm = { asks: 'near', subject: { is: 'player' }, object: { is: 'it' }, number: 2 };
    const term = { value: first, piece: of.firstPiece, near, group: { asks: 'any', of: [first] } }[key] ?? first;
    change({ ...group, of: [...terms, term] });
  }
</script>

{#if terms.length > 1 || group.asks !== 'all' || deep > 0 || (lasts && terms.length > 0)}
  <Choose
    label="How many of them must hold"
    value={group.asks}
    choices={[{ heading: '', list: lasts ? [...GROUPS, LASTING] : GROUPS }]}
    change={choose}
  />
  {#if group.asks === 'so-many'}
    <label class="flex items-center gap-1 text-soft">
      at least
      <input
        type="number"
        step="1"
        min="1"
        class="h-7 w-16 rounded-inner border border-line bg-sheet px-1 text-ink figures"
        aria-label="How many of these at least"
        value={group.number ?? 1}
        onchange={(e) => count(e.currentTarget)}
      />
      of {terms.length}
    </label>
  {:else if group.asks === 'lasts'}
    <MeasureField
      measure={MEASURES.ruleTime}
      label="For how long"
      value={(group.number ?? 1) / TICKS_PER_SECOND}
      change={(n) => change({ ...group, number: Math.max(1, Math.round(n * TICKS_PER_SECOND)) })}
    />
  {/if}
{/if}
<div class="flex flex-col gap-1 {deep > 0 ? 'border-l-2 border-line pl-2' : ''}">
  <ul class="contents">
    {#each terms as term, i (i)}
      <li class="flex items-start gap-1" data-term>
        {#if isGroup(term)}
          <div class="flex min-w-0 flex-1 flex-col gap-1">
            <ConditionTerms
              {p}
              group={term}
              {of}
              {home}
              {fresh}
              {happens}
              {lasts}
              deep={deep + 1}
              change={(to) => put(i, to)}
            />
          </div>
        {:else}
          <ConditionTerm {p} {term} {of} {home} {fresh} {happens} change={(to) => put(i, to)} />
        {/if}
        <button
          class="flex size-7 shrink-0 items-center justify-center text-soft hover:text-rose-ink"
          aria-label="Remove this condition"
          onclick={() => change({ ...group, of: terms.toSpliced(i, 1) })}><X size={14} /></button
        >
      </li>
    {/each}
  </ul>
  <Choose label="Add a condition" value="" choices={adding} change={add} />
</div>
