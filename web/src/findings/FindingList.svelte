<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { FindingView } from '../core/types.gen';
  import { openType } from '../kit/opening';
  import { openRule } from '../rules/opening';
  import Button from '../ui/Button.svelte';

  /** What is wrong in the project, each with a place to go to, and what mends it at a click. */
  let { p }: { p: Project } = $props();

  const list = $derived(p.findings.view?.list ?? []);
  const more = $derived((p.findings.view?.count ?? 0) - list.length);
  const groups = $derived.by(() => {
    const by: { key: string; where: string; found: FindingView[] }[] = [];
    for (const one of list) {
      const key = `${one.thing.kind} ${one.thing.id}`;
      if (by.at(-1)?.key !== key) by.push({ key, where: one.where, found: [] });
      by.at(-1)?.found.push(one);
    }
    return by;
  });
  const KINDS: Record<string, string> = {
    rule: 'Rule',
    piece: 'Piece',
    fact: 'Fact',
    item: 'Item',
    start: 'Start',
    type: 'Type',
  };

  function go(one: FindingView): void {
    switch (one.thing.kind) {
      case 'rule':
        openRule(p, one.thing.id, one.part);
        return;
      case 'fact':
        p.shell.panel = 'facts';
        return;
      case 'start':
        p.shell.panel = 'starts';
        return;
      case 'item':
        p.shell.panel = 'items';
        return;
      case 'type':
        openType(p, one.thing.id ?? '');
        return;
    }
    p.shell.closePanels();
    void p.session.orders.select({ thing: one.thing });
    p.viewport.moveCamera((c) => c.center(one.x, one.y));
  }
</script>

{#if list.length === 0}
  <p class="text-soft">
    Nothing is wrong. What can’t happen, names what is gone, or does not fit is listed here as soon as it is so, with
    the place and, where there is one, what mends it.
  </p>
{/if}
<ol class="-mx-1 px-1" aria-label="Findings">
  {#each groups as group (group.key)}
    <li class="border-t border-line py-1.5" data-finding={group.where}>
      <span class="flex items-baseline gap-1.5"
        ><span class="text-small text-soft">{KINDS[group.found[0]?.thing.kind ?? ''] ?? ''}</span><span
          class="min-w-0 truncate font-semibold">{group.where}</span
        ></span
      >
      {#each group.found as one, i (i)}
        <button class="block w-full rounded-inner px-1 py-0.5 text-left hover:bg-shelf" onclick={() => go(one)}>
          {one.says}
        </button>
        {#if one.mend !== ''}
          <span class="flex justify-end pb-1">
            <Button
              label={one.mend}
              onclick={() => p.session.orders.mendFinding({ fault: one.fault, thing: one.thing, part: one.part })}
            />
          </span>
        {/if}
      {/each}
    </li>
  {/each}
</ol>
{#if more > 0}<p class="text-small text-soft figures">and {more} more</p>{/if}
