<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import Minus from '@lucide/svelte/icons/minus';
  import type { KnownView } from '../core/types.gen';

  /** Why what asks for something and sets something on the player's map did, or did not. */
  let { known }: { known: KnownView } = $props();
</script>

<section class="flex flex-col gap-0.5" aria-label="Why, on this map" data-reasons>
  <h3 class="text-small text-soft">on this map, by now</h3>
  {#each known.reasons as reason, i (i)}
    <p class="flex gap-1.5 text-small">
      <span class="mt-0.5 shrink-0 {reason.yes ? 'text-moss-ink' : 'text-soft'}" aria-hidden="true"
        >{#if reason.yes}<Check size={13} />{:else}<Minus size={13} />{/if}</span
      >
      <span class="min-w-0 break-words figures"><strong>{reason.name}</strong> – {reason.says}</span>
    </p>
  {:else}
    <p class="text-small text-soft">
      Nothing here sets a fact, asks for one, needs an item, works a wire or is worked by one.
    </p>
  {/each}
  {#if known.more > 0}<p class="text-small text-soft figures">and {known.more} more</p>{/if}
</section>
