import type { BoxView, Proposal } from '../core/types.gen';
import type { Panel } from './panels';

export type Opened = 'nothing' | 'drawer' | 'desk';
/** What lies on the desk: a thing of the project, or tiles proposed as a bond. */
export type OnDesk =
  | { kind: 'nothing' }
  | { kind: 'reskin' }
  | { kind: 'colours' }
  | { kind: 'newer'; id: string }
  | { kind: 'tileset' | 'medley' | 'bond'; id: string }
  | { kind: 'proposal'; proposal: Proposal };

/** What is open where, beside the board. */
export class Shell {
  opened = $state<Opened>('nothing');
  desk = $state.raw<OnDesk>({ kind: 'nothing' });
  /** Pictures dropped or pasted on the page, for the desk to take up. */
  dropped = $state.raw<File[]>([]);
  seeking = $state(false);
  keysShown = $state(false);
  /** The panel that is open at the right. */
  panel = $state<Panel>('none');
  /** The layer whose settings are open; empty for none. */
  layerOpen = $state('');
  /** Where the depth stack stands on the board, for what must not cover it. */
  stackBox = $state.raw<BoxView | null>(null);
  stackOpen = $state(true);
  slipShown = $state(true);

  /** Whether a panel stands at the right, where slips would. */
  get panelled(): boolean {
    return this.panel !== 'none' || this.layerOpen !== '';
  }

  togglePanel(panel: Panel): void {
    this.panel = this.panel === panel ? 'none' : panel;
  }

  closePanels(): void {
    this.panel = 'none';
    this.layerOpen = '';
  }

  layOnDesk(what: OnDesk): void {
    this.desk = what;
    this.opened = 'desk';
  }
}
