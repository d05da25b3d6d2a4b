package grid

import (
	"cmp"
	"fmt"
	"slices"
	"sort"

	"azzel/core/pace"
	"azzel/core/pack"
)

// A Span is the cells X0 to X1 (both within) of row Y.
type Span struct{ Y, X0, X1 int }

// A Region is a set of cells as spans, sorted by row then column, without
// overlap and without two that touch in a row. The order of its cells is row
// by row, left to right.
type Region []Span

// Len is the number of cells.
func (g Region) Len() int {
	n := 0
	for _, s := range g {
		n += s.X1 - s.X0 + 1
	}
	return n
}

// Bounds is the smallest box that holds the region.
func (g Region) Bounds() Rect {
	if len(g) == 0 {
		return Rect{}
	}
	x0, x1 := g[0].X0, g[0].X1
	for _, s := range g {
		x0, x1 = min(x0, s.X0), max(x1, s.X1)
	}
	y0, y1 := g[0].Y, g[len(g)-1].Y
	return Rect{x0, y0, x1 - x0 + 1, y1 - y0 + 1}
}

// Has reports whether p is in the region, in logarithmic time.
func (g Region) Has(p Point) bool {
	i := sort.Search(len(g), func(i int) bool {
		return g[i].Y > p.Y || (g[i].Y == p.Y && g[i].X1 >= p.X)
	})
	return i < len(g) && g[i].Y == p.Y && g[i].X0 <= p.X
}

// RegionOf makes a region of spans in any order, which may overlap.
func RegionOf(spans []Span) Region {
	slices.SortFunc(spans, func(a, b Span) int { return cmp.Or(a.Y-b.Y, a.X0-b.X0) })
	var g Region
	for _, s := range spans {
		if k := len(g) - 1; k >= 0 && g[k].Y == s.Y && s.X0 <= g[k].X1+1 {
			g[k].X1 = max(g[k].X1, s.X1)
			continue
		}
		g = append(g, s)
	}
	return g
}

// BoxRegion is all cells of r.
func BoxRegion(r Rect) Region {
	if r.Empty() {
		return nil
	}
	g := make(Region, 0, r.H)
	for y := r.Y; y < r.Y+r.H; y++ {
		g = append(g, Span{y, r.X, r.X + r.W - 1})
	}
	return g
}

// Within is the part of g that lies in r.
func (g Region) Within(r Rect) Region {
	if len(g) == 0 || g[len(g)-1].Y < r.Y || g[0].Y >= r.Y+r.H {
		return nil
	}
	out := make(Region, 0, len(g))
	for _, s := range g {
		if s.Y < r.Y || s.Y >= r.Y+r.H {
			continue
		}
		x0, x1 := max(s.X0, r.X), min(s.X1, r.X+r.W-1)
		if x0 <= x1 {
			out = append(out, Span{s.Y, x0, x1})
		}
	}
	return out
}

// Grow is g with every cell that touches it by a side or a corner.
func (g Region) Grow() Region {
	spans := make([]Span, 0, 3*len(g))
	for dy := -1; dy <= 1; dy++ {
		for _, s := range g {
			spans = append(spans, Span{s.Y + dy, s.X0 - 1, s.X1 + 1})
		}
	}
	return RegionOf(spans)
}

// Join is all cells of g and h.
func (g Region) Join(h Region) Region {
	if len(g) == 0 || len(h) == 0 {
		return append(g[:len(g):len(g)], h...)
	}
	return RegionOf(append(append(make([]Span, 0, len(g)+len(h)), g...), h...))
}

// Minus is the cells of g that are not in h.
func (g Region) Minus(h Region) Region {
	var out Region
	for _, s := range g {
		for len(h) > 0 && (h[0].Y < s.Y || h[0].Y == s.Y && h[0].X1 < s.X0) {
			h = h[1:]
		}
		x := s.X0
		for _, cut := range h {
			if cut.Y > s.Y || cut.X0 > s.X1 {
				break
			}
			if cut.X0 > x {
				out = append(out, Span{s.Y, x, cut.X0 - 1})
			}
			x = max(x, cut.X1+1)
		}
		if x <= s.X1 {
			out = append(out, Span{s.Y, x, s.X1})
		}
	}
	return out
}

// Where is the cells of g for which keep holds.
func (g Region) Where(keep func(Point) bool) Region { return g.WhereAt(nil, keep) }

// WhereAt is Where for work that goes at a pace.
func (g Region) WhereAt(at pace.Pace, keep func(Point) bool) Region {
	var out Region
	for _, s := range g {
		at.Did(s.X1 - s.X0 + 1)
		for x := s.X0; x <= s.X1; x++ {
			if keep(Point{x, s.Y}) {
				out = out.Append(s.Y, x, x)
			}
		}
	}
	return out
}

// Append is g with the cells x0 to x1 of row y, which must come after all of its own.
// Like append, it may use the memory of g.
func (g Region) Append(y, x0, x1 int) Region {
	if k := len(g) - 1; k >= 0 && g[k].Y == y && g[k].X1+1 == x0 {
		g[k].X1 = x1
		return g
	}
	return append(g, Span{y, x0, x1})
}

// Rows is the part of g from row y0 to row y1, both within. It shares the memory of g.
func (g Region) Rows(y0, y1 int) Region {
	from := sort.Search(len(g), func(i int) bool { return g[i].Y >= y0 })
	to := sort.Search(len(g), func(i int) bool { return g[i].Y > y1 })
	if from >= to {
		return nil
	}
	return g[from:to:to]
}

// Encode writes the region, each span as its distance from the one before.
func (g Region) Encode(w *pack.Writer) {
	w.Uint(uint64(len(g)))
	y, x := 0, 0
	for _, s := range g {
		w.Int(s.Y - y)
		w.Int(s.X0 - x)
		w.Uint(uint64(s.X1 - s.X0))
		y, x = s.Y, s.X0
	}
}

// DecodeRegion reads a region of at most limit cells, at a pace.
func DecodeRegion(at pace.Pace, r *pack.Reader, limit int) Region {
	n := r.Count(limit, 3)
	g := make(Region, 0, n)
	y, x, cells := 0, 0, 0
	for i := range n {
		if i%decodedAtATime == decodedAtATime-1 {
			at.Did(decodedAtATime)
		}
		y += r.Int()
		x += r.Int()
		width := r.Uint()
		if r.Err() != nil {
			return nil
		}
		if width >= uint64(limit-cells) || y < -1<<30 || y > 1<<30 || x < -1<<30 || x > 1<<30 {
			r.Fail(fmt.Errorf("%w: a region is too large", pack.ErrMalformed))
			return nil
		}
		s := Span{y, x, x + int(width)}
		if i > 0 {
			before := g[i-1]
			if s.Y < before.Y || (s.Y == before.Y && s.X0 <= before.X1+1) {
				r.Fail(fmt.Errorf("%w: a region is out of order", pack.ErrMalformed))
				return nil
			}
		}
		cells += int(width) + 1
		g = append(g, s)
	}
	return g
}

// Line is the cells of a straight line from a to b, both within, eight ways
// connected (Bresenham, "Algorithm for computer control of a digital
// plotter", 1965).
func Line(a, b Point) []Point {
	dx, dy := b.X-a.X, b.Y-a.Y
	sx, sy := 1, 1
	if dx < 0 {
		dx, sx = -dx, -1
	}
	if dy < 0 {
		dy, sy = -dy, -1
	}
	points := make([]Point, 0, max(dx, dy)+1)
	miss := dx - dy
	for {
		points = append(points, a)
		if a == b {
			return points
		}
		twice := 2 * miss
		if twice > -dy {
			miss -= dy
			a.X += sx
		}
		if twice < dx {
			miss += dx
			a.Y += sy
		}
	}
}
