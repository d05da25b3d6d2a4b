<script lang="ts">
  import Search from '@lucide/svelte/icons/search';
  import { tick } from 'svelte';
  import { keyOf } from '../commands/register';
  import type { Project } from '../project.svelte';
  import Key from '../ui/Key.svelte';
  import { find } from './find';

  let { p }: { p: Project } = $props();

  let field: HTMLInputElement | undefined = $state();
  let text = $state('');
  let at = $state(0);

  const results = $derived(p.shell.seeking ? find(p, text) : []);

  $effect(() => {
    if (p.shell.seeking) void tick().then(() => field?.focus());
  });

  function forget(): void {
    p.shell.seeking = false;
    text = '';
    at = 0;
  }

  function close(): void {
    forget();
    document.querySelector<HTMLElement>('[data-board]')?.focus();
  }

  function choose(index: number): void {
    const chosen = results[index];
    if (!chosen) return;
    close();
    chosen.go();
  }

  function key(event: KeyboardEvent): void {
    event.stopPropagation();
    if (event.key === 'Escape') close();
    if (event.key === 'Enter') choose(at);
    if (event.key === 'ArrowDown') at = Math.min(at + 1, results.length - 1);
    if (event.key === 'ArrowUp') at = Math.max(at - 1, 0);
    if (['ArrowDown', 'ArrowUp', 'Enter'].includes(event.key)) event.preventDefault();
    void tick().then(() => document.getElementById(`seek-${at}`)?.scrollIntoView({ block: 'nearest' }));
  }
</script>

<div class="flex h-7 items-center gap-2 rounded-inner bg-shelf px-2">
  <Search size={14} class="shrink-0 text-soft" />
  <input
    bind:this={field}
    bind:value={text}
    class="min-w-0 flex-1 bg-transparent outline-none"
    placeholder="Find anything"
    aria-label="Find maps, pieces, tiles, types and commands"
    role="combobox"
    aria-expanded={p.shell.seeking}
    aria-controls="seek-results"
    aria-activedescendant={results[at] ? `seek-${at}` : undefined}
    onfocus={() => (p.shell.seeking = true)}
    onblur={forget}
    oninput={() => (at = 0)}
    onkeydown={key}
  />
  <Key keys={keyOf('seek')} />
</div>
{#if p.shell.seeking}
  <!-- The focus stays in the field while a result is clicked. -->
  <ul
    id="seek-results"
    onpointerdown={(e) => e.preventDefault()}
    role="listbox"
    aria-label="Found"
    tabindex="-1"
    class="absolute top-9 right-0 left-0 max-h-96 overflow-auto sheet p-1"
  >
    {#each results as result, i (result.id)}
      <!-- The keys are the field's; a result only takes a click. -->
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <li
        id="seek-{i}"
        role="option"
        aria-selected={i === at}
        class="flex cursor-pointer items-baseline gap-2 rounded-inner px-2 py-1 {i === at
          ? 'bg-held'
          : 'hover:bg-shelf'}"
        onclick={() => choose(i)}
      >
        <span class="shrink-0 font-semibold">{result.name}</span>
        <span class="min-w-0 flex-1 truncate text-small text-soft">{result.does}</span>
        {#if result.keys}<Key keys={result.keys} />{/if}
      </li>
    {:else}
      <li class="px-2 py-1 text-soft" role="option" aria-selected="false">Nothing is called that. Try another word.</li>
    {/each}
  </ul>
{/if}
