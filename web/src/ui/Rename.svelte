<script lang="ts">
  import { NAME_LETTERS } from '../core/types.gen';

  interface Props {
    value: string;
    label: string;
    placeholder?: string;
    rename: (text: string) => void;
  }
  let { value, label, placeholder = '', rename }: Props = $props();

  let field: HTMLInputElement | undefined = $state();

  function done(): void {
    if (!field) return;
    const text = field.value.trim();
    if (text !== value) rename(text);
    field.value = value;
  }

  function key(event: KeyboardEvent): void {
    if (event.key === 'Enter') field?.blur();
    if (event.key === 'Escape') {
      if (field) field.value = value;
      field?.blur();
    }
    event.stopPropagation();
  }
</script>

<input
  bind:this={field}
  class="field-sizing-content w-full max-w-full min-w-16 truncate rounded-inner px-1 hover:bg-shelf focus:bg-shelf"
  {value}
  {placeholder}
  maxlength={NAME_LETTERS}
  aria-label={label}
  title={label}
  onblur={done}
  onkeydown={key}
/>
