<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { LayerLook } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  let { p, look, set }: { p: Project; look: LayerLook; set: (change: Partial<LayerLook>) => void } = $props();

  const toggle = (role: number): void =>
    set({ roles: look.roles.includes(role) ? look.roles.filter((r) => r !== role) : [...look.roles, role] });
</script>

<details>
  <summary class="cursor-pointer">
    Takes {look.noTiles && look.noPieces
      ? 'nothing'
      : `${look.noTiles ? 'no tiles' : look.roles.length > 0 ? 'tiles of some roles' : 'all tiles'}, ${look.noPieces ? 'no pieces' : 'pieces'}`}
  </summary>
  <div class="mt-2 flex flex-wrap gap-1.5">
    <Button label="No tiles" pressed={look.noTiles} onclick={() => set({ noTiles: !look.noTiles })} />
    <Button label="No pieces" pressed={look.noPieces} onclick={() => set({ noPieces: !look.noPieces })} />
  </div>
  {#if !look.noTiles}
    <p class="my-1.5 text-small text-soft">Only tiles of these roles; none chosen takes all:</p>
    <div class="flex flex-wrap gap-1">
      {#each p.session.scene?.roles ?? [] as name, role (role)}
        <Button label={name} pressed={look.roles.includes(role)} onclick={() => toggle(role)} />
      {/each}
    </div>
  {/if}
</details>
