package pieces_test

import (
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/memory"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/view"
	"azzel/core/world"
)

// Of several pieces that are selected, what all of them have can be set at once, and what differs is said; it is one
// step, and one undo takes it back. What a number can be is asked of each.
func TestTogether(t *testing.T) {
	p := pagetest.FromTheSide(t)
	m := p.Document().Maps[0]
	first, second, lift := pagetest.Place(p, world.Foe, 6, 9), pagetest.Place(p, world.Foe, 8, 9), pagetest.Place(p, world.MovingPlatform, 10, 5)
	pagetest.Order(p, pieces.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(second.ID), Field: "speed", Number: 4.4})
	choose := func(from, to grid.Point) *pieces.PiecesView {
		t.Helper()
		pagetest.Order(p, holding.SelectNoCells{})
		pagetest.Order(p, holding.Hold{Holding: "choose"})
		pagetest.Order(p, holding.SetShape{Shape: "box"})
		for i, at := range []grid.Point{from, to, to} {
			p.Pointer([]int{page.Press, page.Drag, page.Release}[i], grid.Point{X: at.X*16 + 8, Y: at.Y*16 + 8}, false, false, 0)
		}
		if chosen := view.StateOf(p).Chosen; chosen != nil {
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
	pagetest.Order(p, memory.MakeFact{Name: "Lamps lit"})
	lit := page.FormatID(p.Document().Facts[0].ID)
	pagetest.Order(p, pieces.SetCondition{Map: page.ID(m.ID), Piece: page.ID(second.ID), Property: "while", Condition: pagetest.Asks("fact", lit, "under", 1)})
	if v := view.StateOf(p).Chosen.Pieces; len(v.Conditions) != 1 || !v.Conditions[0].Differs {
		t.Errorf("one of three asks for something, and it is said %+v", v.Conditions)
	}
	pagetest.Order(p, pieces.SetConditionOfSelected{Property: "while", Condition: pagetest.Asks("fact", lit, "at-least", 1)})
	if v := view.StateOf(p).Chosen.Pieces; v.Conditions[0].Differs || v.Conditions[0].Says != "Lamps lit is yes" || p.Document().Maps[0].Piece(lift.ID).While().Empty() {
		t.Errorf("all three ask for the same, and it is said %+v", v.Conditions)
	}
	for _, bad := range []pieces.SetConditionOfSelected{{Property: "needs", Condition: pagetest.Asks("fact", lit, "at-least", 1)}, {Property: "while", Condition: pagetest.Asks("moon", lit, "at-least", 1)}, {Property: "while", Condition: pagetest.Asks("fact", "0", "at-least", 1)}} {
		is := p.Document()
		if pagetest.Order(p, bad); p.Document() != is || pagetest.Said(p) == "" {
			t.Errorf("%s %+v was done, or not done without a word", bad.Property, bad.Condition)
		}
	}
	pagetest.Order(p, pieces.SetConditionOfSelected{Property: "while"})
	// Which fact they set, where all of them can: of two foes, and not of the platform beside them.
	choose(grid.Point{X: 5, Y: 8}, grid.Point{X: 9, Y: 10})
	pagetest.Order(p, pieces.SetFieldOfSelected{Field: "sets", Choice: lit})
	for _, f := range view.StateOf(p).Chosen.Pieces.Fields {
		if f.Name == "sets" && (f.Chosen != lit || f.Differs || len(f.Options) != 2) {
			t.Errorf("what both set is %+v", f)
		}
	}
	if m := p.Document().Maps[0]; m.Piece(first.ID).Sets().Fact == 0 || m.Piece(first.ID).Sets() != m.Piece(second.ID).Sets() {
		t.Errorf("both set %+v and %+v", m.Piece(first.ID).Sets(), m.Piece(second.ID).Sets())
	}
	pagetest.Order(p, pieces.SetFieldOfSelected{Field: "sets"})
	choose(grid.Point{X: 5, Y: 4}, grid.Point{X: 11, Y: 10})
	before := p.Document()
	pagetest.Order(p, pieces.SetFieldOfSelected{Field: "speed", Number: 1.7})
	for _, id := range []world.ID{first.ID, second.ID, lift.ID} {
		if got := p.Document().Maps[0].Piece(id).Int(props.Speed); got != 17 {
			t.Errorf("set together, the speed is %d", got)
		}
	}
	for name, n := range map[string]float64{"speed": 9999, "sight": 3, "moons": 1} {
		was := p.Document()
		if pagetest.Order(p, pieces.SetFieldOfSelected{Field: name, Number: n}); p.Document() != was || pagetest.Said(p) == "" {
			t.Errorf("%s of %v was set for all of them without a word", name, n)
		}
	}
	pagetest.Order(p, history.Undo{})
	for _, piece := range before.Maps[0].Pieces {
		if is := p.Document().Maps[0].Piece(piece.ID); is.Props != piece.Props {
			t.Errorf("taken back, a %s sets %v, not %v", kind.NameOf(piece.Type), []byte(is.Props), []byte(piece.Props))
		}
	}
}
