<script lang="ts">
  import type { Choices } from './forms';

  /** One of some choices. What is chosen and not among them is shown as gone. */
  interface Props {
    label: string;
    value: string;
    choices: Choices[];
    gone?: string;
    /** How wide it is beside others. */
    width?: string;
    change: (key: string) => void;
  }
  let { label, value, choices, gone = 'gone', width = '', change }: Props = $props();

  const known = $derived(choices.some((c) => c.list.some((one) => one.key === value)));
</script>

<select
  class="h-7 max-w-full min-w-0 rounded-inner border border-line bg-sheet px-1 {width}"
  aria-label={label}
  {value}
  onchange={(e) => {
    const key = e.currentTarget.value;
    // It shows what holds: the choice, once that was taken.
    e.currentTarget.value = value;
    change(key);
  }}
>
  {#if !known}<option {value} disabled>{gone}</option>{/if}
  {#each choices as group (group.heading)}
    {#if group.heading === ''}
      {#each group.list as one (one.key)}<option value={one.key}>{one.name}</option>{/each}
    {:else if group.list.length > 0}
      <optgroup label={group.heading}>
        {#each group.list as one (one.key)}<option value={one.key}>{one.name}</option>{/each}
      </optgroup>
    {/if}
  {/each}
</select>
