<script lang="ts">
  import { RadioGroup } from 'bits-ui';
  import type { Project } from '../project.svelte';
  import { MAP_VIEWS, MEASURES, OWN_TYPES, type MapLook, type MapView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import MapPicture from './MapPicture.svelte';
  import MapHere from './MapHere.svelte';
  import NumberField from '../ui/NumberField.svelte';

  let { p, map }: { p: Project; map: MapView } = $props();

  const ANCHORS = [
    'upper left',
    'top',
    'upper right',
    'left',
    'middle',
    'right',
    'lower left',
    'bottom',
    'lower right',
  ];
  let columns = $state(0);
  let rows = $state(0);
  let anchor = $state(0);
  let inScreens = $state(false);
  $effect(() => {
    columns = map.columns;
    rows = map.rows;
  });
  const resized = $derived(columns !== map.columns || rows !== map.rows);
  /** What resizing would take away, asked while the numbers stand there. */
  const lost = $derived(resized ? p.session.ask.lossOf({ map: map.id, columns, rows, anchor }) : '');

  const look = $derived(p.session.asAsked(map.id, map.look));
  const set = (change: Partial<MapLook>): void =>
    void p.session.setting(map.id, change, p.session.orders.setMap({ map: map.id, change }));

  const own = (id: string): string => look.own.find((v) => v.id === id)?.value ?? '';
  const setOwn = (id: string, value: string): void =>
    set({ own: [...look.own.filter((v) => v.id !== id), ...(value ? [{ id, value }] : [])] });
</script>

<details>
  <summary class="cursor-pointer">Size and place</summary>
  <div class="mt-2 flex flex-col gap-2">
    <div class="flex gap-2">
      <NumberField measure={MEASURES.width} bind:value={columns} />
      <NumberField measure={MEASURES.height} bind:value={rows} />
    </div>
    <div class="flex items-center gap-2">
      <RadioGroup.Root
        class="grid grid-cols-3 gap-0.5"
        aria-label="What stays where it is"
        value={String(anchor)}
        onValueChange={(chosen) => (anchor = Number(chosen))}
      >
        {#each ANCHORS as name, i (name)}
          <RadioGroup.Item
            value={String(i)}
            class="size-6 rounded-inner border {anchor === i
              ? 'border-saffron bg-saffron-button'
              : 'border-line bg-sheet'}"
            aria-label={name}
            title="{name} stays"
          />
        {/each}
      </RadioGroup.Root>
      <span class="min-w-0 flex-1 text-small text-soft">{ANCHORS[anchor]} stays where it is</span>
      <Button
        label="Screens"
        pressed={inScreens}
        onclick={() => {
          inScreens = !inScreens;
          ({ columns, rows } = p.session.ask.wholeScreens({ columns, rows }));
        }}
      />
    </div>
    {#if lost}<p class="text-small text-rose-ink" role="alert">Cuts off {lost}.</p>{/if}
    {#if resized}
      <span
        ><Button
          label="Make it {columns} × {rows} cells"
          onclick={() => p.session.orders.resizeMap({ map: map.id, columns, rows, anchor })}
        /></span
      >
    {/if}
    <p class="text-small text-soft">Or drag an edge or corner on the board; with Shift it pushes its neighbours.</p>
  </div>
</details>
<label class="flex items-center justify-between gap-2">
  <span>Seen</span>
  <select
    class="h-7 rounded-inner border border-line bg-sheet px-1"
    value={look.view}
    onchange={(e) => set({ view: Number(e.currentTarget.value) })}
  >
    {#each MAP_VIEWS as name, value (value)}<option {value}>{name}</option>{/each}
  </select>
</label>
<details>
  <summary class="cursor-pointer">Edges</summary>
  <div class="mt-2 grid grid-cols-2 gap-2">
    {#each p.session.scene?.sides ?? [] as side, i (side)}
      <label class="flex flex-col gap-1">
        <span>{side}</span>
        <select
          class="h-7 rounded-inner border border-line bg-sheet px-1"
          value={look.edges[i]}
          onchange={(e) => set({ edges: look.edges.map((v, k) => (k === i ? Number(e.currentTarget.value) : v)) })}
        >
          {#each p.session.scene?.edges ?? [] as name, value (value)}<option {value}>{name}</option>{/each}
        </select>
      </label>
    {/each}
  </div>
</details>
<MapHere {p} {map} {look} {set} />
<details>
  <summary class="cursor-pointer">Background</summary>
  <div class="mt-2 flex flex-wrap items-end gap-2">
    {#each [['top', 'Colour'], ['bottom', 'Runs to']] as const as [which, label] (which)}
      <label class="flex flex-col gap-1">
        <span>{label}</span>
        <input
          type="color"
          class="h-7 w-16 rounded-inner border border-line bg-sheet px-1"
          value={look[which] || '#808080'}
          disabled={which === 'bottom' && look.top === ''}
          onchange={(e) => set({ [which]: e.currentTarget.value })}
        />
      </label>
    {/each}
    <Button label="None" disabled={look.top === ''} onclick={() => set({ top: '', bottom: '' })} />
  </div>
</details>
<details>
  <summary class="cursor-pointer">Picture</summary>
  <MapPicture {p} {map} />
</details>
<details>
  <summary class="cursor-pointer">Notes and keywords</summary>
  <div class="mt-2 flex flex-col gap-2">
    <label class="flex flex-col gap-1">
      <span>Notes</span>
      <textarea
        class="min-h-16 rounded-inner border border-line bg-sheet px-2 py-1"
        value={look.notes}
        onchange={(e) => set({ notes: e.currentTarget.value })}></textarea>
    </label>
    <label class="flex flex-col gap-1">
      <span>Keywords</span>
      <input
        class="h-7 rounded-inner border border-line bg-sheet px-2"
        value={look.keywords}
        onchange={(e) => set({ keywords: e.currentTarget.value })}
      />
    </label>
    {#each p.session.scene?.own ?? [] as property (property.id)}
      <label class="flex flex-col gap-1">
        <span>{property.name}</span>
        <input
          class="h-7 rounded-inner border border-line bg-sheet px-2"
          placeholder={OWN_TYPES[property.type]}
          value={own(property.id)}
          onchange={(e) => setOwn(property.id, e.currentTarget.value)}
        />
      </label>
    {/each}
  </div>
</details>
