<script lang="ts">
  import type { Project } from '../project.svelte';
  import { MEASURES, type AreaLook, type SlipView, type TrackLook } from '../core/types.gen';
  import Button from '../ui/Button.svelte';
  import MeasureField from '../ui/MeasureField.svelte';
  import Forces from './Forces.svelte';

  /** What can be set of a track or an area. */
  let { p, slip }: { p: Project; slip: SlipView } = $props();

  const setArea = (change: Partial<AreaLook>): void => {
    void p.session.setting(slip.id, change, p.session.orders.setArea({ area: slip.id, change }));
  };
  const setTrack = (change: Partial<TrackLook>): void => {
    void p.session.setting(slip.id, change, p.session.orders.setTrack({ track: slip.id, change }));
  };
</script>

{#if slip.area}
  {@const area = p.session.asAsked(slip.id, slip.area)}
  <div class="flex flex-col gap-1" role="group" aria-label="What the area does">
    <Forces forces={area.forces} set={(forces) => setArea({ forces })} />
    <MeasureField measure={MEASURES.zoom} value={area.zoom} change={(zoom) => setArea({ zoom })} />
    <div class="flex flex-wrap gap-2">
      <Button label="Holds the camera" pressed={area.holds} onclick={() => setArea({ holds: !area.holds })} />
      <Button
        label="Use selected cells"
        disabled={!p.session.state?.chosen}
        onclick={() => p.session.orders.setAreaCells({ area: slip.id })}
      />
    </div>
  </div>
{/if}
{#if slip.track}
  {@const track = slip.track}
  <div class="flex flex-wrap gap-2" role="group" aria-label="How the track goes">
    <Button label="Goes round" pressed={track.round} onclick={() => setTrack({ round: !track.round })} />
    <Button
      label="Delete its last point"
      disabled={track.points < 2}
      onclick={() => setTrack({ points: track.points - 1 })}
    />
  </div>
{/if}
