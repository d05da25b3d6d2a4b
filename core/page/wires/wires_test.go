package wires_test

import (
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kinds/door"
	"azzel/core/kinds/switches"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/pagetest"
	"azzel/core/page/things"
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
	if parts := edit.RemoveWires(p.Document(), gate.ID); len(parts) != 3 {
		t.Errorf("%d wires go with the door", len(parts))
	}
}

// A drag to one of the pieces that are selected wires all of them that can be worked, one from one of them all at which a wire can begin: in one step, and
// what is wired already stays as it is.
func TestWiresOfASelection(t *testing.T) {
	p := pagetest.Open(t, 7)
	gate, other := pagetest.Place(p, door.Kind.ID, 9, 5), pagetest.Place(p, door.Kind.ID, 11, 5)
	pagetest.Order(p, things.Rename{Thing: pagetest.Thing("piece", p.Document().Maps[0].ID, gate.ID), Name: "äußere Tür"})
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
	if says := wires.Says(p.Document(), p.Document().Wires[0]); !strings.HasPrefix(says, "äußere Tür is open") {
		t.Errorf("of a wire it is said %q", says)
	}
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

// A drag to an area or to a tile of a layer above the lowest works its forces and the layer, with nothing to choose; over what is neither it is said what
// can be worked. With what it works the wire goes, and comes back with it.
func TestWiresToPlaces(t *testing.T) {
	p := pagetest.Open(t, 7)
	plate := pagetest.Place(p, switches.Kind.ID, 2, 3)
	m := p.Document().Maps[0]
	area := world.Area{Name: "Draught", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: 5, Y: 5, W: 3, H: 2})}
	shade := world.Layer{Name: "Shade", Order: 1 << 20}
	const areaID, layerID = world.ID(77), world.ID(78)
	layer := world.Ref{Sort: world.SortLayer, Map: m.ID, ID: layerID}
	cells := grid.BoxRegion(grid.Rect{X: 9, Y: 5, W: 1, H: 1})
	for _, parts := range [][]edit.Part{
		{edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: areaID}, Values: area.Values()}, edit.Put{Ref: layer, Values: shade.Values()}},
		{edit.Paint{Map: m.ID, Layer: layerID, Region: cells, Cells: grid.Runs{{N: 1, Cell: 1}}}},
	} {
		p.Do(edit.Edit{Label: "more", Parts: parts})
	}
	pull := func(x, y int) int {
		before := len(p.Document().Wires)
		pagetest.Order(p, holding.Hold{Holding: "wire"})
		p.Pointer(page.Press, plate.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
		p.Pointer(page.Release, p.Document().Project.Lattice().Foot(grid.Point{X: x, Y: y}), false, false, 0)
		return len(p.Document().Wires) - before
	}
	if n := pull(12, 9); n != 0 || pagetest.Said(p) == "" {
		t.Errorf("a drag to nothing makes %d wires, without a word", n)
	}
	for _, c := range []struct {
		x    int
		to   world.ID
		says string
	}{
		{6, areaID, "The forces of Draught are on while Switch"},
		{9, layerID, "The layer Shade is there while Switch"},
	} {
		if n := pull(c.x, 5); n != 1 {
			t.Fatalf("a drag to column %d makes %d wires: %s", c.x, n, pagetest.Said(p))
		}
		w := p.Document().Wires[len(p.Document().Wires)-1]
		if w.To != c.to || !strings.HasPrefix(wires.Says(p.Document(), w), c.says) {
			t.Errorf("a drag to column %d leads to %d: %s", c.x, w.To, wires.Says(p.Document(), w))
		}
		if list := wires.Views(p.Document()); len(list) != len(p.Document().Wires) {
			t.Errorf("%d wires are drawn of %d", len(list), len(p.Document().Wires))
		}
	}
	pagetest.Order(p, holding.Select{Thing: pagetest.Thing("area", 0, areaID)})
	pagetest.Order(p, holding.DeleteSelected{})
	pagetest.Order(p, maps.DeleteLayer{Map: page.ID(m.ID), Layer: page.ID(layerID)})
	if n := len(p.Document().Wires); n != 0 {
		t.Errorf("%d wires are left without what they work: %s", n, pagetest.Said(p))
	}
	for range 2 {
		pagetest.Order(p, history.Undo{})
	}
	if n := len(p.Document().Wires); n != 2 {
		t.Errorf("%d wires came back", n)
	}
}
