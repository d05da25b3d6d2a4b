package grid

import (
	"math/rand/v2"
	"testing"

	"azzel/core/pack"
)

func randomRect(r *rand.Rand) Rect {
	return Rect{r.IntN(14) - 7, r.IntN(14) - 7, r.IntN(9) - 1, r.IntN(9) - 1}
}

// Boxes behave as the sets of their points.
func TestRectsAreSets(t *testing.T) {
	r := rand.New(rand.NewPCG(31, 1))
	points := func(f func(Point) bool) map[Point]bool {
		set := map[Point]bool{}
		for y := -20; y < 30; y++ {
			for x := -20; x < 30; x++ {
				if p := (Point{x, y}); f(p) {
					set[p] = true
				}
			}
		}
		return set
	}
	for range 400 {
		a, b := randomRect(r), randomRect(r)
		inA, inB := points(a.Has), points(b.Has)
		if a.Empty() != (len(inA) == 0) {
			t.Fatalf("%v: Empty is %v with %d points", a, a.Empty(), len(inA))
		}
		both := points(func(p Point) bool { return inA[p] && inB[p] })
		if meet := points(a.Meet(b).Has); len(meet) != len(both) {
			t.Fatalf("%v and %v share %d points, Meet has %d", a, b, len(both), len(meet))
		}
		for p := range both {
			if !a.Meet(b).Has(p) {
				t.Fatalf("%v is in %v and %v and not in what they share", p, a, b)
			}
		}
		if holds := len(both) == len(inB); a.Holds(b) != holds {
			t.Fatalf("%v holds %v: %v, want %v", a, b, a.Holds(b), holds)
		}
		join := a.Join(b)
		var least Rect
		for p := range points(func(p Point) bool { return inA[p] || inB[p] }) {
			if least.Empty() {
				least = Between(p, p)
			}
			least = Between(Point{min(least.X, p.X), min(least.Y, p.Y)}, Point{max(least.X+least.W-1, p.X), max(least.Y+least.H-1, p.Y)})
		}
		if !least.Empty() && join != least {
			t.Fatalf("%v and %v join to %v, want %v", a, b, join, least)
		}
		if a.Empty() {
			continue
		}
		p := Point{r.IntN(40) - 20, r.IntN(40) - 20}
		c := a.Clamp(p)
		for q := range inA {
			if d, e := q.Sub(p), c.Sub(p); d.X*d.X+d.Y*d.Y < e.X*e.X+e.Y*e.Y {
				t.Fatalf("%v is nearer to %v than %v in %v", q, p, c, a)
			}
		}
		if !a.Has(c) {
			t.Fatalf("%v clamped to %v lies outside", p, a)
		}
	}
}

// Pixels and cells lead to each other, whatever the cell's shape and on every
// side of the middle.
func TestLatticeBoxes(t *testing.T) {
	r := rand.New(rand.NewPCG(32, 1))
	for range 300 {
		l := Lattice{4 + r.IntN(30), 4 + r.IntN(30)}
		cells := Rect{r.IntN(60) - 30, r.IntN(60) - 30, 1 + r.IntN(9), 1 + r.IntN(9)}
		box := l.Box(cells)
		if back := l.Cells(box); back != cells {
			t.Fatalf("%v: %v covers %v", l, box, back)
		}
		box.W++
		if back := l.Cells(box); back.W != cells.W+1 || back.H != cells.H {
			t.Fatalf("%v: one pixel more covers %v, want a column more than %v", l, back, cells)
		}
		for _, p := range []Point{{box.X, box.Y}, {box.X + box.W - 2, box.Y + box.H - 1}} {
			if !cells.Has(l.CellAt(p)) {
				t.Fatalf("%v: pixel %v lies outside %v", l, p, cells)
			}
		}
	}
	if !(Lattice{8, 8}).Cells(Rect{}).Empty() {
		t.Error("no pixels cover a cell")
	}
}

// Regions behave as sets, however they were made.
func TestRegionsAreSets(t *testing.T) {
	r := rand.New(rand.NewPCG(33, 1))
	for range 300 {
		var spans []Span
		set := map[Point]bool{}
		for range r.IntN(25) {
			x := r.IntN(30) - 15
			s := Span{r.IntN(10) - 5, x, x + r.IntN(7)}
			spans = append(spans, s)
			for x := s.X0; x <= s.X1; x++ {
				set[Point{x, s.Y}] = true
			}
		}
		g := RegionOf(spans)
		if g.Len() != len(set) {
			t.Fatalf("%d cells of %d", g.Len(), len(set))
		}
		bounds := g.Bounds()
		inside := randomRect(r)
		within, want := g.Within(inside), 0
		for y := -8; y < 8; y++ {
			for x := -18; x < 25; x++ {
				p := Point{x, y}
				if g.Has(p) != set[p] {
					t.Fatalf("%v in %v: %v", p, g, g.Has(p))
				}
				if set[p] && !bounds.Has(p) {
					t.Fatalf("%v lies outside the bounds %v", p, bounds)
				}
				if set[p] && inside.Has(p) {
					want++
					if !within.Has(p) {
						t.Fatalf("%v was lost within %v", p, inside)
					}
				}
			}
		}
		if within.Len() != want {
			t.Fatalf("%d cells within %v, want %d", within.Len(), inside, want)
		}
	}
}

// Whatever bytes come, a region or runs that were read keep their rules: order,
// number of cells, cells that can be.
func FuzzRegion(f *testing.F) {
	for _, g := range []Region{nil, {{0, 0, 0}}, {{-3, 2, 9}, {-3, 12, 12}, {7, -40, 40}}} {
		var w pack.Writer
		g.Encode(&w)
		RunsOf(g, func(p Point) Cell { return Cell(p.X & 3) }).Encode(&w)
		f.Add(w.Bytes)
	}
	f.Fuzz(func(t *testing.T, b []byte) {
		const limit = 5000
		in := pack.NewReader(b)
		g := DecodeRegion(nil, in, limit)
		if in.Err() != nil {
			return
		}
		for i, s := range g {
			if s.X1 < s.X0 || i > 0 && (s.Y < g[i-1].Y || s.Y == g[i-1].Y && s.X0 <= g[i-1].X1+1) {
				t.Fatalf("span %d of %v is out of order", i, g)
			}
		}
		if g.Len() > limit {
			t.Fatalf("%d cells were read", g.Len())
		}
		runs := DecodeRuns(nil, in, g.Len())
		if in.Err() != nil {
			return
		}
		if runs.Len() != g.Len() {
			t.Fatalf("%d cells for a region of %d", runs.Len(), g.Len())
		}
		for i, run := range runs {
			if run.N < 1 || !run.Cell.Valid() || i > 0 && run.Cell == runs[i-1].Cell {
				t.Fatalf("run %d of %v can't be", i, runs)
			}
		}
	})
}

// The eight ways to lie are eight different pictures of a square tile, each
// pixel is seen once, and a quarter turn four times over is none.
func TestLying(t *testing.T) {
	for _, size := range [][2]int{{1, 1}, {3, 3}, {16, 16}, {5, 8}} {
		w, h := size[0], size[1]
		views := map[string]bool{}
		for orientation := range 8 {
			seen := make([]bool, w*h)
			view := make([]byte, 0, w*h*2)
			for y := range h {
				for x := range w {
					u, v := Lying(orientation, x, y, w, h)
					if u < 0 || v < 0 || u >= w || v >= h || seen[v*w+u] {
						t.Fatalf("%v, lying %d: %d, %d shows %d, %d again", size, orientation, x, y, u, v)
					}
					seen[v*w+u] = true
					view = append(view, byte(u), byte(v))
				}
			}
			views[string(view)] = true
			if w == h && orientation == Transposed|MirroredX {
				for y := range h {
					for x := range w {
						u, v := x, y
						for range 4 {
							u, v = Lying(orientation, u, v, w, h)
						}
						if u != x || v != y {
							t.Fatalf("%v: four quarter turns lead from %d, %d to %d, %d", size, x, y, u, v)
						}
					}
				}
			}
		}
		want := map[bool]int{true: 8, false: 4}[w == h]
		if w == 1 {
			want = 1
		}
		if len(views) != want {
			t.Errorf("%v: %d different views, want %d", size, len(views), want)
		}
	}
	for _, c := range []Cell{1, 500, TileMask} {
		for o := range 16 {
			if turned := c.Turned(o); turned.Tile() != c.Tile() || turned.Orientation() != o&7 || !turned.Valid() {
				t.Errorf("%d turned by %d is %d", c, o, turned)
			}
		}
	}
	if Cell(0).Turned(5) != 0 || Cell(5<<24).Valid() || Cell(1<<27|1).Valid() {
		t.Error("an empty cell was turned, or a cell that can't be is valid")
	}
}

// What differs between two planes, and what counts towards the limit, is what
// a count of every cell says.
func TestDifferAndStored(t *testing.T) {
	r := rand.New(rand.NewPCG(34, 1))
	var p Plane
	for range 60 {
		e := p.Edit()
		for range 1 + r.IntN(3) {
			g := BoxRegion(Rect{(r.IntN(40) - 20) * 16, (r.IntN(40) - 20) * 16, 16 << r.IntN(3), 16 << r.IntN(3)})
			// All empty, all one, a few or hundreds of different cells.
			kinds, least := []int{1, 1, 5, 999}[r.IntN(4)], r.IntN(2)
			e.Write(g, RunsOf(g, func(Point) Cell { return Cell(least + r.IntN(kinds)) }))
		}
		q := e.Done()
		told := map[Point]bool{}
		p.Differ(q, func(cx, cy int, mine, other *Chunk) {
			if told[Point{cx, cy}] {
				t.Fatalf("chunk %d, %d was told twice", cx, cy)
			}
			told[Point{cx, cy}] = true
			if mine != p.Chunk(cx, cy) || other != q.Chunk(cx, cy) {
				t.Fatalf("chunk %d, %d is another", cx, cy)
			}
		})
		stored, chunks := 0, 0
		for cy := -14; cy < 16; cy++ {
			for cx := -14; cx < 16; cx++ {
				first, same, differs := q.At(Point{cx << 5, cy << 5}), true, false
				for i := range chunkCells {
					at := Point{cx<<5 + i%32, cy<<5 + i/32}
					same = same && q.At(at) == first
					differs = differs || p.At(at) != q.At(at)
				}
				if differs && !told[Point{cx, cy}] {
					t.Fatalf("chunk %d, %d differs and was not told", cx, cy)
				}
				if !same {
					stored += chunkCells
				}
				if q.Chunk(cx, cy) != nil {
					chunks++
				}
			}
		}
		if q.StoredCells() != stored {
			t.Fatalf("%d stored cells, want %d", q.StoredCells(), stored)
		}
		seen := 0
		q.EachChunk(func(_, _ int, c *Chunk) {
			seen++
			distinct := map[Cell]bool{}
			for _, v := range c.Distinct() {
				distinct[v] = true
			}
			for i := range chunkCells {
				if v := c.At(i%32, i/32); !distinct[v] {
					t.Fatalf("%d is in a chunk and not among its distinct cells", v)
				}
			}
		})
		if seen != chunks || q.Empty() != (chunks == 0) {
			t.Fatalf("%d chunks were told, want %d", seen, chunks)
		}
		p = q
	}
}
