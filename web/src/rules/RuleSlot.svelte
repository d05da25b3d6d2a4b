<script lang="ts">
  import type { Project } from '../project.svelte';
  import type {
    AskableView,
    AskedProperty,
    ConditionForm,
    LineView,
    RulePartForm,
    RuleView,
    ValueForm,
    WordView,
  } from '../core/types.gen';
  import Choose from '../conditions/Choose.svelte';
  import Condition from '../conditions/Condition.svelte';
  import ConditionValue from '../conditions/ConditionValue.svelte';
  import PropertyNumber from '../conditions/PropertyNumber.svelte';
  import TextValue from '../conditions/TextValue.svelte';
  import { choicesOf, propertiesOf } from '../conditions/forms';
  import { SET_BY, SET_BY_WORDS } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import WordsField from '../slip/WordsField.svelte';
  import NumberSlot from './NumberSlot.svelte';
  import SlotPopover from './SlotPopover.svelte';
  import SubjectSlot from './SubjectSlot.svelte';
  import { factWords, isChoices, isChosen, momentChoices, wordOf } from './slots';

  /** What is chosen in a place of a sentence. */
  interface Props {
    p: Project;
    rule: RuleView;
    line: LineView;
    word: WordView;
    set: (change: Partial<RulePartForm>, seconds?: number) => void;
  }
  let { p, rule, line, word, set }: Props = $props();

  const LABELS: Record<string, string> = {
    subject: 'Which piece',
    towards: 'To which piece',
    property: 'What is set',
    thing: 'Which one',
    other: 'Which patch',
    value: 'How much',
    how: 'How it is set',
    is: 'What becomes of it',
    number: 'How many',
    text: 'What the player reads',
    name: 'What the ending is called',
    if: 'What must hold',
    moment: 'What happens',
  };
  const form = $derived<RulePartForm>(line.form ?? { id: line.id });
  const label = $derived(LABELS[word.slot] ?? '');

  const condition = (to: ConditionForm | null): Partial<RulePartForm> => ({ if: to ?? { asks: 'all' } });
  const properties = (of: AskableView): AskedProperty[] => propertiesOf(of, form.subject, rule.type);
  /** What a property is set to that is worked out of what it is. */
  const worked = $derived<ValueForm>({
    is: 'sum',
    left: { is: 'property', of: form.subject ?? { is: 'this' }, property: form.property ?? '' },
    right: { is: 'number', number: 1 },
  });
  const askable = (): AskableView | null => p.session.ask.askable();

  /** Lets a click on the board say what is meant; on a cell where nothing lies a mark is put for it, where that can be meant. */
  function point(close: () => void, take: (id: string) => void, cells = false): void {
    close();
    void p.session.orders.unselect();
    void p.session.orders.hold({ holding: 'nothing' });
    p.session.say(
      cells ? 'Click on the board what is meant, or a cell: a mark is put there.' : 'Click on the board what is meant.',
    );
    p.shell.pointing = {
      sorts: cells ? ['piece', 'map'] : ['piece'],
      take: (thing) =>
        thing.kind === 'map' ? void p.session.orders.markRulePart({ rule: rule.id, part: line.id }) : take(thing.id),
    };
  }

  function outline(over: boolean): void {
    p.viewport.meant = over && word.thing ? word.thing : null;
    p.viewport.draw();
  }
</script>

{#snippet things(value: string | undefined, other: boolean, change: (id: string) => void)}
  <Choose
    {label}
    value={value ?? ''}
    choices={[
      {
        heading: '',
        list: p.session.ask
          .things({ rule: rule.id, part: line.id, other })
          .map((one) => ({ key: one.id, name: one.group === '' ? one.name : `${one.name}, ${one.group}` })),
      },
    ]}
    gone="choose one"
    {change}
  />
{/snippet}

<SlotPopover
  text={word.text}
  {label}
  names={word.names}
  lacking={word.gone}
  wide={['text', 'if', 'value'].includes(word.slot)}
  hover={outline}
>
  {#snippet children(close)}
    {@const of = askable()}
    {#if of}
      {#if word.slot === 'subject' || word.slot === 'towards'}
        {@const slot = word.slot}
        <SubjectSlot
          {of}
          {label}
          subject={form[slot] ?? { is: 'this' }}
          speaks={form.does === 'say' || form.does === 'ask'}
          change={(noun) => set({ [slot]: noun })}
        />
        <Button
          label="Point at it on the board"
          onclick={() => point(close, (thing) => set({ [slot]: { is: 'piece', thing } }), slot === 'towards')}
        />
      {:else if word.slot === 'thing'}
        {@render things(form.thing, false, (thing) => set({ thing }))}
        {#if form.does === 'take-to'}
          <Button label="Point at it on the board" onclick={() => point(close, (thing) => set({ thing }), true)} />
        {/if}
      {:else if word.slot === 'other'}
        {@render things(form.other, true, (other) => set({ other }))}
      {:else if word.slot === 'property'}
        <Choose
          {label}
          value={form.property ?? ''}
          choices={[{ heading: '', list: choicesOf(properties(of).filter((one) => one.changes)) }]}
          gone={word.text}
          change={(property) => {
            const number = properties(of).find((one) => one.word === property)?.usual ?? 0;
            set({ property, how: 'is', value: { is: 'number', number } });
          }}
        />
      {:else if word.slot === 'how'}
        <Choose
          {label}
          value={form.how ?? 'is'}
          choices={[{ heading: '', list: SET_BY.map((name, i) => ({ key: SET_BY_WORDS[i] ?? '', name })) }]}
          change={(how) => set({ how })}
        />
      {:else if word.slot === 'is'}
        <Choose
          {label}
          value={isChosen(form)}
          choices={isChoices(of, form, rule.type)}
          gone={word.text}
          change={(key) => {
            const [does = '', is = ''] = key.split(/:(.*)/s);
            set({ does, is });
          }}
        />
        {#if form.does === 'set-state'}
          <label class="flex items-center gap-2">
            <input
              type="checkbox"
              class="accent-saffron"
              checked={form.quiet ?? false}
              onchange={(e) => set({ quiet: e.currentTarget.checked })}
            />
            quietly: nothing happens by that
          </label>
        {/if}
      {:else if word.slot === 'moment'}
        <Choose
          {label}
          value={form.moment ?? ''}
          choices={momentChoices(of, form, rule.type)}
          gone={word.text}
          change={(moment) => set({ moment })}
        />
      {:else if word.slot === 'value'}
        {@const words = factWords(of, form.thing)}
        {@const property = form.does === 'set-property' && properties(of).find((one) => one.word === form.property)}
        {@const textual = of.facts.find((f) => f.id === form.thing && f.text)}
        {#if textual && form.does === 'set-fact'}
          <TextValue
            label="What it becomes"
            texts={textual.texts}
            value={form.value?.number ?? 0}
            change={(text) => set({ how: 'is', value: { is: 'number', thing: textual.id, text } })}
          />
        {:else if words && (form.how ?? 'is') === 'is' && form.value?.is === 'number'}
          <Choose
            label="What it becomes"
            value={wordOf(words, form.value.number ?? 0)}
            choices={words}
            change={(n) => set({ value: { is: 'number', number: Number(n) } })}
          />
        {:else if property && (form.value?.is ?? 'number') === 'number'}
          <PropertyNumber
            {p}
            {label}
            {property}
            by={(form.how ?? 'is') !== 'is'}
            value={form.value?.number ?? 0}
            change={(number) => set({ value: { is: 'number', number } })}
          />
          {#if property.names.length === 0}
            <Button label="Work it out from something" onclick={() => set({ value: worked })} />
          {/if}
        {:else}
          <ConditionValue
            {label}
            value={form.value ?? { is: 'number' }}
            {of}
            home={rule.type}
            fresh={false}
            wide
            change={(value) => set({ value })}
          />
        {/if}
      {:else if word.slot === 'number'}
        <NumberSlot {of} {form} timed={line.timed} seconds={line.seconds} {set} />
      {:else if word.slot === 'text'}
        <WordsField
          {p}
          name="part-{line.id}"
          {label}
          typed={line.typed}
          line={form.does === 'choice'}
          change={(typed) => p.session.orders.typeRuleText({ rule: rule.id, part: line.id, typed })}
        />
        {#if form.does === 'choice' && line.condition}
          <Condition {p} condition={line.condition} home={rule.type} fresh happens change={(c) => set(condition(c))} />
        {/if}
      {:else if word.slot === 'name'}
        <input
          class="h-7 rounded-inner border border-line bg-sheet px-2"
          aria-label={label}
          value={form.name ?? ''}
          onchange={(e) => set({ name: e.currentTarget.value })}
        />
      {:else if word.slot === 'if' && line.condition}
        <Condition {p} condition={line.condition} home={rule.type} fresh happens change={(c) => set(condition(c))} />
      {/if}
    {/if}
  {/snippet}
</SlotPopover>
