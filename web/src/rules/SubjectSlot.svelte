<script lang="ts">
  import type { AskableView, NounForm } from '../core/types.gen';
  import Choose from '../conditions/Choose.svelte';
  import { nounChoices, nounKey, nounOf } from '../conditions/forms';

  /** Who or what acts: a piece, several, or who the moment is about. */
  interface Props {
    of: AskableView;
    label: string;
    subject: NounForm;
    /** Whether it is who says something, which the game itself can do too. */
    speaks: boolean;
    change: (to: NounForm) => void;
  }
  let { of, label, subject, speaks, change }: Props = $props();

  const choices = $derived(
    nounChoices(of, true).map((group) => ({
      ...group,
      list: group.list
        .filter((one) => !one.key.startsWith('any'))
        .map((one) => (speaks && one.key === 'player:' ? { ...one, name: 'the game' } : one)),
    })),
  );
</script>

<Choose {label} value={nounKey(subject)} {choices} gone="choose one" change={(key) => change(nounOf(key))} />
