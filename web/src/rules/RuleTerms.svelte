<script lang="ts">
  import { MEASURES, RULE_BUSY, RULE_REPEATS, type RuleLook } from '../core/types.gen';
  import MeasureField from '../ui/MeasureField.svelte';

  /** How often a rule goes, and what becomes of it if it is still under way. */
  let { is, holds, set }: { is: RuleLook; holds: boolean; set: (change: Partial<RuleLook>) => void } = $props();

  const NOT_AGAIN_FOR = 3;
</script>

<span class="flex flex-wrap items-center gap-x-3 gap-y-1 text-small text-soft">
  {#if !holds}
    <select
      class="h-7 rounded-inner border border-line bg-sheet px-1 text-saffron-ink"
      aria-label="How often it goes"
      value={is.repeats}
      onchange={(e) => set({ repeats: Number(e.currentTarget.value) })}
    >
      {#each RULE_REPEATS as name, i (name)}<option value={i}>{name}</option>{/each}
    </select>
    {#if is.repeats === NOT_AGAIN_FOR}
      <MeasureField
        measure={MEASURES.ruleTime}
        label="Not again for"
        value={is.pause}
        change={(pause) => set({ pause })}
      />
    {/if}
    <label class="flex items-center gap-1.5">
      if it is still under way:
      <select
        class="h-7 rounded-inner border border-line bg-sheet px-1 text-saffron-ink"
        value={is.busy}
        onchange={(e) => set({ busy: Number(e.currentTarget.value) })}
      >
        {#each RULE_BUSY as name, i (name)}<option value={i}>{name}</option>{/each}
      </select>
    </label>
  {/if}
  <label class="flex items-center gap-1.5">
    <input
      type="checkbox"
      class="accent-saffron"
      checked={is.elsewhere}
      onchange={(e) => set({ elsewhere: e.currentTarget.checked })}
    />
    goes on elsewhere
  </label>
</span>
