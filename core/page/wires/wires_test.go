package wires_test

import (
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/door"
	"azzel/core/kinds/switches"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/page/view"
	"azzel/core/page/wires"
	"azzel/core/play"
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

// Why the piece at the end of a wire is or is not on is said in play: what its beginning is, what it waits for, and how many of those that
// count together are on. Nothing is said when nothing is played.
func TestWireNow(t *testing.T) {
	p := pagetest.Open(t, 7)
	gate := pagetest.Place(p, door.Kind.ID, 8, 5)
	var list []*world.Wire
	for i := range 3 {
		plate := pagetest.Place(p, switches.Kind.ID, 3+3*i, 3)
		pagetest.Set(p, plate, "then", 1)
		pagetest.Order(p, holding.Hold{Holding: "wire"})
		p.Pointer(page.Press, plate.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
		p.Pointer(page.Release, gate.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
		list = p.Document().Wires
	}
	look := wires.ViewWire(p.Document(), list[0]).WireLook
	look.Of, look.After = 2, 0.5
	pagetest.Order(p, wires.SetWire{Wire: page.ID(list[0].ID), Change: page.PartOf(look)})
	pagetest.Order(p, holding.Hold{Holding: "nothing"})
	says := func() string { return wires.AskWireNow{Wire: page.ID(list[0].ID)}.Answer(p).(string) }
	if is := says(); is != "" {
		t.Errorf("nothing is played, and it says %q", is)
	}
	pagetest.Order(p, playing.StartPlay{Here: true, X: 1*16 + 8, Y: 3*16 + 8})
	until := func(want string) {
		t.Helper()
		for range 300 {
			if says() == want {
				return
			}
			playing.Tick(p, play.Right)
		}
		t.Fatalf("it never says %q, last %q", want, says())
	}
	until("Switch at 3, 3 is not pressed. Of 3 wires 2 must be on, and 0 are. Door at 8, 5 is not open.")
	until("Switch at 3, 3 is pressed, which counts in 0.3 s. Of 3 wires 2 must be on, and 0 are. Door at 8, 5 is not open.")
	until("Switch at 3, 3 is pressed. Of 3 wires 2 must be on, and 1 is. Door at 8, 5 is not open.")
	until("Switch at 3, 3 is pressed. Of 3 wires 2 must be on, and 2 are. Door at 8, 5 is open.")
}
