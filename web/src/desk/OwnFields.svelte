<script lang="ts">
  import type { Project } from '../project.svelte';
  import { OWN_TYPES, type Mark } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Choices from '../ui/Choices.svelte';
  import { ownMark, YES_NO } from './marks';

  interface Props {
    p: Project;
    mark: Mark;
    change: (mark: Mark) => void;
  }
  let { p, mark, change }: Props = $props();

  let making = $state(false);
  let name = $state('');
  let type = $state(YES_NO);

  const all = $derived(p.session.scene?.own ?? []);
  const own = $derived(mark.property === 'own' ? all.find((o) => o.id === mark.own) : undefined);

  async function make(): Promise<void> {
    const before = all.length;
    await p.session.orders.makeProperty({ name: name.trim(), type });
    const made = p.session.scene?.own.at(-1);
    if (!made || p.session.scene?.own.length === before) return;
    change(ownMark(made));
    making = false;
    name = '';
  }
</script>

<div class="flex flex-wrap gap-1" role="group" aria-label="The project's own properties">
  {#each all as o (o.id)}
    <Button label={o.name} pressed={own?.id === o.id} onclick={() => change(ownMark(o))} />
  {/each}
  <Button label="A property of your own" pressed={making} onclick={() => (making = !making)} />
</div>
{#if making}
  <form
    class="flex flex-col gap-2"
    aria-label="A property of your own"
    onsubmit={(e) => {
      e.preventDefault();
      void make();
    }}
  >
    <label class="flex flex-col gap-1">
      <span>What it is called</span>
      <input bind:value={name} class="h-7 rounded-inner border border-line bg-sheet px-2" />
    </label>
    <label class="flex flex-col gap-1">
      <span>Its values are</span>
      <select bind:value={type} class="h-7 rounded-inner border border-line bg-sheet px-2">
        {#each OWN_TYPES as words, value (value)}<option {value}>{words}</option>{/each}
      </select>
    </label>
    <span><Button label="Make it" type="submit" disabled={name.trim() === ''} /></span>
  </form>
{/if}
{#if own}
  {#if own.type === YES_NO}
    <Choices
      label="Whether it is"
      options={[
        ['yes', 'it is'],
        ['no', 'it is not'],
      ]}
      value={mark.text === 'yes' ? 'yes' : 'no'}
      choose={(text) => change({ ...mark, text })}
    />
  {:else}
    <label class="flex flex-col gap-1">
      <span>Value, empty for none</span>
      <input
        class="h-7 rounded-inner border border-line bg-sheet px-2 {own.type === 1 ? 'figures' : ''}"
        inputmode={own.type === 1 ? 'decimal' : 'text'}
        value={mark.text}
        onchange={(e) => change({ ...mark, text: e.currentTarget.value })}
      />
    </label>
  {/if}
  <div class="flex flex-wrap gap-1">
    <Button
      label="Show it on the maps"
      pressed={p.viewport.lens === `own:${own.id}`}
      onclick={() => {
        p.viewport.lens = p.viewport.lens === `own:${own.id}` ? '' : `own:${own.id}`;
        p.viewport.draw();
      }}
    />
    <Button label="Delete it" onclick={() => p.session.orders.delete({ thing: { kind: 'property', id: own.id } })} />
  </div>
{/if}
