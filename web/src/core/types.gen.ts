// Written by cmd/azzel-types. Do not change it by hand.

/** Some of what can be set of something; what is left out stays as it is. */
export type Part<T> = { [K in keyof T]?: T[K] extends unknown[] ? T[K] : T[K] extends object ? Part<T[K]> : T[K] };

export interface ProjectView {
  name: string;
  cellW: number;
  cellH: number;
  seenW: number;
  seenH: number;
}

export interface BackdropView {
  picture: string;
  w: number;
  h: number;
  x: number;
  y: number;
  repeatX: boolean;
  repeatY: boolean;
  stretch: boolean;
  driftX: number;
  driftY: number;
}

export interface LayerLook {
  counts: boolean;
  locked: boolean;
  fade: number;
  tint: string;
  depthX: number;
  depthY: number;
  group: string;
  noTiles: boolean;
  noPieces: boolean;
  roles: number[];
  backdrop: BackdropView;
}

export interface LayerView {
  id: string;
  name: string;
  player: boolean;
  current: boolean;
  hidden: boolean;
  only: boolean;
  look: LayerLook;
}

export interface OwnValueView {
  id: string;
  value: string;
}

export interface ForcesView {
  gravity: number;
  windX: number;
  windY: number;
}

export interface MapLook {
  view: number;
  edges: number[];
  top: string;
  bottom: string;
  notes: string;
  keywords: string;
  own: OwnValueView[];
  forces: ForcesView;
  lottery: number[];
  barred: number;
  barredArms: number;
}

export interface PlaceView {
  kind: string;
  id: string;
  name: string;
}

export interface MapView {
  id: string;
  name: string;
  x: number;
  y: number;
  w: number;
  h: number;
  originX: number;
  originY: number;
  columns: number;
  rows: number;
  layers: LayerView[];
  ways: number;
  look: MapLook;
  places: PlaceView[];
}

export interface PieceView {
  id: string;
  map: string;
  name: string;
  type: string;
  family: string;
  x: number;
  y: number;
  who: string;
  sprite: number;
  mirrored: boolean;
  footX: number;
  footY: number;
  conditional: boolean;
  starts: string;
}

export interface BoxView {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface CrossingView {
  id: string;
  name: string;
  bothWays: boolean;
  doors: BoxView[];
  curve: number[];
}

export interface TilesetHead {
  id: string;
  stamp: number;
}

export interface Weighted {
  tile: number;
  weight: number;
}

export interface MedleyView {
  id: string;
  name: string;
  tiles: Weighted[];
  seed: number;
  turned: boolean;
  mirrored: boolean;
}

export interface Bonded {
  tile: number;
  joined: number;
  weight: number;
}

export interface BondView {
  id: string;
  name: string;
  join: number;
  tiles: Bonded[];
  border: boolean;
  also: number[];
  joinsTo: string[];
  seed: number;
  picture: number[];
  lacks: number;
}

export interface PatchView {
  id: string;
  name: string;
  columns: number;
  rows: number;
  layers: number;
  pieces: number;
}

export interface OwnView {
  id: string;
  name: string;
  type: number;
}

export interface PoseView {
  act: number;
  facing: number;
  frames: number[];
  ticks: number;
}

export interface StockView {
  id: string;
  name: string;
  count: number;
}

export interface CharacterView {
  id: string;
  name: string;
  played: boolean;
  strip: string;
  w: number;
  h: number;
  poses: PoseView[];
  aboveW: number;
  aboveH: number;
  begins: StockView[];
  bodyW: number;
  bodyH: number;
  footX: number;
  footY: number;
}

export interface NamingView {
  kind: string;
  id: string;
  map: string;
  name: string;
  does: string;
  x: number;
  y: number;
}

export interface ItemView {
  id: string;
  name: string;
  most: number;
  named: NamingView[];
  more: number;
}

export interface FactView {
  id: string;
  name: string;
  counts: boolean;
  start: number;
  sets: number;
  asks: number;
  named: NamingView[];
  more: number;
}

export interface AreaView {
  id: string;
  map: string;
  name: string;
  box: BoxView;
  spans: number[];
}

export interface PathView {
  points: number[];
  second: number;
  w: number;
  h: number;
}

export interface TriggerView {
  piece: string;
  box: BoxView;
}

export interface TypeView {
  id: string;
  name: string;
  family: string;
  purpose: string;
  acts: boolean;
}

export interface MissingView {
  of: string;
  sum: string;
  used: boolean;
}

export interface TermView {
  name: string;
  label: string;
  unit: string;
  value: number;
  least: number;
  most: number;
  per: number;
  reach: number;
  tries: number[];
  trial: string;
  side: boolean;
}

export interface MovementView {
  name: string;
  terms: TermView[];
  steering: number;
  steerings: string[];
  abilities: string[];
  cannot: number;
  arms: string[];
  armed: number;
  camera: TermView[];
  beyond: boolean;
  turns: boolean;
}

export interface BitmapView {
  baseCells: number;
  levels: number;
}

export interface Scene {
  project: ProjectView;
  maps: MapView[];
  pieces: PieceView[];
  crossings: CrossingView[];
  tilesets: TilesetHead[];
  medleys: MedleyView[];
  bonds: BondView[];
  patches: PatchView[];
  own: OwnView[];
  characters: CharacterView[];
  acts: string[];
  facings: string[];
  items: ItemView[];
  facts: FactView[];
  drawer: string[];
  areas: AreaView[];
  paths: PathView[];
  triggers: TriggerView[];
  odds: string[];
  roles: string[];
  edges: string[];
  sides: string[];
  types: TypeView[];
  mark: string;
  missing: MissingView[];
  movement: MovementView;
  bitmap: BitmapView;
}

export interface Rect {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface Cut {
  w: number;
  h: number;
  margin: number;
  spacing: number;
  offsetX: number;
  offsetY: number;
  crop: Rect;
  keyed: boolean;
  key: number;
  scale: number;
}

export interface Frame {
  tile: number;
  millis: number;
}

export interface TileView {
  name: string;
  named: boolean;
  does: string;
  role: number;
  rows: number[];
  whole: boolean;
  oneWay: boolean;
  climbable: boolean;
  water: boolean;
  slippery: boolean;
  slow: boolean;
  above: boolean;
  danger: number;
  weight: number;
  keywords: string;
  home: string;
  own: OwnValueView[];
  frames: Frame[];
}

export interface TilesetView {
  id: string;
  name: string;
  builtin: boolean;
  first: number;
  count: number;
  picture: string;
  strip: string;
  cut: Cut;
  columns: number;
  rows: number;
  places: number[];
  tiles: (TileView | null)[];
  called: string;
  solid: number;
}

export interface Dealing {
  tiles: Weighted[];
  seed: number;
  turned: boolean;
  mirrored: boolean;
}

export interface Dealt {
  cells: number[];
  shares: number[];
}

export interface Bonding {
  join: number;
  tiles: Bonded[];
  border: boolean;
  also: number[];
  joinsTo: string[];
  seed: number;
}

export interface Proposal {
  join: number;
  tiles: Bonded[];
  unsure: number[];
}

export interface MatchView {
  from: number;
  name: string;
  to: number;
  cells: number;
  chosen: boolean;
}

export interface ReskinView {
  matches: MatchView[];
  cells: number;
  unmatched: number;
}

export interface UnusedTiles {
  id: string;
  unused: number;
}

export interface Usage {
  tilesets: UnusedTiles[];
  unused: string[];
}

export interface StepView {
  label: string;
  own: boolean;
  undone: boolean;
  done: number;
  back: boolean;
  sequence: number;
}

export interface SlipLine {
  label: string;
  value: string;
}

export interface StackView {
  index: number;
  name: string;
  sort: string;
  selected: boolean;
}

export interface FieldView {
  name: string;
  label: string;
  heading: string;
  help: string;
  options: string[];
  value: number;
  unit: string;
  per: number;
  least: number;
  most: number;
  reach: number;
  tries: number[];
  trial: string;
  differs: boolean;
}

export interface ActingView {
  fields: FieldView[];
  moves: boolean;
  leads: boolean;
  tracked: boolean;
}

export interface NounForm {
  is: string;
  thing?: string;
  type?: string;
}

export interface ValueForm {
  is: string;
  number?: number;
  thing?: string;
  of?: NounForm;
  property?: string;
  left?: ValueForm;
  right?: ValueForm;
}

export interface ConditionForm {
  asks: string;
  of?: ConditionForm[];
  left?: ValueForm;
  by?: string;
  right?: ValueForm;
  subject?: NounForm;
  object?: NounForm;
  thing?: string;
  number?: number;
  key?: number;
  is?: string;
}

export interface ConditionView {
  name: string;
  label: string;
  none: string;
  help: string;
  is: ConditionForm | null;
  says: string;
  main: boolean;
  differs: boolean;
}

export interface AskingView {
  type: string;
  fields: FieldView[];
  conditions: ConditionView[];
}

export interface TrackLook {
  round: boolean;
  points: number;
}

export interface AreaLook {
  forces: ForcesView;
  holds: boolean;
  zoom: number;
}

export interface SlipView {
  kind: string;
  id: string;
  map: string;
  name: string;
  proposed: string;
  sort: string;
  box: BoxView;
  clear: BoxView;
  lines: SlipLine[];
  stack: StackView[];
  removes: string;
  kept: boolean;
  leads: BoxView | null;
  landings: BoxView[];
  acting: ActingView | null;
  asking: AskingView | null;
  path: PathView | null;
  starts: boolean;
  track: TrackLook | null;
  area: AreaLook | null;
}

export interface WorkingView {
  cells: number;
  stops: boolean;
}

export interface PiecesView {
  count: number;
  says: string;
  fields: FieldView[];
  conditions: ConditionView[];
}

export interface ChosenView {
  map: string;
  box: BoxView;
  spans: number[];
  cells: number;
  w: number;
  h: number;
  pieces: PiecesView | null;
}

export interface State {
  pending: number;
  undo: string;
  redo: string;
  holding: string;
  shape: string;
  tile: number;
  medley: string;
  bond: string;
  heldName: string;
  type: string;
  slip: SlipView | null;
  messages: string[];
  earlier: number;
  working: WorkingView | null;
  playing: boolean;
  size: number;
  through: boolean;
  adds: string;
  mirrorX: boolean;
  mirrorY: boolean;
  patch: string;
  block: number;
  lying: number;
  chosen: ChosenView | null;
  looked: string;
}

export interface LayView {
  spans: number[];
  box: BoxView;
  tile: number;
  cells: number[];
}

export interface Ghost {
  lays: LayView[];
  spans: number[];
  box: BoxView | null;
  stamp: BoxView | null;
  selects: boolean;
  piece: string;
  erase: boolean;
  room: BoxView | null;
  sized: string;
  lost: number[];
  moved: BoxView[];
  joins: number[];
  text: string;
  problem: string;
}

export interface Pointer {
  map: string;
  cellX: number;
  cellY: number;
  box: BoxView;
  pixelX: number;
  pixelY: number;
  layer: string;
  tile: string;
  piece: string;
  ghost: Ghost;
  busy: boolean;
  axis: number[];
  seen: BoxView | null;
}

export interface ThingView {
  id: string;
  type: string;
  x: number;
  y: number;
  mirrored: boolean;
  cells: number;
  gone: boolean;
  w: number;
  h: number;
  hurts: boolean;
  who: string;
  sprite: number;
  footX: number;
  footY: number;
  level: number;
}

export interface Play {
  map: string;
  x: number;
  y: number;
  w: number;
  h: number;
  facing: number;
  step: number;
  doing: string;
  sprite: number;
  mirrored: boolean;
  footX: number;
  footY: number;
  fromSide: boolean;
  health: number;
  mostHealth: number;
  safe: boolean;
  frame: BoxView;
  ticks: number;
  first: number;
  last: number;
  changes: number[];
  steps: number;
  taken: number;
  total: number;
  goneIds: string[];
  castMaps: string[];
  things: ThingView[];
  shots: number[];
  myShots: number[];
  shakeX: number;
  shakeY: number;
  striking: number;
  onIds: string[];
  finished: boolean;
  events: string[];
  helps: string[];
  helpsOn: boolean[];
  has: string;
  goal: BoxView | null;
}

export interface ReachView {
  arcs: number[][];
  landings: BoxView[];
}

export interface TrailView {
  places: number[];
  w: number;
  h: number;
  player: BoxView | null;
}

export interface ReplayView {
  id: string;
  name: string;
  length: string;
  from: string;
  came: string;
  says: string;
  place: boolean;
  x: number;
  y: number;
}

export interface TrialRow {
  value: number;
  now: boolean;
  came: string;
  says: string;
}

export interface TrialView {
  replay: string;
  term: string;
  label: string;
  unit: string;
  per: number;
  rows: TrialRow[];
}

export interface ReplaysView {
  kept: ReplayView[];
  trial: TrialView | null;
}

export interface KnownFact {
  id: string;
  name: string;
  counts: boolean;
  value: number;
  since: string;
}

export interface ReasonView {
  id: string;
  map: string;
  name: string;
  says: string;
  yes: boolean;
  x: number;
  y: number;
}

export interface KnownView {
  facts: KnownFact[];
  reasons: ReasonView[];
  more: number;
}

export interface AskedThing {
  id: string;
  name: string;
}

export interface AskedFact extends AskedThing {
  counts: boolean;
}

export interface AskedPiece extends AskedThing {
  type: string;
}

export interface AskedWord {
  word: string;
  name: string;
}

export interface AskedType {
  word: string;
  name: string;
  states: AskedWord[];
  powered: boolean;
  properties: AskedWord[];
}

export interface AskableView {
  facts: AskedFact[];
  items: AskedThing[];
  areas: AskedThing[];
  pieces: AskedPiece[];
  more: number;
  types: AskedType[];
  comparisons: AskedWord[];
  presences: AskedWord[];
  powers: AskedWord[];
  first: ConditionForm;
  firstNew: ConditionForm;
  firstPiece: ConditionForm;
}

export interface Taken {
  name: string;
  picture: string;
  strip: string;
  first: number;
  columns: number;
  rows: number;
  places: number[];
  cut: Cut;
  cells: number[];
}

export interface Pair {
  from: number;
  to: number;
}

export interface Reskin {
  map: string;
  selected: boolean;
  from: string;
  to: string;
  by: string;
  chosen: Pair[];
}

export interface SheetTaken {
  name: string;
  picture: string;
  strip: string;
  w: number;
  h: number;
  columns: number;
  rows: number;
  places: number[];
}

export interface Mark {
  property: string;
  on: boolean;
  amount: number;
  text: string;
  rows: number[];
  own: string;
}

export interface Order {
  do: string;
  id: string;
  map: string;
  kind: string;
  text: string;
  n: number;
  list: number[];
  yes: boolean;
  x: number;
  y: number;
  taken: Taken | null;
  condition: ConditionForm | null;
  medley: Part<Dealing>;
  bond: Part<Bonding>;
  reskin: Reskin | null;
  layer: Part<LayerLook>;
  look: Part<MapLook>;
  area: Part<AreaLook>;
  track: Part<TrackLook>;
  sheet: SheetTaken | null;
  frames: Frame[];
  mark: Mark | null;
}

export interface Sheet {
  width: number;
  height: number;
  format: string;
  profile: boolean;
  oneColour: boolean;
  sum: string;
  guess: Cut;
  sure: boolean;
  columns: number;
  rows: number;
  tiles: number;
  empty: number;
  places: number[];
  error: string;
}

export interface Comparison {
  to: number[];
  moved: number[];
  changed: number[];
  gone: number[];
  kept: number;
  added: number;
  error: string;
}

export interface Parts {
  columns: number;
  rows: number;
  tiles: number;
  error: string;
}

export interface ColourCount {
  hex: string;
  cells: number;
}

export interface Colours {
  width: number;
  height: number;
  list: ColourCount[];
  error: string;
}

export interface Legend {
  name: string;
  columns: number;
  rows: number;
  cells: number[];
  colours: number[];
  x: number;
  y: number;
}

export interface Apart {
  turned: boolean;
  differ: number;
}

export interface ProjectCard {
  id: string;
  name: string;
  revision: string;
  changed: number;
}

export interface NewProject {
  name: string;
  cellW: number;
  cellH: number;
  seenW: number;
  seenH: number;
  view: number;
}

export interface TakenPicture {
  picture: string;
  strip: string;
  first: number;
  columns: number;
  rows: number;
  places: number[];
  cells: number[];
}

export interface TakenSheet {
  picture: string;
  strip: string;
  w: number;
  h: number;
  columns: number;
  rows: number;
  places: number[];
}

export interface KeptPicture {
  picture: string;
  w: number;
  h: number;
}

export interface KeptState {
  id: string;
  name: string;
  at: number;
  now: boolean;
}

export interface DeletedProject {
  id: string;
  name: string;
  days: number;
}

export interface Bringing {
  read: number;
  of: number;
}

export interface Problem {
  error: string;
}

export const MIN_CELL_SIDE = 4;
export const MAX_CELL_SIDE = 128;
export const MAX_SEEN = 256;
export const NAME_LETTERS = 120;
export const PICTURE_BYTES = 16777216;
export const CSV_BYTES = 268435456;
export const BUNDLE_BYTES = 268435456;
export const PICTURE_SIDE = 8192;
export const MAX_WEIGHT = 1000;
export const MAX_DIFFER = 40;
export const MIN_FRAME = 20;
export const MAX_FRAME = 60000;
export const SOCKET_BYTES = 1048576;
export const SCENE_CHANGED = 1;
export const STATE_CHANGED = 2;
export const CELLS_CHANGED = 4;
export const POINTER_CHANGED = 8;
export const OUTGOING_CHANGED = 16;
export const PLAY_CHANGED = 32;
export const TAKEN_CHANGED = 64;
export const WORK_LEFT = 128;
export const REPLAYS_CHANGED = 256;
export const RERUN_LEFT = 512;
export const STACK = 999;
export const FACT_VALUE = 999999;
export const MOST_VALUE = 1000000000;
export const TICKS_PER_SECOND = 60;
export const LEFT = 1;
export const RIGHT = 2;
export const UP = 4;
export const DOWN = 8;
export const USE = 16;
export const JUMP = 32;
export const STRIKE = 512;
export const SHOOT = 1024;
export const SAMPLE_COLUMNS = 12;
export const SAMPLE_ROWS = 7;
export const SIXTEENTH = 16;
export const HOVER = 0;
export const PRESS = 1;
export const DRAG = 2;
export const RELEASE = 3;
export const LEAVE = 4;
