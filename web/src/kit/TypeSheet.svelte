<script lang="ts">
  import type { Project } from '../project.svelte';
  import { MEASURES, type OwnTypeView, type TypeLook, type TypesView } from '../core/types.gen';
  import { addRule, openRule } from '../rules/opening';
  import Fields from '../slip/Fields.svelte';
  import PictureFields from '../slip/PictureFields.svelte';
  import Button from '../ui/Button.svelte';
  import MeasureField from '../ui/MeasureField.svelte';
  import TypeProperties from './TypeProperties.svelte';
  import Rename from '../ui/Rename.svelte';

  /** One type of one's own: its name, what it builds on and is for, how many there may be, and what is usual of its pieces. */
  let { p, view, type }: { p: Project; view: TypesView; type: OwnTypeView } = $props();

  const { orders } = $derived(p.session);
  /** From here on what may be as many as is said needs a number. */
  const SO_MANY = 2;
  let asked = $state(false);
  const set = (change: Partial<TypeLook>): void => void orders.setType({ type: type.id, change });

  function show(): void {
    void orders.select({ thing: type.first });
    const at = p.session.scene?.pieces.find((one) => one.id === type.first.id);
    if (at) p.viewport.moveCamera((c) => c.center(at.x, at.y));
  }
</script>

<div class="flex flex-col gap-2 pt-2 pl-5" role="group" aria-label="The type {type.name}">
  <Rename
    value={type.name}
    label="Name of the type {type.name}"
    rename={(name) => orders.rename({ thing: { kind: 'type', id: type.id }, name })}
  />
  <label class="flex items-center justify-between gap-2">
    <span>Builds on</span>
    <select
      class="h-7 min-w-0 rounded-inner border border-line bg-sheet px-1"
      value={type.base}
      onchange={(e) => set({ base: e.currentTarget.value })}
    >
      {#each view.kinds as kind (kind.id)}<option value={kind.id}>{kind.name}</option>{/each}
    </select>
  </label>
  <label class="flex flex-col gap-1">
    <span>What it is for</span>
    <textarea
      class="rounded-inner border border-line bg-sheet px-2 py-1"
      rows="2"
      placeholder={type.says}
      value={type.purpose}
      onchange={(e) => set({ purpose: e.currentTarget.value })}></textarea>
  </label>
  <label class="flex items-center justify-between gap-2">
    <span class="shrink-0">Found by</span>
    <input
      class="h-7 min-w-0 rounded-inner border border-line bg-sheet px-2"
      placeholder="further words"
      value={type.keywords}
      onchange={(e) => set({ keywords: e.currentTarget.value })}
    />
  </label>
  <label class="flex items-center justify-between gap-2">
    <span class="shrink-0">How many</span>
    <select
      class="h-7 min-w-0 rounded-inner border border-line bg-sheet px-1"
      value={type.may}
      onchange={(e) => set({ may: Number(e.currentTarget.value) })}
    >
      {#each view.may as name, i (name)}<option value={i}>{name}</option>{/each}
    </select>
  </label>
  {#if type.may >= SO_MANY}
    <MeasureField measure={MEASURES.typeMost} value={type.most} change={(most) => set({ most: Math.round(most) })} />
  {/if}
  <TypeProperties {p} {view} {type} />
  <div class="border-t border-line pt-1 text-small text-soft">Usual of its pieces</div>
  <Fields
    {p}
    fields={type.fields}
    change={(field, number) => void orders.setTypeField({ type: type.id, field, number })}
    choose={(field, choice) => void orders.setTypeField({ type: type.id, field, choice })}
  />
  <div class="border-t border-line pt-1 text-small text-soft">Pictures</div>
  <PictureFields {p} of={{ type: type.id }} pictures={type.pictures} inHand={view.inHand} />
  {#if type.rules.length > 0}
    <div class="border-t border-line pt-1 text-small text-soft">Rules of each of them</div>
    <ul>
      {#each type.rules as rule (rule.id)}
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
  <div class="flex flex-wrap gap-2">
    <Button label="Add a rule" onclick={() => void addRule(p, { kind: 'type', id: type.id })} />
    {#if type.pieces > 0}<Button label="Show one" onclick={show} />{/if}
    <Button
      label={asked
        ? `Delete it: ${type.pieces === 1 ? '1 piece stays' : `${type.pieces} pieces stay`} as ${type.kind}`
        : 'Delete'}
      onclick={() => {
        if (type.pieces > 0 && !asked) asked = true;
        else void orders.removeType({ type: type.id });
      }}
    />
  </div>
</div>
