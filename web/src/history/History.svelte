<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import ListX from '@lucide/svelte/icons/list-x';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import Users from '@lucide/svelte/icons/users';
  import { Virtualizer } from 'virtua/svelte';
  import type { StepView } from '../core/types.gen';
  import type { Project } from '../project.svelte';

  let { p }: { p: Project } = $props();

  let list: HTMLElement | undefined = $state();
  const steps = $derived.by(() => {
    void p.session.state;
    return p.session.ask.history();
  });
  const shown = $derived(steps.toReversed());
  const done = $derived(steps.filter((s) => s.own && !s.undone).length);
</script>

<p class="text-small text-soft">
  The latest first. Choose a step of yours to go back to it, or on to it again; the mark beside it undoes that step
  alone.
</p>
<div class="min-h-0 flex-1 overflow-y-auto" data-back bind:this={list}>
  {#if steps.length === 0}
    <p class="text-soft">Nothing yet since this project was opened here for the first time.</p>
  {:else if list}
    <!-- Only what is in view is there: a list may have thousands of steps. -->
    <Virtualizer data={shown} getKey={(step) => step.sequence} as="ol" item="li" scrollRef={list}>
      {#snippet children(step)}{@render row(step)}{/snippet}
    </Virtualizer>
  {/if}
  {#if p.session.state?.earlier}
    <button
      class="w-full rounded-inner px-1.5 py-0.5 text-left text-soft hover:bg-shelf"
      onclick={() => void p.session.fetchEarlier()}>Show earlier steps</button
    >
  {:else if steps.some((s) => s.own)}
    <button
      class="w-full rounded-inner px-1.5 py-0.5 text-left text-soft hover:bg-shelf {done === 0 ? 'bg-held' : ''}"
      onclick={() => p.session.orders.walkHistory({ done: 0 })}>Before your first step</button
    >
  {/if}
</div>

{#snippet row(step: StepView)}
  {#if step.own}
    <span class="flex items-center">
      <button
        class="flex min-w-0 flex-1 items-center gap-2 rounded-inner px-1.5 py-0.5 text-left hover:bg-shelf {step.done ===
        done
          ? 'bg-held font-semibold'
          : ''} {step.undone ? 'text-soft' : ''}"
        aria-current={step.done === done ? 'step' : undefined}
        onclick={() => p.session.orders.walkHistory({ done: step.done })}
      >
        {#if step.undone}<Undo2 size={14} class="shrink-0" />{:else}<Check size={14} class="shrink-0 text-moss" />{/if}
        <span class="min-w-0 flex-1 {step.undone || step.back ? 'line-through' : ''}">{step.label}</span>
        {#if step.undone}<span class="text-small">undone</span>{:else if step.back}<span class="text-small"
            >undone alone</span
          >{/if}
      </button>
      {#if !step.undone && !step.back && step.done !== done}
        <button
          class="shrink-0 rounded-inner p-1 text-soft hover:bg-shelf hover:text-ink"
          aria-label={`Undo alone: ${step.label}`}
          data-tip="Undo this step alone"
          onclick={() => p.session.orders.undoStep({ step: step.sequence })}><ListX size={14} /></button
        >
      {/if}
    </span>
  {:else}
    <span class="flex items-center gap-2 px-1.5 py-0.5 text-soft">
      <Users size={14} class="shrink-0" /><span class="min-w-0 flex-1">{step.label}</span>
      <span class="text-small">somebody else</span>
    </span>
  {/if}
{/snippet}
