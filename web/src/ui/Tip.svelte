<script lang="ts">
  import { Tooltip } from 'bits-ui';

  /** Milliseconds that the pointer rests on something before its tip comes. */
  const REST = 400;

  // One for all that have a tip: thirty of them took a third of the time in which a page begins.
  let over = $state<HTMLElement | null>(null);
  let open = $state(false);
  let waiting = 0;

  const tipped = (e: Event): HTMLElement | null =>
    e.target instanceof Element ? e.target.closest<HTMLElement>('[data-tip]') : null;

  function hide(): void {
    clearTimeout(waiting);
    open = false;
  }

  function hover(e: PointerEvent): void {
    const next = e.pointerType === 'touch' ? null : tipped(e);
    if (next === over && (open || next === null)) return;
    hide();
    over = next;
    if (next) waiting = window.setTimeout(() => (open = true), REST);
  }

  function focus(e: FocusEvent): void {
    const next = tipped(e);
    if (!next?.matches(':focus-visible')) return;
    over = next;
    open = true;
  }
</script>

<svelte:window
  onpointerover={hover}
  onpointerdown={hide}
  onfocusin={focus}
  onfocusout={hide}
  onkeydown={(e) => e.key === 'Escape' && hide()}
/>

{#if over}
  <!-- Not in a portal: what stands at the end of the body belongs to no part of the page. -->
  <aside aria-label="Tip">
    <Tooltip.Root bind:open>
      <Tooltip.Content customAnchor={over} sideOffset={6} class="z-50 sheet px-2 py-1 text-small" data-tip-shown
        >{over.dataset['tip']}{#if over.ariaKeyShortcuts}<span class="text-soft">&nbsp;· {over.ariaKeyShortcuts}</span
          >{/if}</Tooltip.Content
      >
    </Tooltip.Root>
  </aside>
{/if}
