<script lang="ts">
  import { Dialog } from 'bits-ui';
  import X from '@lucide/svelte/icons/x';
  import { bindings, type Keyed } from '../commands/bindings.svelte';
  import { gameInputs, gameKey } from '../commands/game';
  import { nameOf } from '../commands/keys';
  import { commands, holderOf } from '../commands/register';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';
  import Key from '../ui/Key.svelte';
  import KeyRow from './KeyRow.svelte';

  let { p }: { p: Project } = $props();

  const groups = [
    ['hand', 'In the hand'],
    ['select', 'Selecting'],
    ['board', 'On the board'],
    ['view', 'What is shown'],
    ['play', 'Playing'],
    ['find', 'Finding'],
  ] as const;
  const hands: [string, string][] = [
    ['Arrows', 'move the cell cursor'],
    ['Enter', 'the pointer’s button; held with arrows it draws'],
    ['Shift', 'keeps lines straight and boxes square'],
    ['Space', 'held, drags the board'],
    ['Menu key', 'opens the slip of what is at the cursor'],
    ['Right button', 'erases the same sort of thing'],
    ['Wheel', 'zooms at the pointer'],
  ];
  /** What a key is waited for, and why the last one was not taken. */
  let waiting: Keyed | null = $state(null);
  let problem = $state('');

  const inGame = (thing: Keyed): boolean => gameInputs.some((one) => one.id === thing.id);

  function ask(thing: Keyed): void {
    waiting = waiting === thing ? null : thing;
    problem = '';
  }

  /** Takes the key that was pressed, unless something else has it. */
  function take(event: KeyboardEvent): void {
    if (!waiting || ['Shift', 'Control', 'Alt', 'Meta', 'Tab'].includes(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.key === 'Backspace') bindings.reset(waiting.id);
    else if (event.key !== 'Escape') {
      const key = inGame(waiting) ? gameKey(event) : nameOf(event);
      const holder = holderOf(key, waiting, inGame(waiting));
      if (holder) {
        problem = `${key} is the key of “${holder.name}” already. Change that first, or press another.`;
        return;
      }
      bindings.set(waiting.id, key);
    }
    waiting = null;
    problem = '';
  }
</script>

<Dialog.Root bind:open={p.shell.keysShown}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-board/60" />
    <Dialog.Content
      class="fixed top-1/2 left-1/2 z-50 max-h-[86vh] w-[920px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto sheet p-5"
      onkeydown={take}
      escapeKeydownBehavior={waiting ? 'ignore' : 'close'}
    >
      <div class="mb-3 flex items-baseline justify-between">
        <Dialog.Title class="name text-title">All keys</Dialog.Title>
        {#if bindings.any}<span class="ml-auto pr-4"
            ><Button label="All keys as they were" onclick={() => bindings.reset()} /></span
          >{/if}
        <Dialog.Close class="text-soft" aria-label="Close"><X size={16} /></Dialog.Close>
      </div>
      <Dialog.Description class="mb-3 text-soft">
        Shapes and the eraser stay after a tap; held longer, they last only while held. Click a key to change it;
        Backspace gives it back as it was.
      </Dialog.Description>
      {#if problem}<p class="mb-2 text-rose-ink" role="alert">{problem}</p>{/if}
      <div class="columns-3 gap-6">
        {#each groups as [group, title] (group)}
          <section class="mb-4 break-inside-avoid">
            <h2 class="mb-1 font-semibold">{title}</h2>
            {#each commands.filter((c) => c.group === group && (c.keys.length > 0 || bindings.isChanged(c.id))) as command (command.id)}
              <KeyRow
                thing={command}
                does={command.does}
                fixed={command.native ?? false}
                waiting={waiting?.id === command.id}
                ask={() => ask(command)}
              />
            {/each}
          </section>
        {/each}
        <section class="mb-4 break-inside-avoid">
          <h2 class="mb-1 font-semibold">In the game</h2>
          {#each gameInputs as input (input.id)}
            <KeyRow
              thing={input}
              does="Held down in the game."
              fixed={false}
              waiting={waiting?.id === input.id}
              ask={() => ask(input)}
            />
          {/each}
        </section>
        <section class="break-inside-avoid">
          <h2 class="mb-1 font-semibold">Pointer and cursor</h2>
          {#each hands as [k, does] (k)}
            <div class="flex justify-between gap-3 border-t border-line py-0.5">
              <span>{does}</span><Key keys={k} />
            </div>
          {/each}
        </section>
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
