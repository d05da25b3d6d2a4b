package play_test

import (
	"bytes"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// The cells of an area become empty, those of a patch over and over, and as painted again: that is seen and is solid as such, on the layers that the
// patch says, also once the document changed and when one goes back in time. Where it becomes solid the player is set down beside it.
func TestCellsBecome(t *testing.T) {
	const hedge, gap, bench = world.ID(760), world.ID(761), world.ID(762)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		cells := func(is int) logic.Action {
			a := logic.Action{Does: logic.SetCells, Thing: gap, Is: is}
			if is == logic.CellsBecome {
				a.Other = bench
			}
			return a
		}
		goes := newRule(1, kind.NoThing, 0, pressed(plate)).do(cells(logic.CellsCleared), wait(90), cells(logic.CellsBecome), wait(60), cells(logic.CellsPainted))
		d := ruled(t, view, goes)
		m := d.Maps[0]
		// A hedge over the way, two cells wide, on a layer of its own, and bare ground above it.
		wide := grid.BoxRegion(grid.Rect{X: 7, Y: corridor.Row, W: 2, H: 1})
		area := world.Area{Name: "Gap", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: 7, Y: corridor.Row, W: 3, H: 1})}
		wall := grid.Plane{}.Edit()
		wall.Set(grid.Point{}, grid.Cell(tiles.Wall))
		patch := world.Patch{Name: "Bench", Block: world.Block{W: 1, H: 1, Layers: []world.BlockLayer{{Depth: 1, Counts: true, Cells: wall.Done()}, {Depth: 40, Counts: true, Cells: wall.Done()}}}}
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: hedge}, Values: (&world.Layer{Name: "Hedge", Counts: true, Order: m.Layer(m.PlayerLayer).Order + 1}).Values()},
			edit.Paint{Map: m.ID, Layer: hedge, Region: wide, Cells: grid.Runs{{N: 2, Cell: grid.Cell(tiles.Wall)}}},
			edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: gap}, Values: area.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: bench}, Values: patch.Values()})
		rec := play.Record(corridor.Begin(t, d, 3, sluice).Game)
		column := func() int { return rec.Game().Status().Place.Cell(d.Project.Lattice()).X }
		// shown are the three cells of the gap on the hedge's layer, as they are seen.
		shown := func() (is [3]grid.Cell) {
			on, other := rec.Game().Shown()
			if !other {
				on = d
			}
			for i := range is {
				is[i] = on.Maps[0].Layer(hedge).Cells.At(grid.Point{X: 7 + i, Y: corridor.Row})
			}
			return is
		}
		const solid = grid.Cell(tiles.Wall)
		var states [][]byte
		seen := map[[3]grid.Cell]int{}
		least, within := 99, 0
		for tick := range 240 {
			states = append(states, rec.Game().Snapshot())
			in := play.Right
			if column() >= 8 {
				in = 0 // it waits in the gap
			}
			rec.Tick(in)
			now := shown()
			seen[now]++
			if now == [3]grid.Cell{} && column() == 8 {
				within++
			}
			if now == [3]grid.Cell{solid, solid, solid} {
				least = min(least, column())
				if column() >= 7 && column() <= 9 {
					t.Fatalf("tick %d: the player is in column %d, where the bench stands", tick, column())
				}
			}
			if tick == 60 {
				if err := rec.SetDocument(apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortFact, ID: lamps}, Value: world.TextValue(world.FieldName, "Lamps")})); err != nil {
					t.Fatal(err)
				}
			}
		}
		painted, cleared, benches := seen[[3]grid.Cell{solid, solid, 0}], seen[[3]grid.Cell{}], seen[[3]grid.Cell{solid, solid, solid}]
		if cleared < 85 || cleared > 95 || benches < 55 || benches > 65 || painted+cleared+benches != 240 || within < 20 || least == 99 {
			t.Errorf("it is as painted in %d ticks, empty in %d and a bench in %d of 240; the player stood in the gap for %d", painted, cleared, benches, within)
		}
		for _, tick := range []int{220, 150, 100, 40, 2} {
			if err := rec.Go(tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), states[tick]) {
				t.Errorf("gone back to, tick %d is another: %v", tick, err)
			}
			if now, want := shown() == [3]grid.Cell{solid, solid, solid}, tick == 150; now != want {
				t.Errorf("gone back to, the gap is a bench in tick %d: %t", tick, now)
			}
		}
	})
}

// A patch is laid from the upper left corner of its area on, over and over, also where that lies beyond the map, and what lies beyond is left out.
func TestPatchLiesInStep(t *testing.T) {
	const gap, bench = world.ID(761), world.ID(762)
	goes := newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.PlayBegins.Number}).do(logic.Action{Does: logic.SetCells, Thing: gap, Other: bench})
	d := ruled(t, world.TopDown, goes)
	m := d.Maps[0]
	area := world.Area{Name: "Gap", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: m.Bounds.X - 2, Y: m.Bounds.Y - 1, W: 9, H: 3})}
	const w, h = 4, 2
	cells := grid.Plane{}.Edit()
	for x := range w {
		for y := range h {
			cells.Set(grid.Point{X: x, Y: y}, grid.Cell(1+(x+w*y)%4))
		}
	}
	patch := world.Patch{Name: "Bench", Block: world.Block{W: w, H: h, Layers: []world.BlockLayer{{Counts: true, Cells: cells.Done()}}}}
	d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: gap}, Values: area.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: bench}, Values: patch.Values()})
	g := corridor.Begin(t, d, 3, sluice).Game
	g.Tick(0)
	on, other := g.Shown()
	if !other {
		t.Fatal("nothing is seen otherwise")
	}
	corner := area.Cells.Bounds()
	for y := m.Bounds.Y - 2; y < m.Bounds.Y+4; y++ {
		for x := m.Bounds.X - 3; x < m.Bounds.X+9; x++ {
			at := grid.Point{X: x, Y: y}
			want := m.Layer(m.PlayerLayer).Cells.At(at)
			if area.Cells.Has(at) && m.Bounds.Has(at) {
				want = grid.Cell(1 + ((x-corner.X)%w+w*((y-corner.Y)%h))%4)
			}
			if got := on.Maps[0].Layer(m.PlayerLayer).Cells.At(at); got != want {
				t.Fatalf("cell %v is %d, not %d", at, got, want)
			}
		}
	}
}
