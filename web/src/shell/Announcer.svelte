<script lang="ts">
  import type { Project } from '../project.svelte';

  /** Says what is under the cell cursor, and what the hand would do there, to a screen reader. */
  let { p }: { p: Project } = $props();

  /** Milliseconds for which the cursor rests before it is said: cells that are passed are not. */
  const REST = 200;

  const under = $derived.by(() => {
    const { cursor, pointer } = p.viewport;
    if (!cursor || !pointer) return '';
    const what = pointer.map
      ? [
          `${p.session.mapView(pointer.map)?.name ?? ''}, cell ${pointer.cellX}, ${pointer.cellY}`,
          `${pointer.layer}: ${pointer.tile || 'empty'}`,
          pointer.piece,
        ]
      : ['Outside of all maps'];
    return [...what, pointer.ghost.problem || pointer.ghost.text].filter(Boolean).join('. ');
  });
  /** What the player reads, and at which of the choices they are. */
  const reads = $derived.by(() => {
    const reading = p.game.view?.reading;
    if (!reading) return '';
    const { text, choices, chosen } = reading;
    return choices.length === 0 ? text : `${text} ${choices[chosen] ?? ''}, ${chosen + 1} of ${choices.length}`.trim();
  });
  let said = $state('');
  $effect(() => {
    const next = under;
    const timer = setTimeout(() => (said = next), REST);
    return () => clearTimeout(timer);
  });
</script>

<p class="sr-only" aria-live="polite" data-announced>{said}</p>
<!-- What the player reads is said at once. -->
<p class="sr-only" aria-live="assertive" data-reading>{reads}</p>
