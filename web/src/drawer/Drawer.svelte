<script lang="ts">
  import { Virtualizer } from 'virtua/svelte';
  import { hold } from '../commands/holding';
  import type { Project } from '../project.svelte';
  import { givesBack } from '../ui/givesBack';
  import { hasWords } from '../seek/words';
  import TypeIcon from '../tray/TypeIcon.svelte';
  import { inOrder } from './shelf';
  import Shelf from './Shelf.svelte';
  import ShelvedTiles from './ShelvedTiles.svelte';

  let { p }: { p: Project } = $props();

  const sets = $derived(inOrder(p, p.session.tilesets));
  let wanted = $state('');
  /** Of the types those whose name, purpose, family or further words have all that is typed; those used lately come first. */
  const types = $derived.by(() => {
    const all = p.session.scene?.types ?? [];
    if (wanted.trim() === '') return p.session.lately.typesFirst(all);
    return all.filter((t) => hasWords(`${t.name} ${t.purpose} ${t.family} ${t.keywords}`, wanted));
  });
  /** What scrolls: only what is in view is there. */
  let pieces: HTMLElement | undefined = $state();
  let tiles: HTMLElement | undefined = $state();
  /** Counted when the drawer opens and after each step, never while one paints. */
  const usage = $derived.by(() => {
    void p.session.state?.undo;
    void p.session.scene;
    return p.session.ask.usage();
  });
</script>

<section use:givesBack class="flex h-50 max-h-[45%] shrink-0 border-t border-line bg-sheet" aria-label="Drawer">
  <div class="w-70 shrink-0 overflow-auto border-r border-line p-3 max-lg:w-52" bind:this={pieces}>
    <div class="mb-2 flex items-center gap-2">
      <h2 class="name">Pieces</h2>
      <input
        class="h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-2"
        type="search"
        placeholder="find a type"
        aria-label="Find a type of piece"
        bind:value={wanted}
      />
    </div>
    <div data-back>
      {#if pieces}
        <Virtualizer data={types} getKey={(type) => type.id} as="ul" item="li" scrollRef={pieces}>
          {#snippet children(type)}
            <button
              class="mb-1 flex w-full items-center gap-2 rounded-inner border px-1 text-left hover:bg-shelf {p.session
                .state?.holding === 'piece' && p.session.state.type === type.id
                ? 'border-saffron bg-held'
                : 'border-transparent'}"
              onclick={() => hold(p, 'piece', { id: type.id })}
            >
              <TypeIcon {p} type={type.id} />
              <span><strong>{type.name}</strong><br /><span class="text-small text-soft">{type.purpose}</span></span>
            </button>
          {/snippet}
        </Virtualizer>
        {#if types.length === 0}
          <p class="text-soft">No type has all of these words in its name or in what it is for.</p>
        {/if}
      {/if}
    </div>
  </div>
  <div class="min-w-0 flex-1 overflow-auto p-3" bind:this={tiles}>
    {#if tiles}
      <Virtualizer data={sets} getKey={(set) => set.id} scrollRef={tiles}>
        {#snippet children(set, i)}
          <div class="pb-4">
            <ShelvedTiles
              {p}
              {set}
              above={sets[i - 1]?.id ?? ''}
              unused={usage.tilesets.find((t) => t.id === set.id)?.unused ?? 0}
            />
          </div>
        {/snippet}
      </Virtualizer>
    {/if}
  </div>
  <Shelf {p} unused={usage.unused} />
</section>
