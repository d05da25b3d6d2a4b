<script lang="ts">
  import { MEASURES, type PictureView, type Pictured } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';
  import MeasureField from '../ui/MeasureField.svelte';
  import SeenPicture from '../tray/SeenPicture.svelte';

  /** How a piece, or the pieces of a type, are seen: a picture for each state and each side to which they look. */
  interface Props {
    p: Project;
    /** Of what: a piece or a type. */
    of: Omit<Pictured, 'picture'>;
    pictures: PictureView[];
    /** What one can be taken from: what is in the hand, or was before. */
    inHand: string;
    /** Whether it has a type of one's own, which may say it too. */
    typed?: boolean;
  }
  let { p, of, pictures, inHand, typed = false }: Props = $props();

  const { orders } = $derived(p.session);
  const patches = $derived(p.session.scene?.patches ?? []);
  const people = $derived(p.session.scene?.characters.filter((c) => c.strip !== '') ?? []);
  const acts = $derived(p.session.scene?.acts ?? []);
  /** Stands for what it shows already, and is no choice by itself. */
  const IS = 'is';

  const shows = (one: PictureView): string => (one.is !== '' || one.missing ? IS : 'as-it-comes');

  function choose(one: PictureView, chosen: string): void {
    const [source = '', id, act] = chosen.split(' ');
    const named = { ...of, picture: one.name };
    void orders.setPicture(
      id === undefined ? { ...named, shows: source } : { ...named, shows: source, of: id, act: Number(act ?? 0) },
    );
  }

  const look = (one: PictureView, change: { seconds?: number; footX?: number; footY?: number }): void =>
    void orders.setPictureLook({
      ...of,
      picture: one.name,
      seconds: one.seconds,
      footX: one.footX,
      footY: one.footY,
      ...change,
    });
</script>

{#each pictures as one (one.name)}
  <div class="flex items-center gap-2">
    <span
      class="flex size-7 shrink-0 items-center justify-center rounded-inner border {one.missing
        ? 'border-dashed border-rose'
        : 'border-line'}"
    >
      <SeenPicture {p} seen={one.seen} who={one.who} sprite={one.sprite} />
    </span>
    <label class="flex min-w-0 flex-1 items-center justify-between gap-2">
      <span class={one.missing ? 'text-rose-ink' : ''}>{one.label}</span>
      <select
        class="h-7 w-34 shrink-0 rounded-inner border border-line bg-sheet px-1"
        bind:value={() => shows(one), (to) => choose(one, to)}
      >
        {#if shows(one) === IS}<option value={IS}>{one.is === '' ? 'missing' : one.is}</option>{/if}
        <option value="as-it-comes">as it comes</option>
        {#if typed && one.own}<option value="as-its-type">as its type</option>{/if}
        {#if inHand !== ''}<option value="hand">from the hand: {inHand}</option>{/if}
        {#if patches.length > 0}
          <optgroup label="Patches">
            {#each patches as patch (patch.id)}<option value="patch {patch.id}">{patch.name}</option>{/each}
          </optgroup>
        {/if}
        {#each people as who (who.id)}
          <optgroup label={who.name}>
            {#each acts as act, i (act)}<option value="character {who.id} {i}">{who.name} {act}</option>{/each}
          </optgroup>
        {/each}
      </select>
    </label>
  </div>
  {#if one.is !== ''}
    <details class="pl-9">
      <summary class="cursor-pointer text-small text-soft">Frames and foot of “{one.label}”</summary>
      <div class="flex flex-col gap-1 pt-1" role="group" aria-label="Frames and foot of {one.label}">
        {#if one.frames > 0 && inHand !== ''}
          <Button
            label="Add to “{one.label}”: {inHand}"
            onclick={() => void orders.addPictureFrame({ ...of, picture: one.name })}
          />
        {/if}
        {#if one.frames > 1}
          <Button
            label="Take frame {one.frames} of “{one.label}” away"
            onclick={() => void orders.removePictureFrame({ ...of, picture: one.name })}
          />
          <MeasureField
            measure={MEASURES.pictureTime}
            value={one.seconds}
            change={(seconds) => {
              look(one, { seconds });
            }}
          />
        {/if}
        <MeasureField
          measure={MEASURES.pictureRight}
          value={one.footX}
          change={(footX) => {
            look(one, { footX });
          }}
        />
        <MeasureField
          measure={MEASURES.pictureUp}
          value={one.footY}
          change={(footY) => {
            look(one, { footY });
          }}
        />
      </div>
    </details>
  {/if}
{/each}
{#if inHand === ''}
  <p class="text-small text-soft">
    To show tiles, take one or a block of them into the hand first, then come back here.
  </p>
{/if}
