<script lang="ts">
  let { keys }: { keys: string } = $props();
</script>

<kbd class="inline-block rounded-inner border border-line px-1 font-sans text-small leading-4 text-soft">{keys}</kbd>
