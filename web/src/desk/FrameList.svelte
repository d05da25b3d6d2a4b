<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Project } from '../project.svelte';
  import { MAX_FRAME, MIN_FRAME, type Frame } from '../core/types.gen';
  import TilePicture from '../tray/TilePicture.svelte';
  import Button from '../ui/Button.svelte';

  interface Props {
    p: Project;
    frames: Frame[];
    change: (frames: Frame[]) => void;
  }
  let { p, frames, change }: Props = $props();

  /** Which frame the preview shows. */
  let shown = $state(0);
  const now = $derived(frames[shown % frames.length]);

  $effect(() => {
    if (!now || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    const next = setTimeout(() => (shown = (shown + 1) % frames.length), now.millis);
    return () => clearTimeout(next);
  });

  const millis = (v: number): number => Math.min(Math.max(MIN_FRAME, Math.trunc(v) || MIN_FRAME), MAX_FRAME);
</script>

<section class="flex flex-col gap-1" aria-label="Frames">
  <div class="flex items-center gap-3">
    {#if now}<TilePicture {p} n={now.tile} size={48} />{/if}
    <Button label="No animation" onclick={() => change([])} />
  </div>
  {#each frames as frame, i (i)}
    <div class="flex items-center gap-2">
      <TilePicture {p} n={frame.tile} size={24} />
      <input
        type="number"
        class="h-7 w-18 rounded-inner border border-line bg-sheet px-1 figures"
        min={MIN_FRAME}
        max={MAX_FRAME}
        value={frame.millis}
        aria-label="Milliseconds of frame {i + 1}"
        onchange={(e) => {
          const to = millis(e.currentTarget.valueAsNumber);
          change(frames.map((f, k) => (k === i ? { ...f, millis: to } : f)));
        }}
      />
      <span class="text-soft">ms</span>
      <button
        class="text-soft disabled:opacity-40"
        aria-label="Take frame {i + 1} out"
        disabled={frames.length < 3}
        onclick={() => change(frames.filter((_, k) => k !== i))}><X size={14} /></button
      >
    </div>
  {/each}
</section>
