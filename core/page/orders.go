package page

func init() {
	Register(
		// The hand.
		Hold{}, HoldTiles{}, SetShape{}, SetSize{}, Widen{}, Turn{}, Flip{}, MirrorStrokes{}, MirrorHere{}, ReachThrough{}, SetAdding{},
		PickUp{}, Cancel{}, Duplicate{}, Paste{},
		// What is selected, and things of any sort.
		Select{}, SelectInStack{}, Unselect{}, SelectAllCells{}, SelectNoCells{}, MoveSelected{}, FillSelected{}, DeleteSelected{},
		Rename{}, Delete{},
		// History and versions.
		Undo{}, Redo{}, WalkHistory{}, UndoStep{}, AddEarlier{}, DoAgain{}, ShowVersion{}, ShowCurrentVersion{}, RestoreVersion{},
		// Maps and layers.
		SetMap{}, CopyMap{}, ResizeMap{}, MakeMapOfColours{}, MakeMapOfPatch{}, MakeLayer{}, SetLayer{}, MoveLayer{}, LayLayerOver{},
		DuplicateLayer{}, MergeLayer{}, ClearLayer{}, DeleteLayer{}, WalkOnLayer{}, SetCurrentLayer{}, ShowLayerAlone{}, HideLayer{}, LayCSV{},
		// Tiles.
		MakeTileset{}, ReplaceTileset{}, RebuildMap{}, MarkTiles{}, AnimateTile{}, ShowFrames{}, MakeProperty{}, MakeMedley{}, ChangeMedley{},
		MakeBond{}, ChangeBond{}, KeepPatch{}, Arrange{}, ApplyReskin{}, AddPictures{}, AddBackdrop{},
		// Pieces and places.
		SetPieceField{}, TryPieceField{}, SetFieldOfSelected{}, SetCondition{}, SetConditionOfSelected{}, MakeArea{}, SetArea{}, SetAreaCells{},
		AddTrackPoint{}, SetTrack{},
		// Characters, items and facts.
		TakeSheet{}, SetPose{}, SetBody{}, ProposeBody{}, UseAsPlayer{}, SetBegins{}, MakeItem{}, SetItemMost{}, MakeFact{}, SetFact{},
		// Play.
		StartPlay{}, StartPlayAt{}, StopPlay{}, ShowTick{}, SendPlayer{}, BringPlayer{}, SetTestAid{}, SetFactInPlay{}, SetMovement{}, TryMovement{},
		KeepReplay{}, WatchReplay{}, TryValues{}, SetTried{},
	)
}
