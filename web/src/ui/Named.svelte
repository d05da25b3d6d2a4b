<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { NamingView } from '../core/types.gen';
  import { openRule } from '../rules/opening';

  /** What names an item or a fact, each a click away. */
  let { p, named, more }: { p: Project; named: NamingView[]; more: number } = $props();

  function show(one: NamingView): void {
    if (one.kind === 'character') {
      p.shell.togglePanel('characters');
      return;
    }
    if (one.kind === 'rule') {
      openRule(p, one.id);
      return;
    }
    void p.session.orders.select({ thing: { kind: 'piece', map: one.map, id: one.id } });
    p.viewport.moveCamera((c) => c.center(one.x, one.y));
  }
</script>

{#each named as one, i (i)}
  <button
    class="flex w-full justify-between gap-2 rounded-inner px-1.5 py-0.5 text-left text-small hover:bg-shelf"
    onclick={() => show(one)}
    ><span class="truncate">{one.name}</span><span class="shrink-0 text-soft figures">{one.does}</span></button
  >
{/each}
{#if more > 0}<p class="text-small text-soft figures">and {more} more</p>{/if}
