package grid

import (
	"math/rand/v2"
	"reflect"
	"testing"

	"azzel/core/pack"
)

// A plane behaves as a map from points to cells, and the one it came from
// never changes.
func TestPlaneAgainstMap(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	var plane Plane
	model := map[Point]Cell{}
	for step := range 400 {
		before := plane
		sample := Point{r.IntN(140) - 70, r.IntN(140) - 70}
		was := before.At(sample)
		corner := Point{r.IntN(140) - 70, r.IntN(140) - 70}
		region := BoxRegion(Rect{corner.X, corner.Y, 1 + r.IntN(50), 1 + r.IntN(50)})
		if step%5 == 0 {
			var spans []Span
			for range 60 {
				x := corner.X + r.IntN(90)
				spans = append(spans, Span{corner.Y + r.IntN(50), x, x + r.IntN(30)})
			}
			region = RegionOf(spans)
		}
		var runs, expect Runs
		for left := region.Len(); left > 0; {
			n := min(left, 1+r.IntN(60))
			if step%4 == 0 {
				n = left // all one cell
			}
			runs = runs.Append(n, Cell(r.IntN(400)))
			left -= n
		}
		if step%3 == 0 {
			expect = plane.Read(region)
			for i := range expect {
				if r.IntN(4) == 0 {
					expect[i].Cell = 399
				}
			}
			if step%4 == 0 {
				expect = Runs{{region.Len(), plane.At(Point{region[0].X0, region[0].Y})}}
			}
		}
		// Every other time what is expected and laid comes as planes.
		by := Point{r.IntN(100) - 50, r.IntN(100) - 50}
		cut, n := plane.Cut(region, by, nil), 0
		for range 50 {
			p := Point{corner.X + r.IntN(60) - 5, corner.Y + r.IntN(60) - 5}
			want := Cell(0)
			if region.Has(p) {
				want = plane.At(p)
			}
			if got := cut.At(p.Add(by)); got != want {
				t.Fatalf("step %d: cut out and moved by %v, the cell at %v is %d, want %d", step, by, p, got, want)
			}
		}
		for _, run := range plane.Read(region) {
			if run.Cell != 0 {
				n += run.N
			}
		}
		if cut.Count() != n {
			t.Fatalf("step %d: %d cells were cut out of %d", step, cut.Count(), n)
		}
		e := plane.Edit()
		var left int
		if expect != nil && step%2 == 0 {
			left = e.Swap(region, Swap{From: written(plane, region, expect).Part(region, nil), To: written(plane, region, runs)})
		} else {
			left = e.WriteWhere(region, runs, expect)
		}
		plane = e.Done()
		wantLeft := 0
		values, wanted := RunReader{Runs: runs}, RunReader{Runs: expect}
		for _, s := range region {
			for x := s.X0; x <= s.X1; x++ {
				p := Point{x, s.Y}
				v, _ := values.next()
				values.skip(1)
				if expect != nil {
					w, _ := wanted.next()
					wanted.skip(1)
					if model[p] != w {
						if model[p] != v {
							wantLeft++
						}
						continue
					}
				}
				model[p] = v
			}
		}
		if left != wantLeft {
			t.Fatalf("step %d: %d cells left alone, want %d", step, left, wantLeft)
		}
		if before.At(sample) != was {
			t.Fatalf("step %d changed the plane it began with", step)
		}
	}
	for y := -80; y < 80; y++ {
		for x := -80; x < 130; x++ {
			if p := (Point{x, y}); plane.At(p) != model[p] {
				t.Fatalf("cell %v is %d, want %d", p, plane.At(p), model[p])
			}
		}
	}
	filled := 0
	for _, c := range model {
		if c != 0 {
			filled++
		}
	}
	if got := plane.Filled().Len(); got != filled {
		t.Errorf("%d cells are filled, want %d", got, filled)
	}
}

// Chunks, regions and runs come back as they were written, whatever sort of
// chunk holds them.
func TestEncodings(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for _, kinds := range []int{1, 2, 200, 1000} {
		var cells [chunkCells]Cell
		for i := range cells {
			cells[i] = Cell(r.IntN(kinds) + 1)
		}
		c := packChunk(&cells)
		var w pack.Writer
		c.Encode(&w)
		in := pack.NewReader(w.Bytes)
		back := DecodeChunk(in)
		if err := in.Done(); err != nil {
			t.Fatal(err)
		}
		for i, want := range cells {
			if got := back.At(i%ChunkSide, i/ChunkSide); got != want {
				t.Fatalf("%d kinds: cell %d is %d, want %d", kinds, i, got, want)
			}
		}
	}
	var spans []Span
	for range 200 {
		x := r.IntN(200) - 100
		spans = append(spans, Span{r.IntN(60) - 30, x, x + r.IntN(9)})
	}
	g := RegionOf(spans)
	var w pack.Writer
	g.Encode(&w)
	in := pack.NewReader(w.Bytes)
	if back := DecodeRegion(nil, in, 1<<20); in.Done() != nil || !reflect.DeepEqual(back, g) {
		t.Errorf("a region came back changed: %v", in.Err())
	}
}

// sorted reports whether the spans of a region are in their order and as few as can be.
func sorted(g Region) bool {
	for i := 1; i < len(g); i++ {
		if a, b := g[i-1], g[i]; b.Y < a.Y || b.Y == a.Y && b.X0 <= a.X1+1 {
			return false
		}
	}
	return true
}

// A fill finds what a plain search finds, in any number of steps.
func TestFill(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for round := range 40 {
		bounds := Rect{-20 - r.IntN(40), -13 - r.IntN(40), 1 + r.IntN(190), 1 + r.IntN(150)}
		var p Plane
		e := p.Edit()
		// Mostly single cells; else lines and boxes, between which whole chunks are the same.
		for i := range max(3, bounds.W*bounds.H/[]int{2, 60, 900}[round%3]) {
			at := Rect{bounds.X + r.IntN(bounds.W), bounds.Y + r.IntN(bounds.H), 1, 1}
			if round%3 > 0 && i%2 == 0 {
				at.W, at.H = 1+r.IntN(100)*r.IntN(2), 1+r.IntN(100)*r.IntN(2)
			}
			g := BoxRegion(at)
			e.Write(g, Runs{{g.Len(), Cell(1 + r.IntN(2))}})
		}
		p = e.Done()
		alike := func(c Cell) Cell { return c }
		if round%5 == 4 {
			alike = func(c Cell) Cell { return c &^ 1 }
		}
		start := Point{bounds.X + r.IntN(bounds.W), bounds.Y + r.IntN(bounds.H)}
		f := NewFill(p, bounds, start, alike)
		for {
			found, done := f.Step(1 + r.IntN(40))
			if now := f.Region(); now.Len() != found || !sorted(now) {
				t.Fatalf("round %d: %d cells are said to be found, %d are, in their order %t", round, found, now.Len(), sorted(now))
			}
			if done {
				break
			}
		}
		want := map[Point]bool{start: true}
		for queue := []Point{start}; len(queue) > 0; queue = queue[1:] {
			for _, d := range [4]Point{{0, 1}, {1, 0}, {0, -1}, {-1, 0}} {
				q := queue[0].Add(d)
				if bounds.Has(q) && !want[q] && alike(p.At(q)) == alike(p.At(start)) {
					want[q] = true
					queue = append(queue, q)
				}
			}
		}
		got := f.Region()
		if got.Len() != len(want) {
			t.Fatalf("round %d: %d cells, want %d", round, got.Len(), len(want))
		}
		for q := range want {
			if !got.Has(q) {
				t.Fatalf("round %d: %v is missing", round, q)
			}
		}
	}
}

func TestLine(t *testing.T) {
	for _, end := range []Point{{0, 0}, {7, 0}, {0, -4}, {5, 5}, {9, -3}, {-2, 8}} {
		points := Line(Point{}, end)
		if points[0] != (Point{}) || points[len(points)-1] != end || len(points) != max(end.X, -end.X, end.Y, -end.Y)+1 {
			t.Errorf("to %v: %v", end, points)
		}
		for i := 1; i < len(points); i++ {
			if d := points[i].Sub(points[i-1]); max(d.X, -d.X, d.Y, -d.Y) != 1 {
				t.Errorf("to %v: a gap after %v", end, points[i-1])
			}
		}
	}
}

func TestLattice(t *testing.T) {
	l := Lattice{16, 24}
	for _, c := range []Point{{0, 0}, {-1, -1}, {5, -7}} {
		for _, in := range []Point{l.Pixel(c), l.Foot(c), l.Pixel(c).Add(Point{15, 23})} {
			if got := l.CellAt(in); got != c {
				t.Errorf("pixel %v is in cell %v, want %v", in, got, c)
			}
		}
	}
}

// written is a plane with some cells written over.
func written(p Plane, g Region, runs Runs) Plane {
	e := p.Edit()
	e.Write(g, runs)
	return e.Done()
}
