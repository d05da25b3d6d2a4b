package body_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Among random walls the way that is found is one that can be walked, and as short as
// what a search without any haste finds.
func TestWayAgainstFlooding(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 14))
	found := 0
	for range 120 {
		d, err := world.Start(world.Project{Name: "Beds", CellW: 16, CellH: 16, SeenW: 8, SeenH: 6}, &world.Counter{Prefix: 1})
		if err != nil {
			t.Fatal(err)
		}
		draft := d.Draft()
		m := d.Maps[0]
		var walls []grid.Span
		for range r.IntN(70) {
			c := grid.Point{X: r.IntN(m.Bounds.W), Y: r.IntN(m.Bounds.H)}
			walls = append(walls, grid.Span{Y: c.Y, X0: c.X, X1: c.X})
		}
		g := grid.RegionOf(walls)
		if _, err := draft.Paint(m.ID, m.PlayerLayer, world.Stroke{Region: g, Cells: grid.Runs{{N: g.Len(), Cell: grid.Cell(tiles.Wall)}}}); err != nil {
			t.Fatal(err)
		}
		if d, err = draft.Done(); err != nil {
			t.Fatal(err)
		}
		m = d.Maps[0]
		ground, size := body.NewGround(d, m), body.PlayerSize(d.Project.Lattice())
		can := func(c grid.Point) bool { return m.Bounds.Has(c) && ground.Stands(size, c) }
		from, to := grid.Point{X: r.IntN(m.Bounds.W), Y: r.IntN(m.Bounds.H)}, grid.Point{X: r.IntN(m.Bounds.W), Y: r.IntN(m.Bounds.H)}
		// Lengths settle when nothing gets shorter any more.
		far := map[grid.Point]int{}
		if can(from) {
			far[from] = 0
		}
		for again := true; again; {
			again = false
			for c, n := range far {
				for dy := -1; dy <= 1; dy++ {
					for dx := -1; dx <= 1; dx++ {
						q, step := grid.Point{X: c.X + dx, Y: c.Y + dy}, 5
						if dx != 0 && dy != 0 {
							step = 7
							if !can(grid.Point{X: c.X + dx, Y: c.Y}) || !can(grid.Point{X: c.X, Y: c.Y + dy}) {
								continue
							}
						}
						if was, there := far[q]; can(q) && (!there || was > n+step) {
							far[q], again = n+step, true
						}
					}
				}
			}
		}
		want, there := far[to]
		search := body.Search{Size: size, Left: body.PathCells}
		path, length, ok := search.Path(ground, from, to)
		if ok != there || search.Left <= 0 || ok && length != want {
			t.Fatalf("from %v to %v: found %v of length %d; want %v, %d", from, to, ok, length, there, want)
		}
		if !ok {
			continue
		}
		found++
		if path[0] != to || path[len(path)-1] != from {
			t.Fatalf("the path leads from %v to %v", path[len(path)-1], path[0])
		}
		for i, c := range path {
			if !can(c) || i > 0 && (max(c.X-path[i-1].X, path[i-1].X-c.X) > 1 || max(c.Y-path[i-1].Y, path[i-1].Y-c.Y) > 1) {
				t.Fatalf("the path leaps or goes through walls: %v", path)
			}
		}
	}
	if found < 40 {
		t.Errorf("only %d ways were found", found)
	}
}
