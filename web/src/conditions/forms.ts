import {
  NEW_FACT,
  NEW_ITEM,
  THIS_PIECE,
  type AskableView,
  type AskedProperty,
  type ConditionForm,
  type NounForm,
  type ValueForm,
} from '../core/types.gen';

/** What can be chosen, and how it is written. */
export interface Choice {
  key: string;
  name: string;
}

/** Choices with a heading. */
export interface Choices {
  heading: string;
  list: Choice[];
}

export const isGroup = (c: ConditionForm): boolean => ['all', 'any', 'none', 'so-many', 'lasts'].includes(c.asks);

/** Words of the core as choices, each with what it is part of. */
export const choicesOf = (words: { word: string; name: string }[], of = ''): Choice[] =>
  words.map((w) => ({ key: of === '' ? w.word : `${of}:${w.word}`, name: w.name }));

export const GROUPS: Choice[] = [
  { key: 'all', name: 'all of these' },
  { key: 'any', name: 'any of these' },
  { key: 'none', name: 'none of these' },
  { key: 'so-many', name: 'at least so many of these' },
];

/** What only a rule can ask that is so while something holds. */
export const LASTING: Choice = { key: 'lasts', name: 'all of these, for some time' };

/** A value that is chosen by what it asks for; sums, differences and properties are told apart by what they are. */
export function valueKey(v: ValueForm): string {
  if (v.is === 'fact' || v.is === 'item') return `${v.is}:${v.thing ?? ''}`;
  if (v.is === 'count' && v.of?.type !== undefined) return `count:${v.of.type}`;
  return v.is;
}

/** The value of a choice; what it consists of is kept of another as far as it has that. */
export function valueOf(key: string, was: ValueForm, of: AskableView): ValueForm {
  const [is = '', thing = ''] = key.split(/:(.*)/s);
  switch (is) {
    case 'fact':
    case 'item':
      return { is, thing };
    case 'count':
      return { is, of: thing === '' ? (was.of ?? { is: 'all' }) : { is: 'all', type: thing } };
    case 'property':
      return {
        is,
        of: was.of ?? { is: 'this' },
        property: was.property ?? of.types.flatMap((t) => t.properties)[0]?.word ?? '',
      };
    case 'sum':
    case 'difference':
      return { is, left: was.left ?? was, right: was.right ?? { is: 'number', number: 1 } };
  }
  return { is: 'number', number: was.number ?? 1 };
}

export function valueChoices(of: AskableView, fresh: boolean): Choices[] {
  const facts = of.facts.map((f) => ({ key: `fact:${f.id}`, name: f.name }));
  const items = of.items.map((i) => ({ key: `item:${i.id}`, name: `number of ${i.name}` }));
  if (fresh) {
    facts.push({ key: `fact:${NEW_FACT}`, name: NEW_FACT });
    items.push({ key: `item:${NEW_ITEM}`, name: NEW_ITEM });
  }
  return [
    { heading: 'Facts', list: facts },
    { heading: 'Items that the player has', list: items },
    {
      heading: 'How many there are',
      list: of.types.map((t) => ({ key: `count:${t.word}`, name: `number of: ${t.name}` })),
    },
    {
      heading: 'Numbers',
      list: [
        { key: 'number', name: 'a number' },
        { key: 'property', name: 'what is set of a piece' },
        { key: 'sum', name: 'a sum' },
        { key: 'difference', name: 'a difference' },
      ],
    },
  ];
}

export function nounKey(n: NounForm): string {
  return `${n.is}:${n.thing ?? n.type ?? ''}`;
}

/** Nouns that name something by themselves. */
const ALONE = ['this', 'player', 'it', 'whoever'];

export function nounOf(key: string): NounForm {
  const [is = '', which = ''] = key.split(/:(.*)/s);
  if (ALONE.includes(is)) return { is };
  return is === 'all' || is === 'any' || is === 'nearest' ? { is, type: which } : { is, thing: which };
}

/** What can be named; happens says that something happens by then, so that it and whoever did it can be named too. */
export function nounChoices(of: AskableView, happens = false): Choices[] {
  const each = (words: [string, string][], list: { id: string; name: string }[]): Choice[] =>
    list.flatMap((a) => words.map(([is, word]) => ({ key: `${is}:${a.id}`, name: `${word} ${a.name}` })));
  const types = of.types.map((t) => ({ id: t.word, name: t.name }));
  return [
    {
      heading: '',
      list: [
        { key: 'this:', name: THIS_PIECE },
        ...(happens
          ? [
              { key: 'player:', name: 'the player' },
              { key: 'it:', name: 'it: what the moment happened to' },
              { key: 'whoever:', name: 'whoever did it' },
            ]
          : []),
      ],
    },
    { heading: 'Pieces', list: of.pieces.map((p) => ({ key: `piece:${p.id}`, name: p.name })) },
    {
      heading: 'Of a type',
      list: each(
        [
          ['all', 'all:'],
          ['any', 'any:'],
        ],
        types,
      ),
    },
    ...(happens
      ? [
          {
            heading: 'The nearest',
            list: [...each([['nearest', 'the nearest']], types), ...each([['nearest-in', 'the nearest in']], of.areas)],
          },
        ]
      : []),
    {
      heading: 'In an area',
      list: each(
        [
          ['all-in', 'all in'],
          ['any-in', 'any in'],
        ],
        of.areas,
      ),
    },
  ];
}

/** The properties of the pieces that a noun names, each once. */
export const propertiesOf = (of: AskableView, n: NounForm | undefined, home: string): AskedProperty[] =>
  typesOf(of, n ?? { is: 'this' }, home)
    .flatMap((t) => t.properties)
    .filter((p, i, all) => all.findIndex((q) => q.word === p.word) === i);

/** The types of which the pieces that a noun names can be; all where that is not known. */
export function typesOf(of: AskableView, n: NounForm, home: string): AskableView['types'] {
  const word = n.type ?? (n.is === 'this' ? home : of.pieces.find((p) => p.id === n.thing)?.type);
  const found = of.types.filter((t) => t.word === word);
  return found.length > 0 ? found : of.types;
}
