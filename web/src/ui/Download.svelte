<script lang="ts">
  import { fetchFile } from '../core/api';
  import type { Project } from '../project.svelte';
  import { download } from './download';

  /** Brings a file from the server, as a link that looks like a button; what keeps it from coming is said. */
  let { p, label, href }: { p: Project; label: string; href: string } = $props();

  let coming = $state(false);

  async function bring(event: MouseEvent): Promise<void> {
    event.preventDefault();
    if (coming) return;
    coming = true;
    try {
      const { name, body } = await fetchFile(href);
      download(name, body);
    } catch (failure) {
      p.session.say((failure as Error).message);
    }
    coming = false;
  }
</script>

<a
  class="inline-flex h-7 items-center rounded-inner border border-line bg-sheet px-3 whitespace-nowrap text-ink hover:bg-shelf pointer-coarse:h-10"
  {href}
  download
  aria-busy={coming}
  onclick={bring}>{coming ? 'Writing it …' : label}</a
>
