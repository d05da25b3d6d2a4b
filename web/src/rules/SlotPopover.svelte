<script lang="ts">
  import { Popover } from 'bits-ui';
  import type { Snippet } from 'svelte';

  /** A part of a sentence that is changed in what opens at it. */
  interface Props {
    text: string;
    label: string;
    /** Whether it names something, is only an offer, or names what is gone or not chosen yet. */
    names?: boolean;
    soft?: boolean;
    lacking?: boolean;
    wide?: boolean;
    hover?: (over: boolean) => void;
    children: Snippet<[close: () => void]>;
  }
  let { text, label, names = false, soft = false, lacking = false, wide = false, hover, children }: Props = $props();

  let open = $state(false);

  /** Keys are meant for what is open here; Escape shuts it. */
  function key(event: KeyboardEvent): void {
    if (event.key === 'Escape') open = false;
    event.stopPropagation();
  }
  const look = $derived(
    lacking ? 'text-rose-ink' : soft ? 'text-soft' : names ? 'font-semibold text-plum-ink' : 'text-saffron-ink',
  );
</script>

<Popover.Root bind:open>
  <Popover.Trigger
    class="rounded-inner px-0.5 text-left underline decoration-dotted underline-offset-4 hover:bg-shelf {look}"
    aria-label="{label}: {text}"
    onpointerenter={() => hover?.(true)}
    onpointerleave={() => hover?.(false)}
    onfocus={() => hover?.(true)}
    onblur={() => hover?.(false)}>{text}</Popover.Trigger
  >
  <Popover.Portal>
    <Popover.Content
      class="z-40 flex max-h-100 flex-col gap-2 overflow-auto sheet p-3 {wide ? 'w-80' : 'w-64'}"
      align="start"
      sideOffset={4}
      collisionPadding={8}
      aria-label={label}
      onkeydown={key}
    >
      {@render children(() => (open = false))}
    </Popover.Content>
  </Popover.Portal>
</Popover.Root>
