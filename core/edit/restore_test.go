package edit_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Going back to any earlier state gives just that state, and undoing it the one that
// one came from.
func TestRestore(t *testing.T) {
	for seed := range uint64(6) {
		a := generate.Author{Rand: rand.New(rand.NewPCG(seed, 77)), IDs: &world.Counter{Prefix: 3}}
		now := newDocument(t)
		kept := []*world.Document{now}
		for step := range 240 {
			if res, err := edit.Apply(now, a.Edit(now)); err == nil {
				now = res.Document
			}
			if step%20 == 0 {
				kept = append(kept, now)
			}
			if step%15 != 0 {
				continue
			}
			to := kept[a.Rand.IntN(len(kept))]
			res, err := edit.Apply(now, edit.Restore(nil, now, to, "go back"))
			if err != nil {
				t.Fatalf("seed %d, step %d: %v", seed, step, err)
			}
			if !sameBut(res.Document.Encode(), to.Encode()) {
				t.Fatalf("seed %d, step %d: going back gave another state", seed, step)
			}
			back, err := edit.Apply(res.Document, edit.Edit{Label: "undo", Undoes: 1, Parts: res.Inverse})
			if err != nil || back.Left > 0 {
				t.Fatalf("seed %d, step %d: undoing left %d: %v", seed, step, back.Left, err)
			}
			if !sameBut(back.Document.Encode(), now.Encode()) {
				t.Fatalf("seed %d, step %d: undoing gave another state", seed, step)
			}
		}
	}
	d := newDocument(t)
	if e := edit.Restore(nil, d, d, "go back"); len(e.Parts) != 0 {
		t.Errorf("going back to where one is takes %d parts", len(e.Parts))
	}
}

// Going back lays the cells round what differs as they were: a tile that was laid by hand beside what a bond takes
// away now, over the border of a chunk, stays as it is.
func TestRestoreLaysTheRing(t *testing.T) {
	d := newDocument(t)
	m := d.Maps[0]
	bond := &world.Bond{Name: "Hedge", Bond: tiles.Bond{Join: tiles.Sides, Tiles: []tiles.Bonded{{Tile: 5, Joined: tiles.Sides.Full(), Weight: 1}, {Tile: 6, Joined: tiles.West, Weight: 1}, {Tile: 7, Joined: tiles.East, Weight: 1}, {Tile: 8, Weight: 1}}}}
	grow, err := edit.Resize{Map: m.ID, Bounds: grid.Rect{W: 80, H: 60}}.Edit(d)
	if err != nil {
		t.Fatal(err)
	}
	d = apply(t, d, append(grow.Parts, edit.Put{Ref: world.Ref{Sort: world.SortBond, ID: 960}, Values: bond.Values()})...)
	at := func(x, y int, c grid.Cell, loose bool) edit.Part {
		g := grid.BoxRegion(grid.Rect{X: x, Y: y, W: 1, H: 1})
		p := edit.Paint{Map: m.ID, Layer: m.Layers[1].ID, Region: g, Cells: grid.Runs{{N: 1, Cell: c}}}
		if loose {
			p.Loose = g
		}
		return p
	}
	// By hand, a tile that joins to the west although nothing is there.
	kept := apply(t, d, at(32, 40, 6, false), at(50, 32, 6, false))
	// Then the bond beside it, over the border of the chunk: now it follows.
	now := apply(t, kept, at(31, 40, 5, true))
	res, err := edit.Apply(now, edit.Restore(nil, now, kept, "go back"))
	if err != nil {
		t.Fatal(err)
	}
	if got := res.Document.Map(m.ID).Layer(m.Layers[1].ID).Cells.At(grid.Point{X: 32, Y: 40}); got != 6 {
		t.Errorf("the tile beside it is %d now, and was 6 by hand", got)
	}
	if !sameBut(res.Document.Encode(), kept.Encode()) {
		t.Error("going back gave another state")
	}
}
