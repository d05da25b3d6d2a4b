package pieces_test

import (
	"testing"

	"azzel/core/grid"
	"azzel/core/kinds/decoration"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/pagetest"
	"azzel/core/page/view"
	"azzel/core/world"
)

// A decoration comes to stand on the current layer, in the middle of a cell or, with Shift held, just where the pointer is; what lies before the player's layer is seen over all, what lies behind under
// all. Moved, it stays on its layer.
func TestDecorationOnLayers(t *testing.T) {
	p := pagetest.Open(t, 5)
	m := p.Document().Maps[0]
	over := m.Layers[len(m.Layers)-1].ID
	if over == m.PlayerLayer {
		t.Fatal("there is no layer before that of the player")
	}
	place := func(at grid.Point, free bool) *world.Piece {
		t.Helper()
		before := len(p.Document().Maps[0].Pieces)
		pagetest.Order(p, holding.Hold{Holding: "piece", ID: page.ID(decoration.Kind.ID)})
		for _, how := range []int{page.Press, page.Release} {
			p.Pointer(how, at, false, free, 0)
		}
		list := p.Document().Maps[0].Pieces
		if len(list) != before+1 {
			t.Fatalf("none was placed: %s", pagetest.Said(p))
		}
		return list[len(list)-1]
	}
	seen := func(id world.ID) (v struct {
		over  bool
		order float64
	}) {
		for _, is := range view.SceneOf(p).Pieces {
			if is.ID == page.FormatID(id) {
				v.over, v.order = is.Over, is.Spot.Order
			}
		}
		return v
	}
	among := place(grid.Point{X: 5*16 + 3, Y: 3*16 + 2}, false)
	if l := p.Document().Project.Lattice(); among.Layer != m.PlayerLayer || among.Foot != m.FootOf(l, among.Type, grid.Point{X: 5, Y: 3}) || seen(among.ID).over {
		t.Errorf("on the player's layer it stands as %+v", among)
	}
	pagetest.Order(p, maps.SetCurrentLayer{Map: page.ID(m.ID), Layer: page.ID(over)})
	at := grid.Point{X: 7*16 + 3, Y: 3*16 + 2}
	before := place(at, true)
	if before.Layer != over || before.Foot != at || !seen(before.ID).over {
		t.Errorf("before all it stands as %+v, over %t", before, seen(before.ID).over)
	}
	// Moved without Shift it stands in the middle of a cell, on its layer.
	pagetest.Order(p, holding.Cancel{})
	for i, to := range []grid.Point{at, {X: 9*16 + 1, Y: 3*16 + 2}, {X: 9*16 + 1, Y: 3*16 + 2}} {
		p.Pointer([]int{page.Press, page.Drag, page.Release}[i], to, false, false, 0)
	}
	_, moved := p.Document().Piece(before.ID)
	if moved.Layer != over || moved.Foot != m.FootOf(p.Document().Project.Lattice(), moved.Type, grid.Point{X: 9, Y: 3}) {
		t.Errorf("moved it stands as %+v: %s", moved, pagetest.Said(p))
	}
	// Two may stand in one cell.
	if place(grid.Point{X: 9*16 + 9, Y: 3*16 + 9}, false); len(p.Document().Maps[0].Pieces) < 4 {
		t.Error("two can't stand in one cell")
	}
	// Where the player walks on the layer before, what lies on theirs until then is under all.
	was := seen(among.ID).order
	pagetest.Order(p, maps.WalkOnLayer{Map: page.ID(m.ID), Layer: page.ID(over)})
	if is := seen(among.ID); is.order >= was || seen(before.ID).over {
		t.Errorf("behind the player's layer it is drawn at %f, and was at %f; what is on it lies before all: %t", is.order, was, seen(before.ID).over)
	}
}
