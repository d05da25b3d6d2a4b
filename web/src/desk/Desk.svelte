<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Project } from '../core/project.svelte';
  import CutSheet from './CutSheet.svelte';
  import SolidSheet from './SolidSheet.svelte';

  let { p }: { p: Project } = $props();

  let file: File | null = $state.raw(null);
  const set = $derived(p.scene?.tilesets.find((t) => t.id === p.desk) ?? null);

  $effect(() => {
    if (!p.dropped) return;
    file = p.dropped;
    p.dropped = null;
  });

  /** The tileset that a picture became lies on the desk next. */
  function taken(strip: string): void {
    file = null;
    const fresh = p.scene?.tilesets.at(-1);
    if (fresh && strip) p.desk = fresh.id;
  }

  function close(): void {
    p.opened = 'nothing';
    document.querySelector<HTMLElement>('[data-board]')?.focus();
  }
</script>

<section class="relative z-10 flex h-84 shrink-0 flex-col border-t border-line bg-sheet" aria-label="Desk">
  <div class="flex items-center gap-3 border-b border-line px-3 py-1.5">
    <h2 class="name">Desk</h2>
    <span class="text-soft">
      {#if file}{file.name}{:else if set}{set.name}: paint what is solid{:else}bring in a tileset{/if}
    </span>
    <button class="ml-auto text-soft" aria-label="Close the desk" onclick={close}><X size={16} /></button>
  </div>
  {#if file}
    {#key file}<CutSheet {p} {file} {taken} giveUp={() => (file = null)} />{/key}
  {:else if set}
    {#key set.id}<SolidSheet {p} {set} />{/key}
  {:else}
    <div class="grid flex-1 place-items-center">
      <div class="max-w-100 text-center">
        <p class="mb-3">
          A tileset is a picture cut into tiles. Drop a PNG picture here, or choose one; then say how large a tile is.
          Nothing is taken before you have seen the cut.
        </p>
        <label
          class="inline-flex h-7 cursor-pointer items-center rounded-inner bg-saffron-button px-3 font-semibold text-on-saffron"
        >
          Choose a picture
          <input
            type="file"
            accept="image/png,.png"
            class="sr-only"
            onchange={(e) => {
              file = e.currentTarget.files?.[0] ?? null;
              e.currentTarget.value = '';
            }}
          />
        </label>
      </div>
    </div>
  {/if}
</section>
