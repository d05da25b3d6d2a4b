<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { tick } from 'svelte';
  import type { Project } from '../project.svelte';
  import type { OfferView, RuleView } from '../core/types.gen';

  /** A place in a rule where one types what happens, and takes one of what is offered. */
  interface Props {
    p: Project;
    rule: RuleView;
    takes: string;
    into: string;
    branch: number;
  }
  let { p, rule, takes, into, branch }: Props = $props();

  const HINTS: Record<string, string> = {
    moments: 'or when …',
    actions: 'what is done …',
    choices: 'an answer …',
    cases: 'one more …',
  };
  const NAMES: Record<string, string> = {
    moments: 'Add a moment',
    actions: 'Add an action',
    choices: 'Add an answer',
    cases: 'Add a case',
  };

  let typed = $state('');
  let open = $state(false);
  let round = $state(0);
  let field: HTMLElement | null = $state(null);
  const first = $derived(takes === 'moments' && !rule.lines.some((line) => line.sort === 'moment'));
  const offers = $derived(
    open ? (void p.session.state, p.session.ask.offers({ rule: rule.id, takes, typed })) : ([] as OfferView[]),
  );

  async function add(offer: OfferView | undefined): Promise<void> {
    if (!offer) return;
    const { part } = offer;
    await p.session.orders.addRulePart({ rule: rule.id, in: into, branch, part, typed: offer.typed });
    // What was typed is done with: one goes on with an empty field.
    typed = '';
    open = false;
    round++;
    await tick();
    field?.focus();
  }
</script>

{#key round}
  <Combobox.Root
    type="single"
    bind:open
    value=""
    onValueChange={(key) => void add(offers[Number(key)])}
    onOpenChange={(is) => {
      if (!is) typed = '';
    }}
  >
    <Combobox.Input
      bind:ref={field}
      class="h-6 rounded-inner border border-transparent bg-transparent px-1 placeholder:text-soft hover:border-line focus:border-line focus:bg-sheet {takes ===
      'moments'
        ? 'w-22'
        : 'w-64'}"
      placeholder={first ? '…' : HINTS[takes]}
      aria-label={NAMES[takes]}
      disabled={rule.full}
      clearOnDeselect
      autocomplete="off"
      onpointerdown={() => (open = true)}
      oninput={(e) => {
        typed = e.currentTarget.value;
        open = true;
      }}
      onkeydown={(e) => {
        if (e.key === 'Tab' || (e.key === 'Escape' && !open)) return;
        if (e.key === 'Escape') open = false;
        e.stopPropagation();
      }}
    />
    <Combobox.Portal>
      <Combobox.Content class="z-40 max-h-72 w-90 overflow-auto sheet p-1" sideOffset={4} collisionPadding={8}>
        {#each offers as offer, i (`${i} ${offer.says}`)}
          <Combobox.Item
            value={String(i)}
            label={offer.says}
            class="cursor-pointer truncate rounded-inner px-2 py-1 data-highlighted:bg-held">{offer.says}</Combobox.Item
          >
        {:else}
          <div class="px-2 py-1 text-soft">Nothing of that name: try a piece, a fact, or a verb such as “opens”.</div>
        {/each}
      </Combobox.Content>
    </Combobox.Portal>
  </Combobox.Root>
{/key}
