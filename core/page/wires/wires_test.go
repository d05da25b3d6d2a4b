package wires_test

import (
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kinds/door"
	"azzel/core/kinds/switches"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/view"
	"azzel/core/page/wires"
	"azzel/core/world"
)

// How many wires must be on is set of all that count together, and of no other; a new one takes it over. What can't be is
// refused in words; all is taken back at once.
func TestWiresThatCountTogether(t *testing.T) {
	p := pagetest.Open(t, 7)
	gate := pagetest.Place(p, door.Kind.ID, 8, 5)
	var plates []*world.Piece
	for i := range 4 {
		plates = append(plates, pagetest.Place(p, switches.Kind.ID, 2+i, 3))
	}
	pull := func(from *world.Piece) {
		pagetest.Order(p, holding.Hold{Holding: "wire"})
		p.Pointer(page.Press, from.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
		p.Pointer(page.Release, gate.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
	}
	ofs := func() (list []int) {
		for _, w := range p.Document().Wires {
			list = append(list, w.Of)
		}
		return list
	}
	for _, plate := range plates[:3] {
		pull(plate)
	}
	list := p.Document().Wires
	if len(list) != 3 {
		t.Fatalf("there are %d wires, said was %q", len(list), pagetest.Said(p))
	}
	set := func(w *world.Wire, change func(*wires.WireLook)) {
		look := wires.ViewWire(p.Document(), p.Document().Wire(w.ID)).WireLook
		change(&look)
		pagetest.Order(p, wires.SetWire{Wire: page.ID(w.ID), Change: page.PartOf(look)})
	}
	set(list[2], func(l *wires.WireLook) { l.Does = world.ChangesOver })
	set(list[0], func(l *wires.WireLook) { l.Of = world.AllOf })
	if got := ofs(); !slices.Equal(got, []int{world.AllOf, world.AllOf, world.AnyOf}) {
		t.Errorf("with all set of one of two that count together, they are %v", got)
	}
	pull(plates[3])
	if got := ofs(); !slices.Equal(got, []int{world.AllOf, world.AllOf, world.AnyOf, world.AllOf}) {
		t.Errorf("with a new one they are %v", got)
	}
	pagetest.Order(p, holding.Select{Thing: page.Thing{Kind: "wire", ID: page.ID(list[0].ID)}})
	slip := view.StateOf(p).Slip
	if slip == nil || slip.Wire == nil || slip.Wire.Together != 3 || len(slip.Wire.Counts) != 3 || len(slip.Wire.Choices) != 2 {
		t.Fatalf("the slip of one of three says %+v", slip)
	}
	before := p.Document().Wire(list[0].ID)
	for i, bad := range []func(*wires.WireLook){
		func(l *wires.WireLook) { l.Of = -2 }, func(l *wires.WireLook) { l.Does = 9 }, func(l *wires.WireLook) { l.Works = 7 },
		func(l *wires.WireLook) { l.After = -1 }, func(l *wires.WireLook) { l.After = 1e9 },
	} {
		set(list[0], bad)
		if pagetest.Said(p) == "" || *p.Document().Wire(list[0].ID) != *before {
			t.Errorf("what can't be, %d, was done or refused without a word", i)
		}
	}
	pull(plates[0])
	if pagetest.Said(p) == "" || len(p.Document().Wires) != 4 {
		t.Error("a second wire between two pieces was made, or refused without a word")
	}
	// The last wire, then what counted together, at once.
	for range 2 {
		pagetest.Order(p, history.Undo{})
	}
	if got := ofs(); !slices.Equal(got, []int{0, 0, 0}) {
		t.Errorf("taken back they are %v", got)
	}
	if parts := edit.RemoveWires(p.Document(), gate); len(parts) != 3 {
		t.Errorf("%d wires go with the door", len(parts))
	}
}

// A drag to one of the pieces that are selected wires all of them that can be worked, one from one of them all at which a wire can begin: in one step, and
// what is wired already stays as it is.
func TestWiresOfASelection(t *testing.T) {
	p := pagetest.Open(t, 7)
	gate, other := pagetest.Place(p, door.Kind.ID, 9, 5), pagetest.Place(p, door.Kind.ID, 11, 5)
	plates := []*world.Piece{pagetest.Place(p, switches.Kind.ID, 2, 3), pagetest.Place(p, switches.Kind.ID, 4, 3)}
	pagetest.Place(p, world.Mark, 10, 5)
	pull := func(from, to *world.Piece) int {
		before := len(p.Document().Wires)
		pagetest.Order(p, holding.Hold{Holding: "wire"})
		p.Pointer(page.Press, from.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
		p.Pointer(page.Release, to.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
		return len(p.Document().Wires) - before
	}
	choose := func(r grid.Rect) {
		p.Hand.Cells = hand.Cells{Map: p.Document().Maps[0].ID, Region: grid.BoxRegion(r)}
	}
	pull(plates[0], gate)
	choose(grid.Rect{X: 9, Y: 5, W: 3, H: 1})
	if n := pull(plates[1], other); n != 2 {
		t.Errorf("a drag to one of two doors that are selected makes %d wires: %s", n, pagetest.Said(p))
	}
	choose(grid.Rect{X: 2, Y: 3, W: 3, H: 1})
	if n := pull(plates[1], gate); n != 0 || pagetest.Said(p) == "" {
		t.Errorf("a drag along a wire that is there makes %d wires, without a word", n)
	}
	pagetest.Order(p, history.Undo{})
	if n := len(p.Document().Wires); n != 1 {
		t.Fatalf("taken back, there are %d wires", n)
	}
	if n := pull(plates[1], gate); n != 1 {
		t.Errorf("a drag from one of two plates that are selected makes %d wires, and one was there", n)
	}
	if n := pull(plates[0], other); n != 2 {
		t.Errorf("a drag from one of two plates that are selected makes %d wires: %s", n, pagetest.Said(p))
	}
}
