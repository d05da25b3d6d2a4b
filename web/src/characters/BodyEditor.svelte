<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { CharacterView } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import FramePicture from './FramePicture.svelte';

  /** The bodies of a character, from the side and from above, and its foot, over the frame in which it stands: dragged, or typed. */
  let { p, character }: { p: Project; character: CharacterView } = $props();

  interface Body {
    w: number;
    h: number;
    x: number;
    y: number;
  }

  const scale = $derived(Math.max(2, Math.floor(120 / Math.max(1, character.h))));
  /** Which of the two bodies is shown and set. */
  let above = $state(false);
  /** What is being dragged, before it is let go. */
  let dragged: Body | null = $state(null);
  const now: Body = $derived(
    dragged ?? {
      w: above ? character.aboveW : character.bodyW,
      h: above ? character.aboveH : character.bodyH,
      x: character.footX,
      y: character.footY,
    },
  );
  /** Where in the picture the foot is. */
  const foot = $derived({ x: character.w / 2 + now.x, y: character.h - now.y });

  const set = (to: Body): void =>
    void p.session.orders.setBody({ character: character.id, above, w: to.w, h: to.h, footX: to.x, footY: to.y });

  const corner = (x: number, y: number): Body => ({
    ...now,
    w: Math.max(2, Math.round(2 * Math.abs(x - foot.x))),
    h: Math.max(2, Math.round(foot.y - y)),
  });
  const footAt = (x: number, y: number): Body => ({
    ...now,
    x: Math.round(x - character.w / 2),
    y: Math.round(character.h - y),
  });

  /** What becomes of it under the pointer. */
  function follow(event: PointerEvent, becomes: (x: number, y: number) => Body): void {
    const handle = event.currentTarget as HTMLElement;
    const box = handle.parentElement?.getBoundingClientRect();
    if (box && handle.hasPointerCapture(event.pointerId))
      dragged = becomes((event.clientX - box.left) / scale, (event.clientY - box.top) / scale);
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

{#snippet handle(label: string, look: string, x: number, y: number, becomes: (x: number, y: number) => Body)}
  <button
    class="absolute size-3 -translate-x-1/2 -translate-y-1/2 {look}"
    style:left="{x * scale}px"
    style:top="{y * scale}px"
    aria-label={label}
    onpointerdown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
    onpointermove={(e) => follow(e, becomes)}
    onpointerup={letGo}
  ></button>
{/snippet}

<div class="flex flex-col gap-2" role="group" aria-label="Body and foot">
  <div class="flex items-center gap-2">
    <span class="flex-1 text-small text-soft">Its body</span>
    <Button label="from the side" pressed={!above} onclick={() => (above = false)} />
    <Button label="from above" pressed={above} onclick={() => (above = true)} />
  </div>
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
      {@render handle(
        'Drag the body’s corner',
        'cursor-nesw-resize rounded-sm bg-saffron',
        foot.x + now.w / 2,
        foot.y - now.h,
        corner,
      )}
      {@render handle(
        'Drag the foot',
        'cursor-move rounded-full border-2 border-sheet bg-lagoon',
        foot.x,
        foot.y,
        footAt,
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
  {#if !above}
    <span
      ><Button
        label="Propose both from its pixels"
        onclick={() => p.session.orders.proposeBody({ character: character.id })}
      /></span
    >
  {/if}
</div>
