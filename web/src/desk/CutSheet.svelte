<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { fetchBlob, takePicture } from '../core/api';
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import { PICTURE_BYTES, type Apart, type Comparison, type Cut, type Parts, type Sheet } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import CellOffer from './CellOffer.svelte';
  import CutCanvas from './CutCanvas.svelte';
  import CutGuess from './CutGuess.svelte';
  import CutFields from './CutFields.svelte';
  import CutPreview from './CutPreview.svelte';
  import { Cutter } from './cutter';
  import MapParts from './MapParts.svelte';
  import NewerTiles from './NewerTiles.svelte';

  interface Props {
    p: Project;
    file: File;
    /** How many more pictures wait. */
    waiting: number;
    taken: (strip: string) => void;
    giveUp: () => void;
    show: (tileset: string) => void;
    /** The tileset in whose place the picture is to come, if it is a newer one. */
    replaces: Tileset | null;
  }
  let { p, file, waiting, taken, giveUp, show, replaces }: Props = $props();

  const cutter = new Cutter();
  let bitmap = $state.raw<ImageBitmap | null>(null);
  let opened = $state.raw<Sheet | null>(null);
  let sheet = $state.raw<Sheet | null>(null);
  let error = $state('');
  let busy = $state(false);
  let picking = $state(false);
  let seen = $state({ column: 0, row: 0 });
  let comparison = $state.raw<Comparison | null>(null);
  /** How the picture is taken apart, if it is a finished map. */
  let apart = $state.raw<Apart | null>(null);
  let parts = $state.raw<Parts | null>(null);
  let name = $state(untrack(() => replaces?.name ?? file.name.replace(/\.[^.]*$/, '').replace(/[-_]+/g, ' ')));
  const none: Cut = {
    ...{ w: 16, h: 16, margin: 0, spacing: 0, offsetX: 0, offsetY: 0 },
    ...{ crop: { x: 0, y: 0, w: 0, h: 0 }, keyed: false, key: 0, scale: 0 },
  };
  let cut = $state<Cut>(none);

  const known = $derived(p.session.tilesets.find((t) => opened && t.picture === opened.sum) ?? null);
  const guessed = $derived(
    opened !== null &&
      (['w', 'h', 'margin', 'spacing', 'offsetX', 'offsetY'] as const).every((k) => cut[k] === opened?.guess[k]),
  );

  const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;

  async function open(): Promise<void> {
    if (file.size > PICTURE_BYTES) {
      error = `The file has ${Math.ceil(file.size / 2 ** 20)} MB; the most is ${PICTURE_BYTES / 2 ** 20} MB. Make the picture smaller or cut it in parts.`;
      return;
    }
    const { cellW, cellH } = p.session.scene?.project ?? { cellW: 16, cellH: 16 };
    const first = await cutter.open(await file.arrayBuffer(), cellW, cellH);
    if (first.error) {
      error = sentence(first.error);
      return;
    }
    bitmap = await createImageBitmap(file, { premultiplyAlpha: 'none', colorSpaceConversion: 'none' });
    cut = { ...(replaces?.cut ?? first.guess) };
    opened = first;
  }

  const fail = (failure: unknown): void => {
    error = sentence(failure instanceof Error ? failure.message.replace(/\.$/, '') : String(failure));
  };

  onMount(() => {
    open().catch(fail);
    return () => cutter.end();
  });

  const number = (v: number | null): number => (Number.isFinite(v) ? Math.trunc(v ?? 0) : 0);
  /** The cut with whole numbers, also while they are typed. */
  const whole = $derived.by(() => {
    const of: Cut = { ...cut, crop: { ...cut.crop } };
    for (const k of ['w', 'h', 'margin', 'spacing', 'offsetX', 'offsetY'] as const) of[k] = number(cut[k]);
    return of;
  });
  let asked = 0;
  $effect(() => {
    if (!opened) return;
    const wanted = whole;
    const mine = ++asked;
    const how = apart;
    cutter.cut(wanted).then((answer) => {
      if (mine !== asked) return;
      sheet = answer;
      error = answer.error ? sentence(answer.error) : '';
      if (replaces && !answer.error) compare(replaces.strip, wanted, mine).catch(fail);
      if (how && !answer.error) takeApart(wanted, how, mine).catch(fail);
    }, fail);
  });

  async function compare(strip: string, wanted: Cut, mine: number): Promise<void> {
    const answer = await cutter.compare(await fetchBlob(p.session.id, strip), wanted);
    if (mine === asked) comparison = answer;
  }

  async function takeApart(wanted: Cut, how: Apart, mine: number): Promise<void> {
    const answer = await cutter.apart(wanted, how);
    if (mine !== asked) return;
    parts = answer;
    error = answer.error ? sentence(answer.error) : '';
  }

  async function take(): Promise<void> {
    busy = true;
    try {
      const answer = await takePicture(p.session.id, file, cut, apart);
      const what = { name, ...answer, cut };
      const { orders } = p.session;
      const { refused } = await (replaces && comparison
        ? orders.replaceTileset({ tileset: replaces.id, to: comparison.to, taken: what })
        : apart
          ? orders.rebuildMap({ taken: what })
          : orders.makeTileset({ taken: what }));
      // What was refused stays on the desk, to be set right.
      if (refused === '') taken(answer.strip);
    } catch (failure) {
      fail(failure);
    } finally {
      busy = false;
    }
  }

  let w = $state(0);
  let h = $state(0);
</script>

<div class="flex min-h-0 flex-1">
  <!-- It takes the focus so that it can be scrolled by keyboard. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div
    class="min-w-0 flex-1 overflow-auto bg-board p-4"
    role="region"
    aria-label="The picture on the desk"
    tabindex="0"
    bind:clientWidth={w}
    bind:clientHeight={h}
  >
    {#if opened && bitmap}
      <CutCanvas
        {p}
        {bitmap}
        {opened}
        {sheet}
        cut={whole}
        {picking}
        room={{ w: w - 32, h: h - 32 }}
        change={(to) => (cut = to)}
        picked={(key) => {
          cut = { ...cut, keyed: true, key };
          picking = false;
        }}
        over={(column, row) => {
          if (column >= 0 && row >= 0 && column < (sheet?.columns ?? 0) && row < (sheet?.rows ?? 0))
            seen = { column, row };
        }}
      />
    {:else if !error}
      <p class="text-soft" role="status">Reading the picture …</p>
    {/if}
  </div>
  <form
    class="flex w-132 shrink-0 flex-col border-l border-line max-lg:w-96"
    aria-label="The cut"
    novalidate
    onsubmit={(e) => {
      e.preventDefault();
      void take();
    }}
  >
    <div class="flex min-h-0 flex-1 gap-4 overflow-auto p-3">
      {#if opened && bitmap}
        <div class="flex w-60 shrink-0 flex-col gap-2 max-lg:w-44">
          {#if known && !replaces}
            <div class="rounded-inner bg-shelf p-2" role="status">
              <p class="mb-1.5">This picture is here already, as {known.name}.</p>
              <Button label="Lay {known.name} on the desk" onclick={() => show(known.id)} />
            </div>
          {/if}
          <CutGuess {cut} {opened} {guessed} back={() => (cut = { ...(opened?.guess ?? none) })} />
          {#if !replaces && !apart && sheet && !sheet.error}<CellOffer {p} {cut} />{/if}
          <label class="flex flex-col gap-1"
            ><span>Name</span><input
              bind:value={name}
              class="h-7 rounded-inner border border-line bg-sheet px-2"
            /></label
          >
          {#if replaces && comparison}
            <NewerTiles {p} set={replaces} {comparison} />
          {:else if !replaces}
            <MapParts {apart} {parts} change={(to) => (apart = to)} />
            <CutPreview {p} {bitmap} {cut} column={seen.column} row={seen.row} />
          {/if}
        </div>
        <div class="flex min-w-0 flex-1 flex-col gap-2">
          <CutFields bind:cut bind:picking {opened} />
          <p class="text-soft figures">
            {opened.width} × {opened.height} px{#if sheet && !sheet.error}: {sheet.columns} × {sheet.rows} tiles{#if sheet.empty > 0},
                {sheet.empty}
                empty left out{/if}{/if}
          </p>
          {#if opened.oneColour}<p class="text-soft">
              All of this picture has one colour, so its tiles look alike.
            </p>{/if}
          {#if opened.profile}
            <p class="text-soft">
              The file has a colour profile, which is left out: colours are taken as they are written.
            </p>
          {/if}
        </div>
      {/if}
    </div>
    <div class="flex flex-wrap items-center gap-2 border-t border-line px-3 py-2">
      {#if error}<p class="basis-full text-rose-ink" role="alert">{error}</p>{/if}
      {#if opened}
        <Button
          label={replaces
            ? `Put it in the place of ${replaces.name}`
            : apart
              ? 'Make map and tileset'
              : sheet && !sheet.error
                ? `Take ${sheet.tiles} tiles`
                : 'Take the tiles'}
          type="submit"
          main
          disabled={busy ||
            !sheet ||
            sheet.error !== '' ||
            name.trim() === '' ||
            (replaces !== null && !comparison) ||
            (apart !== null && (!parts || parts.error !== ''))}
        />
      {/if}
      <Button label={waiting > 0 ? 'Leave this one out' : 'Another picture'} onclick={giveUp} />
    </div>
  </form>
</div>
