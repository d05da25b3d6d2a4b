<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import Condition from '../conditions/Condition.svelte';
  import type { Project } from '../project.svelte';
  import CommandButton from '../ui/CommandButton.svelte';
  import Fields from './Fields.svelte';
  import SlipSheet from './SlipSheet.svelte';

  let { p }: { p: Project } = $props();

  const chosen = $derived(p.session.state?.chosen ?? null);
  const shown = $derived(
    chosen !== null &&
      p.shell.slipShown &&
      !p.viewport.pointer?.busy &&
      !p.session.state?.playing &&
      ['nothing', 'choose'].includes(p.session.state?.holding ?? ''),
  );
  const layer = $derived(p.session.mapView(chosen?.map ?? null)?.layers.find((l) => l.current)?.name ?? '');
  const actions: [string, string][] = [
    ['fill-cells', 'Fill'],
    ['mirror', 'Mirror ⇆'],
    ['mirror-down', 'Mirror ⇅'],
    ['turn', 'Turn'],
    ['copy', 'Copy'],
    ['cut', 'Cut'],
    ['duplicate', 'Duplicate'],
    ['keep-patch', 'Keep as a patch'],
    ['make-area', 'Make an area'],
    ['reskin', 'Re-skin'],
  ];
</script>

{#if chosen && shown}
  <SlipSheet {p} about={chosen.box} label="Slip of the selected cells" back>
    <div class="flex items-start gap-2">
      <div class="min-w-0 flex-1 name text-title">{chosen.w} × {chosen.h} cells</div>
      <button class="self-center text-soft" aria-label="Select nothing" onclick={() => p.session.orders.selectNoCells()}
        ><X size={14} /></button
      >
    </div>
    <div class="-mt-2 text-soft">
      {#if chosen.cells !== chosen.w * chosen.h}{chosen.cells} of them selected ·
      {/if}{p.session.state?.through ? 'all layers that are shown' : layer}
    </div>
    <div class="flex flex-wrap gap-1.5">
      <CommandButton {p} id="through" pressed={p.session.state?.through ?? false} />
      {#each actions as [id, label] (id)}
        <CommandButton {p} {id} {label} />
      {/each}
      <button
        class="h-7 rounded-inner border border-line px-3 text-rose-ink hover:bg-shelf"
        onclick={() => p.session.orders.deleteSelected()}
        >Erase {chosen.cells === 1 ? 'the cell' : `${chosen.cells} cells`}</button
      >
    </div>
    {#if chosen.pieces}
      <div
        class="flex flex-col gap-1 border-t border-line pt-2"
        role="group"
        aria-label="The pieces among them"
        data-together
      >
        <div class="text-soft">{chosen.pieces.says}</div>
        <Fields
          {p}
          fields={chosen.pieces.fields}
          change={(field, number) => void p.session.orders.setFieldOfSelected({ field, number })}
          choose={(field, choice) => void p.session.orders.setFieldOfSelected({ field, choice })}
        />
        {#each chosen.pieces.conditions as condition (condition.name)}
          <Condition
            {p}
            {condition}
            home=""
            fresh={false}
            change={(to) => p.session.orders.setConditionOfSelected({ property: condition.name, condition: to })}
          />
        {/each}
      </div>
    {/if}
  </SlipSheet>
{/if}
