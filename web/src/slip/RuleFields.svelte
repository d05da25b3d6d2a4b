<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { HeadView, SlipView, Thing } from '../core/types.gen';
  import { addRule, openRule } from '../rules/opening';
  import Button from '../ui/Button.svelte';

  /** The rules that belong to what is selected, and those that go for it as for others of its type; and one more. */
  let { p, slip }: { p: Project; slip: SlipView } = $props();
</script>

{#snippet listed(rules: HeadView[], add: string, home: Thing)}
  {#if rules.length > 0}
    <ul class="mb-1">
      {#each rules as rule (rule.id)}
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
  <Button label={add} onclick={() => void addRule(p, home)} />
{/snippet}

{#if slip.ruled}
  <div class="border-t border-line pt-1" role="group" aria-label="Rules of this {slip.kind}">
    {#if slip.rules.length > 0}<div class="mb-1 text-small text-soft">rules</div>{/if}
    {@render listed(slip.rules, 'Add a rule', {
      kind: slip.kind,
      ...(slip.map === '0' ? {} : { map: slip.map }),
      id: slip.id,
    })}
  </div>
  {#each slip.around as { name, home, rules } (`${home.kind} ${home.id ?? ''}`)}
    <div role="group" aria-label="Rules of: {name}">
      {#if rules.length > 0}<div class="mb-1 text-small text-soft">{name}</div>{/if}
      {@render listed(rules, `Add one for ${name.charAt(0).toLowerCase()}${name.slice(1)}`, home)}
    </div>
  {/each}
{/if}
