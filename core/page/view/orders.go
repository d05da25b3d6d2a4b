package view

import (
	"azzel/core/page"
	"azzel/core/page/characters"
	"azzel/core/page/found"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/kit"
	"azzel/core/page/maps"
	"azzel/core/page/memory"
	"azzel/core/page/pieces"
	"azzel/core/page/places"
	"azzel/core/page/playing"
	"azzel/core/page/ready"
	"azzel/core/page/replays"
	"azzel/core/page/rules"
	"azzel/core/page/supplies"
	"azzel/core/page/talking"
	"azzel/core/page/things"
	"azzel/core/page/tilework"
	"azzel/core/page/wires"
)

func init() {
	page.Register(
		// The hand.
		holding.Hold{}, holding.HoldTiles{}, holding.SetShape{}, holding.SetSize{}, holding.Widen{}, holding.Turn{}, holding.Flip{}, holding.MirrorStrokes{}, holding.MirrorHere{}, holding.ReachThrough{}, holding.SetAdding{},
		holding.PickUp{}, holding.Cancel{}, holding.Duplicate{}, holding.Paste{},
		// What is selected, and things of any sort.
		holding.Select{}, holding.SelectInStack{}, holding.Unselect{}, holding.SelectAllCells{}, holding.SelectNoCells{}, holding.MoveSelected{}, holding.FillSelected{}, holding.DeleteSelected{},
		things.Rename{}, things.Delete{}, found.MendFinding{},
		// History and versions.
		history.Undo{}, history.Redo{}, history.WalkHistory{}, history.UndoStep{}, history.AddEarlier{}, history.DoAgain{}, history.ShowVersion{}, history.ShowCurrentVersion{}, history.RestoreVersion{},
		// Maps and layers.
		maps.SetMap{}, maps.CopyMap{}, maps.FurnishMap{}, maps.ResizeMap{}, tilework.MakeMapOfColours{}, tilework.SetCellSize{}, holding.MakeMapOfPatch{}, maps.MakeLayer{}, maps.SetLayer{}, maps.MoveLayer{}, maps.LayLayerOver{},
		maps.DuplicateLayer{}, maps.MergeLayer{}, maps.ClearLayer{}, maps.DeleteLayer{}, maps.WalkOnLayer{}, maps.SetCurrentLayer{}, maps.ShowLayerAlone{}, maps.HideLayer{}, maps.LayCSV{},
		// Tiles.
		tilework.MakeTileset{}, tilework.ReplaceTileset{}, tilework.RebuildMap{}, tilework.MarkTiles{}, tilework.AnimateTile{}, tilework.ShowFrames{}, tilework.MakeProperty{}, supplies.MakeMedley{}, supplies.ChangeMedley{},
		supplies.MakeBond{}, supplies.ChangeBond{}, holding.KeepPatch{}, tilework.Arrange{}, tilework.ApplyReskin{}, tilework.AddPictures{}, tilework.AddBackdrop{},
		// Pieces and places.
		pieces.SetPieceField{}, pieces.TryPieceField{}, pieces.SetFieldOfSelected{}, pieces.SetCondition{}, pieces.SetPicture{}, pieces.AddPictureFrame{}, pieces.RemovePictureFrame{}, pieces.SetPictureLook{}, pieces.SetConditionOfSelected{}, places.MakeArea{}, places.SetArea{}, places.SetAreaCells{},
		places.AddTrackPoint{}, places.SetTrack{}, wires.SetWire{},
		rules.AddRule{}, rules.CopyRule{}, rules.SetRule{}, rules.SetRuleCondition{}, rules.AddRulePart{}, rules.SetRulePart{}, rules.MarkRulePart{}, rules.TypeRuleText{}, rules.MoveRulePart{}, rules.CopyRulePart{}, rules.RemoveRulePart{}, rules.SettleTheirs{}, rules.OpenWire{}, rules.FoldRule{}, ready.MakeReady{},
		kit.AddType{}, kit.MakeType{}, kit.SetType{}, kit.SetTypeField{}, kit.SetPieceType{}, kit.FollowType{}, kit.RemoveType{}, kit.AddTypeProperty{}, kit.SetTypeProperty{}, kit.RemoveTypeProperty{},
		talking.AddSaying{}, talking.TypeSaying{}, talking.SetSayingCondition{}, talking.RemoveSaying{}, talking.MoveSaying{},
		// Characters, items and facts.
		characters.TakeSheet{}, characters.SetPose{}, characters.SetBody{}, characters.ProposeBody{}, characters.UseAsPlayer{}, memory.SetBegins{}, memory.SetFactText{}, memory.SetFactMap{}, memory.MakeItem{}, memory.SetItemMost{}, memory.MakeFact{}, memory.SetFact{}, memory.SetFactSort{}, memory.SetFactRange{}, memory.SetFactWords{}, memory.MakeStart{}, memory.TakeStart{}, memory.PlaceStart{}, memory.SetStartItem{}, memory.SetStartFact{}, memory.SetStartState{}, memory.SetMapStays{}, memory.SetPieceStays{},
		// Play.
		playing.StartPlay{}, playing.StartPlayAt{}, playing.StartPlayAs{}, playing.StopPlay{}, playing.ShowTick{}, playing.SendPlayer{}, playing.OpenItems{}, playing.BringPlayer{}, playing.SetTestAid{}, playing.HoldAtRule{}, playing.HoldAtFact{}, memory.SetFactInPlay{}, playing.SetMovement{}, playing.TryMovement{},
		replays.KeepReplay{}, replays.WatchReplay{}, replays.TryValues{}, replays.SetTried{},
	)
}
