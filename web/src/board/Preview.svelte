<script lang="ts">
  import { onMount } from 'svelte';
  import { fetchBoard, givenBoard, type BoardPicture } from '../core/api';
  import type { Viewport } from './viewport.svelte';

  /**
   * The picture that the server has of the board, shown while the core makes itself ready: faint, so that nobody takes it
   * for a board that can be worked on, and where the maps will lie.
   */
  let { viewport, project }: { viewport: Viewport; project: string } = $props();

  let board = $state.raw<BoardPicture | null>(null);
  let free = '';

  /** Where it lies on the screen. Where another part of the board is free than before, the camera is moved first. */
  const lies = $derived.by(() => {
    void viewport.moved;
    return board && viewport.camera.boxOnScreen(board.box);
  });

  $effect.pre(() => {
    void viewport.moved;
    if (!board) return;
    const { camera } = viewport;
    const now = JSON.stringify([camera.free, camera.width, camera.height]);
    if (now === free) return;
    free = now;
    viewport.cellW = board.cellW;
    viewport.showWhole(board.box);
  });

  onMount(() => {
    let left = false;
    let address = '';
    board = givenBoard(project);
    // Whoever opens the project says what is wrong with it.
    if (!board)
      void fetchBoard(project)
        .then((fetched) => {
          if (left || !fetched) return;
          address = fetched.address;
          board = fetched;
        })
        .catch(() => undefined);
    return () => {
      left = true;
      URL.revokeObjectURL(address);
    };
  });
</script>

{#if board && lies}
  <img
    src={board.address}
    alt=""
    decoding="sync"
    elementtiming="board"
    class="pointer-events-none absolute max-w-none opacity-40"
    style:left="{lies.x}px"
    style:top="{lies.y}px"
    style:width="{lies.w}px"
    style:height="{lies.h}px"
  />
{/if}
