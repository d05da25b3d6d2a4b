<script lang="ts">
  let { keys }: { keys: string } = $props();
</script>

<kbd
  class="inline-block self-start rounded-inner border border-line px-1 font-sans text-small leading-4 whitespace-nowrap text-soft"
  >{keys}</kbd
>
