import { BROKEN } from '../core/answers';
import type { Core } from '../core/bridge';
import type { Session } from '../core/session.svelte';
import * as T from '../core/types.gen';
import type { Viewport } from '../board/viewport.svelte';
import { Clock } from './clock.svelte';
import { Replays } from './replays.svelte';

/** The game that is played on the board: how time passes in it, and what has the keys. */
export class PlayControl {
  /** What is to be seen of the game; null while none is played. */
  view = $state.raw<T.Play | null>(null);
  /** What the game told last; empty before it told anything. */
  told = $state('');
  /** Whether keys and pointer go to the game or to the hand. */
  inGame = $state(false);
  readonly clock = new Clock();
  readonly replays: Replays;
  /** Whether play was asked for and has not begun. */
  private beginning = false;
  /** Whether one was played when it was told last what has changed. */
  private playing = false;
  /** From where the board was seen before. */
  private before: { x: number; y: number; zoom: number } | null = null;

  constructor(
    private readonly session: Session,
    private readonly viewport: Viewport,
  ) {
    this.replays = new Replays(
      (text) => session.say(text),
      () => session.apply(BROKEN),
    );
    viewport.onFrame((now) => this.frame(now));
    session.follow(this);
  }

  changed(changed: number, core: Core): void {
    if (changed & (T.SCENE_CHANGED | T.CELLS_CHANGED | T.REPLAYS_CHANGED)) this.replays.changed(core);
    if (changed & T.PLAY_CHANGED) this.look();
    const playing = this.session.state?.playing ?? false;
    if (this.playing && !playing) this.ended();
    this.playing = playing;
  }

  closed(): void {
    this.view = null;
    this.playing = this.inGame = false;
    this.replays.close();
  }

  /** Looks at what there is to be seen now. */
  private look(): void {
    this.view = this.session.ask.play();
    this.told = this.view?.events.at(-1) ?? this.told;
  }

  /** Whether the gamepad on the screen is shown. */
  get padShown(): boolean {
    return this.clock.padShown && this.inGame && this.running;
  }

  /** Whether a game is under way that has not ended. */
  get running(): boolean {
    return this.view !== null && !this.view.finished;
  }

  /** Lets as many ticks pass as time has. Says whether the next frame must follow. */
  private frame(now: number): boolean {
    if (!this.running) return false;
    const changed = this.session.safely((core) => this.clock.pass(now, core, this.input), 0);
    if (changed === BROKEN) this.session.apply(changed);
    else if (changed) this.look();
    // What rules have made of cells is drawn anew.
    if (changed !== BROKEN && changed & T.CELLS_CHANGED) this.session.apply(T.CELLS_CHANGED);
    return this.running && !this.clock.paused;
  }

  /** What is held down of what goes to the game. */
  private get input(): number {
    return this.inGame ? this.clock.held : 0;
  }

  /** Holds time, or lets it go on. */
  pause(pause: boolean): void {
    if (!this.running) return;
    this.clock.paused = pause;
    this.viewport.draw();
  }

  /** Lets one tick pass and holds time. */
  oneTick(): void {
    if (!this.running) return;
    this.clock.paused = true;
    this.session.apply(this.session.safely((core) => core.tick(this.input), 0));
  }

  /** Holds time and shows a tick that was played, from which the game goes on then. */
  showTick(tick: number): void {
    if (!this.view) return;
    this.clock.paused = true;
    void this.session.orders.showTick({ tick });
  }

  /** Begins to play from the pointer or cursor, or from the spawn; or ends. */
  toggle(fromSpawn: boolean): void {
    if (this.session.state?.playing || this.beginning) {
      void this.session.orders.stopPlay();
      return;
    }
    const { cursor, pointer } = this.viewport;
    const at = cursor ?? (pointer ? { x: pointer.box.x, y: pointer.box.y } : null);
    const { cellW, cellH } = this.session.scene?.project ?? { cellW: 0, cellH: 0 };
    const here = fromSpawn || !at ? {} : { here: true, x: at.x + (cellW >> 1), y: at.y + (cellH >> 1) };
    void this.begin(() => this.session.orders.startPlay(here));
  }

  /** Begins to play at a piece. */
  startAt(piece: string): void {
    void this.begin(() => this.session.orders.startPlayAt({ piece }));
  }

  /** Begins to play by a named start, without one by that by which play began last. */
  async startAs(start?: string): Promise<void> {
    if (this.session.state?.playing) await this.session.orders.stopPlay();
    await this.begin(() => this.session.orders.startPlayAs(start === undefined ? {} : { start }));
  }

  /** Plays a kept replay, until anything is held down. */
  async watch(replay: string): Promise<void> {
    if (this.session.state?.playing) await this.session.orders.stopPlay();
    await this.begin(() => this.session.orders.watchReplay({ replay }));
  }

  private async begin(order: () => Promise<T.Reply>): Promise<void> {
    this.before = this.viewport.camera.copy();
    this.clock.begin();
    this.beginning = true;
    this.told = '';
    await order();
    this.beginning = false;
    this.inGame = this.session.state?.playing ?? false;
    this.viewport.draw();
  }

  private ended(): void {
    this.inGame = false;
    this.view = null;
    this.told = '';
    if (this.before) Object.assign(this.viewport.camera, this.before);
    this.before = null;
    this.viewport.moveCamera(() => undefined);
  }
}
