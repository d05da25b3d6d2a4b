<script lang="ts">
  import { createProject } from '../core/api';
  import { MAP_VIEWS, MEASURES, NAME_LETTERS } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import NumberField from '../ui/NumberField.svelte';

  let { open, first }: { open: (id: string) => void; first: boolean } = $props();

  let name = $state('');
  let cellW = $state(MEASURES.cellW.usual);
  let cellH = $state(MEASURES.cellH.usual);
  let seenW = $state(MEASURES.seenW.usual);
  let seenH = $state(MEASURES.seenH.usual);
  let view = $state(0);
  let error = $state('');
  let busy = $state(false);

  async function create(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    error = '';
    try {
      open((await createProject({ name, cellW, cellH, seenW, seenH, view })).id);
    } catch (failure) {
      error = failure instanceof Error ? failure.message : String(failure);
    } finally {
      busy = false;
    }
  }
</script>

<form
  class="flex flex-col gap-3 rounded-sheet border-2 border-dashed border-line p-4"
  aria-labelledby="new-project"
  novalidate
  onsubmit={create}
>
  <h2 id="new-project" class="name text-title">A new project</h2>
  {#if first}<p class="text-soft">It opens on a first map with grey tiles and a spawn: P plays it at once.</p>{/if}
  <label class="flex flex-col gap-1">
    <span>Name</span>
    <input bind:value={name} maxlength={NAME_LETTERS} class="h-7 rounded-inner border border-line bg-sheet px-2" />
  </label>
  <div class="flex gap-3">
    <NumberField measure={MEASURES.cellW} bind:value={cellW} />
    <NumberField measure={MEASURES.cellH} bind:value={cellH} />
  </div>
  <div class="flex gap-3">
    <NumberField measure={MEASURES.seenW} bind:value={seenW} />
    <NumberField measure={MEASURES.seenH} bind:value={seenH} />
  </div>
  <label class="flex flex-col gap-1">
    <span>Maps are seen</span>
    <select bind:value={view} class="h-7 rounded-inner border border-line bg-sheet px-1">
      {#each MAP_VIEWS as name, value (value)}<option {value}>{name}</option>{/each}
    </select>
  </label>
  {#if error}<p class="text-rose-ink" role="alert">{error}</p>{/if}
  <div><Button label="Make the project" type="submit" main disabled={busy} /></div>
</form>
