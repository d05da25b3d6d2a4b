package picture_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/grid"
	"azzel/core/picture"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A shown is a bitmap as a page keeps it: boxes are drawn into it as they come.
type shown struct {
	pix  []byte
	side [2]int
}

// refresh draws what has changed of a bitmap, in as many calls as that takes.
func (s *shown) refresh(b *picture.Bitmaps, d *world.Document, key picture.Key, out []byte) (drawn grid.Rect) {
	for {
		box, more := b.Refresh(d, key, out)
		if !box.Empty() {
			s.put(box, out)
			drawn = drawn.Join(box)
		}
		if !more {
			return drawn
		}
	}
}

func (s *shown) put(box grid.Rect, from []byte) {
	for y := range box.H {
		copy(s.pix[((box.Y+y)*s.side[0]+box.X)*4:], from[y*box.W*4:(y+1)*box.W*4])
	}
}

// Whatever changes, drawing only what changed gives the same pixels as drawing
// it all, at every level and for every shape of cell.
func TestRefreshAgainstDrawingAll(t *testing.T) {
	for _, size := range [][2]int{{16, 16}, {8, 24}, {5, 7}, {128, 128}} {
		r := rand.New(rand.NewPCG(uint64(size[0]), 9))
		d, err := world.Start(world.Project{Name: "Ferns", CellW: size[0], CellH: size[1], SeenW: 24, SeenH: 20}, &world.Counter{Prefix: 1})
		if err != nil {
			t.Fatal(err)
		}
		l := d.Project.Lattice()
		atlas := picture.NewAtlas(l)
		atlas.AddMissing(d)
		pages := picture.NewBitmaps(atlas)
		m := d.Maps[0]
		keys := map[picture.Key]*shown{}
		for level := range picture.Levels(l) {
			n := picture.BaseCells(l)
			for _, mask := range []uint64{1, 3} {
				key := picture.Key{Map: m.ID, Layers: mask, Level: level, X: r.IntN(2), Y: 0}
				keys[key] = &shown{make([]byte, n*l.W*n*l.H*4), [2]int{n * l.W, n * l.H}}
			}
		}
		out := make([]byte, picture.BitmapSide*picture.BitmapSide*4)
		for step := range 25 {
			for key, s := range keys {
				s.refresh(pages, d, key, out)
				whole := &shown{make([]byte, len(s.pix)), s.side}
				if box := whole.refresh(picture.NewBitmaps(atlas), d, key, out); box != (grid.Rect{W: s.side[0], H: s.side[1]}) {
					t.Fatalf("%v, level %d: drawn whole, the box is %v", size, key.Level, box)
				}
				if !bytes.Equal(whole.pix, s.pix) {
					t.Fatalf("%v, level %d, step %d: what was drawn piecewise differs", size, key.Level, step)
				}
			}
			draft := d.Draft()
			layer := m.Layers[r.IntN(2)].ID
			box := grid.Rect{X: r.IntN(m.Bounds.W), Y: r.IntN(m.Bounds.H), W: 1 + r.IntN(8), H: 1 + r.IntN(8)}.Meet(m.Bounds)
			if _, err := draft.Paint(m.ID, layer, world.Stroke{Region: grid.BoxRegion(box), Cells: grid.Runs{{N: box.W * box.H, Cell: grid.Cell(r.IntN(tiles.BlockoutCount + 1))}}}); err != nil {
				t.Fatal(err)
			}
			if d, err = draft.Done(); err != nil {
				t.Fatal(err)
			}
		}
	}
}
