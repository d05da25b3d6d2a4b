<script lang="ts">
  import { ArrowDown, ArrowUp, Copy, EyeOff, X } from '@lucide/svelte';
  import type { Project } from '../project.svelte';
  import type { LineView, RulePartForm, RuleView } from '../core/types.gen';
  import RuleSlot from './RuleSlot.svelte';

  /** A moment or an action of a rule, as a sentence. */
  interface Props {
    p: Project;
    rule: RuleView;
    line: LineView;
    /** Whether it stands among others in one line. */
    inline?: boolean;
  }
  let { p, rule, line, inline = false }: Props = $props();

  const { orders } = $derived(p.session);
  const siblings = $derived(
    rule.lines.filter(
      (other) => other.sort === line.sort && other.in === line.in && other.branch === line.branch && other.id !== '',
    ),
  );
  const at = $derived(siblings.findIndex((other) => other.id === line.id));

  function move(before: number): void {
    const to = siblings[before]?.id;
    void orders.moveRulePart({
      rule: rule.id,
      part: line.id,
      in: line.in,
      branch: line.branch,
      ...(to === undefined ? {} : { before: to }),
    });
  }

  const set = (change: Partial<RulePartForm>, seconds?: number): void =>
    void orders.setRulePart({
      rule: rule.id,
      part: { ...line.form, id: line.id, ...change },
      ...(seconds === undefined ? {} : { seconds }),
    });

  function dropped(event: DragEvent): void {
    const part = event.dataTransfer?.getData('text/azzel-part') ?? '';
    if (part === '' || part === line.id) return;
    event.preventDefault();
    void orders.moveRulePart({ rule: rule.id, part, in: line.in, branch: line.branch, before: line.id });
  }

  function key(event: KeyboardEvent): void {
    if (event.target !== event.currentTarget) return;
    if (event.key === 'Delete') void orders.removeRulePart({ rule: rule.id, part: line.id });
    else if (event.altKey && event.key === 'ArrowUp' && at > 0) move(at - 1);
    else if (event.altKey && event.key === 'ArrowDown' && at < siblings.length - 1) move(at + 2);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
  class="group flex items-center rounded-inner focus-within:bg-shelf hover:bg-shelf"
  style={inline ? undefined : `padding-left: calc(${line.deep} * 1.5rem)`}
  role="group"
  tabindex={inline ? undefined : 0}
  aria-label={line.says}
  data-line={line.id}
  data-says={line.says}
  draggable={!inline}
  ondragstart={(e) => e.dataTransfer?.setData('text/azzel-part', line.id)}
  ondragover={(e) => e.preventDefault()}
  ondrop={dropped}
  onkeydown={key}
>
  <span class="flex min-w-0 flex-wrap items-baseline gap-x-1 {line.off ? 'text-soft line-through' : ''}">
    {#each line.words as word, i (i)}
      {#if word.slot === ''}<span>{word.text}</span>{:else}<RuleSlot {p} {rule} {line} {word} {set} />{/if}
    {/each}
  </span>
  <span class="invisible ml-auto flex shrink-0 text-soft group-focus-within:visible group-hover:visible">
    {#if !inline}
      {#if at > 0}
        <button class="size-6" aria-label="Before the last one" onclick={() => move(at - 1)}
          ><ArrowUp size={13} /></button
        >
      {/if}
      {#if at >= 0 && at < siblings.length - 1}
        <button class="size-6" aria-label="After the next one" onclick={() => move(at + 2)}
          ><ArrowDown size={13} /></button
        >
      {/if}
      <button
        class="size-6"
        aria-label="Copy this action"
        onclick={() => orders.copyRulePart({ rule: rule.id, part: line.id })}><Copy size={13} /></button
      >
      <button
        class="size-6 {line.off ? 'text-saffron-ink' : ''}"
        aria-label="Pass this action over"
        aria-pressed={line.off}
        onclick={() => set({ off: !line.off })}><EyeOff size={13} /></button
      >
    {/if}
    <button
      class="size-6 hover:text-rose-ink"
      aria-label={inline ? 'Remove this moment' : 'Remove this action'}
      onclick={() => orders.removeRulePart({ rule: rule.id, part: line.id })}><X size={13} /></button
    >
  </span>
</div>
