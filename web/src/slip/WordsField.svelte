<script lang="ts">
  import { TriangleAlert } from '@lucide/svelte';
  import { onDestroy } from 'svelte';
  import type { Project } from '../project.svelte';
  import Picture from '../ui/Picture.svelte';
  import { unit } from '../ui/unit';

  /** What the player reads: typed, and shown as they will see it, in the game's own box and letters. */
  interface Props {
    p: Project;
    /** Which it is among those of a slip. */
    name: string;
    label: string;
    help?: string;
    /** What is kept, null where several pieces differ in it. */
    typed: string | null;
    /** Whether it is an answer, which is one line. */
    line?: boolean;
    change: (text: string) => void;
  }
  let { p, name, label, help, typed, line = false, change }: Props = $props();

  /** How wide the picture may be, in units of the letters' size. */
  const ROOM = 16.5;

  let area: HTMLTextAreaElement | undefined = $state();
  /** What is typed and not yet kept; null while nothing is. */
  let typing: string | null = $state(null);
  let page = $state(0);
  let fills: string[] = $state.raw([]);

  const kept = $derived(typed ?? '');
  const text = $derived(typing ?? kept);
  const { ask } = $derived(p.session);
  // What facts are called, and how large the box is, may change meanwhile.
  const check = $derived((void p.session.scene, ask.checkWords({ typed: text, line })));
  const shown = $derived(Math.min(page, Math.max(0, check.pages - 1)));
  const image = $derived(
    (void p.session.scene, check.pages > 0 ? ask.wordsPicture({ typed: text, page: shown }) : null),
  );
  const scale = $derived(image ? Math.max(1, Math.floor((ROOM * unit()) / image.width)) : 1);

  /** Shows the page in which the cursor is. */
  function follow(): void {
    if (area) page = Math.max(0, ask.checkWords({ typed: text.slice(0, area.selectionStart) }).pages - 1);
  }

  function keep(): void {
    // What can't be kept stays as it is typed, with what is wrong below it.
    if (check.refused) return;
    if (typing !== null && typing !== kept) change(typing);
    typing = null;
  }

  // What is typed is kept too when the field goes while one is in it.
  onDestroy(keep);

  function fill(name: string): void {
    if (!area) return;
    area.setRangeText(`{${name}}`, area.selectionStart, area.selectionEnd, 'end');
    typing = area.value;
    follow();
    keep();
    area.focus();
  }
</script>

<div class="flex flex-col gap-1" data-words={name}>
  <div class="flex items-center justify-between gap-2" title={help}>
    <label for="words-{name}">{label}</label>
    <select
      class="h-7 min-w-0 rounded-inner border border-line bg-sheet px-1 text-soft"
      aria-label="{label}: fill in a fact or an item"
      value=""
      onfocus={() => (fills = ask.fillings())}
      onpointerdown={() => (fills = ask.fillings())}
      onchange={(e) => {
        fill(e.currentTarget.value);
        e.currentTarget.value = '';
      }}
    >
      <option value="">Fill in …</option>
      {#each fills as name (name)}<option value={name}>{name}</option>{:else}<option value="" disabled
          >There is no fact or item yet</option
        >{/each}
    </select>
  </div>
  <textarea
    bind:this={area}
    id="words-{name}"
    class="min-h-17 w-full resize-y rounded-inner border border-line bg-sheet px-1.5 py-1"
    rows="3"
    placeholder={typed === null ? 'differs' : 'What the player reads'}
    value={text}
    oninput={(e) => {
      typing = e.currentTarget.value;
      follow();
    }}
    onselect={follow}
    onkeyup={follow}
    onclick={follow}
    onchange={keep}></textarea>
  {#if image}
    <div class="flex justify-center" data-box>
      <Picture {image} width={image.width * scale} height={image.height * scale} />
    </div>
    {#if check.pages > 1}
      <div class="flex items-center justify-center gap-2 text-small text-soft figures">
        <button
          class="rounded-inner px-1.5 hover:bg-shelf disabled:opacity-40"
          aria-label="Page before"
          disabled={shown === 0}
          onclick={() => (page = shown - 1)}>‹</button
        >
        page {shown + 1} of {check.pages}
        <button
          class="rounded-inner px-1.5 hover:bg-shelf disabled:opacity-40"
          aria-label="Page after"
          disabled={shown === check.pages - 1}
          onclick={() => (page = shown + 1)}>›</button
        >
      </div>
    {/if}
  {/if}
  {#each check.wrong as wrong (wrong)}
    <p class="flex gap-1.5 text-small text-rose-ink" role="status">
      <TriangleAlert size={14} class="mt-0.5 shrink-0" aria-hidden="true" />{wrong}
    </p>
  {/each}
</div>
