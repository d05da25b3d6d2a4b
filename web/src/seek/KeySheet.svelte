<script lang="ts">
  import { Dialog } from 'bits-ui';
  import X from '@lucide/svelte/icons/x';
  import { commands } from '../commands/register';
  import type { Project } from '../core/project.svelte';
  import Key from '../ui/Key.svelte';

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
</script>

<Dialog.Root bind:open={p.keysShown}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-board/60" />
    <Dialog.Content
      class="fixed top-1/2 left-1/2 z-50 max-h-[86vh] w-[920px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto sheet p-5"
    >
      <div class="mb-3 flex items-baseline justify-between">
        <Dialog.Title class="name text-title">All keys</Dialog.Title>
        <Dialog.Close class="text-soft" aria-label="Close"><X size={16} /></Dialog.Close>
      </div>
      <Dialog.Description class="mb-3 text-soft">
        Shapes and the eraser stay after a tap; held longer, they last only while held. Everything here is in seek too.
      </Dialog.Description>
      <div class="columns-3 gap-6">
        {#each groups as [group, title] (group)}
          <section class="mb-4 break-inside-avoid">
            <h2 class="mb-1 font-semibold">{title}</h2>
            {#each commands.filter((c) => c.group === group && c.keys.length > 0) as command (command.id)}
              <div class="flex justify-between gap-3 border-t border-line py-0.5" title={command.does}>
                <span>{command.name}</span>
                <span class="whitespace-nowrap"
                  >{#each command.keys as k (k)}<Key keys={k} />&nbsp;{/each}</span
                >
              </div>
            {/each}
          </section>
        {/each}
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
