<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { fetchBlob } from '../core/api';
  import type { Tileset } from '../core/tilesets';
  import type { Project } from '../project.svelte';
  import Button from '../ui/Button.svelte';
  import { givesBack } from '../ui/givesBack';
  import RulesDesk from '../rules/RulesDesk.svelte';
  import BondDesk from './BondDesk.svelte';
  import ColoursDesk from './ColoursDesk.svelte';
  import CutSheet from './CutSheet.svelte';
  import MedleyDesk from './MedleyDesk.svelte';
  import ReskinDesk from './ReskinDesk.svelte';
  import TileDesk from './TileDesk.svelte';

  let { p }: { p: Project } = $props();

  /** Pictures that were brought in at once; the first lies on the desk. */
  let files: File[] = $state.raw([]);
  let all = $state(0);
  const file = $derived(files[0] ?? null);
  const rules = $derived(p.shell.desk.kind === 'rules' ? p.shell.desk : null);
  const lies = $derived(
    'id' in p.shell.desk && p.shell.desk.kind !== 'newer' && p.shell.desk.kind !== 'rules' ? p.shell.desk : null,
  );
  const medley = $derived(lies?.kind === 'medley' ? p.session.scene?.medleys.find((m) => m.id === lies.id) : null);
  const bond = $derived(lies?.kind === 'bond' ? (p.session.scene?.bonds.find((b) => b.id === lies.id) ?? null) : null);
  const proposal = $derived(p.shell.desk.kind === 'proposal' ? p.shell.desk.proposal : null);
  const set = $derived(lies?.kind === 'tileset' ? p.session.tilesets.find((t) => t.id === lies.id) : null);
  /** The tileset in whose place the next picture is to come. */
  const replaces = $derived.by(() => {
    const { desk } = p.shell;
    return desk.kind === 'newer' ? (p.session.tilesets.find((t) => t.id === desk.id) ?? null) : null;
  });
  const what = $derived.by(() => {
    if (replaces) return `a newer picture in the place of ${replaces.name}`;
    if (medley) return `${medley.name}: a medley`;
    if (bond) return `${bond.name}: a bond`;
    if (rules) return 'rules: what happens, and when';
    if (p.shell.desk.kind === 'reskin') return 're-skin';
    if (p.shell.desk.kind === 'colours') return 'a map of a picture’s colours';
    if (proposal) return 'a bond, proposed from its tiles’ pixels';
    return set ? `${set.name}: what its tiles do` : 'import a tileset';
  });

  $effect(() => {
    if (p.shell.dropped.length === 0 || p.shell.desk.kind === 'colours') return;
    bring(p.shell.dropped);
    p.shell.dropped = [];
  });

  function bring(list: File[]): void {
    files = list;
    all = list.length;
  }

  /** The same picture, to be cut another way. */
  async function again(set: Tileset): Promise<void> {
    try {
      const bytes = await fetchBlob(p.session.id, set.picture);
      bring([new File([new Uint8Array(bytes)], set.name)]);
    } catch (failure) {
      p.session.say((failure as Error).message);
    }
  }

  /** The tileset that a picture became lies on the desk next. */
  function taken(strip: string): void {
    files = files.slice(1);
    const fresh = p.session.tilesets.at(-1);
    if (fresh && strip) p.shell.desk = { kind: 'tileset', id: fresh.id };
  }

  function close(): void {
    p.shell.opened = 'nothing';
  }
</script>

<section
  use:givesBack
  class="flex {rules ? 'h-104' : 'h-84'} max-h-[60%] shrink-0 flex-col border-t border-line bg-sheet"
  aria-label="Desk"
>
  <div class="flex items-center gap-3 border-b border-line px-3 py-1.5">
    <h2 class="name">Desk</h2>
    <span class="text-soft">
      {#if file}{file.name}{#if all > 1}, picture {all - files.length + 1} of {all}{/if}{:else}{what}{/if}
    </span>
    {#if files.length > 1}
      <button class="text-lagoon-ink underline" onclick={() => (files = files.slice(0, 1))}>Stop after this one</button>
    {/if}
    <button class="ml-auto text-soft" aria-label="Close the desk" onclick={close}><X size={16} /></button>
  </div>
  <div class="flex min-h-0 flex-1 flex-col overflow-x-auto *:min-w-160">
    {#if file}
      {#key file}
        <CutSheet
          {p}
          {file}
          waiting={files.length - 1}
          {taken}
          giveUp={() => (files = files.slice(1))}
          {replaces}
          show={(id) => {
            files = files.slice(1);
            p.shell.desk = { kind: 'tileset', id };
          }}
        />
      {/key}
    {:else if medley}
      {#key medley.id}<MedleyDesk {p} {medley} />{/key}
    {:else if rules}
      <RulesDesk {p} id={rules.id} part={rules.part ?? ''} />
    {:else if p.shell.desk.kind === 'colours'}
      <ColoursDesk {p} />
    {:else if p.shell.desk.kind === 'reskin'}
      <ReskinDesk {p} />
    {:else if bond || proposal}
      {#key bond?.id ?? proposal}<BondDesk {p} {bond} {proposal} />{/key}
    {:else if set}
      {#key set.id}<TileDesk {p} {set} />{/key}
    {:else}
      <div class="grid flex-1 place-items-center">
        <div class="max-w-100 text-center">
          {#if replaces}
            <p class="mb-3">
              Lay the newer picture here: its tiles are found by their pixels, wherever they moved, and every map
              follows. You see what changed before anything is done.
            </p>
            <p class="mb-3"><Button label="Cut the same picture again" onclick={() => again(replaces)} /></p>
          {:else}<p class="mb-3">
              A tileset is a picture cut into tiles. Drop pictures here, paste one, or choose some: PNG, GIF, JPEG, WebP
              or BMP. Azzel guesses the cut; nothing is taken before you have seen it.
            </p>{/if}
          <label
            class="inline-flex h-7 cursor-pointer items-center rounded-inner bg-saffron-button px-3 font-semibold text-on-saffron"
          >
            Choose pictures
            <input
              type="file"
              multiple
              accept="image/png,image/gif,image/jpeg,image/webp,image/bmp"
              class="sr-only"
              onchange={(e) => {
                bring([...(e.currentTarget.files ?? [])]);
                e.currentTarget.value = '';
              }}
            />
          </label>
        </div>
      </div>
    {/if}
  </div>
</section>
