<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    keys?: string;
    icon?: boolean;
    main?: boolean;
    pressed?: boolean;
    disabled?: boolean;
    type?: 'button' | 'submit';
    onclick?: (event: MouseEvent) => void;
    children?: Snippet;
  }
  let { label, keys, icon, main, pressed, disabled, type = 'button', onclick, children }: Props = $props();

  const look = $derived(
    main
      ? 'bg-saffron-button text-on-saffron border-transparent font-semibold'
      : pressed
        ? 'bg-held border-saffron text-ink'
        : 'bg-sheet border-line text-ink hover:bg-shelf',
  );
</script>

<button
  {type}
  {disabled}
  aria-label={icon ? label : undefined}
  aria-pressed={pressed}
  aria-keyshortcuts={keys}
  data-tip={icon || keys ? label : undefined}
  class="inline-flex h-7 items-center gap-2 rounded-inner border whitespace-nowrap transition-colors duration-150 disabled:opacity-50 pointer-coarse:h-10 {icon
    ? 'w-7 justify-center pointer-coarse:w-10'
    : 'px-3'} {look}"
  {onclick}
>
  {@render children?.()}
  {#if !icon}<span>{label}</span>{/if}
</button>
