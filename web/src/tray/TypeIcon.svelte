<script lang="ts">
  import type { Project } from '../project.svelte';
  import SeenPicture from './SeenPicture.svelte';
  import PieceIcon from './PieceIcon.svelte';

  /** A type of piece, by its id: the picture that its pieces have of their own, else its plant label. */
  let { p, type }: { p: Project; type: string } = $props();

  const is = $derived(p.session.scene?.types.find((one) => one.id === type));
</script>

{#if is && (is.seen || is.who !== '')}
  <span class="grid w-6.5 place-items-center"><SeenPicture {p} seen={is.seen} who={is.who} sprite={is.sprite} /></span>
{:else}
  <PieceIcon type={is?.kind ?? type} family={is?.family ?? ''} />
{/if}
