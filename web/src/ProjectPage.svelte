<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { Keys } from './commands/keys';
  import { commands } from './commands/register';
  import { cellsOf, probe } from './probe';
  import { Project } from './project.svelte';
  import { routes } from './routes';
  import Announcer from './shell/Announcer.svelte';
  import Lazy from './shell/Lazy.svelte';
  import { parts } from './shell/parts';
  import Stage from './shell/Stage.svelte';
  import Asides from './ui/Asides.svelte';
  import Button from './ui/Button.svelte';
  import Status from './ui/Status.svelte';
  import Strip from './ui/Strip.svelte';
  import Tray from './tray/Tray.svelte';

  let { id, home }: { id: string; home: () => void } = $props();

  const p = untrack(() => new Project(id));
  let board: HTMLElement | undefined = $state();
  const keys = new Keys(p, () => board);

  onMount(() => {
    void p.session.open();
    window.azzel = {
      probe: () => probe(p),
      memory: () => p.session.safely((core) => core.memory(), 0),
      screen: (x, y) => p.viewport.camera.toScreen(x, y),
      scene: () => (p.session.scene ? { ...p.session.scene, tilesets: p.session.tilesets } : null),
      play: () => p.game.view,
      views: () => [
        ...routes,
        ...commands.flatMap(({ id, name, opens }) => (opens ? [{ id, command: name, opens }] : [])),
      ],
      cells: (map, x, y, w, h) => cellsOf(p, map, { x, y, w, h }),
    };
    return () => {
      p.close();
      delete window.azzel;
    };
  });

  /** After a click on a control, the keys belong to the board again. */
  function giveBack(event: MouseEvent): void {
    if (event.detail > 0 && event.target instanceof Element && event.target.closest('[data-back]')) board?.focus();
  }

  /** Where the browser keeps nothing, what is not saved would be lost. */
  function leaving(event: BeforeUnloadEvent): void {
    if (p.session.unkept && p.session.saved !== 'saved') event.preventDefault();
  }

  function dropped(event: DragEvent): void {
    event.preventDefault();
    bring([...(event.dataTransfer?.files ?? [])]);
  }

  const typing = (event: Event): boolean =>
    event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;

  function pasted(event: ClipboardEvent): void {
    if (typing(event)) return;
    const files = [...(event.clipboardData?.files ?? [])];
    if (files.length > 0) bring(files);
    else if (event.clipboardData) void p.session.orders.paste({ text: event.clipboardData.getData('text/plain') });
  }

  function copied(event: ClipboardEvent, cut: boolean): void {
    // Words of the interface that were marked are copied as ever.
    if (typing(event) || getSelection()?.toString()) return;
    const text = p.session.copied(cut);
    if (text === '') return;
    event.clipboardData?.setData('text/plain', text);
    event.preventDefault();
  }

  function bring(files: File[]): void {
    if (files.length === 0) return;
    p.shell.dropped = files;
    p.shell.layOnDesk(
      p.shell.desk.kind === 'newer' || (p.shell.desk.kind === 'colours' && p.shell.opened === 'desk')
        ? p.shell.desk
        : { kind: 'nothing' },
    );
  }
</script>

<svelte:document onvisibilitychange={() => p.viewport.animate()} />
<svelte:window
  onkeydown={(e) => keys.down(e)}
  onkeyup={(e) => keys.up(e)}
  onblur={() => keys.lost()}
  onbeforeunload={leaving}
  onclick={giveBack}
  ondragover={(e) => e.preventDefault()}
  ondrop={dropped}
  onpaste={pasted}
  oncopy={(e) => copied(e, false)}
  oncut={(e) => copied(e, true)}
/>

<div class="flex h-full flex-col">
  {#if p.session.stage > 1}<Strip {p} {home} />{/if}
  {#if p.session.error}
    <main class="grid flex-1 place-items-center">
      <div class="max-w-md sheet p-6">
        <h1 class="name text-title">This project can’t be opened</h1>
        <p class="my-3">{p.session.error}</p>
        <div class="flex gap-2">
          <Button label="Try again" main onclick={() => void p.session.tryAgain()} />
          <Button label="All projects" onclick={home} />
        </div>
        <Asides {p} />
      </div>
    </main>
  {:else}
    <main class="flex min-h-0 flex-1 flex-col">
      {#key p.viewport.resized}<Stage {p} bind:board />{/key}
      <Announcer {p} />
      {#if p.shell.opened === 'drawer'}
        {#key p.viewport.resized}<Lazy {p} load={parts.drawer} />{/key}
      {/if}
      {#if p.shell.opened === 'desk'}<Lazy {p} load={parts.desk} />{/if}
    </main>
    {#if p.session.stage > 2}{#key p.viewport.resized}<Tray {p} />{/key}{/if}
    {#if p.session.stage > 3}
      <Status {p} />
      {#if p.shell.keysShown}<Lazy {p} load={parts.keys} />{/if}
    {/if}
  {/if}
</div>
