package hand_test

import (
	"math/rand/v2"
	"slices"
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
	m, layers := world.NewMap("Fern grotto", grid.Point{X: 23, Y: 4}, grid.Rect{X: -3, Y: -2, W: 14, H: 11}, ids)
	if err := world.PutMap(draft, m, layers); err != nil {
		t.Fatal(err)
	}
	medley := &world.Medley{Name: "Gravel", Medley: tiles.Medley{Tiles: []tiles.Weighted{{Tile: 1, Weight: 3}, {Tile: 2, Weight: 1}}, Mirrored: true}}
	if err := draft.Put(world.Ref{Sort: world.SortMedley, ID: ids.NewID()}, medley.Values()); err != nil {
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

// block is a small block of two layers with a piece and a hole.
func block() *world.Block {
	b := world.Sheet(3, 2, []grid.Cell{2, 0, 3, 4, grid.Cell(5).Turned(grid.MirroredX), 6})
	b.Layers[0].Name = "Ground"
	over := world.Sheet(3, 2, []grid.Cell{0, 7, 0, 0, 8, 0}).Layers[0]
	over.Name, over.Depth = "Overhead", 1
	canopy := over
	canopy.Name, canopy.Depth = "Canopy", 3
	b.Layers = append(b.Layers, over, canopy)
	b.Pieces = []world.BlockPiece{{Type: world.Collectible, Foot: grid.Point{X: 20, Y: 18}}, {Type: world.Spawn, Foot: grid.Point{X: 2, Y: 2}}}
	return b
}

// Whatever is drawn in whatever shape with whatever is held, the cells that the ghost
// showed are those that change, as it showed them, on the layers it named and nowhere
// else, over all maps that touch; mirrored strokes are as on the other side of the
// axis; what is given up changes nothing.
func TestGhostIsWhatIsLaid(t *testing.T) {
	d, ids := project(t)
	r := rand.New(rand.NewPCG(8, 2))
	h := hand.New(ids)
	h.Medley = d.Medleys[0].ID
	for step := range 1500 {
		m := d.Maps[r.IntN(len(d.Maps))]
		h.Take(hand.Held{Holding: []hand.Holding{hand.Tile, hand.Tile, hand.Eraser, hand.Medley, hand.Patch}[r.IntN(5)],
			Tile: grid.Cell(1 + r.IntN(tiles.BlockoutCount)).Turned(r.IntN(8)), Medley: d.Medleys[0].ID, Block: block()})
		if r.IntN(3) == 0 {
			h.Flip(d, r.IntN(2) == 0)
		}
		h.Shape = hand.Shapes[r.IntN(len(hand.Shapes))]
		h.Size, h.Steady, h.Through = 1+r.IntN(3), r.IntN(4) == 0, r.IntN(4) == 0
		h.Mirror = hand.Mirror{LeftRight: r.IntN(3) == 0, TopBottom: r.IntN(3) == 0}
		h.SetLayer(m.ID, m.Layers[r.IntN(2)].ID)
		b := m.Bounds
		at := func(outside int) grid.Point {
			return middle(d, m, grid.Point{X: b.X - outside + r.IntN(b.W+2*outside), Y: b.Y - outside + r.IntN(b.H+2*outside)})
		}
		start := at(0)
		h.Hover(d, start)
		shown := h.Ghost()
		fills := h.Shape == hand.Fill || h.Shape == hand.Everywhere
		if len(shown.Lays) > 0 && !fills && h.Holding == hand.Tile {
			says := ""
			if lay := shown.Lays[0]; lay.Layer != h.Layer(m).ID {
				says = "on " + m.Layer(lay.Layer).Name
			}
			if shown.Text != says {
				t.Fatalf("step %d: over %s the ghost says %q, want %q", step, m.Name, shown.Text, says)
			}
		}
		before, erase := d, r.IntN(4) == 0
		o := h.Press(d, start, erase)
		if !fills {
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
		} else if o.Edit == nil || erase && h.Holding != hand.Eraser {
			continue // it was filled already, or erases, which hovering can't know
		}
		d = run(t, d, o)
		type place struct {
			m, l world.ID
			c    grid.Point
		}
		want := map[place]grid.Cell{}
		l := d.Project.Lattice()
		for _, lay := range shown.Lays {
			on := d.Map(lay.Map)
			for _, s := range lay.Region {
				for x := s.X0; x <= s.X1; x++ {
					c := grid.Point{X: x, Y: s.Y}
					cell := lay.Cell
					switch {
					case shown.Erase:
						cell = 0
					case lay.Medley != 0:
						cell = d.Medley(lay.Medley).Deal(l, lay.Map, lay.Layer, c)
					case lay.Block != nil:
						in := c.Add(on.Origin).Sub(lay.Anchor)
						in = grid.Point{X: (in.X%3 + 3) % 3, Y: (in.Y%2 + 2) % 2}
						cell = lay.Block.Layers[lay.Supply.Layer].Cells.At(in)
					}
					want[place{lay.Map, lay.Layer, c}] = cell
				}
			}
		}
		for _, now := range d.Maps {
			was := before.Map(now.ID)
			for _, layer := range now.Layers {
				for _, s := range grid.BoxRegion(now.Bounds) {
					for x := s.X0; x <= s.X1; x++ {
						c := grid.Point{X: x, Y: s.Y}
						expected, changes := want[place{now.ID, layer.ID, c}]
						if old := was.Layer(layer.ID); old != nil && !changes {
							expected = old.Cells.At(c)
						}
						if got := layer.Cells.At(c); got != expected {
							t.Fatalf("step %d, %s in a %s: %v of %s on %s is %x, the ghost showed %x (%v)", step, h.Holding, h.Shape, c, layer.Name, now.Name, got, expected, changes)
						}
					}
				}
			}
		}
		if h.Mirror.LeftRight && !fills && !shown.Erase {
			sum := h.Axis(m).X + 2*m.Origin.X
			for _, s := range shown.Region {
				for _, x := range []int{s.X0, s.X1} {
					if o := (grid.Point{X: sum - x, Y: s.Y}); m.OnBoard().Has(o) && m.OnBoard().Has(grid.Point{X: x, Y: s.Y}) && !shown.Region.Has(o) {
						t.Fatalf("step %d: %d, %d is covered, %v is not", step, x, s.Y, o)
					}
				}
			}
		}
	}
}

// Pieces alone fill nothing, which is said, whatever the layer takes.
func TestFillWithPieces(t *testing.T) {
	d, ids := project(t)
	m := d.Maps[0]
	picky := *m.Layer(m.PlayerLayer)
	picky.Takes.Roles = 2
	d = run(t, d, hand.Outcome{Edit: &edit.Edit{Parts: edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: picky.ID}, m.Layer(picky.ID).Values(), picky.Values())}})
	h := hand.New(ids)
	pieces := block()
	pieces.Layers = nil
	h.HoldBlock(pieces, 0)
	h.Shape = hand.Fill
	at := middle(d, m, grid.Point{X: 4, Y: 4})
	h.Hover(d, at)
	says := h.Ghost().Problem
	if o := h.Press(d, at, false); o.Edit != nil || !strings.Contains(o.Said, "only pieces") || o.Said != says {
		t.Errorf("filling with pieces does %v and says %q, the ghost %q", o.Edit, o.Said, says)
	}
}

// A room is walls of what is held, with a floor of what was held before.
func TestRoom(t *testing.T) {
	d, ids := project(t)
	m := d.Maps[0]
	h := hand.New(ids)
	draw := func() {
		h.Press(d, middle(d, m, grid.Point{X: 2, Y: 3}), false)
		d = run(t, d, h.Release(d, middle(d, m, grid.Point{X: 8, Y: 9})))
	}
	h.Shape = hand.Room
	h.Take(hand.Held{Holding: hand.Tile, Tile: 3})
	draw()
	ground := grid.Cell(tiles.Ground)
	h.Take(hand.Held{Holding: hand.Tile, Tile: 5})
	for i, want := range [][2]grid.Cell{{3, ground}, {5, 3}} {
		if i == 1 {
			draw()
		}
		cells := d.Maps[0].Layers[0].Cells
		for y := 3; y <= 9; y++ {
			for x := 2; x <= 8; x++ {
				is := want[0]
				if x > 2 && x < 8 && y > 3 && y < 9 {
					is = want[1]
				}
				if got := cells.At(grid.Point{X: x, Y: y}); got != is {
					t.Fatalf("room %d: %d, %d is %d, want %d", i, x, y, got, is)
				}
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
		{hand.Box, grid.Point{X: 6, Y: 2}, grid.Rect{X: 2, Y: 2, W: 5, H: 5}},
		{hand.Box, grid.Point{X: 2, Y: 5}, grid.Rect{X: 2, Y: 2, W: 4, H: 4}},
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

// A box of one cell takes the tile there, a larger one the block.
func TestPickBox(t *testing.T) {
	d, ids := project(t)
	m := d.Maps[0]
	draft := d.Draft()
	two := grid.Rect{X: 2, Y: 3, W: 2, H: 1}
	if _, err := draft.Paint(m.ID, m.Layers[0].ID, world.Stroke{Region: grid.BoxRegion(two), Cells: grid.Runs{{N: 1, Cell: 5}, {N: 1, Cell: 6}}}); err != nil {
		t.Fatal(err)
	}
	d, err := draft.Done()
	if err != nil {
		t.Fatal(err)
	}
	h := hand.New(ids)
	h.SetLayer(m.ID, m.Layers[0].ID)
	at := func(x int) grid.Point { return middle(d, m, grid.Point{X: x, Y: 3}) }
	if !h.PickBox(d, at(2), at(2)) || h.Holding != hand.Tile || h.Tile != 5 {
		t.Errorf("of one cell %v is held, tile %d", h.Holding, h.Tile)
	}
	if !h.PickBox(d, at(2), at(3)) || h.Holding != hand.Patch || h.Block.W != 2 || h.Block.H != 1 {
		t.Errorf("of two cells %v is held", h.Holding)
	}
}

// A line goes straight from where it began to where the pointer is, however it came there.
func TestLine(t *testing.T) {
	d, ids := project(t)
	m := d.Maps[0]
	h := hand.New(ids)
	h.Holding, h.Shape = hand.Tile, hand.Line
	at := func(x, y int) grid.Point { return grid.Point{X: m.Bounds.X + x, Y: m.Bounds.Y + y} }
	h.Press(d, middle(d, m, at(1, 1)), false)
	h.Drag(d, middle(d, m, at(1, 4)))
	h.Drag(d, middle(d, m, at(5, 5)))
	want := grid.RegionOf([]grid.Span{})
	for i := 1; i <= 5; i++ {
		p := at(i, i).Add(m.Origin)
		want = want.Join(grid.Region{{Y: p.Y, X0: p.X, X1: p.X}})
	}
	if got := h.Ghost().Region; !slices.Equal(got, want) {
		t.Errorf("the line covers %v, want %v", got, want)
	}
}
