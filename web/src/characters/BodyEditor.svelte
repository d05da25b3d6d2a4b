<script lang="ts">
  import type { Project } from '../project.svelte';
  import { CORNER, FOOT, NO_PART, type Body, type CharacterView, type Outlined } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import FramePicture from './FramePicture.svelte';

  /** The bodies of a character, from the side and from above, and its foot, over the frame in which it stands: dragged, or typed. */
  let { p, character }: { p: Project; character: CharacterView } = $props();

  const scale = $derived(Math.max(2, Math.floor(120 / Math.max(1, character.h))));
  /** Which of the two bodies is shown and set. */
  let above = $state(false);
  /** What is being dragged, before it is let go. */
  let dragged: Outlined | null = $state.raw(null);

  const outlined = (part: number, x: number, y: number): Outlined | null =>
    p.session.ask.bodyOnFrame({ character: character.id, above, part, x, y });
  const now = $derived(dragged ?? (void p.session.scene, outlined(NO_PART, 0, 0)));

  const set = ({ w, h, footX, footY }: Body): void =>
    void p.session.orders.setBody({ character: character.id, above, w, h, footX, footY });

  /** What becomes of it under the pointer. */
  function follow(event: PointerEvent, part: number): void {
    const handle = event.currentTarget as HTMLElement;
    const box = handle.parentElement?.getBoundingClientRect();
    if (box && handle.hasPointerCapture(event.pointerId))
      dragged = outlined(part, (event.clientX - box.left) / scale, (event.clientY - box.top) / scale);
  }

  function letGo(): void {
    if (dragged) set(dragged);
    dragged = null;
  }

  const fields = [
    { key: 'w', label: 'Body width' },
    { key: 'h', label: 'Body height' },
    { key: 'footX', label: 'Foot, right of the middle' },
    { key: 'footY', label: 'Foot, above the edge' },
  ] as const;
</script>

{#snippet handle(label: string, look: string, x: number, y: number, part: number)}
  <button
    class="absolute size-3 -translate-x-1/2 -translate-y-1/2 {look}"
    style:left="{x * scale}px"
    style:top="{y * scale}px"
    aria-label={label}
    onpointerdown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
    onpointermove={(e) => follow(e, part)}
    onpointerup={letGo}
  ></button>
{/snippet}

<div class="flex flex-col gap-2" role="group" aria-label="Body and foot">
  <div class="flex items-center gap-2">
    <span class="flex-1 text-small text-soft">Its body</span>
    <Button label="from the side" pressed={!above} onclick={() => (above = false)} />
    <Button label="from above" pressed={above} onclick={() => (above = true)} />
  </div>
  {#if now}
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
          style:left="{now.box.x * scale}px"
          style:top="{now.box.y * scale}px"
          style:width="{now.box.w * scale}px"
          style:height="{now.box.h * scale}px"
        ></span>
        {@render handle(
          'Drag the body’s corner',
          'cursor-nesw-resize rounded-sm bg-saffron',
          now.box.x + now.box.w,
          now.box.y,
          CORNER,
        )}
        {@render handle(
          'Drag the foot',
          'cursor-move rounded-full border-2 border-sheet bg-lagoon',
          now.x,
          now.y,
          FOOT,
        )}
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
  {/if}
  {#if !above}
    <span
      ><Button
        label="Propose both from its pixels"
        onclick={() => p.session.orders.proposeBody({ character: character.id })}
      /></span
    >
  {/if}
</div>
