<script lang="ts">
  import type { Project } from '../project.svelte';
  import { TICKS_PER_SECOND, type CharacterView, type PoseView } from '../core/types.gen';
  import FramePicture from './FramePicture.svelte';

  interface Props {
    p: Project;
    character: CharacterView;
    pose: PoseView;
    row: number;
    set: (to: { act?: number; facing?: number; ticks?: number }) => void;
  }
  let { p, character, pose, row, set }: Props = $props();

  /** Which frame of the row is shown; it moves unless less motion is wanted. */
  let at = $state(0);
  $effect(() => {
    if (p.viewport.still || pose.frames.length < 2) return;
    const timer = setInterval(() => (at = (at + 1) % pose.frames.length), (1000 * pose.ticks) / TICKS_PER_SECOND);
    return () => clearInterval(timer);
  });
  const scale = $derived(Math.max(1, Math.floor(36 / Math.max(1, character.h))));
</script>

<div class="flex items-center gap-2">
  <span class="grid w-10 shrink-0 place-items-center overflow-hidden rounded-inner bg-shelf p-0.5">
    <FramePicture {p} character={character.id} frame={pose.frames[at % pose.frames.length] ?? 0} {scale} />
  </span>
  <select
    class="h-7 min-w-0 flex-1 rounded-inner border border-line bg-sheet px-1"
    aria-label="Row {row + 1} shows that one"
    value={pose.act}
    onchange={(e) => set({ act: Number(e.currentTarget.value) })}
  >
    {#each p.session.scene?.acts ?? [] as name, i (name)}<option value={i}>{name}</option>{/each}
  </select>
  <select
    class="h-7 rounded-inner border border-line bg-sheet px-1"
    aria-label="Row {row + 1} looks"
    value={pose.facing}
    onchange={(e) => set({ facing: Number(e.currentTarget.value) })}
  >
    {#each p.session.scene?.facings ?? [] as name, i (name)}<option value={i}>{name}</option>{/each}
  </select>
  <input
    type="number"
    class="h-7 w-12 rounded-inner border border-line bg-sheet px-1 figures"
    aria-label="Row {row + 1}: ticks for each frame"
    title="Ticks for each frame"
    min={1}
    value={pose.ticks}
    onchange={(e) => {
      const ticks = e.currentTarget.valueAsNumber;
      if (Number.isFinite(ticks)) set({ ticks: Math.round(ticks) });
    }}
  />
</div>
