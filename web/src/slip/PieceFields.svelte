<script lang="ts">
  import { keyOf, runCommand } from '../commands/register';
  import Condition from '../conditions/Condition.svelte';
  import type { Project } from '../project.svelte';
  import { TICKS_PER_SECOND, type ConditionForm, type SlipView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Fields from './Fields.svelte';
  import PictureFields from './PictureFields.svelte';
  import TalkFields from './TalkFields.svelte';

  let { p, slip }: { p: Project; slip: SlipView } = $props();

  const { orders } = $derived(p.session);
  const piece = $derived({ map: slip.map, piece: slip.id });
  const attempt = (field: string, number: number): void => void orders.tryPieceField({ ...piece, field, number });
  const change = (field: string, number: number): void => void orders.setPieceField({ ...piece, field, number });
  const choose = (field: string, choice: string): void => void orders.setPieceField({ ...piece, field, choice });
  /** Whether it sets or asks for anything yet. */
  const asks = $derived(
    (slip.asking?.fields.some((f) => f.chosen !== f.options[0]?.id) ?? false) ||
      (slip.asking?.conditions.some((c) => c.is !== null && !c.main) ?? false),
  );
  const ask = (property: string, condition: ConditionForm | null): void =>
    void orders.setCondition({ ...piece, property, condition });
  const length = $derived.by(() => (void p.session.state, p.viewport.trail.length));
  const own = $derived(p.session.scene?.types.find((type) => type.id === slip.type)?.own ?? false);
  const met = $derived.by(() => (void p.session.state, p.viewport.trail.met));
</script>

{#if slip.talk}<TalkFields {p} {slip} talk={slip.talk} />{/if}
{#if slip.acting}
  <div class="flex flex-col gap-1" role="group" aria-label="How it acts in play">
    <Fields {p} fields={slip.acting.fields} {attempt} {change} {choose} />
    {#if slip.acting.moves}
      <label class="flex items-center gap-2">
        <span class="w-20 shrink-0">Ghost after</span>
        <input
          type="range"
          class="min-w-0 flex-1 accent-saffron"
          aria-label="Ghost after so many seconds"
          min={0}
          max={Math.max(1, length - 1)}
          value={p.viewport.trail.at}
          oninput={(e) => {
            p.viewport.trail.at = e.currentTarget.valueAsNumber;
            p.viewport.draw();
          }}
        />
        <span class="w-22 text-right figures">{(p.viewport.trail.at / TICKS_PER_SECOND).toFixed(1)} s</span>
      </label>
    {/if}
    {#if slip.acting.moves && met}
      <p class="text-small text-soft">As if the player stood still in the dashed box.</p>
    {/if}
    {#if slip.acting.leads}
      <span data-back
        ><Button
          label={slip.acting.tracked ? 'Add track point' : 'Make a track'}
          keys={keyOf('lead-on')}
          onclick={() => runCommand(p, 'lead-on')}
        /></span
      >
    {/if}
  </div>
{/if}

{#snippet conditions(main: boolean)}
  {#each slip.asking?.conditions.filter((c) => c.main === main) ?? [] as condition (condition.name)}
    <Condition {p} {condition} home={slip.asking?.type ?? ''} fresh change={(to) => ask(condition.name, to)} />
  {/each}
{/snippet}

{@render conditions(true)}
{#if slip.pictures.length > 0}
  <details open={slip.pictures.some((one) => one.is !== '' || one.missing)} class="border-t border-line pt-1">
    <summary class="cursor-pointer text-soft">Pictures</summary>
    <div class="flex flex-col gap-1 pt-1" role="group" aria-label="Pictures">
      <PictureFields {p} of={piece} pictures={slip.pictures} inHand={slip.inHand} typed={own} />
    </div>
  </details>
{/if}
{#if slip.asking}
  <details open={asks} class="border-t border-line pt-1" data-asking>
    <summary class="cursor-pointer text-soft">How it starts, facts it sets and needs</summary>
    <div class="flex flex-col gap-1 pt-1" role="group" aria-label="Facts">
      <Fields {p} fields={slip.asking.fields} {attempt} {change} {choose} />
      {@render conditions(false)}
    </div>
  </details>
{/if}
