<script lang="ts">
  import { bindings, type Keyed } from '../commands/bindings.svelte';
  import Key from '../ui/Key.svelte';

  interface Props {
    thing: Keyed;
    does: string;
    /** Whether its keys can be changed: the browser tells of some by an event of its own. */
    fixed: boolean;
    /** Whether a key is waited for. */
    waiting: boolean;
    ask: () => void;
  }
  let { thing, does, fixed, waiting, ask }: Props = $props();

  const keys = $derived(bindings.of(thing));
</script>

<div class="flex justify-between gap-3 border-t border-line py-0.5" title={does}>
  <span>{thing.name}</span>
  {#if fixed}
    <span class="whitespace-nowrap"
      >{#each keys as k (k)}<Key keys={k} />&nbsp;{/each}</span
    >
  {:else}
    <button
      class="rounded-inner px-1 whitespace-nowrap {waiting ? 'bg-held' : 'hover:bg-shelf'}"
      aria-label="{thing.name}: {keys.join(', ') || 'no key'}. Change it"
      aria-pressed={waiting}
      onclick={ask}
      >{#if waiting}press a key{:else}{#each keys as k (k)}<Key keys={k} />&nbsp;{:else}–{/each}{/if}</button
    >
  {/if}
</div>
