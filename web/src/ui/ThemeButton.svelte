<script lang="ts">
  import Moon from '@lucide/svelte/icons/moon';
  import Sun from '@lucide/svelte/icons/sun';
  import { theme } from '../core/theme.svelte';
  import Button from './Button.svelte';
</script>

<Button label={theme.dark ? 'Switch to light' : 'Switch to dark'} icon onclick={() => theme.toggle()}>
  {#if theme.dark}<Moon size={16} />{:else}<Sun size={16} />{/if}
</Button>
