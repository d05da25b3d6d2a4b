package hand_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/world"
)

// Pieces are placed, found beneath each other, dragged to another map with their
// id, and taken away by the right button; a hidden layer is not painted on.
func TestPieces(t *testing.T) {
	d, ids := project(t)
	a, b := d.Maps[0], d.Maps[1]
	h := hand.New(ids)
	here := grid.Point{X: 5, Y: 5}
	h.Holding, h.Type = hand.Piece, world.Collectible
	h.Press(d, middle(d, a, here), false)
	d = run(t, d, h.Release(d, middle(d, a, here)))
	h.Press(d, middle(d, a, here), false)
	if o := h.Release(d, middle(d, a, here)); o.Edit != nil || !strings.Contains(o.Said, "one here already") {
		t.Errorf("a second piece of a type in a cell: %+v", o)
	}
	a = d.Map(a.ID)
	piece := a.Pieces[len(a.Pieces)-1]
	// The spawn is one: placed again, it moves, and to another map too.
	h.Type = world.Spawn
	h.Press(d, middle(d, b, grid.Point{}), false)
	o := h.Release(d, middle(d, b, grid.Point{}))
	if !strings.Contains(o.Said, "moves here from "+a.Name+", cell ") {
		t.Errorf("a second spawn says %q", o.Said)
	}
	d = run(t, d, o)
	spawns := 0
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Type == world.Spawn {
				spawns++
			}
		}
	}
	if spawns != 1 {
		t.Errorf("there are %d spawns", spawns)
	}
	h.Holding = hand.Nothing
	h.Press(d, middle(d, d.Map(a.ID), here), false)
	if h.Selected.Ref.ID != piece.ID {
		t.Fatalf("clicked on a piece, selected %+v", h.Selected)
	}
	there := grid.Point{X: -2, Y: 1}
	h.Drag(d, middle(d, d.Map(b.ID), there))
	d = run(t, d, h.Release(d, middle(d, d.Map(b.ID), there)))
	on, moved := d.Piece(piece.ID)
	if moved == nil || on.ID != b.ID || d.Project.Lattice().CellAt(moved.Foot) != there {
		t.Fatalf("dragged to %v of %s, the piece is on %v", there, b.Name, on)
	}
	h.Holding, h.Type = hand.Piece, world.Collectible
	h.Press(d, middle(d, d.Map(b.ID), there), true)
	d = run(t, d, h.Release(d, middle(d, d.Map(b.ID), there)))
	if _, left := d.Piece(piece.ID); left != nil {
		t.Error("the right button left the piece")
	}
	h.Holding, h.Tile = hand.Tile, 1
	h.SetHidden(h.Layer(a).ID, true)
	if o := h.Press(d, middle(d, d.Map(a.ID), here), false); !strings.Contains(o.Said, "is hidden") || h.Busy() {
		t.Errorf("painting on a hidden layer: %+v", o)
	}
}

// A crossing leads from a cell of a map to another, never where a doorway is
// already; a box on the empty board makes a map beside its neighbours.
func TestWaysAndMaps(t *testing.T) {
	d, ids := project(t)
	a, b := d.Maps[0], d.Maps[1]
	h := hand.New(ids)
	h.Holding = hand.Crossing
	join := func(from, to grid.Point) hand.Outcome {
		if o := h.Press(d, from, false); o.Said != "" {
			return o
		}
		h.Drag(d, to)
		return h.Release(d, to)
	}
	from, to := middle(d, a, grid.Point{X: 3, Y: 3}), middle(d, b, grid.Point{X: 1, Y: 1})
	d = run(t, d, join(from, to))
	if len(d.Crossings) != 1 || !d.Crossings[0].BothWays || d.Crossings[0].Ends[1].Map != b.ID {
		t.Fatalf("crossings: %+v", d.Crossings)
	}
	for name, o := range map[string]hand.Outcome{
		"from a doorway":     join(from, middle(d, b, grid.Point{X: 4, Y: 4})),
		"to a doorway":       join(middle(d, a, grid.Point{X: 6, Y: 3}), to),
		"to where it begins": join(middle(d, a, grid.Point{X: 6, Y: 3}), middle(d, a, grid.Point{X: 6, Y: 3})),
	} {
		if o.Edit != nil || o.Said == "" {
			t.Errorf("a crossing %s: %+v", name, o)
		}
	}
	h.Holding = hand.Nothing
	l := d.Project.Lattice()
	h.Press(d, l.Pixel(grid.Point{X: -20, Y: 2}), false)
	h.Drag(d, l.Pixel(grid.Point{X: 8, Y: 9}))
	d = run(t, d, h.Release(d, l.Pixel(grid.Point{X: 8, Y: 9})))
	made := d.Maps[len(d.Maps)-1]
	if len(d.Maps) != 3 || made.OnBoard() != (grid.Rect{X: -20, Y: 2, W: 20, H: 8}) || made.Name == a.Name {
		t.Errorf("the new map %q covers %v", made.Name, made.OnBoard())
	}
	if e, says := hand.Remove(d, hand.Selection{Ref: world.Ref{Sort: world.SortMap, ID: b.ID}}); e == nil || !strings.Contains(says, "one crossing") {
		t.Errorf("deleting a map says %q", says)
	}
}

// What is wired for the first time opens by that alone, in the same step, but where the designer has said otherwise.
func TestWiredOpensByItsWireAlone(t *testing.T) {
	for name, set := range map[string][]kind.Value{
		"":             nil,
		"when used":    {props.Opens.Is(props.OpensWhenUsed)},
		"what it asks": {logic.Needs(logic.ItemCount, 1, logic.AtLeast, 1).Set(props.Needs)},
	} {
		d, ids := project(t)
		a := d.Maps[0]
		l := d.Project.Lattice()
		place := func(of world.ID, at grid.Point, set ...kind.Value) world.ID {
			p := &world.Piece{Type: of, Layer: a.Layers[0].ID, Foot: l.Foot(at), Props: kind.Set(set...)}
			id := ids.NewID()
			d = run(t, d, hand.Outcome{Edit: &edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: a.ID, ID: id}, Values: p.Values()}}}})
			return id
		}
		from, to := grid.Point{X: 6, Y: 3}, grid.Point{X: 3, Y: 5}
		place(kind.Named("switch").ID, from)
		way := place(kind.Named("door").ID, to, set...)
		h := hand.New(ids)
		h.Holding = hand.Wire
		h.Press(d, middle(d, a, from), false)
		o := h.Release(d, middle(d, a, to))
		before := len(d.Wires)
		d = run(t, d, o)
		_, is := d.Piece(way)
		if len(d.Wires) != before+1 || (is.Int(props.Opens) == props.OpensWhenWorked) != (name == "") || (o.Said != "") != (name == "") {
			t.Errorf("%q: it opens as %d, said %q", name, is.Int(props.Opens), o.Said)
		}
	}
}

// A piece of several cells is selected at any of them, and goes by as many cells as the pointer does, whichever of them it is taken by; it gives way to what
// stands there alone.
func TestPiecesOfSeveralCells(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 9))
	for range 300 {
		d, ids := project(t)
		m := d.Maps[0]
		l := d.Project.Lattice()
		is := &world.Piece{Type: door.Kind.ID, Layer: m.PlayerLayer, Props: kind.Set(props.Width.Is(1+r.IntN(5)), props.Height.Is(1+r.IntN(4)))}
		is.Foot = m.FootFor(l, is, grid.Point{X: 6, Y: 6})
		ref := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}
		d = run(t, d, hand.Outcome{Edit: &edit.Edit{Parts: []edit.Part{edit.Put{Ref: ref, Values: is.Values()}}}})
		m = d.Map(m.ID)
		cells := is.Cells(l)
		if cells.W != is.Width() || cells.H != is.Height() || !cells.Has(l.CellAt(is.Foot)) {
			t.Fatalf("%d × %d cells with the foot in %v are %v", is.Width(), is.Height(), l.CellAt(is.Foot), cells)
		}
		h := hand.New(ids)
		at := grid.Point{X: cells.X - 1 + r.IntN(cells.W+2), Y: cells.Y - 1 + r.IntN(cells.H+2)}
		h.Press(d, middle(d, m, at), false)
		if got := h.Selected.Ref == ref; got != cells.Has(at) {
			t.Fatalf("of a piece over %v clicked at %v it is selected: %t", cells, at, got)
		}
		if !cells.Has(at) {
			continue
		}
		by := grid.Point{X: r.IntN(5) - 2, Y: r.IntN(5) - 2}
		h.Drag(d, middle(d, m, at.Add(by)))
		if o := h.Release(d, middle(d, m, at.Add(by))); by != (grid.Point{}) {
			d = run(t, d, o)
		}
		if _, moved := d.Piece(ref.ID); moved.Cells(l) != cells.Move(by) {
			t.Fatalf("taken at %v of %v and dragged by %v, it covers %v", at, cells, by, moved.Cells(l))
		}
		label := &world.Piece{Type: world.Collectible, Layer: m.PlayerLayer, Foot: m.FootOf(l, world.Collectible, at.Add(by))}
		over := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}
		d = run(t, d, hand.Outcome{Edit: &edit.Edit{Parts: []edit.Part{edit.Put{Ref: over, Values: label.Values()}}}})
		h.Selected = hand.Selection{}
		if h.Press(d, middle(d, d.Map(m.ID), at.Add(by)), false); h.Selected.Ref != over {
			_, door := d.Piece(ref.ID)
			if l.CellAt(door.Foot) != at.Add(by) {
				t.Fatalf("what stands in a cell of it alone is not selected first: %+v", h.Selected)
			}
		}
	}
}
