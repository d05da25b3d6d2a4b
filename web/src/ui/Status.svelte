<script lang="ts">
  import { gameKeyOf } from '../commands/game';
  import { keyOf } from '../commands/register';
  import { ITEMS, JUMP, SHOOT, STRIKE, USE } from '../core/types.gen';
  import type { Project } from '../project.svelte';
  import Key from './Key.svelte';

  let { p }: { p: Project } = $props();

  const at = $derived(p.viewport.pointer);
  const zoom = $derived.by(() => {
    void p.viewport.moved;
    return Math.round(p.viewport.camera.zoom * 100);
  });

  /** The keys of what the player has against foes. */
  const arms = $derived.by((): [string, string][] => {
    const movement = p.session.scene?.movement;
    return (movement?.arms ?? []).flatMap((name, i): [string, string][] =>
      ((movement?.armed ?? 0) >> i) & 1 ? [[gameKeyOf([STRIKE, SHOOT][i] ?? 0), `${name}s`]] : [],
    );
  });

  const hints = $derived.by((): [string, string][] => {
    const s = p.session.state;
    if (!s) return [];
    if (s.playing) {
      if (p.game.inGame && p.game.view?.reading) {
        const choosing = p.game.view.reading.choices.length > 0;
        return [
          ...(choosing ? ([['Arrows', 'go up and down']] as [string, string][]) : []),
          [`${gameKeyOf(JUMP)}, ${gameKeyOf(USE)} or click`, choosing ? 'chooses' : 'turns the page'],
          [keyOf('empty'), 'gives the keys to the hand'],
        ];
      }
      return p.game.inGame
        ? [
            ['Arrows', p.game.view?.fromSide ? 'run, climb' : 'walk'],
            p.game.view?.fromSide ? [gameKeyOf(JUMP), 'jumps'] : ['Click', 'walks there'],
            [gameKeyOf(p.game.view?.fromSide ? USE : JUMP), 'uses'],
            ...arms,
            ...(p.game.view?.has ? ([[gameKeyOf(ITEMS), 'opens what the player has']] as [string, string][]) : []),
            [keyOf('empty'), 'gives the keys to the hand'],
            [keyOf('play'), 'ends play'],
          ]
        : [
            ['Enter', 'on “hand” gives the keys back'],
            [keyOf('play'), 'ends play'],
          ];
    }
    const squares = ['box', 'ring', 'room', 'oval'].includes(s.shape);
    if (s.chosen && s.holding === 'nothing') {
      return [
        ['Drag within', 'moves'],
        [keyOf('copy'), 'copies'],
        [keyOf('delete'), 'erases'],
        [keyOf('empty'), 'selects nothing'],
      ];
    }
    switch (s.holding) {
      case 'tile':
      case 'medley':
      case 'bond':
      case 'patch':
        return [
          ['Right button', 'erases'],
          [keyOf('pick'), 'picks'],
          ['Shift', squares ? 'square' : 'straight'],
        ];
      case 'choose':
        return [
          ['Right button', 'takes away'],
          ['Ctrl', 'adds'],
          ['Drag within', 'moves'],
        ];
      case 'eraser':
        return [
          ['Shift', squares ? 'square' : 'straight'],
          [keyOf('empty'), 'empties the hand'],
        ];
      case 'piece':
        return [
          ['Right button', 'erases'],
          [keyOf('empty'), 'empties the hand'],
        ];
      case 'measure':
        return [
          ['Drag', 'measures'],
          [keyOf('empty'), 'empties the hand'],
        ];
      case 'wire':
        return [
          ['Drag', 'from a piece to what it works, or to one of several selected'],
          ['Right button', 'takes its wires away'],
          [keyOf('empty'), 'empties the hand'],
        ];
      case 'crossing':
        return [
          ['Drag', 'to a cell of another map, or to the empty board'],
          [keyOf('empty'), 'empties the hand'],
        ];
    }
    return [
      ['Click', 'selects'],
      ['Drag', 'selects cells'],
      ['Drag on the empty board', 'makes a map'],
      [keyOf('keys'), 'all keys'],
    ];
  });
</script>

<footer
  class="flex h-5.5 shrink-0 items-center gap-4 border-t border-line bg-shelf px-3 text-small whitespace-nowrap text-soft"
>
  <span class="min-w-0 truncate figures" data-status>
    {#if at?.map}
      cell {at.cellX}, {at.cellY} · pixel {at.pixelX}, {at.pixelY} · {at.layer} · {at.tile ||
        'empty'}{#if at.piece}&nbsp;· “{at.piece}”{/if}
    {:else if p.session.scene}
      {p.session.scene.maps.length}
      {p.session.scene.maps.length === 1 ? 'map' : 'maps'}
    {/if}
  </span>
  <span class="ml-auto flex items-center gap-3">
    {#each hints as [key, does] (key)}
      <span class="inline-flex items-center gap-1"><Key keys={key} /> {does}</span>
    {/each}
    <span class="w-10 text-right figures">{zoom} %</span>
  </span>
</footer>
