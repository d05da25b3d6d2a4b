// Written by cmd/azzel-types. Do not change it by hand.
import type * as T from './types.gen';

/** Where orders go: what comes of each is heard once it was done. */
export type Give = (name: string, order: object, attached: Uint8Array[]) => Promise<T.Reply>;

/** Where questions go; otherwise is the answer while there is no core. */
export interface Ask {
  value<A>(name: string, question: object, otherwise: A): A;
  bytes(name: string, question: object): Uint8Array;
  picture(name: string, question: object): ImageData | null;
}

/** All that the core can be asked to do. */
export class Orders {
  constructor(private readonly give: Give) {}

  hold(o: T.Hold): Promise<T.Reply> {
    return this.give('hold', o, []);
  }

  holdTiles(o: T.HoldTiles): Promise<T.Reply> {
    return this.give('holdTiles', o, []);
  }

  setShape(o: T.SetShape): Promise<T.Reply> {
    return this.give('setShape', o, []);
  }

  setSize(o: T.SetSize): Promise<T.Reply> {
    return this.give('setSize', o, []);
  }

  widen(o: T.Widen): Promise<T.Reply> {
    return this.give('widen', o, []);
  }

  turn(): Promise<T.Reply> {
    return this.give('turn', {}, []);
  }

  flip(o: T.Flip): Promise<T.Reply> {
    return this.give('flip', o, []);
  }

  mirrorStrokes(o: T.MirrorStrokes): Promise<T.Reply> {
    return this.give('mirrorStrokes', o, []);
  }

  mirrorHere(o: T.MirrorHere): Promise<T.Reply> {
    return this.give('mirrorHere', o, []);
  }

  reachThrough(o: T.ReachThrough): Promise<T.Reply> {
    return this.give('reachThrough', o, []);
  }

  setAdding(o: T.SetAdding): Promise<T.Reply> {
    return this.give('setAdding', o, []);
  }

  pickUp(o: T.PickUp): Promise<T.Reply> {
    return this.give('pickUp', o, []);
  }

  cancel(): Promise<T.Reply> {
    return this.give('cancel', {}, []);
  }

  duplicate(): Promise<T.Reply> {
    return this.give('duplicate', {}, []);
  }

  paste(o: T.Paste): Promise<T.Reply> {
    return this.give('paste', o, []);
  }

  select(o: T.Select): Promise<T.Reply> {
    return this.give('select', o, []);
  }

  selectInStack(o: T.SelectInStack): Promise<T.Reply> {
    return this.give('selectInStack', o, []);
  }

  unselect(): Promise<T.Reply> {
    return this.give('unselect', {}, []);
  }

  selectAllCells(o: T.SelectAllCells): Promise<T.Reply> {
    return this.give('selectAllCells', o, []);
  }

  selectNoCells(): Promise<T.Reply> {
    return this.give('selectNoCells', {}, []);
  }

  moveSelected(o: T.MoveSelected): Promise<T.Reply> {
    return this.give('moveSelected', o, []);
  }

  fillSelected(): Promise<T.Reply> {
    return this.give('fillSelected', {}, []);
  }

  deleteSelected(): Promise<T.Reply> {
    return this.give('deleteSelected', {}, []);
  }

  rename(o: T.Rename): Promise<T.Reply> {
    return this.give('rename', o, []);
  }

  delete(o: T.Delete): Promise<T.Reply> {
    return this.give('delete', o, []);
  }

  mendFinding(o: T.MendFinding): Promise<T.Reply> {
    return this.give('mendFinding', o, []);
  }

  undo(): Promise<T.Reply> {
    return this.give('undo', {}, []);
  }

  redo(): Promise<T.Reply> {
    return this.give('redo', {}, []);
  }

  walkHistory(o: T.WalkHistory): Promise<T.Reply> {
    return this.give('walkHistory', o, []);
  }

  undoStep(o: T.UndoStep): Promise<T.Reply> {
    return this.give('undoStep', o, []);
  }

  addEarlier(...attached: Uint8Array[]): Promise<T.Reply> {
    return this.give('addEarlier', {}, attached);
  }

  doAgain(...attached: Uint8Array[]): Promise<T.Reply> {
    return this.give('doAgain', {}, attached);
  }

  showVersion(o: T.ShowVersion, ...attached: Uint8Array[]): Promise<T.Reply> {
    return this.give('showVersion', o, attached);
  }

  showCurrentVersion(): Promise<T.Reply> {
    return this.give('showCurrentVersion', {}, []);
  }

  restoreVersion(): Promise<T.Reply> {
    return this.give('restoreVersion', {}, []);
  }

  setMap(o: T.SetMap): Promise<T.Reply> {
    return this.give('setMap', o, []);
  }

  copyMap(o: T.CopyMap): Promise<T.Reply> {
    return this.give('copyMap', o, []);
  }

  furnishMap(o: T.FurnishMap): Promise<T.Reply> {
    return this.give('furnishMap', o, []);
  }

  resizeMap(o: T.ResizeMap): Promise<T.Reply> {
    return this.give('resizeMap', o, []);
  }

  makeMapOfColours(o: T.MakeMapOfColours, ...attached: Uint8Array[]): Promise<T.Reply> {
    return this.give('makeMapOfColours', o, attached);
  }

  setCellSize(o: T.SetCellSize): Promise<T.Reply> {
    return this.give('setCellSize', o, []);
  }

  makeMapOfPatch(o: T.MakeMapOfPatch): Promise<T.Reply> {
    return this.give('makeMapOfPatch', o, []);
  }

  makeLayer(o: T.MakeLayer): Promise<T.Reply> {
    return this.give('makeLayer', o, []);
  }

  setLayer(o: T.SetLayer): Promise<T.Reply> {
    return this.give('setLayer', o, []);
  }

  moveLayer(o: T.MoveLayer): Promise<T.Reply> {
    return this.give('moveLayer', o, []);
  }

  layLayerOver(o: T.LayLayerOver): Promise<T.Reply> {
    return this.give('layLayerOver', o, []);
  }

  duplicateLayer(o: T.DuplicateLayer): Promise<T.Reply> {
    return this.give('duplicateLayer', o, []);
  }

  mergeLayer(o: T.MergeLayer): Promise<T.Reply> {
    return this.give('mergeLayer', o, []);
  }

  clearLayer(o: T.ClearLayer): Promise<T.Reply> {
    return this.give('clearLayer', o, []);
  }

  deleteLayer(o: T.DeleteLayer): Promise<T.Reply> {
    return this.give('deleteLayer', o, []);
  }

  walkOnLayer(o: T.WalkOnLayer): Promise<T.Reply> {
    return this.give('walkOnLayer', o, []);
  }

  setCurrentLayer(o: T.SetCurrentLayer): Promise<T.Reply> {
    return this.give('setCurrentLayer', o, []);
  }

  showLayerAlone(o: T.ShowLayerAlone): Promise<T.Reply> {
    return this.give('showLayerAlone', o, []);
  }

  hideLayer(o: T.HideLayer): Promise<T.Reply> {
    return this.give('hideLayer', o, []);
  }

  layCSV(o: T.LayCSV, ...attached: Uint8Array[]): Promise<T.Reply> {
    return this.give('layCSV', o, attached);
  }

  makeTileset(o: T.MakeTileset): Promise<T.Reply> {
    return this.give('makeTileset', o, []);
  }

  replaceTileset(o: T.ReplaceTileset): Promise<T.Reply> {
    return this.give('replaceTileset', o, []);
  }

  rebuildMap(o: T.RebuildMap): Promise<T.Reply> {
    return this.give('rebuildMap', o, []);
  }

  markTiles(o: T.MarkTiles): Promise<T.Reply> {
    return this.give('markTiles', o, []);
  }

  animateTile(o: T.AnimateTile): Promise<T.Reply> {
    return this.give('animateTile', o, []);
  }

  showFrames(o: T.ShowFrames): Promise<T.Reply> {
    return this.give('showFrames', o, []);
  }

  makeProperty(o: T.MakeProperty): Promise<T.Reply> {
    return this.give('makeProperty', o, []);
  }

  makeMedley(o: T.MakeMedley): Promise<T.Reply> {
    return this.give('makeMedley', o, []);
  }

  changeMedley(o: T.ChangeMedley): Promise<T.Reply> {
    return this.give('changeMedley', o, []);
  }

  makeBond(o: T.MakeBond): Promise<T.Reply> {
    return this.give('makeBond', o, []);
  }

  changeBond(o: T.ChangeBond): Promise<T.Reply> {
    return this.give('changeBond', o, []);
  }

  keepPatch(o: T.KeepPatch): Promise<T.Reply> {
    return this.give('keepPatch', o, []);
  }

  arrange(o: T.Arrange): Promise<T.Reply> {
    return this.give('arrange', o, []);
  }

  applyReskin(o: T.ApplyReskin): Promise<T.Reply> {
    return this.give('applyReskin', o, []);
  }

  addPictures(o: T.AddPictures, ...attached: Uint8Array[]): Promise<T.Reply> {
    return this.give('addPictures', o, attached);
  }

  addBackdrop(o: T.AddBackdrop, ...attached: Uint8Array[]): Promise<T.Reply> {
    return this.give('addBackdrop', o, attached);
  }

  setPieceField(o: T.SetPieceField): Promise<T.Reply> {
    return this.give('setPieceField', o, []);
  }

  tryPieceField(o: T.TryPieceField): Promise<T.Reply> {
    return this.give('tryPieceField', o, []);
  }

  setFieldOfSelected(o: T.SetFieldOfSelected): Promise<T.Reply> {
    return this.give('setFieldOfSelected', o, []);
  }

  setCondition(o: T.SetCondition): Promise<T.Reply> {
    return this.give('setCondition', o, []);
  }

  setPicture(o: T.SetPicture): Promise<T.Reply> {
    return this.give('setPicture', o, []);
  }

  addPictureFrame(o: T.AddPictureFrame): Promise<T.Reply> {
    return this.give('addPictureFrame', o, []);
  }

  removePictureFrame(o: T.RemovePictureFrame): Promise<T.Reply> {
    return this.give('removePictureFrame', o, []);
  }

  setPictureLook(o: T.SetPictureLook): Promise<T.Reply> {
    return this.give('setPictureLook', o, []);
  }

  setConditionOfSelected(o: T.SetConditionOfSelected): Promise<T.Reply> {
    return this.give('setConditionOfSelected', o, []);
  }

  makeArea(): Promise<T.Reply> {
    return this.give('makeArea', {}, []);
  }

  setArea(o: T.SetArea): Promise<T.Reply> {
    return this.give('setArea', o, []);
  }

  setAreaCells(o: T.SetAreaCells): Promise<T.Reply> {
    return this.give('setAreaCells', o, []);
  }

  addTrackPoint(o: T.AddTrackPoint): Promise<T.Reply> {
    return this.give('addTrackPoint', o, []);
  }

  setTrack(o: T.SetTrack): Promise<T.Reply> {
    return this.give('setTrack', o, []);
  }

  setWire(o: T.SetWire): Promise<T.Reply> {
    return this.give('setWire', o, []);
  }

  addRule(o: T.AddRule): Promise<T.Reply> {
    return this.give('addRule', o, []);
  }

  copyRule(o: T.CopyRule): Promise<T.Reply> {
    return this.give('copyRule', o, []);
  }

  setRule(o: T.SetRule): Promise<T.Reply> {
    return this.give('setRule', o, []);
  }

  setRuleCondition(o: T.SetRuleCondition): Promise<T.Reply> {
    return this.give('setRuleCondition', o, []);
  }

  addRulePart(o: T.AddRulePart): Promise<T.Reply> {
    return this.give('addRulePart', o, []);
  }

  setRulePart(o: T.SetRulePart): Promise<T.Reply> {
    return this.give('setRulePart', o, []);
  }

  markRulePart(o: T.MarkRulePart): Promise<T.Reply> {
    return this.give('markRulePart', o, []);
  }

  typeRuleText(o: T.TypeRuleText): Promise<T.Reply> {
    return this.give('typeRuleText', o, []);
  }

  moveRulePart(o: T.MoveRulePart): Promise<T.Reply> {
    return this.give('moveRulePart', o, []);
  }

  copyRulePart(o: T.CopyRulePart): Promise<T.Reply> {
    return this.give('copyRulePart', o, []);
  }

  removeRulePart(o: T.RemoveRulePart): Promise<T.Reply> {
    return this.give('removeRulePart', o, []);
  }

  settleTheirs(o: T.SettleTheirs): Promise<T.Reply> {
    return this.give('settleTheirs', o, []);
  }

  openWire(o: T.OpenWire): Promise<T.Reply> {
    return this.give('openWire', o, []);
  }

  foldRule(o: T.FoldRule): Promise<T.Reply> {
    return this.give('foldRule', o, []);
  }

  makeReady(o: T.MakeReady): Promise<T.Reply> {
    return this.give('makeReady', o, []);
  }

  addType(o: T.AddType): Promise<T.Reply> {
    return this.give('addType', o, []);
  }

  makeType(o: T.MakeType): Promise<T.Reply> {
    return this.give('makeType', o, []);
  }

  setType(o: T.SetType): Promise<T.Reply> {
    return this.give('setType', o, []);
  }

  setTypeField(o: T.SetTypeField): Promise<T.Reply> {
    return this.give('setTypeField', o, []);
  }

  setPieceType(o: T.SetPieceType): Promise<T.Reply> {
    return this.give('setPieceType', o, []);
  }

  followType(o: T.FollowType): Promise<T.Reply> {
    return this.give('followType', o, []);
  }

  removeType(o: T.RemoveType): Promise<T.Reply> {
    return this.give('removeType', o, []);
  }

  addTypeProperty(o: T.AddTypeProperty): Promise<T.Reply> {
    return this.give('addTypeProperty', o, []);
  }

  setTypeProperty(o: T.SetTypeProperty): Promise<T.Reply> {
    return this.give('setTypeProperty', o, []);
  }

  removeTypeProperty(o: T.RemoveTypeProperty): Promise<T.Reply> {
    return this.give('removeTypeProperty', o, []);
  }

  addSaying(o: T.AddSaying): Promise<T.Reply> {
    return this.give('addSaying', o, []);
  }

  typeSaying(o: T.TypeSaying): Promise<T.Reply> {
    return this.give('typeSaying', o, []);
  }

  setSayingCondition(o: T.SetSayingCondition): Promise<T.Reply> {
    return this.give('setSayingCondition', o, []);
  }

  removeSaying(o: T.RemoveSaying): Promise<T.Reply> {
    return this.give('removeSaying', o, []);
  }

  moveSaying(o: T.MoveSaying): Promise<T.Reply> {
    return this.give('moveSaying', o, []);
  }

  takeSheet(o: T.TakeSheet): Promise<T.Reply> {
    return this.give('takeSheet', o, []);
  }

  setPose(o: T.SetPose): Promise<T.Reply> {
    return this.give('setPose', o, []);
  }

  setBody(o: T.SetBody): Promise<T.Reply> {
    return this.give('setBody', o, []);
  }

  proposeBody(o: T.ProposeBody): Promise<T.Reply> {
    return this.give('proposeBody', o, []);
  }

  useAsPlayer(o: T.UseAsPlayer): Promise<T.Reply> {
    return this.give('useAsPlayer', o, []);
  }

  setBegins(o: T.SetBegins): Promise<T.Reply> {
    return this.give('setBegins', o, []);
  }

  setFactText(o: T.SetFactText): Promise<T.Reply> {
    return this.give('setFactText', o, []);
  }

  setFactMap(o: T.SetFactMap): Promise<T.Reply> {
    return this.give('setFactMap', o, []);
  }

  makeItem(o: T.MakeItem): Promise<T.Reply> {
    return this.give('makeItem', o, []);
  }

  setItemMost(o: T.SetItemMost): Promise<T.Reply> {
    return this.give('setItemMost', o, []);
  }

  makeFact(o: T.MakeFact): Promise<T.Reply> {
    return this.give('makeFact', o, []);
  }

  setFact(o: T.SetFact): Promise<T.Reply> {
    return this.give('setFact', o, []);
  }

  setFactSort(o: T.SetFactSort): Promise<T.Reply> {
    return this.give('setFactSort', o, []);
  }

  setFactRange(o: T.SetFactRange): Promise<T.Reply> {
    return this.give('setFactRange', o, []);
  }

  setFactWords(o: T.SetFactWords): Promise<T.Reply> {
    return this.give('setFactWords', o, []);
  }

  makeStart(o: T.MakeStart): Promise<T.Reply> {
    return this.give('makeStart', o, []);
  }

  takeStart(o: T.TakeStart): Promise<T.Reply> {
    return this.give('takeStart', o, []);
  }

  placeStart(o: T.PlaceStart): Promise<T.Reply> {
    return this.give('placeStart', o, []);
  }

  setStartItem(o: T.SetStartItem): Promise<T.Reply> {
    return this.give('setStartItem', o, []);
  }

  setStartFact(o: T.SetStartFact): Promise<T.Reply> {
    return this.give('setStartFact', o, []);
  }

  setStartState(o: T.SetStartState): Promise<T.Reply> {
    return this.give('setStartState', o, []);
  }

  setMapStays(o: T.SetMapStays): Promise<T.Reply> {
    return this.give('setMapStays', o, []);
  }

  setPieceStays(o: T.SetPieceStays): Promise<T.Reply> {
    return this.give('setPieceStays', o, []);
  }

  startPlay(o: T.StartPlay): Promise<T.Reply> {
    return this.give('startPlay', o, []);
  }

  startPlayAt(o: T.StartPlayAt): Promise<T.Reply> {
    return this.give('startPlayAt', o, []);
  }

  startPlayAs(o: T.StartPlayAs): Promise<T.Reply> {
    return this.give('startPlayAs', o, []);
  }

  stopPlay(): Promise<T.Reply> {
    return this.give('stopPlay', {}, []);
  }

  showTick(o: T.ShowTick): Promise<T.Reply> {
    return this.give('showTick', o, []);
  }

  sendPlayer(o: T.SendPlayer): Promise<T.Reply> {
    return this.give('sendPlayer', o, []);
  }

  openItems(): Promise<T.Reply> {
    return this.give('openItems', {}, []);
  }

  bringPlayer(o: T.BringPlayer): Promise<T.Reply> {
    return this.give('bringPlayer', o, []);
  }

  setTestAid(o: T.SetTestAid): Promise<T.Reply> {
    return this.give('setTestAid', o, []);
  }

  holdAtRule(o: T.HoldAtRule): Promise<T.Reply> {
    return this.give('holdAtRule', o, []);
  }

  holdAtFact(o: T.HoldAtFact): Promise<T.Reply> {
    return this.give('holdAtFact', o, []);
  }

  setFactInPlay(o: T.SetFactInPlay): Promise<T.Reply> {
    return this.give('setFactInPlay', o, []);
  }

  setMovement(o: T.SetMovement): Promise<T.Reply> {
    return this.give('setMovement', o, []);
  }

  tryMovement(o: T.TryMovement): Promise<T.Reply> {
    return this.give('tryMovement', o, []);
  }

  keepReplay(o: T.KeepReplay): Promise<T.Reply> {
    return this.give('keepReplay', o, []);
  }

  watchReplay(o: T.WatchReplay): Promise<T.Reply> {
    return this.give('watchReplay', o, []);
  }

  tryValues(o: T.TryValues): Promise<T.Reply> {
    return this.give('tryValues', o, []);
  }

  setTried(o: T.SetTried): Promise<T.Reply> {
    return this.give('setTried', o, []);
  }
}

/** All that the core can be asked. */
export class Questions {
  constructor(private readonly ask: Ask) {}

  ready(): T.ReadyView[] {
    return this.ask.value('ready', {}, []);
  }

  rules(): T.HomeView[] {
    return this.ask.value('rules', {}, []);
  }

  rule(q: T.AskRule): T.RuleView | null {
    return this.ask.value('rule', q, null);
  }

  offers(q: T.AskOffers): T.OfferView[] {
    return this.ask.value('offers', q, []);
  }

  ruleInPlay(q: T.AskRuleInPlay): T.RuleInPlay {
    return this.ask.value('ruleInPlay', q, {"playing":false,"times":0,"last":"","now":[],"jammed":false,"holds":false});
  }

  why(q: T.AskWhy): T.WhyView {
    return this.ask.value('why', q, {"playing":false,"from":"","to":"","trials":[],"none":"","now":"","went":[]});
  }

  things(q: T.AskThings): T.SlotChoice[] {
    return this.ask.value('things', q, []);
  }

  types(): T.TypesView {
    return this.ask.value('types', {}, {"types":[],"kinds":[],"may":[],"sorts":[],"inHand":""});
  }

  findings(q: T.AskFindings): T.FindingsView {
    return this.ask.value('findings', q, {"count":0,"list":[]});
  }

  scene(q: T.AskScene): T.Scene | null {
    return this.ask.value('scene', q, null);
  }

  state(): T.State | null {
    return this.ask.value('state', {}, null);
  }

  pointer(): T.Pointer | null {
    return this.ask.value('pointer', {}, null);
  }

  play(): T.Play | null {
    return this.ask.value('play', {}, null);
  }

  replies(): T.Reply[] {
    return this.ask.value('replies', {}, []);
  }

  probe(): T.Probe | null {
    return this.ask.value('probe', {}, null);
  }

  history(): T.StepView[] {
    return this.ask.value('history', {}, []);
  }

  memory(): T.SlipLine[] {
    return this.ask.value('memory', {}, []);
  }

  known(): T.KnownView {
    return this.ask.value('known', {}, {"facts":[],"reasons":[],"more":0});
  }

  whatStays(q: T.WhatStays): T.StaysView {
    return this.ask.value('whatStays', q, {"id":"","name":"","anew":[],"types":[]});
  }

  askable(): T.AskableView | null {
    return this.ask.value('askable', {}, null);
  }

  copied(): T.CopiedView {
    return this.ask.value('copied', {}, {"text":"","says":""});
  }

  blockPicture(q: T.BlockPicture): ImageData | null {
    return this.ask.picture('blockPicture', q);
  }

  cellsIn(q: T.CellsIn): number[] {
    return this.ask.value('cellsIn', q, []);
  }

  lossOf(q: T.LossOf): string {
    return this.ask.value('lossOf', q, "");
  }

  furnishedLike(q: T.FurnishedLike): string {
    return this.ask.value('furnishedLike', q, "");
  }

  wholeScreens(q: T.WholeScreens): T.SizeView {
    return this.ask.value('wholeScreens', q, {"columns":0,"rows":0});
  }

  scaledSize(q: T.ScaledSize): string {
    return this.ask.value('scaledSize', q, "");
  }

  lens(q: T.Lens): Uint8Array {
    return this.ask.bytes('lens', q);
  }

  layerPicture(q: T.LayerPicture): ImageData | null {
    return this.ask.picture('layerPicture', q);
  }

  tileset(q: T.AskTileset): T.TilesetView | null {
    return this.ask.value('tileset', q, null);
  }

  sheetShape(q: T.SheetShape): number[] {
    return this.ask.value('sheetShape', q, []);
  }

  cellSizeWould(q: T.CellSizeWould): T.CellSizeView {
    return this.ask.value('cellSizeWould', q, {"shown":"","says":"","refused":""});
  }

  tileCells(q: T.TileCells): number[] {
    return this.ask.value('tileCells', q, []);
  }

  likeColours(q: T.LikeColours): number[] {
    return this.ask.value('likeColours', q, []);
  }

  usage(): T.Usage {
    return this.ask.value('usage', {}, {"tilesets":[],"unused":[]});
  }

  dealMedley(q: T.DealMedley): T.Dealt {
    return this.ask.value('dealMedley', q, {"cells":[],"shares":[]});
  }

  sampleBond(q: T.SampleBond): number[] {
    return this.ask.value('sampleBond', q, []);
  }

  proposeBond(q: T.ProposeBond): T.Proposal {
    return this.ask.value('proposeBond', q, {"join":0,"tiles":[],"unsure":[]});
  }

  joinWith(q: T.JoinWith): number {
    return this.ask.value('joinWith', q, 0);
  }

  joinAt(q: T.JoinAt): number {
    return this.ask.value('joinAt', q, 0);
  }

  handlesOfCut(q: T.HandlesOfCut): T.Handle[] {
    return this.ask.value('handlesOfCut', q, []);
  }

  dragCut(q: T.DragCut): T.Cut {
    return this.ask.value('dragCut', q, {"w":0,"h":0,"margin":0,"spacing":0,"offsetX":0,"offsetY":0,"crop":{"x":0,"y":0,"w":0,"h":0},"keyed":false,"key":0,"scale":0});
  }

  proposeReskin(q: T.ProposeReskin): T.Reskin {
    return this.ask.value('proposeReskin', q, {"map":"","selected":false,"from":"","to":"","by":"position","chosen":[]});
  }

  previewReskin(q: T.PreviewReskin): T.ReskinView {
    return this.ask.value('previewReskin', q, {"matches":[],"cells":0,"unmatched":0});
  }

  reskinPicture(q: T.ReskinPicture): ImageData | null {
    return this.ask.picture('reskinPicture', q);
  }

  checkWords(q: T.CheckWords): T.WordsView {
    return this.ask.value('checkWords', q, {"pages":0,"wrong":[],"refused":false});
  }

  fillings(): string[] {
    return this.ask.value('fillings', {}, []);
  }

  showNumber(q: T.ShowNumber): T.ShownNumber {
    return this.ask.value('showNumber', q, {"value":0,"step":1});
  }

  storeNumber(q: T.StoreNumber): number {
    return this.ask.value('storeNumber', q, 0);
  }

  wordsPicture(q: T.WordsPicture): ImageData | null {
    return this.ask.picture('wordsPicture', q);
  }

  readingPicture(): ImageData | null {
    return this.ask.picture('readingPicture', {});
  }

  trailOf(q: T.TrailOf): T.TrailView | null {
    return this.ask.value('trailOf', q, null);
  }

  reachFrom(q: T.ReachFrom): T.ReachView | null {
    return this.ask.value('reachFrom', q, null);
  }

  characterPicture(q: T.CharacterPicture): ImageData | null {
    return this.ask.picture('characterPicture', q);
  }

  piecePicture(q: T.PiecePicture): ImageData | null {
    return this.ask.picture('piecePicture', q);
  }

  bodyOnFrame(q: T.BodyOnFrame): T.Outlined | null {
    return this.ask.value('bodyOnFrame', q, null);
  }
}
