<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { Chosen, ReadyView, SlotView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import { openRule } from './opening';

  /** What is ready-made: chosen by name, made of what is pointed at or chosen, and ordinary rules, wires and properties afterwards. */
  let { p, close }: { p: Project; close: () => void } = $props();

  const all: ReadyView[] = $derived((void p.session.scene, p.session.ask.ready()));
  let word = $state('');
  const ready = $derived(all.find((one) => one.word === word) ?? all[0]);
  /** What was chosen, by slot: ids of things, or what was typed. */
  let things: Record<string, string[]> = $state({});
  let typed: Record<string, string> = $state({});

  const ofThings = (slot: SlotView): boolean => ['piece', 'area', 'item', 'fact'].includes(slot.sort);
  const chosenOf = (slot: SlotView): string[] => things[slot.name] ?? [];
  const typedIn = (slot: SlotView): string => typed[slot.name] ?? slot.usual;
  const lacking = $derived(
    ready?.slots.some((slot) =>
      ofThings(slot) ? chosenOf(slot).length < Math.max(1, slot.least) : typedIn(slot).trim() === '',
    ) ?? true,
  );

  function choose(one: ReadyView): void {
    word = one.word;
    things = {};
    typed = {};
  }

  function take(slot: SlotView, id: string): void {
    if (!slot.choices.some((choice) => choice.id === id)) {
      p.session.say(`That can’t be chosen for “${slot.label}”.`);
      return;
    }
    const now = chosenOf(slot);
    things[slot.name] = slot.several ? [...now.filter((other) => other !== id), id] : [id];
  }

  function point(slot: SlotView): void {
    void p.session.orders.unselect();
    void p.session.orders.hold({ holding: 'nothing' });
    p.session.say('Click on the board what is meant.');
    p.shell.pointing = { sorts: [slot.sort], take: (thing) => take(slot, thing.id) };
  }

  const nameOf = (slot: SlotView, id: string): string => slot.choices.find((choice) => choice.id === id)?.name ?? '…';

  async function make(): Promise<void> {
    if (!ready) return;
    const chosen: Chosen[] = ready.slots.map((slot) =>
      ofThings(slot)
        ? { slot: slot.name, things: chosenOf(slot) }
        : slot.sort === 'number'
          ? { slot: slot.name, number: Number(typedIn(slot)) }
          : { slot: slot.name, text: typedIn(slot) },
    );
    const { made, refused } = await p.session.orders.makeReady({ ready: ready.word, chosen });
    if (refused !== '') return;
    close();
    const rule = made.find((id) => p.session.ask.rule({ rule: id }) !== null);
    if (rule !== undefined) openRule(p, rule);
  }
</script>

<section class="flex min-w-0 flex-1" aria-label="Ready-made" data-ready={ready?.word}>
  <ul class="w-64 shrink-0 overflow-auto border-r border-line p-2" aria-label="What is ready-made">
    {#each all as one (one.word)}
      <li>
        <button
          class="w-full rounded-inner px-2 py-1 text-left {one.word === ready?.word ? 'bg-held' : 'hover:bg-shelf'}"
          aria-current={one.word === ready?.word}
          onclick={() => choose(one)}>{one.name}</button
        >
      </li>
    {/each}
  </ul>
  {#if ready}
    <form
      class="flex min-w-0 flex-1 flex-col gap-2 overflow-auto px-4 py-2"
      onsubmit={(e) => {
        e.preventDefault();
        void make();
      }}
    >
      <p class="text-soft">{ready.does}</p>
      {#each ready.slots as slot (slot.name)}
        <div class="flex flex-wrap items-center gap-2">
          <span class="w-36 shrink-0">{slot.label}</span>
          {#if ofThings(slot)}
            {#each chosenOf(slot) as id (id)}
              <button
                type="button"
                class="rounded-inner bg-shelf px-1.5 py-0.5 font-semibold text-plum-ink"
                title="Take it out again"
                onclick={() => (things[slot.name] = chosenOf(slot).filter((other) => other !== id))}
                >{nameOf(slot, id)}</button
              >
            {/each}
            {#if slot.choices.length === 0}
              <span class="text-soft">There is none in the project yet.</span>
            {:else}
              <select
                class="h-7 max-w-60 rounded-inner border border-line bg-sheet px-1"
                aria-label={slot.label}
                value=""
                onchange={(e) => {
                  take(slot, e.currentTarget.value);
                  e.currentTarget.value = '';
                }}
              >
                <option value=""
                  >{chosenOf(slot).length === 0 ? 'Choose' : slot.several ? 'One more' : 'Another'}</option
                >
                {#each slot.choices as choice (choice.id)}
                  <option value={choice.id}>{choice.name}{choice.on === '' ? '' : `, ${choice.on}`}</option>
                {/each}
              </select>
              {#if slot.sort === 'piece' || slot.sort === 'area'}
                <Button label="Point at it on the board" onclick={() => point(slot)} />
              {/if}
            {/if}
          {:else}
            <input
              class="h-7 rounded-inner border border-line bg-sheet px-2 {slot.sort === 'number'
                ? 'w-20 figures'
                : 'w-72'}"
              aria-label={slot.label}
              inputmode={slot.sort === 'number' ? 'decimal' : undefined}
              value={typedIn(slot)}
              oninput={(e) => (typed[slot.name] = e.currentTarget.value)}
            />
            {slot.unit}
          {/if}
        </div>
      {/each}
      <div class="flex gap-2">
        <Button label="Make it" type="submit" main disabled={lacking} />
        <Button label="Cancel" onclick={close} />
      </div>
    </form>
  {/if}
</section>
