<script lang="ts">
  import { Virtualizer } from 'virtua/svelte';
  import type { Project } from '../project.svelte';
  import type { HomeView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import { addRule, openRule } from './opening';

  /** All rules, by what they belong to. */
  interface Props {
    p: Project;
    homes: HomeView[];
    shown: string;
    /** Whether what is ready-made is shown in the place of a rule, and what shows it, or not any more. */
    making: boolean;
    ready: (on: boolean) => void;
  }
  let { p, homes, shown, making, ready }: Props = $props();

  /** Homes and rules, one line each, so that many scroll as a few do. */
  const lines = $derived(
    homes.flatMap((home) => [{ home, rule: null }, ...home.rules.map((rule) => ({ home, rule }))]),
  );
  let list: HTMLElement | undefined = $state();
</script>

<section class="flex w-60 shrink-0 flex-col border-r border-line max-lg:w-48" aria-label="Rules">
  <div class="min-h-0 flex-1 overflow-auto p-2" bind:this={list}>
    {#if list}
      <Virtualizer
        data={lines}
        scrollRef={list}
        getKey={(line) => line.rule?.id ?? `${line.home.home.kind} ${line.home.home.id ?? ''}`}
      >
        {#snippet children(line)}
          {#if line.rule}
            {@const { id, name, says, off } = line.rule}
            <button
              class="mb-0.5 w-full rounded-inner px-2 py-1 text-left {id === shown && !making
                ? 'bg-held'
                : 'hover:bg-shelf'}"
              aria-current={id === shown}
              data-rule={id}
              onclick={() => {
                ready(false);
                openRule(p, id);
              }}
            >
              <span class="block truncate font-semibold {off ? 'text-soft line-through' : ''}">{name}</span>
              {#if says !== name}<span class="block truncate text-small text-soft">{says}</span>{/if}
            </button>
          {:else}
            <div class="truncate px-2 pt-1 pb-0.5 text-small text-soft">{line.home.name}</div>
          {/if}
        {/snippet}
      </Virtualizer>
    {/if}
  </div>
  <div class="flex flex-col items-start gap-1 border-t border-line px-3 py-2">
    <Button label="Ready-made" pressed={making} onclick={() => ready(!making)} />
    <Button label="Add a rule for the whole game" onclick={() => void addRule(p, { kind: 'project' })} />
  </div>
</section>
