package playing_test

import (
	"bytes"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Cells that a rule empties are drawn so as soon as they are empty, as they are painted once play goes back in time or ends, and it is told each time that
// they are to be drawn anew; so is a layer that a rule hides on a map on which the player is not.
func TestCellsSeenInPlay(t *testing.T) {
	p := pagetest.Open(t, 9)
	m := p.Document().Maps[0]
	upper := p.IDs.NewID()
	hedge := grid.BoxRegion(grid.Rect{X: m.Bounds.X, Y: m.Bounds.Y, W: 3, H: 2})
	area := world.Area{Name: "Gap", Map: m.ID, Cells: hedge}
	gap := p.IDs.NewID()
	house, layers := world.NewMap("Tool shed", grid.Point{X: 300}, grid.Rect{W: 9, H: 3}, p.IDs)
	rule := world.Rule{}
	put := func(part logic.Part) {
		part.ID, part.Order = p.IDs.NewID(), len(rule.Parts)
		rule.Set(part)
	}
	put(logic.Part{Begins: logic.Moment{Is: logic.PlayBegins.Number}})
	put(logic.Part{Action: logic.Action{Does: logic.Wait, Number: 20}})
	put(logic.Part{Action: logic.Action{Does: logic.SetCells, Thing: gap, Is: logic.CellsCleared}})
	put(logic.Part{Action: logic.Action{Does: logic.Wait, Number: 20}})
	put(logic.Part{Action: logic.Action{Does: logic.SetLayer, Thing: house.PlayerLayer, Is: 1}})
	shed := grid.BoxRegion(house.Bounds)
	p.Do(edit.Edit{Label: "furnish", Parts: append(edit.PutMap(house, layers),
		edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: shed, Cells: grid.Runs{{N: shed.Len(), Cell: grid.Cell(tiles.Wall)}}},
		edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: upper}, Values: (&world.Layer{Name: "Hedge", Counts: true, Order: 99}).Values()},
		edit.Paint{Map: m.ID, Layer: upper, Region: hedge, Cells: grid.Runs{{N: hedge.Len(), Cell: grid.Cell(tiles.Wall)}}},
		edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: gap}, Values: area.Values()}, edit.Put{Ref: world.RuleRef(p.IDs.NewID()), Values: rule.Values()})})
	// drawn is a map as it is drawn, of which what has changed since is drawn anew.
	kept := map[world.ID][]byte{}
	drawn := func(id world.ID) []byte {
		key := picture.Key{Map: id, Layers: picture.AllLayers}
		if kept[id] == nil {
			kept[id] = make([]byte, picture.BitmapSide*picture.BitmapSide*4)
		}
		part := make([]byte, len(kept[id]))
		for more := true; more; {
			var box grid.Rect
			box, more = p.Bitmap(key, part)
			for y := range box.H {
				copy(kept[id][((box.Y+y)*picture.BitmapSide+box.X)*4:], part[y*box.W*4:][:box.W*4])
			}
		}
		return bytes.Clone(kept[id])
	}
	first, away := drawn(m.ID), drawn(house.ID)
	told := func(ticks int) (times int) {
		for range ticks {
			if playing.Tick(p, play.Input(0))&page.CellsChanged != 0 {
				times++
			}
		}
		return times
	}
	pagetest.Order(p, playing.StartPlay{})
	if n := told(10); n != 0 || !bytes.Equal(drawn(m.ID), first) {
		t.Errorf("before anything becomes of cells it is told %d times", n)
	}
	if n := told(20); n != 1 || bytes.Equal(drawn(m.ID), first) || !bytes.Equal(drawn(house.ID), away) {
		t.Errorf("as the gap is emptied it is told %d times", n)
	}
	if n := told(20); n != 1 || bytes.Equal(drawn(house.ID), away) {
		t.Errorf("as a layer of another map is hidden it is told %d times", n)
	}
	if changed := p.Order(1, page.OrderText(playing.ShowTick{Tick: 5}), nil); changed&page.CellsChanged == 0 || !bytes.Equal(drawn(m.ID), first) || !bytes.Equal(drawn(house.ID), away) {
		t.Error("gone back to, cells are not as they were")
	}
	told(30)
	if changed := p.Order(1, page.OrderText(playing.StopPlay{}), nil); changed&page.CellsChanged == 0 || !bytes.Equal(drawn(m.ID), first) {
		t.Error("once play has ended, cells are not as they are painted")
	}
}
