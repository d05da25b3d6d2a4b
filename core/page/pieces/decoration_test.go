package pieces_test

import (
	"math"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/decoration"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
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

// What stirs is where it was after each round, goes no farther than it says meanwhile, and alone in the way that it says; what keeps still is the same in every tick.
func TestStirring(t *testing.T) {
	const round = 60
	for stirs := range props.Stirs.Options {
		p := &world.Piece{Type: decoration.Kind.ID, Props: kind.Set(props.Stirs.Is(stirs), props.StirsBy.Is(20), props.StirsIn.Is(round), props.Turned.Is(30))}
		rest, first := *pieces.Dress(p), *pieces.DressAt(p, 0)
		var size, down, turned float64
		for tick := range round {
			is := *pieces.DressAt(p, tick)
			size, down, turned = max(size, math.Abs(is.Size-rest.Size)), max(down, math.Abs(is.Down)), max(turned, math.Abs(is.Turned-rest.Turned))
			is.Size, is.Down, is.Turned = rest.Size, 0, rest.Turned
			if is != rest {
				t.Fatalf("%s, it is seen as %+v, at rest as %+v", props.Stirs.Options[stirs], is, rest)
			}
		}
		want := map[int][3]float64{props.KeepsStill: {}, props.Pulses: {20, 0, 0}, props.Bobs: {0, 20, 0}, props.Spins: {0, 0, 354}, props.Sways: {0, 0, 18}}[stirs]
		for i, most := range []float64{size, down, turned} {
			if most > want[i]+1e-9 || most < want[i]*0.95 {
				t.Errorf("%s, it goes as far as %v, not %v", props.Stirs.Options[stirs], most, want[i])
			}
		}
		after := *pieces.DressAt(p, round)
		if after.Turned -= 360 * math.Round((after.Turned-first.Turned)/360); math.Abs(after.Turned-first.Turned)+math.Abs(after.Size-first.Size)+math.Abs(after.Down-first.Down) > 1e-6 {
			t.Errorf("%s, after a round it is seen as %+v, at first as %+v", props.Stirs.Options[stirs], after, first)
		}
	}
}
