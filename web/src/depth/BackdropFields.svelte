<script lang="ts">
  import { keepPicture } from '../core/api';
  import type { Project } from '../project.svelte';
  import { MEASURES, type BackdropView, type LayerLook } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import Range from '../ui/Range.svelte';

  interface Props {
    p: Project;
    look: LayerLook;
    set: (change: Partial<LayerLook>) => void;
  }
  let { p, look, set }: Props = $props();

  const backdrop = $derived(look.backdrop);
  const change = (part: Partial<BackdropView>): void => set({ backdrop: { ...backdrop, ...part } });
  let waiting = $state(false);

  async function bring(file: File | undefined): Promise<void> {
    if (!file) return;
    waiting = true;
    try {
      const { picture, w, h } = await keepPicture(p.session.id, file);
      change({ picture, w, h });
    } catch (failure) {
      p.session.say((failure as Error).message);
    }
    waiting = false;
  }
</script>

<details open={backdrop.picture !== ''}>
  <summary class="cursor-pointer">
    Backdrop {backdrop.picture === '' ? 'none' : `${backdrop.w} × ${backdrop.h} px`}
  </summary>
  <label class="mt-2 flex flex-col gap-1">
    <span>{waiting ? 'Reading the picture …' : backdrop.picture === '' ? 'Choose a picture' : 'Another picture'}</span>
    <input
      type="file"
      accept="image/png,image/gif,image/jpeg,image/webp,image/bmp"
      class="w-full text-small"
      disabled={waiting}
      onchange={(e) => void bring(e.currentTarget.files?.[0])}
    />
  </label>
  {#if backdrop.picture !== ''}
    <div class="mt-2 flex flex-wrap gap-1.5">
      <Button label="Repeat across" pressed={backdrop.repeatX} onclick={() => change({ repeatX: !backdrop.repeatX })} />
      <Button label="Repeat down" pressed={backdrop.repeatY} onclick={() => change({ repeatY: !backdrop.repeatY })} />
      <Button label="Stretch" pressed={backdrop.stretch} onclick={() => change({ stretch: !backdrop.stretch })} />
      <Button label="No picture" onclick={() => change({ picture: '' })} />
    </div>
    <div class="mt-2 flex flex-col gap-2">
      <Range measure={MEASURES.driftX} value={backdrop.driftX} change={(driftX) => change({ driftX })} />
      <Range measure={MEASURES.driftY} value={backdrop.driftY} change={(driftY) => change({ driftY })} />
      <Range measure={MEASURES.backdropX} value={backdrop.x} change={(x) => change({ x })} />
      <Range measure={MEASURES.backdropY} value={backdrop.y} change={(y) => change({ y })} />
    </div>
  {/if}
</details>
