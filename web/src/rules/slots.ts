import type { AskableView, RulePartForm } from '../core/types.gen';
import { choicesOf, typesOf, type Choices } from '../conditions/forms';

/** What the values of a fact are called, as a choice by their numbers: of one that is yes or no, or one of some words; null for a number as such. */
export function factWords(of: AskableView, fact: string | undefined): Choices[] | null {
  const is = of.facts.find((f) => f.id === fact);
  if (!is || (is.counts && is.words.length === 0)) return null;
  const list = is.counts
    ? is.words.map((name, i) => ({ key: String(i), name }))
    : [
        { key: '1', name: 'yes' },
        { key: '0', name: 'no' },
      ];
  return [{ heading: '', list }];
}

/** Which of these a number stands for. */
export const wordOf = (choices: Choices[], n: number): string =>
  String(Math.max(0, Math.min(n, (choices[0]?.list.length ?? 1) - 1)));

/** What becomes of a piece, as a choice. */
export const isChosen = (form: RulePartForm): string => `${form.does ?? ''}:${form.is ?? ''}`;

type Verbal = { word: string; verb: string };

/** What can become of something, called by its verb. */
const verbal = (list: Verbal[]): { word: string; name: string }[] => list.map((s) => ({ word: s.word, name: s.verb }));

/** All that can become of the pieces that a part names. */
export function isChoices(of: AskableView, form: RulePartForm, home: string): Choices[] {
  if (form.does === 'can' || form.does === 'cannot') {
    const abilities = (does: string): Choices['list'] => choicesOf(of.abilities, does);
    return [
      { heading: 'The player can', list: abilities('can') },
      { heading: 'The player can no longer', list: abilities('cannot') },
    ];
  }
  if (form.does === 'pose') return [{ heading: '', list: choicesOf(of.poses, 'pose') }];
  if (form.does === 'set-layer') return [{ heading: '', list: choicesOf(verbal(of.presences), 'set-layer') }];
  if (form.does === 'set-cells') return [{ heading: '', list: choicesOf(verbal(of.cells), 'set-cells') }];
  if (form.does === 'take-to-doorway') return [{ heading: '', list: choicesOf(of.ends, 'take-to-doorway') }];
  if (form.does === 'set-forces') return [{ heading: '', list: choicesOf(verbal(of.powers), 'set-forces') }];
  const types = typesOf(of, form.subject ?? { is: 'this' }, home);
  const states = types
    .flatMap((t) => t.states)
    .filter((s, i, all) => all.findIndex((other) => other.word === s.word) === i);
  const verbs = (list: Verbal[], does: string): Choices['list'] => choicesOf(verbal(list), does);
  return [
    { heading: 'State', list: verbs(states, 'set-state') },
    { heading: 'Power', list: types.some((t) => t.powered) ? verbs(of.powers, 'set-power') : [] },
    { heading: 'Presence', list: verbs(of.presences, 'set-presence') },
  ];
}

/** All that can happen to what a moment names. */
export function momentChoices(of: AskableView, form: RulePartForm, home: string): Choices[] {
  const mine = of.occasions.find((o) => o.word === form.moment);
  if (mine) return [{ heading: '', list: choicesOf(of.occasions.filter((o) => o.of === mine.of)) }];
  const all = typesOf(of, form.subject ?? { is: 'this' }, home)
    .flatMap((t) => t.moments)
    .filter((m, i, list) => list.findIndex((other) => other.word === m.word) === i);
  return [{ heading: '', list: choicesOf(all.map((m) => ({ word: m.word, name: `is ${m.name}` }))) }];
}
