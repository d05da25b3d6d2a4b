<script lang="ts">
  import type { Cut, Sheet } from '../core/types.gen';

  /** Says whether the cut is the guessed one, and goes back to that. */
  interface Props {
    cut: Cut;
    opened: Sheet;
    guessed: boolean;
    back: () => void;
  }
  let { cut, opened, guessed, back }: Props = $props();
</script>

<p data-guess>
  {#if guessed}
    <strong>{opened.sure ? 'Sure' : 'Guessed'}:</strong>
    {cut.w} × {cut.h} px{cut.spacing > 0 ? `, ${cut.spacing} px apart` : ''}{opened.sure
      ? '.'
      : '. Look whether the lines are right; drag their round handles.'}
  {:else}
    <button type="button" class="text-lagoon-ink underline" onclick={back}
      >Back to the guess, {opened.guess.w} × {opened.guess.h} px</button
    >
  {/if}
</p>
