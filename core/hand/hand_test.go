package hand_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/tiles"
	"azzel/core/world"
)

func project(t *testing.T) (*world.Document, *world.Counter) {
	t.Helper()
	ids := &world.Counter{Prefix: 3}
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 12, SeenW: 10, SeenH: 8}, ids)
	if err != nil {
		t.Fatal(err)
	}
	draft := d.Draft()
	m, layers := world.NewMap("Fern grotto", grid.Point{X: 30, Y: -4}, grid.Rect{X: -3, Y: -2, W: 14, H: 11}, ids)
	if err := world.PutMap(draft, m, layers); err != nil {
		t.Fatal(err)
	}
	medley := &world.Medley{Name: "Gravel", Medley: tiles.Medley{Tiles: []tiles.Weighted{{Tile: 1, Weight: 3}, {Tile: 2, Weight: 1}}, Mirrored: true}}
	if err := draft.Put(world.Ref{Kind: world.KindMedley, ID: ids.NewID()}, medley.Values()); err != nil {
		t.Fatal(err)
	}
	if d, err = draft.Done(); err != nil {
		t.Fatal(err)
	}
	return d, ids
}

// middle is a pixel of the board in the middle of a map's cell.
func middle(d *world.Document, m *world.Map, c grid.Point) grid.Point {
	l := d.Project.Lattice()
	return l.Pixel(c.Add(m.Origin)).Add(grid.Point{X: l.W / 2, Y: l.H / 2})
}

// run carries an outcome to its end.
func run(t *testing.T, d *world.Document, o hand.Outcome) *world.Document {
	t.Helper()
	if o.Fill != nil {
		for {
			if _, _, done := o.Fill.Step(7); done {
				break
			}
		}
		o = o.Fill.Outcome(d)
	}
	if o.Edit == nil {
		return d
	}
	res, err := edit.Apply(d, *o.Edit)
	if err != nil {
		t.Fatalf("%s: %v", o.Edit.Label, err)
	}
	back, err := edit.Apply(res.Document, edit.Edit{Undoes: 1, Parts: res.Inverse})
	// Creation numbers that were given are not given again.
	same := back.Document.Next() != d.Next() || string(back.Document.Encode()) == string(d.Encode())
	if err != nil || !same {
		t.Fatalf("%s can't be taken back: %v", o.Edit.Label, err)
	}
	return res.Document
}

// Whatever is drawn in whatever shape, the cells that the ghost showed are those
// that change, as it showed them, on the layer it named and nowhere else; what
// is given up changes nothing.
func TestGhostIsWhatIsLaid(t *testing.T) {
	d, ids := project(t)
	r := rand.New(rand.NewPCG(8, 2))
	h := hand.New(ids)
	h.Medley = d.Medleys[0].ID
	for step := range 1500 {
		m := d.Maps[r.IntN(len(d.Maps))]
		h.Holding = []hand.Holding{hand.Tile, hand.Tile, hand.Eraser, hand.Medley}[r.IntN(4)]
		h.Tile = grid.Cell(1 + r.IntN(tiles.BlockoutCount)).Turned(r.IntN(8))
		h.Shape = []hand.Shape{hand.Free, hand.Line, hand.Box, hand.Fill}[r.IntN(4)]
		h.Steady = r.IntN(4) == 0
		h.SetLayer(m.ID, m.Layers[r.IntN(2)].ID)
		b := m.Bounds
		at := func(outside int) grid.Point {
			return middle(d, m, grid.Point{X: b.X - outside + r.IntN(b.W+2*outside), Y: b.Y - outside + r.IntN(b.H+2*outside)})
		}
		start := at(0)
		h.Hover(d, start)
		filled := h.Ghost()
		before, erase := d, r.IntN(4) == 0
		o := h.Press(d, start, erase)
		shown := filled
		if h.Shape != hand.Fill {
			for range r.IntN(4) {
				h.Drag(d, at(3))
			}
			end := at(3)
			h.Drag(d, end)
			shown = h.Ghost()
			if r.IntN(8) == 0 {
				if !h.Cancel() || h.Busy() {
					t.Fatal("a gesture was not given up")
				}
				continue
			}
			o = h.Release(d, end)
		} else if o.Edit == nil && o.Fill == nil {
			continue // it was filled already
		}
		d = run(t, d, o)
		now := d.Map(m.ID)
		for i, l := range now.Layers {
			was := before.Map(m.ID).Layers[i]
			for y := b.Y; y < b.Y+b.H; y++ {
				for x := b.X; x < b.X+b.W; x++ {
					c := grid.Point{X: x, Y: y}
					want := was.Cells.At(c)
					// Filling by the right button erases at once, which hovering can't know.
					if h.Shape == hand.Fill && !erase && !shown.Region.Has(c) && l.Cells.At(c) != want {
						t.Fatalf("step %d: the fill reached %v, the ghost did not", step, c)
					}
					if h.Shape != hand.Fill && l.ID == shown.Layer && shown.Region.Has(c) {
						want = shown.Cell
						if shown.Medley != 0 {
							want = d.Medley(shown.Medley).Deal(d.Project.Lattice(), m.ID, l.ID, c)
						}
					}
					if h.Shape != hand.Fill && l.Cells.At(c) != want {
						t.Fatalf("step %d, %s in a %s: %v of %s is %x, the ghost showed %x", step, h.Holding, h.Shape, c, l.Name, l.Cells.At(c), want)
					}
				}
			}
		}
		for _, other := range d.Maps {
			if other.ID != m.ID && before.Map(other.ID) != other {
				t.Fatalf("step %d changed %s too", step, other.Name)
			}
		}
	}
}

// A line or box is kept straight or square while steadied, and stays on its map.
func TestSteady(t *testing.T) {
	d, ids := project(t)
	m := d.Maps[0]
	h := hand.New(ids)
	h.Holding, h.Steady = hand.Tile, true
	for _, c := range []struct {
		shape hand.Shape
		to    grid.Point
		want  grid.Rect
	}{
		{hand.Line, grid.Point{X: 9, Y: 3}, grid.Rect{X: 2, Y: 2, W: 8, H: 1}},
		{hand.Line, grid.Point{X: 7, Y: 6}, grid.Rect{X: 2, Y: 2, W: 6, H: 6}},
		{hand.Box, grid.Point{X: 4, Y: 7}, grid.Rect{X: 2, Y: 2, W: 6, H: 6}},
		{hand.Box, grid.Point{X: 0, Y: 1}, grid.Rect{X: 0, Y: 0, W: 3, H: 3}},
	} {
		h.Shape = c.shape
		h.Press(d, middle(d, m, grid.Point{X: 2, Y: 2}), false)
		h.Drag(d, middle(d, m, c.to))
		if got := h.Ghost().Region.Bounds(); got != c.want {
			t.Errorf("a %s to %v covers %v, want %v", c.shape, c.to, got, c.want)
		}
		h.Cancel()
	}
}

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
	d = run(t, d, h.Release(d, middle(d, b, grid.Point{})))
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
		"to the empty board": join(middle(d, a, grid.Point{X: 6, Y: 3}), grid.Point{X: -900, Y: -900}),
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
	if e, says := hand.Remove(d, hand.Selection{Ref: world.Ref{Kind: world.KindMap, ID: b.ID}}); e == nil || !strings.Contains(says, "one crossing") {
		t.Errorf("deleting a map says %q", says)
	}
}
