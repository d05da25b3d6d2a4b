<script lang="ts">
  import type { Project } from '../project.svelte';
  import { type AskableView, type ConditionForm } from '../core/types.gen';
  import Choose from './Choose.svelte';
  import WhereTerm from './WhereTerm.svelte';
  import ConditionValue from './ConditionValue.svelte';
  import PropertyNumber from './PropertyNumber.svelte';
  import TextValue from './TextValue.svelte';
  import { choicesOf, nounChoices, nounKey, nounOf, propertiesOf, typesOf } from './forms';

  /** A term of a condition: two values, or in which presence, power or state a piece, a layer or the forces of an area are. */
  interface Props {
    p: Project;
    term: ConditionForm;
    of: AskableView;
    home: string;
    fresh: boolean;
    happens?: boolean;
    change: (to: ConditionForm) => void;
  }
  let { p, term, of, home, fresh, happens = false, change }: Props = $props();

  /** A fact that is yes or no is not compared in numbers: the core says yes as at least 1, no as under 1. */
  const truth = $derived(
    term.left?.is === 'fact' &&
      term.right?.is === 'number' &&
      term.right.number === 1 &&
      (term.by === 'at-least' || term.by === 'under') &&
      of.facts.find((f) => f.id === term.left?.thing)?.counts === false,
  );
  /** A fact that is a short text, compared with a text. */
  const textual = $derived(
    term.left?.is === 'fact' && term.right?.is === 'number'
      ? of.facts.find((f) => f.id === term.left?.thing && f.text)
      : undefined,
  );
  /** What the values of the fact are called that is compared with a number, if it is one of some words. */
  const words = $derived(
    term.left?.is === 'fact' && term.right?.is === 'number'
      ? (of.facts.find((f) => f.id === term.left?.thing)?.words ?? [])
      : [],
  );
  /** A property of a piece that is compared with a number. */
  const property = $derived(
    term.left?.is === 'property'
      ? propertiesOf(of, term.left.of, home).find((p) => p.word === term.left?.property)
      : undefined,
  );
  const subject = $derived(term.subject ?? { is: 'this' });
  /** Areas have forces and layers a presence, of which is asked without a piece. */
  const place = $derived(term.asks === 'forces' || term.asks === 'layer');
  const subjects = $derived([
    ...nounChoices(of, happens),
    { heading: 'The forces of', list: of.areas.map((a) => ({ key: `forces:${a.id}`, name: a.name })) },
    { heading: 'The layer', list: of.layers.map((l) => ({ key: `layer:${l.id}`, name: l.name })) },
  ]);
  const states = $derived.by(() => {
    if (term.asks === 'forces') return [{ heading: '', list: choicesOf(of.powers, 'forces') }];
    if (term.asks === 'layer') return [{ heading: '', list: choicesOf(of.presences, 'layer') }];
    const own = typesOf(of, subject, home)
      .flatMap((t) => t.states)
      .filter((s, i, all) => all.findIndex((other) => other.word === s.word) === i)
      .map((s) => ({ key: `state:${s.word}`, name: s.name }));
    const presence = choicesOf(of.presences, 'presence');
    const powered = typesOf(of, subject, home).some((t) => t.powered);
    const power = powered || term.asks === 'power' ? choicesOf(of.powers, 'power') : [];
    return [
      { heading: 'State', list: own },
      { heading: 'Presence', list: presence },
      { heading: 'Power', list: power },
    ];
  });

  /** Of another piece the state may be one that it can't have. */
  function chooseSubject(key: string): void {
    const [asks = '', thing = ''] = key.split(/:(.*)/s);
    if (asks === 'forces' || asks === 'layer') {
      change({ asks, thing, is: (asks === 'forces' ? of.powers : of.presences)[0]?.word ?? '' });
      return;
    }
    const next = nounOf(key);
    const can = typesOf(of, next, home).flatMap((t) => t.states);
    if (place || (term.asks === 'state' && !can.some((s) => s.word === term.is))) {
      change(
        can[1] ? { asks: 'state', subject: next, is: can[1].word } : { asks: 'presence', subject: next, is: 'there' },
      );
    } else change({ ...term, subject: next });
  }

  function chooseState(key: string): void {
    const [asks = '', is = ''] = key.split(/:(.*)/s);
    change(place ? { ...term, is } : { asks, subject, is });
  }
</script>

<div class="flex min-w-0 flex-1 flex-wrap items-center gap-1">
  {#if term.asks === 'compares' && term.left && term.right}
    <ConditionValue
      label="Condition"
      value={term.left}
      {of}
      {home}
      {fresh}
      wide={!truth}
      change={(left) =>
        change(
          of.facts.some((f) => left.is === 'fact' && f.id === left.thing && f.text)
            ? { ...term, left, by: of.ofTexts.at(-1)?.word ?? '', right: { is: 'number', number: 0 } }
            : { ...term, left },
        )}
    />
    {#if truth}
      <Choose
        label="It is"
        value={term.by ?? ''}
        choices={[
          {
            heading: '',
            list: [
              { key: 'at-least', name: 'is yes' },
              { key: 'under', name: 'is no' },
            ],
          },
        ]}
        change={(by) => change({ ...term, by, right: { is: 'number', number: 1 } })}
      />
    {:else}
      <Choose
        label="How it compares"
        value={term.by ?? ''}
        choices={[
          {
            heading: '',
            list: choicesOf(textual ? of.ofTexts : of.comparisons),
          },
        ]}
        change={(by) => change({ ...term, by })}
      />
      {#if textual}
        <TextValue
          label="Compared with"
          texts={textual.texts}
          value={term.right.number ?? 0}
          change={(text) => change({ ...term, right: { is: 'number', thing: textual.id, text } })}
        />
      {:else if words.length > 0}
        <Choose
          label="Compared with"
          value={String(Math.max(0, Math.min(term.right.number ?? 0, words.length - 1)))}
          choices={[{ heading: '', list: words.map((name, i) => ({ key: String(i), name })) }]}
          change={(n) => change({ ...term, right: { is: 'number', number: Number(n) } })}
        />
      {:else if property && term.right.is === 'number'}
        <PropertyNumber
          {p}
          label="Compared with"
          {property}
          value={term.right.number ?? 0}
          change={(number) => change({ ...term, right: { is: 'number', number } })}
        />
      {:else}
        <ConditionValue
          label="Compared with"
          value={term.right}
          {of}
          {home}
          {fresh}
          change={(right) => change({ ...term, right })}
        />
      {/if}
    {/if}
  {:else if place || ['presence', 'power', 'state'].includes(term.asks)}
    <Choose
      label="Of what"
      value={place ? `${term.asks}:${term.thing ?? ''}` : nounKey(subject)}
      choices={subjects}
      width="flex-1"
      change={chooseSubject}
    />
    <Choose
      label="It is"
      value="{term.asks}:{term.is ?? ''}"
      choices={states}
      gone={term.is ?? ''}
      change={chooseState}
    />
  {:else}
    <WhereTerm {term} {of} {change} />
  {/if}
</div>
