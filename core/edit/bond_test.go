package edit_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/pack"
	"azzel/core/tiles"
	"azzel/core/world"
)

// hedges is a document with a tileset of 70 tiles more, two whole bonds among
// them, and an empty map.
func hedges(t *testing.T, r *rand.Rand, joins ...tiles.Join) *world.Document {
	t.Helper()
	d := newDocument(t)
	ids := &world.Counter{Prefix: 500}
	set := &world.Tileset{Name: "Hedges", First: 100, Count: 120, Columns: 120, Rows: 1, Tiles: make([]*tiles.Properties, 120)}
	for i := range set.Count {
		set.Places = append(set.Places, i)
	}
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: ids.NewID()}, Values: set.Values()}}
	next := 100
	for i, join := range joins {
		b := &world.Bond{Name: "Hedge", Bond: tiles.Bond{Join: join, Border: i%2 == 0, Seed: 7}}
		for _, n := range join.Places() {
			b.Tiles = append(b.Tiles, tiles.Bonded{Tile: next, Joined: n, Weight: 1 + r.IntN(3)})
			next++
		}
		// Some surroundings have a second tile.
		for range 4 {
			b.Tiles = append(b.Tiles, tiles.Bonded{Tile: next, Joined: b.Tiles[r.IntN(8)].Joined, Weight: 2})
			next++
		}
		if i > 0 {
			b.Also = []int{2}
			b.JoinsTo = []world.ID{ids.NewID() - 1}
		}
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortBond, ID: ids.NewID()}, Values: b.Values()})
	}
	m := d.Maps[0]
	g := grid.BoxRegion(m.Bounds)
	parts = append(parts, edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len()}}})
	return apply(t, d, parts...)
}

func apply(t *testing.T, d *world.Document, parts ...edit.Part) *world.Document {
	t.Helper()
	res, err := edit.Apply(d, edit.Edit{Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

func encoded(runs grid.Runs) []byte {
	var w pack.Writer
	runs.Encode(&w)
	return w.Bytes
}

// right checks every cell of the map's ground by hand: a tile of a bond is one
// of those that its bond has for what it joins to.
func right(t *testing.T, d *world.Document, what string) {
	t.Helper()
	m := d.Maps[0]
	cells := m.Layers[0].Cells
	for _, s := range grid.BoxRegion(m.Bounds) {
		for x := s.X0; x <= s.X1; x++ {
			cell := cells.At(grid.Point{X: x, Y: s.Y})
			b := d.BondOf(cell.Tile())
			if b == nil {
				continue
			}
			var joined tiles.Neighbours
			for i, way := range tiles.Around {
				q := grid.Point{X: x + way[0], Y: s.Y + way[1]}
				n := cells.At(q).Tile()
				o := d.BondOf(n)
				if !m.Bounds.Has(q) && b.Border || o == b || o != nil && len(b.JoinsTo) > 0 && o.ID == b.JoinsTo[0] || len(b.Also) > 0 && n == b.Also[0] && n != 0 {
					joined |= 1 << i
				}
			}
			want := b.Join.Reduce(joined)
			for _, tile := range b.Tiles {
				if tile.Tile == cell.Tile() && tile.Joined != want {
					t.Fatalf("%s: %d, %d joins to %08b and shows the tile for %08b", what, x, s.Y, want, tile.Joined)
				}
			}
		}
	}
}

// What lies on a map depends on which cells belong to which bond, and not on the
// order or the pieces in which they were laid, erased and laid over.
func TestBondsInAnyOrder(t *testing.T) {
	for seed := range uint64(24) {
		r := rand.New(rand.NewPCG(seed, 91))
		start := hedges(t, r, tiles.Join(seed%3), tiles.Sides)
		m := start.Maps[0]
		// What each cell is to be in the end: nothing, a bond, or tile 2.
		goal := map[grid.Point]int{}
		for _, s := range grid.BoxRegion(m.Bounds) {
			for x := s.X0; x <= s.X1; x++ {
				goal[grid.Point{X: x, Y: s.Y}] = []int{0, 0, 1, 1, 1, 2, 2, 3}[r.IntN(8)]
			}
		}
		lay := func(d *world.Document, g grid.Region, what int) *world.Document {
			layer := m.Layers[0]
			switch what {
			case 1, 2:
				return apply(t, d, generate.Lay(m, layer, d.Bonds[what-1], g))
			case 3:
				return apply(t, d, edit.Paint{Map: m.ID, Layer: layer.ID, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: 2}}})
			}
			return apply(t, d, edit.Paint{Map: m.ID, Layer: layer.ID, Region: g, Cells: grid.Runs{{N: g.Len()}}})
		}
		ends := [][]byte{}
		for range 3 {
			d := start
			// First anything, then each cell as it is to be, in any order.
			for range 30 {
				box := grid.Rect{X: m.Bounds.X + r.IntN(m.Bounds.W), Y: m.Bounds.Y + r.IntN(m.Bounds.H), W: 1 + r.IntN(6), H: 1 + r.IntN(6)}.Meet(m.Bounds)
				d = lay(d, grid.BoxRegion(box), r.IntN(4))
				right(t, d, "by boxes")
			}
			var order []grid.Point
			for p := range goal {
				order = append(order, p)
			}
			r.Shuffle(len(order), func(i, k int) { order[i], order[k] = order[k], order[i] })
			for len(order) > 0 {
				// Some cells at a time that are to be the same.
				var spans []grid.Span
				what := goal[order[0]]
				n := 0
				for n < len(order) && goal[order[n]] == what && n < 9 {
					spans = append(spans, grid.Span{Y: order[n].Y, X0: order[n].X, X1: order[n].X})
					n++
				}
				order = order[n:]
				d = lay(d, grid.RegionOf(spans), what)
			}
			right(t, d, "cell by cell")
			ends = append(ends, encoded(d.Maps[0].Layers[0].Cells.Read(grid.BoxRegion(m.Bounds))))
		}
		if !bytes.Equal(ends[0], ends[1]) || !bytes.Equal(ends[1], ends[2]) {
			t.Fatalf("seed %d: the same cells laid in another order give another map", seed)
		}
	}
}

// Two people lay, erase and take back side by side: all that follows a bond is
// right after each step, whoever takes back what in whatever order, and when
// both have taken back everything nothing is left.
func TestBondsOfTwo(t *testing.T) {
	for seed := range uint64(30) {
		r := rand.New(rand.NewPCG(seed, 92))
		d := hedges(t, r, tiles.Join(seed%3), tiles.Both)
		m := d.Maps[0]
		empty := d.Maps[0].Layers[0].Cells
		var undo [2][][]edit.Part
		for step := range 80 {
			who := r.IntN(2)
			if n := len(undo[who]); n > 0 && (r.IntN(3) == 0 || step > 60) {
				res, err := edit.Apply(d, edit.Edit{Undoes: 1, Parts: undo[who][n-1]})
				if err != nil {
					t.Fatal(err)
				}
				d, undo[who] = res.Document, undo[who][:n-1]
			} else {
				// Each keeps to a side of the map, up to the very next cell.
				half := m.Bounds.W / 2
				box := grid.Rect{X: m.Bounds.X + who*half + r.IntN(half), Y: m.Bounds.Y + r.IntN(m.Bounds.H), W: 1 + r.IntN(7), H: 1 + r.IntN(7)}
				g := grid.BoxRegion(box.Meet(grid.Rect{X: m.Bounds.X + who*half, Y: m.Bounds.Y, W: half, H: m.Bounds.H}))
				part := edit.Part(generate.Lay(m, m.Layers[0], d.Bonds[r.IntN(2)], g))
				if r.IntN(4) == 0 {
					part = edit.Paint{Map: m.ID, Layer: m.Layers[0].ID, Region: g, Cells: grid.Runs{{N: g.Len()}}}
				}
				res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{part}})
				if err != nil {
					t.Fatal(err)
				}
				d, undo[who] = res.Document, append(undo[who], res.Inverse)
			}
			right(t, d, "side by side")
		}
		for who := range undo {
			for i := len(undo[who]) - 1; i >= 0; i-- {
				res, err := edit.Apply(d, edit.Edit{Undoes: 1, Parts: undo[who][i]})
				if err != nil || res.Left != 0 {
					t.Fatalf("seed %d: %d cells were left alone that nobody else had laid (%v)", seed, res.Left, err)
				}
				d = res.Document
				right(t, d, "taking all back")
			}
		}
		all := grid.BoxRegion(m.Bounds)
		if got := d.Maps[0].Layers[0].Cells.Read(all); !bytes.Equal(encoded(got), encoded(empty.Read(all))) {
			t.Fatalf("seed %d: taking everything back leaves something", seed)
		}
	}
}

// What was laid otherwise by hand stays when its neighbours are mended, comes
// back when it is taken back, and what somebody else laid since is left.
func TestBondByHand(t *testing.T) {
	r := rand.New(rand.NewPCG(93, 1))
	d := hedges(t, r, tiles.Sides, tiles.Sides)
	m := d.Maps[0]
	at := func(d *world.Document, x, y int) grid.Cell {
		return d.Maps[0].Layers[0].Cells.At(grid.Point{X: x, Y: y})
	}
	box := func(x, y, w, h int) grid.Region { return grid.BoxRegion(grid.Rect{X: x, Y: y, W: w, H: h}) }
	hedge := d.Bonds[0]
	d = apply(t, d, generate.Lay(m, m.Layers[0], hedge, box(2, 2, 5, 1)))
	other := hedge.Tiles[0].Tile
	if int(at(d, 4, 2)) == other {
		t.Fatal("this test needs another tile")
	}
	byHand := apply(t, d, edit.Paint{Map: m.ID, Layer: m.Layers[0].ID, Region: box(4, 2, 1, 1), Cells: grid.Runs{{N: 1, Cell: grid.Cell(other)}}})
	beside, err := edit.Apply(byHand, edit.Edit{Parts: []edit.Part{generate.Lay(m, m.Layers[0], hedge, box(4, 3, 1, 1))}})
	if err != nil {
		t.Fatal(err)
	}
	if got := at(beside.Document, 4, 2); int(got) != other {
		t.Errorf("what was laid by hand became %d", got)
	}
	right(t, apply(t, beside.Document, generate.Lay(m, m.Layers[0], hedge, box(4, 2, 1, 1))), "laid over what was laid by hand")
	// Somebody lays stone over a part; taking the bond back leaves it there.
	laid, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{generate.Lay(m, m.Layers[0], hedge, box(3, 3, 3, 3))}})
	if err != nil {
		t.Fatal(err)
	}
	stone := apply(t, laid.Document, edit.Paint{Map: m.ID, Layer: m.Layers[0].ID, Region: box(4, 4, 1, 1), Cells: grid.Runs{{N: 1, Cell: 5}}})
	back, err := edit.Apply(stone, edit.Edit{Undoes: 1, Parts: laid.Inverse})
	if err != nil || back.Left != 1 || at(back.Document, 4, 4) != 5 || at(back.Document, 3, 3) != 0 {
		t.Errorf("%d cells left alone (%v), and 4, 4 is %d", back.Left, err, at(back.Document, 4, 4))
	}
	right(t, back.Document, "taken back beside stone")
	if at(back.Document, 4, 2) != at(d, 4, 2) {
		t.Error("a neighbour is not as it was")
	}
}
