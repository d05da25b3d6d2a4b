<script lang="ts">
  import type { Project } from '../project.svelte';
  import { MEASURES, WIRE_DOES, type EndView, type SlipView, type WireLook } from '../core/types.gen';
  import { openWire } from '../rules/opening';
  import Button from '../ui/Button.svelte';
  import Choices from '../ui/Choices.svelte';
  import MeasureField from '../ui/MeasureField.svelte';

  /** What can be set of a wire, and the wires of a piece. */
  let { p, slip }: { p: Project; slip: SlipView } = $props();

  const set = (change: Partial<WireLook>): void => {
    void p.session.setting(slip.id, change, p.session.orders.setWire({ wire: slip.id, change }));
  };
  const wire = $derived(slip.wire ? p.session.asAsked(slip.id, slip.wire) : null);
</script>

{#snippet end(label: string, at: EndView)}
  <div class="flex items-baseline justify-between gap-2">
    <span class="text-soft">{label}</span>
    <button
      class="truncate rounded-inner px-1.5 font-semibold hover:bg-shelf"
      onclick={() => p.session.orders.select({ thing: at.thing })}>{at.name}</button
    >
  </div>
{/snippet}

{#if wire}
  <div class="flex flex-col gap-2" role="group" aria-label="What the wire does">
    {@render end('From', wire.from)}
    {@render end('To', wire.to)}
    <Choices
      label="How it works that"
      options={WIRE_DOES.map((name, i) => [i, name] as const)}
      value={wire.does}
      choose={(does) => set({ does })}
    />
    {#if wire.choices.length > 1}
      <Choices
        label="What of it is worked"
        options={wire.choices.map(({ value, name }) => [value, name] as const)}
        value={wire.works}
        choose={(works) => set({ works })}
      />
    {/if}
    <MeasureField measure={MEASURES.wireAfter} value={wire.after} change={(after) => set({ after })} />
    {#if wire.counts.length > 0}
      <div class="flex flex-col gap-1">
        <span class="text-soft">Of the {wire.together} wires that end here must be on</span>
        <Choices
          label="How many wires must be on"
          options={wire.counts.map(({ value, name }) => [value, name] as const)}
          value={wire.of}
          choose={(of) => set({ of })}
        />
      </div>
    {/if}
    <Button label="Open into a rule" onclick={() => void openWire(p, slip.id)} />
  </div>
{/if}

{#if slip.joins.length > 0}
  <div>
    <div class="mb-1 text-small text-soft">wires</div>
    <ul aria-label="Wires that begin or end here">
      {#each slip.joins as join (`${join.id} ${join.begins}`)}
        <li>
          <button
            class="flex w-full justify-between gap-2 rounded-inner px-1.5 py-0.5 text-left hover:bg-shelf"
            onclick={() => p.session.orders.select({ thing: { kind: 'wire', map: '', id: join.id } })}
            ><span class="truncate">{join.begins ? 'works' : 'worked by'} <strong>{join.name}</strong></span><span
              class="shrink-0 text-soft">{join.does}</span
            ></button
          >
        </li>
      {/each}
    </ul>
  </div>
{/if}
