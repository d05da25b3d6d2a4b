<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { ReplayView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  let { p, replay }: { p: Project; replay: ReplayView } = $props();

  /** What can be tried: how the player moves, and how the selected piece acts. */
  const terms = $derived.by(() => {
    const slip = p.session.state?.slip;
    const of = (slip?.acting?.fields ?? [])
      .filter((one) => one.trial !== '')
      .map((one) => ({ ...one, label: `${slip?.proposed}: ${one.label}` }));
    return [...(p.session.scene?.movement.terms ?? []), ...of];
  });
  let name = $state('speed');
  const term = $derived(terms.find((t) => t.trial === name));
  let text: string | null = $state(null);
  const trial = $derived(p.game.replays.trial?.replay === replay.id ? p.game.replays.trial : null);
  const proposed = $derived(term ? term.tries.join(', ') : '');

  function go(event: SubmitEvent): void {
    event.preventDefault();
    void p.session.orders.tryValues({ replay: replay.id, term: name, values: text ?? proposed });
  }
</script>

<form class="flex items-end gap-1.5" onsubmit={go} data-trial>
  <label class="flex w-24 flex-col gap-1 text-small">
    <span>With another</span>
    <select class="h-7 rounded-inner border border-line bg-sheet px-1" bind:value={name} onchange={() => (text = null)}>
      {#each terms as one (one.trial)}<option value={one.trial}>{one.label}</option>{/each}
    </select>
  </label>
  <label class="flex min-w-0 flex-1 flex-col gap-1 text-small">
    <span>as values{term?.unit ? `, ${term.unit}` : ''}</span>
    <input
      class="h-7 min-w-0 rounded-inner border border-line bg-sheet px-2 figures"
      value={text ?? proposed}
      oninput={(e) => (text = e.currentTarget.value)}
      maxlength={80}
    />
  </label>
  <Button label="Try" type="submit" />
</form>
{#if trial}
  <table class="w-full text-small" aria-label="What comes of {replay.name} at each {trial.label}">
    <tbody>
      {#each trial.rows as row (row.value)}
        <tr class="border-t border-line align-top" data-tried={row.came}>
          <th class="w-12 py-1 pr-2 text-right font-normal figures" scope="row">{row.value}</th>
          <td class="py-1 {row.came === 'parts' || row.came === 'fails' ? 'text-rose-ink' : 'text-soft'}">{row.says}</td
          >
          <td class="py-1 pl-1 text-right whitespace-nowrap">
            {#if row.now}<span class="text-soft">is set</span>{:else}<button
                class="text-lagoon-ink underline"
                aria-label="Set {trial.label} to {row.value}"
                onclick={() => p.session.orders.setTried({ term: trial.term, value: row.value })}>set</button
              >{/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
