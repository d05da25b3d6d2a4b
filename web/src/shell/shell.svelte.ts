import type { BoxView, Proposal } from '../core/types.gen';
import type { Panel } from './panels';

export type Opened = 'nothing' | 'drawer' | 'desk';
/** What lies on the desk: a thing of the project, or tiles proposed as a bond. */
export type OnDesk =
  | { kind: 'nothing' }
  | { kind: 'reskin' }
  | { kind: 'colours' }
  | { kind: 'rules'; id: string; part?: string }
  | { kind: 'newer'; id: string }
  | { kind: 'tileset' | 'medley' | 'bond'; id: string }
  | { kind: 'proposal'; proposal: Proposal };

/** A wish for a thing of some sorts that is pointed at on the board. */
export interface Pointing {
  sorts: string[];
  take: (thing: { kind: string; map: string; id: string }) => void;
}

/** What is open where, beside the board. */
export class Shell {
  opened = $state<Opened>('nothing');
  desk = $state.raw<OnDesk>({ kind: 'nothing' });
  /** Pictures dropped or pasted on the page, for the desk to take up. */
  dropped = $state.raw<File[]>([]);
  /** What a click on the board is to point at; null while nothing is asked for. */
  pointing = $state.raw<Pointing | null>(null);
  seeking = $state(false);
  keysShown = $state(false);
  /** The panel that is open at the right. */
  panel = $state<Panel>('none');
  /** The type of one's own that is open among them; empty for none. */
  type = $state('');
  /** The layer whose settings are open; empty for none. */
  layerOpen = $state('');
  /** Whether the depth stack is wide, as the designer asked; it is narrow all the same where there is little room. */
  stackOpen = $state(true);
  /** Whether there is room for a wide one. */
  roomy = $state(true);
  slipShown = $state(true);
  /** Where the slip floats on the board, for what must not lie over it; null while it does not. */
  slipBox = $state.raw<BoxView | null>(null);

  get stackWide(): boolean {
    return this.stackOpen && this.roomy;
  }

  /** Whether a panel stands at the right, where slips would. */
  get panelled(): boolean {
    return this.panel !== 'none' || this.layerOpen !== '';
  }

  togglePanel(panel: Panel): void {
    this.panel = this.panel === panel ? 'none' : panel;
    this.layerOpen = '';
  }

  /** Opens the settings of a layer in the place of a panel, or closes them. */
  toggleLayer(layer: string): void {
    this.layerOpen = this.layerOpen === layer ? '' : layer;
    this.panel = 'none';
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
