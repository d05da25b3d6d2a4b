<script lang="ts">
  import type { Choices } from './forms';

  /** One of some choices. What is chosen and not among them is shown as gone. */
  interface Props {
    label: string;
    value: string;
    choices: Choices[];
    gone?: string;
    change: (key: string) => void;
  }
  let { label, value, choices, gone = 'gone', change }: Props = $props();

  const known = $derived(choices.some((c) => c.list.some((one) => one.key === value)));
</script>

<select
  class="h-7 max-w-full min-w-0 rounded-inner border border-line bg-sheet px-1"
  aria-label={label}
  {value}
  onchange={(e) => change(e.currentTarget.value)}
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
