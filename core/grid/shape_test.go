package grid_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/grid"
)

// What is turned and mirrored by cells shows the pixels that turning and mirroring
// the picture of the cell shows.
func TestCellsTurnAsTheirPictures(t *testing.T) {
	const side = 5
	at := func(c grid.Cell, x, y int) grid.Point {
		u, v := grid.Lying(c.Orientation(), x, y, side, side)
		return grid.Point{X: u, Y: v}
	}
	for o := range 8 {
		c := grid.Cell(7).Turned(o)
		for y := range side {
			for x := range side {
				if at(c.Mirror(true, false), x, y) != at(c, side-1-x, y) || at(c.Mirror(false, true), x, y) != at(c, x, side-1-y) {
					t.Fatalf("orientation %d mirrored shows another pixel at %d, %d", o, x, y)
				}
				if at(c.Transpose(), x, y) != at(c, y, x) {
					t.Fatalf("orientation %d transposed shows another pixel at %d, %d", o, x, y)
				}
			}
		}
	}
}

// Shapes against their definitions, cell by cell.
func TestShapes(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 9))
	for range 300 {
		box := grid.Rect{X: r.IntN(9) - 4, Y: r.IntN(9) - 4, W: 1 + r.IntN(14), H: 1 + r.IntN(14)}
		thick := 1 + r.IntN(3)
		oval, ring := grid.Oval(box), grid.Ring(box, thick)
		for y := box.Y - 2; y < box.Y+box.H+2; y++ {
			for x := box.X - 2; x < box.X+box.W+2; x++ {
				p := grid.Point{X: x, Y: y}
				dx, dy := float64(2*(x-box.X)+1-box.W)/float64(box.W), float64(2*(y-box.Y)+1-box.H)/float64(box.H)
				middle := y >= box.Y && y < box.Y+box.H && max(2*x-2*box.X+1-box.W, -(2*x-2*box.X+1-box.W)) <= 1
				if d := dx*dx + dy*dy; oval.Has(p) != (d <= 1 || middle) && (d < 1-1e-9 || d > 1+1e-9) {
					t.Fatalf("%v in the oval of %v: %v", p, box, oval.Has(p))
				}
				near := min(x-box.X, y-box.Y, box.X+box.W-1-x, box.Y+box.H-1-y)
				if ring.Has(p) != (near >= 0 && near < thick) {
					t.Fatalf("%v in the ring of %v, %d thick: %v", p, box, thick, ring.Has(p))
				}
			}
		}
	}
}

// A lasso holds its way, and of the rest just what can't be left without crossing it.
func TestLasso(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 1))
	for range 200 {
		// Ways that do not cross themselves: round a middle, at growing angles.
		var way []grid.Point
		for _, d := range [][2]int{{1, 0}, {1, 1}, {0, 1}, {-1, 1}, {-1, 0}, {-1, -1}, {0, -1}, {1, -1}} {
			n := 1 + r.IntN(8)
			way = append(way, grid.Point{X: d[0] * n, Y: d[1] * n})
		}
		on := map[grid.Point]bool{}
		for i, a := range way {
			for _, p := range grid.Line(a, way[(i+1)%len(way)]) {
				on[p] = true
			}
		}
		outside := map[grid.Point]bool{{X: -10, Y: -10}: true}
		for queue := []grid.Point{{X: -10, Y: -10}}; len(queue) > 0; queue = queue[1:] {
			for _, d := range []grid.Point{{X: 1}, {X: -1}, {Y: 1}, {Y: -1}} {
				p := queue[0].Add(d)
				if p.X >= -10 && p.Y >= -10 && p.X <= 10 && p.Y <= 10 && !outside[p] && !on[p] {
					outside[p] = true
					queue = append(queue, p)
				}
			}
		}
		g := grid.Lasso(way)
		for y := -10; y <= 10; y++ {
			for x := -10; x <= 10; x++ {
				if p := (grid.Point{X: x, Y: y}); g.Has(p) == outside[p] {
					t.Fatalf("%v of the lasso %v: in it %v, outside %v", p, way, g.Has(p), outside[p])
				}
			}
		}
	}
	if grid.Lasso(nil).Len() != 0 || grid.Lasso([]grid.Point{{X: 2, Y: 3}}).Len() != 1 {
		t.Error("a lasso of no or one point")
	}
}

// Likeness finds what looking at every cell finds, in whatever steps.
func TestLikeness(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 7))
	for range 60 {
		var p grid.Plane
		bounds := grid.Rect{X: r.IntN(40) - 20, Y: r.IntN(40) - 20, W: 1 + r.IntN(90), H: 1 + r.IntN(70)}
		e := p.Edit()
		for range r.IntN(300) {
			e.Set(grid.Point{X: bounds.X + r.IntN(bounds.W), Y: bounds.Y + r.IntN(bounds.H)}, grid.Cell(1+r.IntN(4)))
		}
		p = e.Done()
		alike := func(c grid.Cell) grid.Cell { return c &^ 1 }
		start := grid.Point{X: bounds.X + r.IntN(bounds.W), Y: bounds.Y + r.IntN(bounds.H)}
		l := grid.NewLikeness(p, bounds, start, alike)
		for done := false; !done; _, done = l.Step(1 + r.IntN(3000)) {
		}
		want := grid.BoxRegion(bounds).Where(func(c grid.Point) bool { return alike(p.At(c)) == alike(p.At(start)) })
		if got := l.Region(); len(got) != len(want) || len(got.Minus(want)) > 0 {
			t.Fatalf("found %d cells, want %d", got.Len(), want.Len())
		}
	}
}
