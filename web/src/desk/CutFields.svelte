<script lang="ts">
  import { MEASURES, type Cut, type Sheet } from '../core/types.gen';
  import NumberField from '../ui/NumberField.svelte';
  import Button from '../ui/Button.svelte';

  interface Props {
    cut: Cut;
    opened: Sheet;
    picking: boolean;
  }
  let { cut = $bindable(), opened, picking = $bindable() }: Props = $props();

  const SCALES: [number, string][] = [
    [0, 'to the project’s cell'],
    [1, 'as they are'],
    [2, '2 times larger'],
    [3, '3 times larger'],
    [4, '4 times larger'],
    [-2, '2 times smaller'],
    [-3, '3 times smaller'],
    [-4, '4 times smaller'],
  ];
  const cropped = $derived(cut.crop.w > 0 && cut.crop.h > 0);
  const colour = $derived(`#${cut.key.toString(16).padStart(6, '0')}`);
</script>

<div class="flex gap-3">
  <NumberField measure={MEASURES.tileW} bind:value={cut.w} />
  <NumberField measure={MEASURES.tileH} bind:value={cut.h} />
</div>
<div class="flex gap-3">
  <NumberField measure={MEASURES.margin} bind:value={cut.margin} />
  <NumberField measure={MEASURES.spacing} bind:value={cut.spacing} />
</div>
<div class="flex gap-3">
  <NumberField measure={MEASURES.offsetX} bind:value={cut.offsetX} />
  <NumberField measure={MEASURES.offsetY} bind:value={cut.offsetY} />
</div>
<label class="flex flex-col gap-1">
  <span>Tiles are scaled</span>
  <select bind:value={cut.scale} class="h-7 rounded-inner border border-line bg-sheet px-2">
    {#each SCALES as [value, name] (value)}<option {value}>{name}</option>{/each}
  </select>
</label>
<div class="flex flex-wrap items-center gap-2">
  <Button label="See-through colour" pressed={picking} onclick={() => (picking = !picking)} />
  {#if cut.keyed}
    <span class="inline-block size-5 rounded-sm border border-line" style:background={colour} title={colour}></span>
    <Button label="None" onclick={() => (cut = { ...cut, keyed: false, key: 0 })} />
  {/if}
</div>
{#if picking}<p class="text-small text-soft">Click the colour in the picture that is to be see-through.</p>{/if}
{#if cropped}
  <div class="flex flex-wrap items-center gap-2">
    <span class="text-soft figures">
      only {cut.crop.w} × {cut.crop.h} px of {opened.width} × {opened.height}
    </span>
    <Button label="All of it" onclick={() => (cut = { ...cut, crop: { x: 0, y: 0, w: 0, h: 0 } })} />
  </div>
{/if}
