<script lang="ts">
  /** One of what can be said of something that stays or begins anew; of what says nothing itself, what that is by its map. */
  interface Props {
    label: string;
    options: readonly string[];
    /** Of none where it is below 0: they differ. */
    value: number;
    /** What the map says, if it can be left to that. */
    byMap?: boolean;
    choose: (says: number) => void;
  }
  let { label, options, value, byMap, choose }: Props = $props();

  const anew = $derived(value === options.length - 1 || (value === 0 && byMap === true));
</script>

<select
  class="h-7 w-full rounded-inner border border-line bg-sheet px-1 {anew ? 'text-ink' : 'text-soft'}"
  aria-label={label}
  {value}
  onchange={(e) => {
    choose(Number(e.currentTarget.value));
    e.currentTarget.value = String(value);
  }}
>
  {#if value < 0}<option value={-1} disabled>differs</option>{/if}
  {#each options as name, i (i)}<option value={i}
      >{name}{#if i === 0 && byMap !== undefined}: {byMap ? 'anew' : 'stays'}{/if}</option
    >{/each}
</select>
