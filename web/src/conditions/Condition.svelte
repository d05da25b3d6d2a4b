<script lang="ts">
  import type { Project } from '../project.svelte';
  import type { ConditionForm, ConditionView } from '../core/types.gen';
  import ConditionTerms from './ConditionTerms.svelte';
  import { isGroup } from './forms';

  /** What must hold for a piece, or for several. */
  interface Props {
    p: Project;
    condition: ConditionView;
    /** The word of the type of the piece, empty for several. */
    home: string;
    /** Whether something new can be made by asking for it. */
    fresh: boolean;
    /** Whether it is asked when something happens, so that it can ask who is where. */
    happens?: boolean;
    /** Whether it can ask how long something has lasted. */
    lasts?: boolean;
    change: (to: ConditionForm | null) => void;
  }
  let { p, condition, home, fresh, happens = false, lasts = false, change }: Props = $props();

  const of = $derived.by(() => (void p.session.scene, void p.session.state, p.session.ask.askable()));
  /** One term alone is shown as those of a group are. */
  const group = $derived<ConditionForm>(
    condition.differs || !condition.is
      ? { asks: 'all', of: [] }
      : isGroup(condition.is)
        ? condition.is
        : { asks: 'all', of: [condition.is] },
  );

  /** What is no more than one term is kept as that, and nothing as nothing. */
  function changed(to: ConditionForm): void {
    const terms = to.of ?? [];
    const [only] = terms;
    change(
      only === undefined ? null : !['none', 'so-many', 'lasts'].includes(to.asks) && terms.length === 1 ? only : to,
    );
  }
</script>

{#if of}
  <div
    class="flex flex-col gap-1"
    role="group"
    aria-label={condition.label}
    title={condition.help}
    data-condition={condition.name}
    data-says={condition.says}
  >
    <div class="flex justify-between gap-2">
      <span>{condition.label}</span>
      {#if condition.differs}<span class="text-soft">differs</span>
      {:else if !condition.is}<span class="text-soft">{condition.none}</span>{/if}
    </div>
    <ConditionTerms {p} {group} {of} {home} {fresh} {happens} {lasts} change={changed} />
  </div>
{/if}
