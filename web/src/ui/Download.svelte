<script lang="ts">
  /** A link that brings a file from the server, which looks like a button. */
  let { label, href }: { label: string; href: string } = $props();
</script>

<a
  class="inline-flex h-7 items-center rounded-inner border border-line bg-sheet px-3 whitespace-nowrap text-ink hover:bg-shelf pointer-coarse:h-10"
  {href}
  download>{label}</a
>
