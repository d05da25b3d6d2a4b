<script lang="ts">
  import type { Project } from '../core/project.svelte';
  import type { CharacterView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import FramePicture from './FramePicture.svelte';

  /** The body and the foot of a character, over the frame in which it stands: dragged, or typed. */
  let { p, character }: { p: Project; character: CharacterView } = $props();

  const scale = $derived(Math.max(2, Math.floor(120 / Math.max(1, character.h))));
  /** What is being dragged, before it is let go. */
  let dragged: { w: number; h: number; x: number; y: number } | null = $state(null);
  const now = $derived(dragged ?? { w: character.bodyW, h: character.bodyH, x: character.footX, y: character.footY });
  /** Where in the picture the foot is. */
  const foot = $derived({ x: character.w / 2 + now.x, y: character.h - now.y });

  const set = (to: { w: number; h: number; x: number; y: number }): void =>
    p.order({ do: 'set-body', kind: 'character', id: character.id, list: [to.w, to.h, to.x, to.y] });

  /** What a corner or the foot becomes under the pointer. */
  function follow(event: PointerEvent, what: 'corner' | 'foot'): void {
    const box = (event.currentTarget as HTMLElement).parentElement?.getBoundingClientRect();
    if (!box || !(event.currentTarget as HTMLElement).hasPointerCapture(event.pointerId)) return;
    const x = (event.clientX - box.left) / scale;
    const y = (event.clientY - box.top) / scale;
    dragged =
      what === 'foot'
        ? { ...now, x: Math.round(x - character.w / 2), y: Math.round(character.h - y) }
        : { ...now, w: Math.max(2, Math.round(2 * Math.abs(x - foot.x))), h: Math.max(2, Math.round(foot.y - y)) };
  }

  function letGo(): void {
    if (dragged) set(dragged);
    dragged = null;
  }

  const fields = [
    { key: 'w', label: 'Body width' },
    { key: 'h', label: 'Body height' },
    { key: 'x', label: 'Foot, right of the middle' },
    { key: 'y', label: 'Foot, above the edge' },
  ] as const;
</script>

<div class="flex flex-col gap-2" role="group" aria-label="Body and foot">
  <div class="flex gap-3">
    <div
      class="relative shrink-0 touch-none bg-shelf"
      style:width="{character.w * scale}px"
      style:height="{character.h * scale}px"
      data-body-editor
    >
      <FramePicture {p} character={character.id} frame={0} {scale} />
      <span
        class="pointer-events-none absolute border-2 border-saffron"
        style:left="{(foot.x - now.w / 2) * scale}px"
        style:top="{(foot.y - now.h) * scale}px"
        style:width="{now.w * scale}px"
        style:height="{now.h * scale}px"
      ></span>
      <button
        class="absolute size-3 -translate-x-1/2 -translate-y-1/2 cursor-nesw-resize rounded-sm bg-saffron"
        style:left="{(foot.x + now.w / 2) * scale}px"
        style:top="{(foot.y - now.h) * scale}px"
        aria-label="Drag the body’s corner"
        onpointerdown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
        onpointermove={(e) => follow(e, 'corner')}
        onpointerup={letGo}
      ></button>
      <button
        class="absolute size-3 -translate-x-1/2 -translate-y-1/2 cursor-move rounded-full border-2 border-sheet bg-lagoon"
        style:left="{foot.x * scale}px"
        style:top="{foot.y * scale}px"
        aria-label="Drag the foot"
        onpointerdown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
        onpointermove={(e) => follow(e, 'foot')}
        onpointerup={letGo}
      ></button>
    </div>
    <div class="flex min-w-0 flex-1 flex-col gap-1">
      {#each fields as { key, label } (key)}
        <label class="flex items-center justify-between gap-1 text-small">
          <span>{label}</span>
          <input
            type="number"
            class="h-7 w-14 rounded-inner border border-line bg-sheet px-1 figures"
            value={now[key]}
            onchange={(e) => {
              const value = e.currentTarget.valueAsNumber;
              if (Number.isFinite(value)) set({ ...now, [key]: Math.round(value) });
            }}
          />
        </label>
      {/each}
    </div>
  </div>
  <span
    ><Button
      label="Propose both from its pixels"
      onclick={() => p.order({ do: 'propose-body', kind: 'character', id: character.id })}
    /></span
  >
</div>
