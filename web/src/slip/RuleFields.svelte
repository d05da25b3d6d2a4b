<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { SlipView } from '../core/types.gen';
  import { addRule, openRule } from '../rules/opening';
  import Button from '../ui/Button.svelte';

  /** The rules that belong to what is selected, and one more. */
  let { p, slip }: { p: Project; slip: SlipView } = $props();
</script>

{#if slip.ruled}
  <div class="border-t border-line pt-1" role="group" aria-label="Rules of this {slip.kind}">
    {#if slip.rules.length > 0}
      <div class="mb-1 text-small text-soft">rules</div>
      <ul class="mb-1">
        {#each slip.rules as rule (rule.id)}
          <li>
            <button
              class="w-full truncate rounded-inner px-1.5 py-0.5 text-left hover:bg-shelf {rule.off
                ? 'text-soft line-through'
                : ''}"
              title={rule.says}
              onclick={() => openRule(p, rule.id)}>{rule.name}</button
            >
          </li>
        {/each}
      </ul>
    {/if}
    <Button
      label="Add a rule"
      onclick={() => void addRule(p, { kind: slip.kind, ...(slip.map === '0' ? {} : { map: slip.map }), id: slip.id })}
    />
  </div>
{/if}
