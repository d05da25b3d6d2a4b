<script lang="ts">
  import { MAX_SEEN, MOST_TIMES, type AskableView, type ConditionForm } from '../core/types.gen';
  import Choose from './Choose.svelte';
  import { nounChoices, nounKey, nounOf } from './forms';

  /** A term that only something that happens can ask: who is where, faces or sees whom, and chance. */
  interface Props {
    term: ConditionForm;
    of: AskableView;
    change: (to: ConditionForm) => void;
  }
  let { term, of, change }: Props = $props();

  const ASKS = [
    { key: 'near', name: 'is near' },
    { key: 'faces', name: 'faces' },
    { key: 'sees', name: 'sees' },
    { key: 'within', name: 'is within' },
    { key: 'on-map', name: 'is on' },
    { key: 'one-in', name: 'by chance, once in' },
  ];

  const nouns = $derived(nounChoices(of, true));
  const places = $derived(
    (term.asks === 'within' ? of.areas : of.maps).map((one) => ({ key: one.id, name: one.name })),
  );
  const subject = $derived(term.subject ?? { is: 'player' });

  function choose(asks: string): void {
    const object = term.object ?? { is: 'it' };
    if (asks === 'one-in') change({ asks, number: 2 });
    else if (asks === 'within') change({ asks, subject, thing: of.areas[0]?.id ?? '0' });
    else if (asks === 'on-map') change({ asks, subject, thing: of.maps[0]?.id ?? '0' });
    else change({ asks, subject, object, ...(asks === 'near' ? { number: 2 } : {}) });
  }

  function count(input: HTMLInputElement): void {
    const least = term.asks === 'one-in' ? 1 : 0;
    const most = term.asks === 'one-in' ? MOST_TIMES : MAX_SEEN;
    const n = Math.round(input.valueAsNumber);
    if (Number.isFinite(n)) change({ ...term, number: Math.max(least, Math.min(most, n)) });
    else input.value = String(term.number ?? least);
  }
</script>

{#if term.asks !== 'one-in'}
  <Choose
    label="Who"
    value={nounKey(subject)}
    choices={nouns}
    width="flex-1"
    change={(key) => change({ ...term, subject: nounOf(key) })}
  />
{/if}
<Choose label="What is asked" value={term.asks} choices={[{ heading: '', list: ASKS }]} change={choose} />
{#if term.asks === 'within' || term.asks === 'on-map'}
  <Choose
    label="Where"
    value={term.thing ?? ''}
    choices={[{ heading: '', list: places }]}
    change={(thing) => change({ ...term, thing })}
  />
{:else if term.asks !== 'one-in'}
  <Choose
    label="Whom"
    value={nounKey(term.object ?? { is: 'it' })}
    choices={nouns}
    width="flex-1"
    change={(key) => change({ ...term, object: nounOf(key) })}
  />
{/if}
{#if term.asks === 'one-in' || term.asks === 'near'}
  <label class="flex items-center gap-1 text-soft">
    {#if term.asks === 'near'}within{/if}
    <input
      type="number"
      step="1"
      class="h-7 w-16 rounded-inner border border-line bg-sheet px-1 text-ink figures"
      aria-label={term.asks === 'near' ? 'Within how many cells' : 'Once in how many times'}
      value={term.number ?? 0}
      onchange={(e) => count(e.currentTarget)}
    />
    {term.asks === 'near' ? 'cells' : 'times'}
  </label>
{/if}
