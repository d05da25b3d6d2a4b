<script lang="ts">
  import type { Snippet } from 'svelte';
  import { shared } from '../board/camera';
  import type { BoxView } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import { givesBack } from '../ui/givesBack';
  import { unit } from '../ui/unit';
  import { beside } from './beside';

  /**
   * The sheet of a slip: it floats beside what it is about; where it can't without lying over that, it stands at the right
   * of the board, above a panel if there is one. It is not there while that is out of view.
   */
  interface Props {
    p: Project;
    /** What it is about, in pixels of the board. */
    about: BoxView;
    label: string;
    /** Whether clicks in it give the keys back to the board. */
    back?: boolean;
    children: Snippet;
  }
  let { p, about, label, back, children }: Props = $props();

  /** How wide it is where it floats, in units of the letters' size. */
  const WIDTH = 18.25;
  let content = $state(0);
  let sheet: HTMLElement | undefined = $state();
  let at = $state.raw<BoxView | 'docked' | null>(null);

  $effect(() => {
    void p.viewport.moved;
    if (!sheet) return;
    const { camera } = p.viewport;
    const { x, y, w, h } = camera.free;
    // The room is the same whether it stands at the right or floats, but for a panel that stands there.
    const { panelled } = p.shell;
    const room = { x, y, w: panelled ? w : camera.width - x, h };
    const thing = shared(camera.boxOnScreen(about), room);
    if (!thing) {
      at = null;
      return;
    }
    const style = getComputedStyle(sheet);
    const around = parseFloat(style.paddingTop) + parseFloat(style.paddingBottom) + 2;
    const size = { w: WIDTH * unit(), h: Math.min(content + around, h - 16) };
    let current = true;
    void beside(thing, size, room).then((found) => {
      if (current) at = found ?? 'docked';
    });
    return () => (current = false);
  });

  $effect(() => {
    p.shell.slipBox = at === 'docked' ? null : at;
    return () => (p.shell.slipBox = null);
  });
</script>

<aside
  bind:this={sheet}
  use:givesBack
  class="overflow-y-auto p-3 {at === 'docked'
    ? `border-l border-line bg-sheet ${p.shell.panelled ? 'max-h-[60%] w-0 min-w-full shrink-0 border-b' : 'w-73 flex-1'}`
    : at
      ? 'absolute max-h-[calc(100%-16px)] w-73 sheet'
      : 'invisible absolute w-73'}"
  style:left={at && at !== 'docked' ? `${at.x}px` : null}
  style:top={at && at !== 'docked' ? `${at.y}px` : null}
  style:height={at && at !== 'docked' ? `${at.h}px` : null}
  aria-label={label}
  {...back ? { 'data-back': true } : {}}
  data-slip={at === 'docked' ? 'docked' : at ? 'floating' : 'away'}
>
  <div class="flex flex-col gap-2" bind:offsetHeight={content}>{@render children()}</div>
</aside>
