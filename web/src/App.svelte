<script lang="ts">
  import { Tooltip } from 'bits-ui';
  import Home from './home/Home.svelte';
  import ProjectPage from './ProjectPage.svelte';
  import { addressOf, routeOf, type Route } from './routes';
  import Tip from './ui/Tip.svelte';

  let route = $state.raw(routeOf(location.pathname));

  function go(to: Route): void {
    history.pushState(null, '', addressOf(to));
    route = to;
  }
</script>

<svelte:window onpopstate={() => (route = routeOf(location.pathname))} />

<Tooltip.Provider delayDuration={0}>
  <Tip />
  {#if route.id === 'project'}
    {#key route.project}
      <ProjectPage id={route.project} home={() => go({ id: 'home' })} />
    {/key}
  {:else}
    <Home open={(project) => go({ id: 'project', project })} />
  {/if}
</Tooltip.Provider>
