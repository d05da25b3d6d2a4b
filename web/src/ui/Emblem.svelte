<script lang="ts">
  let { size = 24 }: { size?: number } = $props();
</script>

<!-- Our own emblem: a glasshouse with a lit door. -->
<svg
  viewBox="0 0 24 24"
  class="shrink-0"
  width={size}
  height={size}
  fill="none"
  stroke="currentColor"
  stroke-width="1.6"
  aria-hidden="true"
>
  <path d="M3.5 21v-9a8.5 8.5 0 0 1 17 0v9z" stroke-linejoin="round" />
  <path d="M3.5 13h17M12 3.5V13" />
  <path d="M9.5 21v-4.5a2.5 2.5 0 0 1 5 0V21z" class="fill-saffron stroke-saffron" />
</svg>
