<script lang="ts">
  import { FACT_LETTERS, type TextView } from '../core/types.gen';

  /** A text that a fact is, or is to be: what is typed, or one of those that it can be already. */
  interface Props {
    label: string;
    texts: TextView[];
    /** The number of the text, 0 for none. */
    value: number;
    change: (text: string) => void;
  }
  let { label, texts, value, change }: Props = $props();

  const list = $props.id();
  const is = $derived(texts.find((t) => t.number === value)?.text ?? '');
</script>

<input
  class="h-7 max-w-full min-w-0 flex-1 rounded-inner border border-line bg-sheet px-2"
  aria-label={label}
  placeholder="empty"
  maxlength={FACT_LETTERS}
  {list}
  value={is}
  onchange={(e) => change(e.currentTarget.value)}
/>
<datalist id={list}>
  {#each texts as t (t.number)}<option value={t.text}></option>{/each}
</datalist>
