<script lang="ts">
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';
  import MovementTerm from './MovementTerm.svelte';

  let { p }: { p: Project } = $props();

  const now = $derived(p.session.scene?.movement ?? null);
  /** The values when this was opened, to go back to. */
  let before: Record<string, number> = $state({});
  $effect(() => {
    if (now && Object.keys(before).length === 0)
      before = Object.fromEntries([...now.terms, ...now.camera].map((term) => [term.name, term.value]));
  });
  const set = (term: string, value: number): void => void p.session.orders.setMovement({ term, value });
</script>

{#if now}
  <p class="text-small text-soft">
    {now.name}. What you drag is felt in play at once; let go, it is kept. The arrow goes back to what it was.
  </p>
  {#each [['Everywhere', now.terms.filter((t) => !t.side)], ['From the side', now.terms.filter((t) => t.side)], ['Camera', now.camera]] as const as [title, terms] (title)}
    <h3 class="mt-1 text-small text-soft">{title}</h3>
    {#each terms as term (term.name)}
      <MovementTerm
        {term}
        before={before[term.name] ?? term.value}
        drag={(value) => p.session.orders.tryMovement({ term: term.name, value })}
        set={(value) => set(term.name, value)}
      />
    {/each}
  {/each}
  <div class="flex flex-wrap gap-2">
    <Button
      label="Shows what is beyond the edges of maps"
      pressed={now.beyond}
      onclick={() => set('camera beyond', now.beyond ? 0 : 1)}
    />
    <Button label="Turn-based from above" pressed={now.turns} onclick={() => set('turns', now.turns ? 0 : 1)} />
  </div>
  <label class="mt-1 flex items-center justify-between gap-2">
    <span>From above, walks</span>
    <select
      class="h-7 rounded-inner border border-line bg-sheet px-1"
      value={now.steering}
      onchange={(e) => set('steering', Number(e.currentTarget.value))}
    >
      {#each now.steerings as name, i (name)}<option value={i}>{name}</option>{/each}
    </select>
  </label>
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Abilities">
    <span class="flex-1">Can</span>
    {#each now.abilities as name, i (name)}
      <Button
        label={name}
        pressed={(now.cannot & (1 << i)) === 0}
        onclick={() => set('cannot', now.cannot ^ (1 << i))}
      />
    {/each}
  </div>
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Arms">
    <span class="flex-1">Has, against foes and breakables</span>
    {#each now.arms as name, i (name)}
      <Button label={name} pressed={(now.armed & (1 << i)) !== 0} onclick={() => set('arms', now.armed ^ (1 << i))} />
    {/each}
  </div>
{/if}
