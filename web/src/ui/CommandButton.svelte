<script lang="ts">
  import type { Snippet } from 'svelte';
  import { keyOf, nameOf, runCommand } from '../commands/register';
  import type { Project } from '../project.svelte';
  import Button from './Button.svelte';

  /** A button that does what a command does, with its name and key. */
  interface Props {
    p: Project;
    id: string;
    /** What stands on it, if that is not the command's name. */
    label?: string;
    main?: boolean;
    pressed?: boolean;
    children?: Snippet;
  }
  let { p, id, label = nameOf(id), main, pressed, children }: Props = $props();
</script>

<Button {label} keys={keyOf(id)} {main} {pressed} onclick={() => runCommand(p, id)} {children} />
