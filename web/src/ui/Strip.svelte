<script lang="ts">
  import ThemeButton from './ThemeButton.svelte';
  import Check from '@lucide/svelte/icons/check';
  import CloudOff from '@lucide/svelte/icons/cloud-off';
  import LoaderCircle from '@lucide/svelte/icons/loader-circle';
  import type { Project } from '../project.svelte';
  import FindingsButton from '../findings/FindingsButton.svelte';
  import Seek from '../seek/Seek.svelte';
  import Emblem from './Emblem.svelte';
  import Rename from './Rename.svelte';

  let { p, home }: { p: Project; home: () => void } = $props();

  const map = $derived(p.session.mapView(p.game.view?.map ?? p.viewport.currentMap));
  const waiting = $derived(p.session.state?.pending ?? 0);
</script>

<header class="relative z-30 flex h-10 shrink-0 items-center gap-3 border-b border-line bg-sheet px-3">
  <div class="@container flex min-w-0 flex-1 items-center gap-3">
    <button
      class="flex shrink-0 items-center rounded-inner"
      aria-label="All projects"
      title="All projects"
      onclick={home}
    >
      <Emblem />
    </button>
    {#if p.session.scene}
      <h1 class="max-w-55 min-w-0 truncate name text-title">
        <Rename
          value={p.session.scene.project.name}
          label="Name of the project"
          rename={(text) => p.session.orders.rename({ thing: { kind: 'project' }, name: text })}
        />
      </h1>
      <span class="min-w-0 truncate text-soft @max-xs:hidden"
        >{map?.name ?? (p.session.scene.maps.length === 1 ? 'one map' : `${p.session.scene.maps.length} maps`)}</span
      >
    {/if}
  </div>
  <div class="relative w-80 min-w-40"><Seek {p} /></div>
  <div class="flex flex-1 items-center justify-end gap-4 whitespace-nowrap" data-back>
    {#if p.session.stage > 3}<FindingsButton {p} />{/if}
    {#if p.session.state}<span role="status" data-saved={p.session.saved} class="inline-flex items-center gap-1.5">
        {#if p.session.saved === 'saved'}
          <Check size={14} class="text-moss" /><span class="text-moss-ink">Saved</span>
        {:else if p.session.saved === 'saving'}
          <LoaderCircle size={14} class="text-saffron" /><span class="text-saffron-ink">Saving</span>
        {:else}
          <CloudOff size={14} class="text-rose" />
          <span class="text-rose-ink"
            >Waiting for {p.session.away} ({waiting} {waiting === 1 ? 'change' : 'changes'})</span
          >
        {/if}
      </span>{/if}
    <ThemeButton />
  </div>
</header>
