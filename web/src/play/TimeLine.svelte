<script lang="ts">
  import { keyOf } from '../commands/register';
  import { SPEEDS } from '../play/clock.svelte';
  import type { Project } from '../project.svelte';
  import { TICKS_PER_SECOND, type Play } from '../core/types.gen';
  import Button from '../ui/Button.svelte';

  let { p, play }: { p: Project; play: Play } = $props();

  const time = $derived(p.game.clock);
  const length = $derived(Math.max(1, play.last - play.first));
  const seconds = (ticks: number): string => (ticks / TICKS_PER_SECOND).toFixed(1);
</script>

<div class="flex flex-wrap items-center gap-2 pb-1" role="group" aria-label="Time" data-back>
  <span class="w-18"
    ><Button
      label={time.paused ? 'Go on' : 'Pause'}
      keys={keyOf('pause')}
      disabled={play.finished}
      onclick={() => p.game.pause(!time.paused)}
    /></span
  >
  <Button label="One tick" keys={keyOf('one-tick')} disabled={play.finished} onclick={() => p.game.oneTick()} />
  <span class="relative flex min-w-40 flex-1 items-center">
    {#each play.changes as tick (tick)}
      <span
        class="pointer-events-none absolute -top-0.5 h-1.5 w-px bg-saffron"
        style:left="{((tick - play.first) / length) * 100}%"
        data-notch
      ></span>
    {/each}
    <input
      type="range"
      class="w-full min-w-0 accent-saffron"
      aria-label="What was played, in ticks"
      aria-valuetext="{seconds(play.ticks)} of {seconds(play.last)} seconds"
      min={play.first}
      max={play.last}
      value={play.ticks}
      oninput={(e) => p.game.showTick(e.currentTarget.valueAsNumber)}
    />
  </span>
  <span class="w-24 text-right text-small text-soft figures">{seconds(play.ticks)} of {seconds(play.last)} s</span>
  <select
    class="h-7 rounded-inner border border-line bg-sheet px-1"
    aria-label="Speed of play"
    value={time.speed}
    onchange={(e) => (time.speed = Number(e.currentTarget.value))}
  >
    {#each SPEEDS as speed (speed)}<option value={speed}>{speed} ×</option>{/each}
  </select>
</div>
