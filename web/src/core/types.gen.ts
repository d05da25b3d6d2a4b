// Written by cmd/azzel-types. Do not change it by hand.

/** Some of what can be set of something; what is left out stays as it is. */
export type Part<T> = { [K in keyof T]?: T[K] extends unknown[] ? T[K] : T[K] extends object ? Part<T[K]> : T[K] };

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
  rows: TrialRow[];
}

export interface ReplaysView {
  kept: ReplayView[];
  trial: TrialView | null;
}

export interface Reply {
  ticket: number;
  changed: number;
  made: string[];
  refused: string;
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

export interface Markable {
  id: string;
  name: string;
  value: string;
  says: string;
  most: number;
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

export interface Version {
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

export interface Hold {
  holding: string;
  tile?: number;
  id?: string;
}

export interface HoldTiles {
  columns: number;
  tiles: number[];
}

export interface SetShape {
  shape: string;
}

export interface SetSize {
  size: number;
}

export interface Widen {
  by: number;
}

export interface Turn {
}

export interface Flip {
  leftRight: boolean;
}

export interface MirrorStrokes {
  leftRight: boolean;
  on: boolean;
}

export interface MirrorHere {
  x: number;
  y: number;
}

export interface ReachThrough {
  on: boolean;
}

export interface SetAdding {
  adding: string;
}

export interface PickUp {
  x: number;
  y: number;
  toX: number;
  toY: number;
}

export interface Cancel {
}

export interface Duplicate {
}

export interface Paste {
  text: string;
}

export interface Thing {
  kind: string;
  map?: string;
  id?: string;
}

export interface Select {
  thing: Thing;
  end?: number;
}

export interface SelectInStack {
  thing: Thing;
  end?: number;
}

export interface Unselect {
}

export interface SelectAllCells {
  map: string;
}

export interface SelectNoCells {
}

export interface MoveSelected {
  x: number;
  y: number;
}

export interface FillSelected {
}

export interface DeleteSelected {
}

export interface Rename {
  thing: Thing;
  name: string;
}

export interface Delete {
  thing: Thing;
}

export interface MendFinding {
  fault: number;
  thing: Thing;
  part?: string;
}

export interface Undo {
}

export interface Redo {
}

export interface WalkHistory {
  done: number;
}

export interface UndoStep {
  step: number;
}

export interface AddEarlier {
}

export interface DoAgain {
}

export interface ShowVersion {
  name: string;
}

export interface ShowCurrentVersion {
}

export interface RestoreVersion {
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

export interface SetMap {
  map: string;
  change: Part<MapLook>;
}

export interface CopyMap {
  map: string;
  leading?: boolean;
}

export interface FurnishMap {
  map: string;
}

export interface ResizeMap {
  map: string;
  columns: number;
  rows: number;
  anchor: number;
}

export interface MakeMapOfColours {
  legend: Legend;
}

export interface SetCellSize {
  w: number;
  h: number;
}

export interface MakeMapOfPatch {
  patch: string;
  x: number;
  y: number;
}

export interface MakeLayer {
  map: string;
  above: string;
  name?: string;
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

export interface SetLayer {
  map: string;
  layer: string;
  change: Part<LayerLook>;
}

export interface MoveLayer {
  map: string;
  layer: string;
  by: number;
}

export interface LayLayerOver {
  map: string;
  layer: string;
  over: string;
}

export interface DuplicateLayer {
  map: string;
  layer: string;
}

export interface MergeLayer {
  map: string;
  layer: string;
}

export interface ClearLayer {
  map: string;
  layer: string;
}

export interface DeleteLayer {
  map: string;
  layer: string;
}

export interface WalkOnLayer {
  map: string;
  layer: string;
}

export interface SetCurrentLayer {
  map: string;
  layer: string;
}

export interface ShowLayerAlone {
  map: string;
  layer: string;
  on: boolean;
}

export interface HideLayer {
  layer: string;
  hidden: boolean;
}

export interface LayCSV {
  map: string;
  layer: string;
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

export interface MakeTileset {
  taken: Taken;
}

export interface ReplaceTileset {
  tileset: string;
  to: number[];
  taken: Taken;
}

export interface RebuildMap {
  taken: Taken;
}

export interface Mark {
  property: string;
  on: boolean;
  amount: number;
  text: string;
  rows: number[];
  own: string;
}

export interface MarkTiles {
  tileset: string;
  tiles: number[];
  mark: Mark;
}

export interface Frame {
  tile: number;
  millis: number;
}

export interface AnimateTile {
  tileset: string;
  tile: number;
  frames: Frame[];
}

export interface ShowFrames {
  tileset: string;
  tiles: number[];
}

export interface MakeProperty {
  name: string;
  type: number;
}

export interface MakeMedley {
  name?: string;
  tiles: number[];
}

export interface Weighted {
  tile: number;
  weight: number;
}

export interface Dealing {
  tiles: Weighted[];
  seed: number;
  turned: boolean;
  mirrored: boolean;
}

export interface ChangeMedley {
  medley: string;
  change: Part<Dealing>;
}

export interface Bonded {
  tile: number;
  joined: number;
  weight: number;
}

export interface Bonding {
  join: number;
  tiles: Bonded[];
  border: boolean;
  also: number[];
  joinsTo: string[];
  seed: number;
}

export interface MakeBond {
  name: string;
  bond: Bonding;
}

export interface ChangeBond {
  bond: string;
  change: Part<Bonding>;
}

export interface KeepPatch {
  name?: string;
}

export interface Arrange {
  thing: Thing;
  before: string;
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

export interface ApplyReskin {
  plan: Reskin;
}

export interface AddPictures {
  of: string;
}

export interface AddBackdrop {
  sum: string;
  w: number;
  h: number;
}

export interface SetPieceField {
  map: string;
  piece: string;
  field: string;
  number?: number;
  choice?: string;
}

export interface TryPieceField {
  map: string;
  piece: string;
  field: string;
  number: number;
}

export interface SetFieldOfSelected {
  field: string;
  number?: number;
  choice?: string;
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
  text?: string;
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

export interface SetCondition {
  map: string;
  piece: string;
  property: string;
  condition: ConditionForm | null;
}

export interface Pictured {
  map?: string;
  piece?: string;
  type?: string;
  picture: string;
}

export interface SetPicture extends Pictured {
  shows: string;
  of?: string;
  act?: number;
}

export interface AddPictureFrame extends Pictured {
}

export interface RemovePictureFrame extends Pictured {
}

export interface SetPictureLook extends Pictured {
  seconds: number;
  footX: number;
  footY: number;
}

export interface SetConditionOfSelected {
  property: string;
  condition: ConditionForm | null;
}

export interface MakeArea {
}

export interface AreaLook {
  forces: ForcesView;
  holds: boolean;
  zoom: number;
}

export interface SetArea {
  area: string;
  change: Part<AreaLook>;
}

export interface SetAreaCells {
  area: string;
}

export interface AddTrackPoint {
  x: number;
  y: number;
}

export interface TrackLook {
  round: boolean;
  points: number;
}

export interface SetTrack {
  track: string;
  change: Part<TrackLook>;
}

export interface WireLook {
  works: number;
  does: number;
  after: number;
  of: number;
}

export interface SetWire {
  wire: string;
  change: Part<WireLook>;
}

export interface AddRule {
  home: Thing;
}

export interface CopyRule {
  rule: string;
}

export interface RuleLook {
  off: boolean;
  begins: number;
  repeats: number;
  pause: number;
  busy: number;
  elsewhere: boolean;
}

export interface SetRule {
  rule: string;
  change: Part<RuleLook>;
}

export interface SetRuleCondition {
  rule: string;
  condition: ConditionForm | null;
}

export interface PartForm {
  letters?: string;
  fact?: string;
  item?: string;
}

export interface RulePartForm {
  id: string;
  in?: string;
  branch?: string;
  order?: number;
  off?: boolean;
  moment?: string;
  does?: string;
  subject?: NounForm;
  towards?: NounForm;
  thing?: string;
  other?: string;
  property?: string;
  how?: string;
  value?: ValueForm;
  is?: string;
  quiet?: boolean;
  number?: number;
  text?: PartForm[];
  name?: string;
  if?: ConditionForm;
}

export interface AddRulePart {
  rule: string;
  in: string;
  branch: number;
  before?: string;
  part: RulePartForm;
  typed?: string;
}

export interface SetRulePart {
  rule: string;
  part: RulePartForm;
  seconds?: number;
}

export interface MarkRulePart {
  rule: string;
  part: string;
}

export interface TypeRuleText {
  rule: string;
  part: string;
  typed: string;
}

export interface MoveRulePart {
  rule: string;
  part: string;
  in: string;
  branch: number;
  before?: string;
}

export interface CopyRulePart {
  rule: string;
  part: string;
}

export interface RemoveRulePart {
  rule: string;
  part: string;
}

export interface SettleTheirs {
  rule: string;
  part: string;
  take: boolean;
}

export interface OpenWire {
  wire: string;
}

export interface FoldRule {
  rule: string;
}

export interface Chosen {
  slot: string;
  things?: string[];
  text?: string;
  number?: number;
}

export interface MakeReady {
  ready: string;
  chosen: Chosen[];
}

export interface AddType {
  base: string;
}

export interface MakeType {
  map: string;
  piece: string;
}

export interface TypeLook {
  base: string;
  purpose: string;
  keywords: string;
  may: number;
  most: number;
}

export interface SetType {
  type: string;
  change: Part<TypeLook>;
}

export interface SetTypeField {
  type: string;
  field: string;
  number?: number;
  choice?: string;
}

export interface SetPieceType {
  map: string;
  piece: string;
  type: string;
}

export interface FollowType {
  map: string;
  piece: string;
}

export interface RemoveType {
  type: string;
}

export interface AddTypeProperty {
  type: string;
  name: string;
}

export interface PropertyLook {
  name: string;
  sort: number;
  words: string;
  unit: string;
  usual: number;
  least: number;
  most: number;
  changes: boolean;
}

export interface SetTypeProperty {
  type: string;
  property: string;
  change: Part<PropertyLook>;
}

export interface RemoveTypeProperty {
  type: string;
  property: string;
}

export interface AddSaying {
  map: string;
  piece: string;
}

export interface TypeSaying {
  map: string;
  piece: string;
  saying: string;
  typed: string;
}

export interface SetSayingCondition {
  map: string;
  piece: string;
  saying: string;
  condition: ConditionForm | null;
}

export interface RemoveSaying {
  map: string;
  piece: string;
  saying: string;
}

export interface MoveSaying {
  map: string;
  piece: string;
  saying: string;
  before?: string;
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

export interface TakeSheet {
  character?: string;
  sheet: SheetTaken;
}

export interface SetPose {
  character: string;
  row: number;
  act: number;
  facing: number;
  ticks: number;
}

export interface Body {
  w: number;
  h: number;
  footX: number;
  footY: number;
}

export interface SetBody extends Body {
  character: string;
  above: boolean;
}

export interface ProposeBody {
  character: string;
}

export interface UseAsPlayer {
  character?: string;
}

export interface SetBegins {
  character: string;
  item: string;
  count: number;
}

export interface SetFactText {
  fact: string;
  text: string;
}

export interface SetFactMap {
  fact: string;
  map: string;
}

export interface MakeItem {
  name: string;
}

export interface SetItemMost {
  item: string;
  most: number;
}

export interface MakeFact {
  name: string;
  sort: number;
}

export interface SetFact {
  fact: string;
  start: number;
}

export interface SetFactSort {
  fact: string;
  sort: number;
}

export interface SetFactRange {
  fact: string;
  least: number;
  most: number;
}

export interface SetFactWords {
  fact: string;
  typed: string;
}

export interface MakeStart {
  name: string;
  here?: boolean;
  x?: number;
  y?: number;
}

export interface TakeStart {
  start: string;
}

export interface PlaceStart {
  start: string;
  x: number;
  y: number;
}

export interface SetStartItem {
  start: string;
  item: string;
  count: number;
}

export interface SetStartFact {
  start: string;
  fact: string;
  value: number;
  first?: boolean;
}

export interface SetStartState {
  start: string;
  piece: string;
  state: number;
}

export interface SetMapStays {
  map: string;
  when: number;
  anew: boolean;
}

export interface SetPieceStays {
  map: string;
  type: string;
  piece: string;
  when: number;
  says: number;
}

export interface StartPlay {
  here?: boolean;
  x?: number;
  y?: number;
}

export interface StartPlayAt {
  piece: string;
}

export interface StartPlayAs {
  start?: string;
}

export interface StopPlay {
}

export interface ShowTick {
  tick: number;
}

export interface SendPlayer {
  x: number;
  y: number;
}

export interface OpenItems {
}

export interface BringPlayer {
  mark: string;
}

export interface SetTestAid {
  aid: string;
  on: boolean;
}

export interface HoldAtRule {
  rule: string;
  on: boolean;
}

export interface HoldAtFact {
  fact: string;
  on: boolean;
  value?: number;
}

export interface SetFactInPlay {
  fact: string;
  value: number;
}

export interface SetMovement {
  term: string;
  value: number;
}

export interface TryMovement {
  term: string;
  value: number;
}

export interface KeepReplay {
  name: string;
}

export interface WatchReplay {
  replay: string;
}

export interface TryValues {
  replay: string;
  term?: string;
  values?: string;
}

export interface SetTried {
  term: string;
  value: number;
}

export interface AskReady {
}

export interface ChoiceView {
  id: string;
  name: string;
  on: string;
}

export interface SlotView {
  name: string;
  label: string;
  sort: string;
  several: boolean;
  least: number;
  choices: ChoiceView[];
  usual: string;
  unit: string;
}

export interface ReadyView {
  word: string;
  name: string;
  does: string;
  slots: SlotView[];
}

export interface AskRules {
}

export interface HeadView {
  id: string;
  name: string;
  says: string;
  off: boolean;
}

export interface HomeView {
  name: string;
  home: Thing;
  rules: HeadView[];
}

export interface AskRule {
  rule: string;
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

export interface WordView {
  text: string;
  slot: string;
  names: boolean;
  gone: boolean;
  thing: Thing | null;
}

export interface LineView {
  sort: string;
  id: string;
  in: string;
  branch: number;
  deep: number;
  off: boolean;
  words: WordView[];
  says: string;
  form: RulePartForm | null;
  typed: string;
  timed: boolean;
  seconds: number;
  condition: ConditionView | null;
  takes: string;
}

export interface TheirsView {
  part: string;
  says: string;
}

export interface RuleView extends RuleLook {
  id: string;
  name: string;
  proposed: string;
  home: string;
  belongs: Thing;
  type: string;
  condition: ConditionView;
  lines: LineView[];
  theirs: TheirsView[];
  full: boolean;
  wire: boolean;
}

export interface AskOffers {
  rule: string;
  takes: string;
  typed: string;
}

export interface OfferView {
  says: string;
  part: RulePartForm;
  typed: string;
}

export interface AskRuleInPlay {
  rule: string;
}

export interface RuleInPlay {
  playing: boolean;
  times: number;
  last: string;
  now: string[];
  jammed: boolean;
  holds: boolean;
}

export interface AskWhy {
  rule: string;
}

export interface TrialView {
  tick: number;
  at: string;
  goes: boolean;
  says: string;
}

export interface WentView {
  tick: number;
  at: string;
  rule: string;
  name: string;
  part: string;
  says: string;
}

export interface WhyView {
  playing: boolean;
  from: string;
  to: string;
  trials: TrialView[];
  none: string;
  now: string;
  went: WentView[];
}

export interface AskThings {
  rule: string;
  part: string;
  other?: boolean;
}

export interface SlotChoice {
  id: string;
  name: string;
  group: string;
}

export interface AskTypes {
}

export interface PropertyView extends PropertyLook {
  id: string;
  options: string[];
  chosen: number;
  sets: number;
}

export interface OptionView {
  id: string;
  label: string;
}

export interface Range {
  least: number;
  most: number;
  from: number;
  to: number;
  step: number;
  fine: number;
}

export interface Measured extends Range {
  value: number;
  unit: string;
}

export interface FieldView extends Measured {
  name: string;
  label: string;
  heading: string;
  help: string;
  options: OptionView[];
  chosen: string;
  tries: number[];
  trial: string;
  differs: boolean;
  typed: string | null;
  colour: string | null;
}

export interface SeenView {
  picture: number;
  frame: number;
  columns: number;
  rows: number;
  mirrored: boolean;
}

export interface PictureView {
  name: string;
  label: string;
  is: string;
  missing: boolean;
  own: boolean;
  seen: SeenView | null;
  who: string;
  sprite: number;
  frames: number;
  seconds: number;
  footX: number;
  footY: number;
}

export interface OwnTypeView extends TypeLook {
  id: string;
  name: string;
  kind: string;
  says: string;
  family: string;
  icon: string;
  pieces: number;
  maps: number;
  first: Thing;
  properties: PropertyView[];
  fields: FieldView[];
  pictures: PictureView[];
  rules: HeadView[];
}

export interface KindView {
  id: string;
  name: string;
}

export interface TypesView {
  types: OwnTypeView[];
  kinds: KindView[];
  may: string[];
  sorts: string[];
  inHand: string;
}

export interface AskFindings {
  rule?: string;
}

export interface FindingView {
  fault: number;
  where: string;
  says: string;
  here: string;
  mend: string;
  thing: Thing;
  part: string;
  x: number;
  y: number;
}

export interface FindingsView {
  count: number;
  list: FindingView[];
}

export interface AskScene {
  changes?: boolean;
}

export interface ProjectView {
  name: string;
  cellW: number;
  cellH: number;
  seenW: number;
  seenH: number;
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

export interface Slab {
  low: number;
  high: number;
  layer: string;
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
  slabs: Slab[];
  ways: number;
  look: MapLook;
  places: PlaceView[];
}

export interface SpotView {
  x: number;
  y: number;
  order: number;
}

export interface DressView {
  size: number;
  fade: number;
  down: number;
  turned: number;
  flipped: boolean;
  tint: string;
}

export interface PieceView {
  id: string;
  map: string;
  name: string;
  type: string;
  family: string;
  x: number;
  y: number;
  spot: SpotView;
  who: string;
  sprite: number;
  mirrored: boolean;
  seen: SeenView | null;
  columns: number;
  rows: number;
  dress: DressView | null;
  over: boolean;
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

export interface WireView {
  id: string;
  name: string;
  from: string;
  to: string;
  line: number[];
}

export interface TilesetHead {
  id: string;
  stamp: number;
}

export interface MedleyView {
  id: string;
  name: string;
  tiles: Weighted[];
  seed: number;
  turned: boolean;
  mirrored: boolean;
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
  begins: StockView[];
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

export interface TextView {
  number: number;
  text: string;
}

export interface FactView {
  id: string;
  name: string;
  sort: number;
  counts: boolean;
  start: number;
  objective: boolean;
  least: number;
  most: number;
  words: string[];
  typed: string;
  text: boolean;
  texts: TextView[];
  map: string;
  sets: number;
  asks: number;
  named: NamingView[];
  more: number;
}

export interface FactSet {
  id: string;
  value: number;
}

export interface StateOption {
  state: number;
  name: string;
}

export interface StateSet {
  id: string;
  map: string;
  name: string;
  state: number;
  states: StateOption[];
  x: number;
  y: number;
}

export interface StartView {
  id: string;
  name: string;
  place: string;
  x: number;
  y: number;
  items: StockView[];
  facts: FactSet[];
  states: StateSet[];
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
  kind: string;
  own: boolean;
  single: boolean;
  name: string;
  family: string;
  purpose: string;
  keywords: string;
  acts: boolean;
  seen: SeenView | null;
  who: string;
  sprite: number;
}

export interface MissingView {
  of: string;
  sum: string;
  used: boolean;
}

export interface TermView extends Measured {
  name: string;
  label: string;
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
  wires: WireView[];
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
  starts: StartView[];
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

export interface AskState {
}

export interface SlipLine {
  label: string;
  value: string;
}

export interface StackView {
  kind: string;
  map: string;
  id: string;
  end: number;
  name: string;
  sort: string;
  selected: boolean;
}

export interface ActingView {
  fields: FieldView[];
  moves: boolean;
  leads: boolean;
  tracked: boolean;
}

export interface AskingView {
  type: string;
  fields: FieldView[];
  conditions: ConditionView[];
}

export interface EndView {
  thing: Thing;
  name: string;
  on: string;
}

export interface ChoiceView {
  value: number;
  name: string;
}

export interface WireSlip extends WireLook {
  from: EndView;
  to: EndView;
  choices: ChoiceView[];
  together: number;
  counts: ChoiceView[];
}

export interface SayingView {
  id: string;
  typed: string;
  while: ConditionView;
}

export interface TalkView {
  label: string;
  help: string;
  sayings: SayingView[];
  full: boolean;
}

export interface JoinView {
  id: string;
  begins: boolean;
  name: string;
  does: string;
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
  pictures: PictureView[];
  inHand: string;
  type: string;
  otherwise: string[];
  starts: boolean;
  track: TrackLook | null;
  area: AreaLook | null;
  wire: WireSlip | null;
  talk: TalkView | null;
  joins: JoinView[];
  rules: HeadView[];
  ruled: boolean;
  around: HomeView[];
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

export interface AskPointer {
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

export interface AskPlay {
}

export interface BodyView {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface ThingView {
  id: string;
  type: string;
  x: number;
  y: number;
  spot: SpotView;
  mirrored: boolean;
  cells: number;
  rows: number;
  gone: boolean;
  body: BodyView;
  hurts: boolean;
  who: string;
  sprite: number;
  picture: number;
  seen: SeenView | null;
  carried: boolean;
}

export interface StillView {
  id: string;
  spot: SpotView;
  seen: SeenView | null;
  who: string;
  sprite: number;
  dress: DressView | null;
}

export interface ReadingView {
  text: string;
  choices: string[];
  chosen: number;
  more: boolean;
  box: BoxView;
}

export interface Play {
  map: string;
  x: number;
  y: number;
  body: BodyView;
  spot: SpotView;
  below: Slab[];
  above: Slab[];
  facing: number;
  step: number;
  doing: string;
  who: string;
  sprite: number;
  mirrored: boolean;
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
  toDo: string;
  total: number;
  goneIds: string[];
  castMaps: string[];
  things: ThingView[];
  still: StillView[];
  shots: number[];
  myShots: number[];
  shakeX: number;
  shakeY: number;
  striking: number;
  dark: number;
  onIds: string[];
  live: string[];
  finished: boolean;
  events: string[];
  helps: string[];
  helpsOn: boolean[];
  has: string;
  goal: BoxView | null;
  reading: ReadingView | null;
}

export interface AskReplies {
}

export interface AskProbe {
}

export interface Probe {
  revision: number;
  hash: string;
}

export interface AskHistory {
}

export interface StepView {
  label: string;
  own: boolean;
  undone: boolean;
  done: number;
  back: boolean;
  sequence: number;
}

export interface AskMemory {
}

export interface AskKnown {
}

export interface KnownFact {
  id: string;
  name: string;
  counts: boolean;
  value: number;
  since: string;
  holds: boolean;
  at: number;
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

export interface WhatStays {
  map: string;
  type: string;
}

export interface StaysPiece {
  id: string;
  name: string;
  says: number[];
  now: string;
  x: number;
  y: number;
}

export interface StaysType {
  type: string;
  name: string;
  count: number;
  says: number[];
  pieces: StaysPiece[];
  more: number;
}

export interface StaysView {
  id: string;
  name: string;
  anew: boolean[];
  types: StaysType[];
}

export interface AskAskable {
}

export interface AskedThing {
  id: string;
  name: string;
}

export interface AskedFact extends AskedThing {
  counts: boolean;
  words: string[];
  text: boolean;
  texts: TextView[];
}

export interface AskedPiece extends AskedThing {
  type: string;
}

export interface AskedWord {
  word: string;
  name: string;
}

export interface AskedState extends AskedWord {
  verb: string;
}

export interface AskedProperty extends AskedWord {
  changes: boolean;
  names: string[];
  unit: string;
  per: number;
  usual: number;
  least: number;
  most: number;
}

export interface AskedType {
  word: string;
  name: string;
  states: AskedState[];
  moments: AskedWord[];
  powered: boolean;
  properties: AskedProperty[];
}

export interface AskedOccasion extends AskedWord {
  of: string;
}

export interface AskableView {
  facts: AskedFact[];
  items: AskedThing[];
  areas: AskedThing[];
  layers: AskedThing[];
  pieces: AskedPiece[];
  maps: AskedThing[];
  more: number;
  types: AskedType[];
  comparisons: AskedWord[];
  ofTexts: AskedWord[];
  presences: AskedState[];
  powers: AskedState[];
  cells: AskedState[];
  ends: AskedWord[];
  abilities: AskedWord[];
  poses: AskedWord[];
  occasions: AskedOccasion[];
  first: ConditionForm;
  firstNew: ConditionForm;
  firstPiece: ConditionForm;
}

export interface Copied {
}

export interface CopiedView {
  text: string;
  says: string;
}

export interface BlockPicture {
  patch: string;
  side: number;
}

export interface CellsIn {
  map: string;
  layer: string;
  box: BoxView;
}

export interface LossOf {
  map: string;
  columns: number;
  rows: number;
  anchor: number;
}

export interface FurnishedLike {
  map: string;
}

export interface WholeScreens {
  columns: number;
  rows: number;
}

export interface SizeView {
  columns: number;
  rows: number;
}

export interface ScaledSize {
  map: string;
  scale: number;
}

export interface Lens {
  map: string;
  box: BoxView;
  property: string;
}

export interface LayerPicture {
  map: string;
  layer: string;
  side: number;
}

export interface AskTileset {
  tileset: string;
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

export interface SheetShape {
  tileset: string;
  property: string;
  fromX: number;
  fromY: number;
  toX: number;
  toY: number;
}

export interface CellSizeWould {
  w: number;
  h: number;
}

export interface CellSizeView {
  shown: string;
  says: string;
  refused: string;
}

export interface TileCells {
  tileset: string;
}

export interface LikeColours {
  tileset: string;
  colours: number[];
  known: boolean;
}

export interface AskUsage {
}

export interface UnusedTiles {
  id: string;
  unused: number;
}

export interface Usage {
  tilesets: UnusedTiles[];
  unused: string[];
}

export interface DealMedley {
  medley: Dealing;
  w: number;
  h: number;
}

export interface Dealt {
  cells: number[];
  shares: number[];
}

export interface SampleBond {
  bond: Bonding;
}

export interface ProposeBond {
  tiles: number[];
  join: number;
}

export interface Proposal {
  join: number;
  tiles: Bonded[];
  unsure: number[];
}

export interface JoinWith {
  join: number;
  joined: number;
  neighbour: number;
  on: boolean;
}

export interface JoinAt {
  join: number;
  x: number;
  y: number;
}

export interface HandlesOfCut {
  cut: Cut;
  width: number;
  height: number;
}

export interface Handle {
  part: number;
  x: number;
  y: number;
}

export interface DragCut extends HandlesOfCut {
  part: number;
  x: number;
  y: number;
}

export interface ProposeReskin {
  map: string;
}

export interface PreviewReskin {
  plan: Reskin;
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

export interface ReskinPicture {
  plan: Reskin;
  map: string;
  side: number;
}

export interface CheckWords {
  typed: string;
  line?: boolean;
}

export interface WordsView {
  pages: number;
  wrong: string[];
  refused: boolean;
}

export interface Fillings {
}

export interface ShowNumber {
  per: number;
  number: number;
}

export interface ShownNumber {
  value: number;
  step: number;
}

export interface StoreNumber {
  per: number;
  least: number;
  most: number;
  by: boolean;
  typed: number;
}

export interface WordsPicture {
  typed: string;
  page: number;
}

export interface ReadingPicture {
}

export interface TrailOf {
  piece: string;
}

export interface TrailView {
  places: number[];
  w: number;
  h: number;
  player: BoxView | null;
}

export interface ReachFrom {
  map: string;
  x: number;
  y: number;
}

export interface ReachView {
  arcs: number[][];
  landings: BoxView[];
}

export interface CharacterPicture {
  character: string;
  frame: number;
}

export interface PiecePicture {
  picture: number;
  frame: number;
}

export interface BodyOnFrame {
  character: string;
  above: boolean;
  part: number;
  x: number;
  y: number;
}

export interface Outlined extends Body {
  x: number;
  y: number;
  box: BodyView;
}

export const MIN_CELL_SIDE = 4;
export const MAX_CELL_SIDE = 128;
export const MAX_SEEN = 256;
export const MOST_TIMES = 1000;
export const NAME_LETTERS = 120;
export const FACT_LETTERS = 120;
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
export const PLAY_HELD = 2048;
export const TAKEN_CHANGED = 64;
export const WORK_LEFT = 128;
export const REPLAYS_CHANGED = 256;
export const RERUN_LEFT = 512;
export const REPLIES_CHANGED = 1024;
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
export const ITEMS = 4096;
export const SAMPLE_COLUMNS = 12;
export const SAMPLE_ROWS = 7;
export const CUT_CROP = 3;
export const NO_PART = 0;
export const CORNER = 1;
export const FOOT = 2;
export const SIXTEENTH = 16;
export const HOVER = 0;
export const PRESS = 1;
export const DRAG = 2;
export const RELEASE = 3;
export const LEAVE = 4;

/** A number that people set: what it is called, its unit, what it may be and usually is. */
export interface Measure extends Range {
  label: string;
  unit: string;
  usual: number;
}

export const MEASURES = {
  amount: { label: 'How much', unit: '', usual: 0, least: 0, most: 1000, from: 0, to: 1000, step: 1, fine: 1 },
  backdropX: { label: 'Position across', unit: 'px', usual: 0, least: -8192, most: 8192, from: -512, to: 512, step: 1, fine: 1 },
  backdropY: { label: 'Position down', unit: 'px', usual: 0, least: -8192, most: 8192, from: -512, to: 512, step: 1, fine: 1 },
  cellH: { label: 'Cell height', unit: 'px', usual: 16, least: 4, most: 128, from: 4, to: 128, step: 1, fine: 1 },
  cellW: { label: 'Cell width', unit: 'px', usual: 16, least: 4, most: 128, from: 4, to: 128, step: 1, fine: 1 },
  depthX: { label: 'Depth across', unit: '%', usual: 0, least: -400, most: 400, from: -100, to: 100, step: 1, fine: 1 },
  depthY: { label: 'Depth down', unit: '%', usual: 0, least: -400, most: 400, from: -100, to: 100, step: 1, fine: 1 },
  driftX: { label: 'Drifts across', unit: 'px/s', usual: 0, least: -1000, most: 1000, from: -100, to: 100, step: 1, fine: 1 },
  driftY: { label: 'Drifts down', unit: 'px/s', usual: 0, least: -1000, most: 1000, from: -100, to: 100, step: 1, fine: 1 },
  factValue: { label: '', unit: '', usual: 0, least: 0, most: 999999, from: 0, to: 999999, step: 1, fine: 1 },
  fade: { label: 'Fade', unit: '%', usual: 0, least: 0, most: 100, from: 0, to: 100, step: 1, fine: 1 },
  gravity: { label: 'Gravity', unit: '%', usual: 100, least: 1, most: 1000, from: 1, to: 1000, step: 1, fine: 1 },
  height: { label: 'Height', unit: 'cells', usual: 0, least: 1, most: 4096, from: 1, to: 4096, step: 1, fine: 1 },
  itemBegins: { label: '', unit: '', usual: 0, least: 0, most: 999, from: 0, to: 999, step: 1, fine: 1 },
  itemMost: { label: '', unit: '', usual: 0, least: 1, most: 999, from: 1, to: 999, step: 1, fine: 1 },
  margin: { label: 'Margin', unit: 'px', usual: 0, least: 0, most: 128, from: 0, to: 128, step: 1, fine: 1 },
  odds: { label: '', unit: '', usual: 0, least: 0, most: 1000, from: 0, to: 1000, step: 1, fine: 1 },
  offsetX: { label: 'Offset across', unit: 'px', usual: 0, least: 0, most: 8191, from: 0, to: 8191, step: 1, fine: 1 },
  offsetY: { label: 'Offset down', unit: 'px', usual: 0, least: 0, most: 8191, from: 0, to: 8191, step: 1, fine: 1 },
  pictureRight: { label: 'Foot to the right', unit: 'px', usual: 0, least: -256, most: 256, from: -256, to: 256, step: 1, fine: 1 },
  pictureTime: { label: 'Each frame', unit: 's', usual: 0, least: 0.02, most: 60, from: 0.02, to: 60, step: 0.1, fine: 0.016666666666666666 },
  pictureUp: { label: 'Foot up', unit: 'px', usual: 0, least: -256, most: 256, from: -256, to: 256, step: 1, fine: 1 },
  ruleTime: { label: 'For', unit: 's', usual: 0, least: 0, most: 3600, from: 0, to: 10, step: 0.1, fine: 0.016666666666666666 },
  seenH: { label: 'Screen height', unit: 'cells', usual: 12, least: 1, most: 256, from: 1, to: 256, step: 1, fine: 1 },
  seenW: { label: 'Screen width', unit: 'cells', usual: 20, least: 1, most: 256, from: 1, to: 256, step: 1, fine: 1 },
  spacing: { label: 'Spacing', unit: 'px', usual: 0, least: 0, most: 128, from: 0, to: 128, step: 1, fine: 1 },
  tileH: { label: 'Tile height', unit: 'px', usual: 16, least: 4, most: 128, from: 4, to: 128, step: 1, fine: 1 },
  tileW: { label: 'Tile width', unit: 'px', usual: 16, least: 4, most: 128, from: 4, to: 128, step: 1, fine: 1 },
  typeMost: { label: 'At most', unit: 'pieces', usual: 0, least: 1, most: 50000, from: 1, to: 20, step: 1, fine: 1 },
  width: { label: 'Width', unit: 'cells', usual: 0, least: 1, most: 4096, from: 1, to: 4096, step: 1, fine: 1 },
  windX: { label: 'Wind to the right', unit: 'cells/s', usual: 0, least: -64, most: 64, from: -64, to: 64, step: 0.1, fine: 0.1 },
  windY: { label: 'Wind down', unit: 'cells/s', usual: 0, least: -64, most: 64, from: -64, to: 64, step: 0.1, fine: 0.1 },
  wireAfter: { label: 'After', unit: 's', usual: 0, least: 0, most: 60, from: 0, to: 60, step: 0.1, fine: 0.016666666666666666 },
  zoom: { label: 'Camera zoom', unit: '%', usual: 100, least: 25, most: 400, from: 25, to: 400, step: 1, fine: 1 },
} satisfies Record<string, Measure>;

export const OWN_TYPES = ["yes or no", "a number", "text"];
export const FACT_SORTS = ["yes or no", "a number", "one of some words", "an objective", "a short text"];
export const STAYS_WHEN = ["when the player returns", "after harm"];
export const STAYS_SAYS = ["as its map", "stays as left", "begins anew"];
export const WIRE_DOES = ["on while held", "turns it on", "turns it off", "changes it over"];
export const SET_BY = ["becomes", "goes up by", "goes down by"];
export const SET_BY_WORDS = ["is", "up", "down"];
export const RULE_REPEATS = ["each time", "once ever", "once a visit", "not again for"];
export const RULE_BUSY = ["leave it", "begin again", "both"];
export const MAP_VIEWS = ["from above (top-down)", "from the side (side-view)"];
export const NEIGHBOURS = ["north", "east", "south", "west", "north-east", "south-east", "south-west", "north-west"];
export const ROUND = [7, 0, 4, 3, -1, 1, 6, 2, 5];
export const JOINS = ["along sides", "at corners", "along sides and at corners"];
export const JOINS_COUNT = [15, 240, 255];
export const NEW_FACT = "a new fact";
export const NEW_ITEM = "a new item";
export const THIS_PIECE = "this piece";
export const ONLY_IN_A_MOMENT = "what only something that happens can ask";

export const TILE_PROPERTIES: Markable[] = [
  {"id":"solid","name":"Solid","value":"solid","says":"Nobody can walk into it.","most":0},
  {"id":"role","name":"Role","value":"role","says":"What it is for. Sets the rest to what fits, and lets another tileset take its place.","most":0},
  {"id":"one-way","name":"One-way","value":"yes","says":"Holds whoever comes from above.","most":0},
  {"id":"climbable","name":"Climbable","value":"yes","says":"Can be climbed.","most":0},
  {"id":"water","name":"Water","value":"yes","says":"The player swims in it.","most":0},
  {"id":"danger","name":"Danger","value":"amount","says":"How much it hurts.","most":100},
  {"id":"slippery","name":"Slippery","value":"yes","says":"The player slides on it.","most":0},
  {"id":"slow","name":"Slow","value":"yes","says":"The player walks slowly on it.","most":0},
  {"id":"above","name":"Above the player","value":"yes","says":"Is laid into the layer above the player, as a tree’s crown.","most":0},
  {"id":"weight","name":"Weight","value":"amount","says":"How often it is laid among others.","most":1000},
  {"id":"home","name":"Home layer","value":"text","says":"The layer it is always laid into, by name.","most":0},
];
