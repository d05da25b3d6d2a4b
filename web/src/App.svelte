<script lang="ts">
  import { Tooltip } from 'bits-ui';
  import Home from './home/Home.svelte';
  import ProjectPage from './ProjectPage.svelte';
  import Tip from './ui/Tip.svelte';

  let path = $state(location.pathname);

  function go(to: string): void {
    history.pushState(null, '', to);
    path = to;
  }

  const project = $derived(/^\/project\/(\d+)$/.exec(path)?.[1]);
</script>

<svelte:window onpopstate={() => (path = location.pathname)} />

<Tooltip.Provider delayDuration={0}>
  <Tip />
  {#if project}
    {#key project}
      <ProjectPage id={project} home={() => go('/')} />
    {/key}
  {:else}
    <Home open={(id) => go(`/project/${id}`)} />
  {/if}
</Tooltip.Provider>
