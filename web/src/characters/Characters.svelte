<script lang="ts">
  import { takeSheet } from '../core/api';
  import type { Project } from '../project.svelte';
  import { PICTURE_BYTES } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Rename from '../ui/Rename.svelte';
  import Begins from './Begins.svelte';
  import BodyEditor from './BodyEditor.svelte';
  import PoseRow from './PoseRow.svelte';
  import { addRule } from '../rules/opening';

  let { p }: { p: Project } = $props();

  /** Who is set up: the one chosen, else the one who is played. */
  let chosen = $state('');
  let error = $state('');
  const characters = $derived(p.session.scene?.characters ?? []);
  const open = $derived(
    characters.find((c) => c.id === chosen) ?? characters.find((c) => c.played) ?? characters[0] ?? null,
  );
  let frameW = $state(0);
  let frameH = $state(0);
  $effect(() => {
    frameW = open?.w ?? 0;
    frameH = open?.h ?? 0;
  });
  let last: File | null = $state.raw(null);

  /** Takes a sheet in, for somebody new or for one who is there; cut as it is guessed, or by the size of a frame. */
  async function take(file: File, id: string, w = 0, h = 0): Promise<void> {
    error = '';
    if (file.size > PICTURE_BYTES) {
      error = `The file has ${Math.ceil(file.size / 2 ** 20)} MB; the most is ${PICTURE_BYTES / 2 ** 20} MB.`;
      return;
    }
    last = file;
    try {
      const sheet = await takeSheet(p.session.id, file, w, h);
      const name = file.name.replace(/\.[^.]*$/, '').replace(/[-_]+/g, ' ');
      const { made } = await p.session.orders.takeSheet({ character: id, sheet: { name, ...sheet } });
      if (id === '') chosen = made[0] ?? '';
    } catch (failure) {
      error = (failure as Error).message;
    }
  }
</script>

{#snippet choose(label: string, id: string)}
  <label class="inline-flex h-7 cursor-pointer items-center rounded-inner border border-line px-3 hover:bg-shelf">
    {label}
    <input
      type="file"
      accept="image/png,image/gif,image/jpeg,image/webp,image/bmp"
      class="sr-only"
      onchange={(e) => {
        const file = e.currentTarget.files?.[0];
        e.currentTarget.value = '';
        if (file) void take(file, id);
      }}
    />
  </label>
{/snippet}

<ul class="flex flex-col gap-1">
  {#each characters as c (c.id)}
    <li class="flex items-center gap-2">
      <button
        class="min-w-0 flex-1 truncate rounded-inner px-2 py-1 text-left {open?.id === c.id
          ? 'bg-held'
          : 'hover:bg-shelf'}"
        aria-pressed={open?.id === c.id}
        onclick={() => (chosen = c.id)}>{c.name}</button
      >
      <Button
        label={c.played ? 'The player' : 'Use as player'}
        pressed={c.played}
        onclick={() => p.session.orders.useAsPlayer({ character: c.played ? '' : c.id })}
      />
    </li>
  {/each}
</ul>
<div class="flex flex-wrap gap-2">{@render choose('Import a sheet', '')}</div>
{#if characters.length === 0}
  <p class="text-small text-soft">
    A sheet is a picture with the frames of somebody who moves, in rows. The rows are proposed by their number, and can
    be set.
  </p>
{/if}
{#if error}<p class="text-rose-ink" role="alert">{error}</p>{/if}
{#if open}
  <div class="border-t border-line pt-2 name text-title">
    <Rename
      value={open.name}
      label="Name of this character"
      rename={(text) => p.session.orders.rename({ thing: { kind: 'character', id: open.id }, name: text })}
    />
  </div>
  {#if open.strip}
    <div class="flex flex-col gap-1" role="group" aria-label="What the rows of its sheet show">
      {#each open.poses as pose, row (row)}
        <PoseRow
          {p}
          character={open}
          {pose}
          {row}
          set={(to) =>
            p.session.orders.setPose({
              character: open.id,
              row,
              act: pose.act,
              facing: pose.facing,
              ticks: pose.ticks,
              ...to,
            })}
        />
      {/each}
    </div>
    {#key open.id + open.strip}<BodyEditor {p} character={open} />{/key}
  {/if}
  <Begins {p} character={open} />
  <div>
    <Button label="Add a rule for {open.name}" onclick={() => void addRule(p, { kind: 'character', id: open.id })} />
  </div>
  <div class="flex flex-wrap items-center gap-2">
    {@render choose(open.strip ? 'Another sheet' : 'Give it a sheet', open.id)}
    {#if last && open.strip}
      <span class="flex items-center gap-1">
        <input
          type="number"
          class="h-7 w-14 rounded-inner border border-line bg-sheet px-1 figures"
          aria-label="Width of a frame, in px"
          bind:value={frameW}
        />×<input
          type="number"
          class="h-7 w-14 rounded-inner border border-line bg-sheet px-1 figures"
          aria-label="Height of a frame, in px"
          bind:value={frameH}
        />
        <Button label="Use this cut" onclick={() => last && void take(last, open.id, frameW, frameH)} />
      </span>
    {/if}
    {#if !open.played}
      <Button label="Delete" onclick={() => p.session.orders.delete({ thing: { kind: 'character', id: open.id } })} />
    {/if}
  </div>
{/if}
