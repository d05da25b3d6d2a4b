<script lang="ts">
  import type { SeenView } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import Picture from '../ui/Picture.svelte';

  /** What a picture of a piece shows, or a frame of the sheet of a character, in a small square; nothing if there is neither. */
  interface Props {
    p: Project;
    seen: SeenView | null;
    who: string;
    sprite: number;
  }
  let { p, seen, who, sprite }: Props = $props();

  /** The side of the square in which it lies, in pixels. */
  const SIDE = 26;
  const image = $derived.by(() => {
    void p.session.scene;
    const { ask } = p.session;
    if (seen) return ask.piecePicture({ picture: seen.picture, frame: seen.frame });
    return who === '' ? null : ask.characterPicture({ character: who, frame: sprite });
  });
  const scale = $derived(image ? Math.min(SIDE / image.width, SIDE / image.height) : 1);
</script>

{#if image}<Picture {image} width={image.width * scale} height={image.height * scale} />{/if}
