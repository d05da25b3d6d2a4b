package page_test

import (
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/world"
)

// Of several pieces that are selected, what all of them have can be set at once, and what differs is said; it is one
// step, and one undo takes it back. What a number can be is asked of each.
func TestTogether(t *testing.T) {
	p := fromTheSide(t)
	m := p.Document().Maps[0]
	first, second, lift := place(p, world.Foe, 6, 9), place(p, world.Foe, 8, 9), place(p, world.MovingPlatform, 10, 5)
	order(p, page.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(second.ID), Field: "speed", Number: 44})
	choose := func(from, to grid.Point) *page.PiecesView {
		t.Helper()
		order(p, page.SelectNoCells{})
		order(p, page.Hold{Holding: "choose"})
		order(p, page.SetShape{Shape: "box"})
		for i, at := range []grid.Point{from, to, to} {
			p.Pointer([]int{page.Press, page.Drag, page.Release}[i], grid.Point{X: at.X*16 + 8, Y: at.Y*16 + 8}, false, false, 0)
		}
		if chosen := p.State().Chosen; chosen != nil {
			return chosen.Pieces
		}
		t.Fatal("no cells are selected")
		return nil
	}
	if v := choose(grid.Point{X: 10, Y: 4}, grid.Point{X: 11, Y: 5}); v != nil {
		t.Errorf("of one piece it is said what several have: %+v", v)
	}
	v := choose(grid.Point{X: 5, Y: 8}, grid.Point{X: 9, Y: 10})
	if v == nil || v.Count != 2 || v.Says != "2 foes" {
		t.Fatalf("two foes are %+v", v)
	}
	for _, f := range v.Fields {
		if f.Differs != (f.Name == "speed") {
			t.Errorf("%s differs: %t", f.Name, f.Differs)
		}
	}
	v = choose(grid.Point{X: 5, Y: 4}, grid.Point{X: 11, Y: 10})
	var names []string
	for _, f := range v.Fields {
		names = append(names, f.Name)
	}
	if v.Says != "1 moving platform, 2 foes" || strings.Join(names, " ") != "speed track power presence" {
		t.Fatalf("of %s can be set %v", v.Says, names)
	}
	// What must hold for each: the same is set for all of them at once, where it differs that is said.
	order(p, page.MakeFact{Name: "Lamps lit"})
	lit := page.FormatID(p.Document().Facts[0].ID)
	order(p, page.SetCondition{Map: page.ID(m.ID), Piece: page.ID(second.ID), Property: "while", Condition: asks("fact", lit, "under", 1)})
	if v := p.State().Chosen.Pieces; len(v.Conditions) != 1 || !v.Conditions[0].Differs {
		t.Errorf("one of three asks for something, and it is said %+v", v.Conditions)
	}
	order(p, page.SetConditionOfSelected{Property: "while", Condition: asks("fact", lit, "at-least", 1)})
	if v := p.State().Chosen.Pieces; v.Conditions[0].Differs || v.Conditions[0].Says != "Lamps lit is yes" || p.Document().Maps[0].Piece(lift.ID).While().Empty() {
		t.Errorf("all three ask for the same, and it is said %+v", v.Conditions)
	}
	for _, bad := range []page.SetConditionOfSelected{{Property: "needs", Condition: asks("fact", lit, "at-least", 1)}, {Property: "while", Condition: asks("moon", lit, "at-least", 1)}, {Property: "while", Condition: asks("fact", "0", "at-least", 1)}} {
		is := p.Document()
		if order(p, bad); p.Document() != is || said(p) == "" {
			t.Errorf("%s %+v was done, or not done without a word", bad.Property, bad.Condition)
		}
	}
	order(p, page.SetConditionOfSelected{Property: "while"})
	// Which fact they set, where all of them can: of two foes, and not of the platform beside them.
	choose(grid.Point{X: 5, Y: 8}, grid.Point{X: 9, Y: 10})
	order(p, page.SetFieldOfSelected{Field: "sets", Choice: lit})
	for _, f := range p.State().Chosen.Pieces.Fields {
		if f.Name == "sets" && (f.Chosen != lit || f.Differs || len(f.Options) != 2) {
			t.Errorf("what both set is %+v", f)
		}
	}
	if m := p.Document().Maps[0]; m.Piece(first.ID).Sets().Fact == 0 || m.Piece(first.ID).Sets() != m.Piece(second.ID).Sets() {
		t.Errorf("both set %+v and %+v", m.Piece(first.ID).Sets(), m.Piece(second.ID).Sets())
	}
	order(p, page.SetFieldOfSelected{Field: "sets"})
	choose(grid.Point{X: 5, Y: 4}, grid.Point{X: 11, Y: 10})
	before := p.Document()
	order(p, page.SetFieldOfSelected{Field: "speed", Number: 17})
	for _, id := range []world.ID{first.ID, second.ID, lift.ID} {
		if got := p.Document().Maps[0].Piece(id).Int(props.Speed); got != 17 {
			t.Errorf("set together, the speed is %d", got)
		}
	}
	for name, n := range map[string]int{"speed": 9999, "sight": 3, "moons": 1} {
		was := p.Document()
		if order(p, page.SetFieldOfSelected{Field: name, Number: n}); p.Document() != was || said(p) == "" {
			t.Errorf("%s of %d was set for all of them without a word", name, n)
		}
	}
	order(p, page.Undo{})
	for _, piece := range before.Maps[0].Pieces {
		if is := p.Document().Maps[0].Piece(piece.ID); is.Props != piece.Props {
			t.Errorf("taken back, a %s sets %v, not %v", kind.NameOf(piece.Type), []byte(is.Props), []byte(piece.Props))
		}
	}
}
