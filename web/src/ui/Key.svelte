<script lang="ts">
  let { keys }: { keys: string } = $props();
</script>

<kbd class="rounded-inner border-line text-soft text-small inline-block border px-1 font-sans leading-4">{keys}</kbd>
