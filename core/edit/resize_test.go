package edit_test

import (
	"bytes"
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// However often a map with bonds is resized: what stays on it is where it was, what
// is told to be lost is what goes, bonds are right at the new border, and taking it
// all back gives the same bytes.
func TestResize(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	d := hedges(t, r, tiles.Sides, tiles.Both)
	id := d.Maps[0].ID
	// The others make room.
	for _, o := range d.Maps[1:] {
		d = apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: o.ID}})
	}
	for step := range 150 {
		m := d.Maps[0]
		// A stroke of a bond or tile, a piece and a crossing.
		b := d.Bonds[r.IntN(2)]
		corner := grid.Point{X: m.Bounds.X + r.IntN(m.Bounds.W), Y: m.Bounds.Y + r.IntN(m.Bounds.H)}
		g := grid.BoxRegion(grid.Rect{X: corner.X, Y: corner.Y, W: 1 + r.IntN(6), H: 1 + r.IntN(6)}.Meet(m.Bounds))
		d = apply(t, d, edit.Paint{Map: id, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: b.Centre()}}, Loose: g},
			edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: id, ID: world.ID(9000 + step)},
				Values: (&world.Piece{Type: world.Collectible, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(corner)}).Values()})
		m = d.Maps[0]
		to := m.Bounds
		for _, side := range []*int{&to.X, &to.Y} {
			*side += r.IntN(7) - 3
		}
		to.W, to.H = max(1, to.W+r.IntN(7)-3), max(1, to.H+r.IntN(7)-3)
		plan := edit.Resize{Map: id, Bounds: to}
		loss := plan.Loss(d)
		e, err := plan.Edit(d)
		if err != nil {
			t.Fatal(err)
		}
		res, err := edit.Apply(d, e)
		if err != nil {
			t.Fatalf("step %d, %v to %v: %v", step, m.Bounds, to, err)
		}
		now := res.Document.Maps[0]
		gone := 0
		for i, l := range m.Layers {
			for _, s := range grid.BoxRegion(m.Bounds) {
				for x := s.X0; x <= s.X1; x++ {
					p := grid.Point{X: x, Y: s.Y}
					was, is := l.Cells.At(p), now.Layers[i].Cells.At(p)
					switch {
					case !to.Has(p):
						if was != 0 {
							gone++
						}
						if is != 0 {
							t.Fatalf("step %d: %v is still painted", step, p)
						}
					case was != is && (d.BondOf(was.Tile()) == nil || d.BondOf(was.Tile()).ID != res.Document.BondOf(is.Tile()).ID):
						t.Fatalf("step %d: %v was %x and is %x", step, p, was, is)
					}
				}
			}
		}
		if gone != loss.Cells || len(m.Pieces)-len(now.Pieces) != len(loss.Pieces) {
			t.Fatalf("step %d: told %v, but %d cells and %d pieces are gone", step, loss, gone, len(m.Pieces)-len(now.Pieces))
		}
		right(t, res.Document, "after resizing")
		back, err := edit.Apply(res.Document, edit.Edit{Undoes: 1, Parts: res.Inverse})
		if err != nil || !bytes.Equal(back.Document.Encode(), d.Encode()) {
			t.Fatalf("step %d: taken back it is another: %v", step, err)
		}
		d = res.Document
	}
}

// A map can't be made smaller under what somebody else put there meanwhile.
func TestResizeOfTwo(t *testing.T) {
	d := newDocument(t)
	m := d.Maps[0]
	to := m.Bounds
	to.W -= 2
	e, err := edit.Resize{Map: m.ID, Bounds: to}.Edit(d)
	if err != nil {
		t.Fatal(err)
	}
	far := grid.Point{X: m.Bounds.X + m.Bounds.W - 1, Y: m.Bounds.Y}
	foot := d.Project.Lattice().Foot(far)
	for what, p := range map[string]edit.Part{
		"painted beyond": edit.Paint{Map: m.ID, Layer: m.Layers[1].ID, Region: grid.Region{{Y: far.Y, X0: far.X, X1: far.X}}, Cells: grid.Runs{{N: 1, Cell: 1}}},
		"piece stands beyond": edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 77},
			Values: (&world.Piece{Type: world.Exit, Layer: m.PlayerLayer, Foot: foot}).Values()},
	} {
		if _, err := edit.Apply(apply(t, d, p), e); err == nil || !strings.Contains(err.Error(), what) {
			t.Errorf("%s: %v", what, err)
		}
	}
}
