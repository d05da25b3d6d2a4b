package grid

import (
	"math"
	"slices"
)

// Move is the region shifted by d.
func (g Region) Move(d Point) Region {
	if d == (Point{}) {
		return g
	}
	out := make(Region, len(g))
	for i, s := range g {
		out[i] = Span{s.Y + d.Y, s.X0 + d.X, s.X1 + d.X}
	}
	return out
}

// Meet is the cells that g and h share.
func (g Region) Meet(h Region) Region {
	var out Region
	for _, s := range g {
		for len(h) > 0 && (h[0].Y < s.Y || h[0].Y == s.Y && h[0].X1 < s.X0) {
			h = h[1:]
		}
		for _, o := range h {
			if o.Y > s.Y || o.X0 > s.X1 {
				break
			}
			out = append(out, Span{s.Y, max(s.X0, o.X0), min(s.X1, o.X1)})
		}
	}
	return out
}

// Row is the part of the region in row y. It shares the region's memory.
func (g Region) Row(y int) Region {
	from, _ := slices.BinarySearchFunc(g, y, func(s Span, y int) int { return s.Y - y })
	to := from
	for to < len(g) && g[to].Y == y {
		to++
	}
	return g[from:to]
}

// Inset is r drawn in by n cells on every side, empty if nothing is left.
func (r Rect) Inset(n int) Rect {
	if r.W <= 2*n || r.H <= 2*n {
		return Rect{}
	}
	return Rect{r.X + n, r.Y + n, r.W - 2*n, r.H - 2*n}
}

// Ring is the cells of r within thick cells of its edge, thick at least 1.
func Ring(r Rect, thick int) Region { return BoxRegion(r).Minus(BoxRegion(r.Inset(thick))) }

// Oval is the cells of r whose middles lie in the ellipse that touches its sides,
// and the middle of every row.
func Oval(r Rect) Region {
	g := make(Region, 0, max(0, r.H))
	ww, hh := r.W*r.W, r.H*r.H
	x := (r.W - 1) / 2
	for y := range r.H {
		dy := 2*y + 1 - r.H
		in := func(x int) bool { dx := 2*x + 1 - r.W; return dx*dx*hh+dy*dy*ww <= ww*hh }
		// From row to row the edge moves by little: outwards, or back in.
		for x > 0 && in(x-1) {
			x--
		}
		for x < (r.W-1)/2 && !in(x) {
			x++
		}
		g = append(g, Span{r.Y + y, r.X + x, r.X + r.W - 1 - x})
	}
	return g
}

// Lasso is the cells of a closed way from point to point, and all that it goes
// round, counted by crossings from the left (even-odd rule). The cost grows with
// the number of points and the rows that each step passes.
func Lasso(way []Point) Region {
	var spans []Span
	crossings := map[int][]float64{}
	for i, a := range way {
		b := way[(i+1)%len(way)]
		for _, p := range Line(a, b) {
			spans = append(spans, Span{p.Y, p.X, p.X})
		}
		if a.Y > b.Y {
			a, b = b, a
		}
		// Rows from a's, which counts, to b's, which does not.
		for y := a.Y; y < b.Y; y++ {
			crossings[y] = append(crossings[y], float64(a.X)+float64(y-a.Y)*float64(b.X-a.X)/float64(b.Y-a.Y))
		}
	}
	for y, xs := range crossings {
		slices.Sort(xs)
		for k := 0; k+1 < len(xs); k += 2 {
			if x0, x1 := int(math.Ceil(xs[k])), int(math.Floor(xs[k+1])); x0 <= x1 {
				spans = append(spans, Span{y, x0, x1})
			}
		}
	}
	return RegionOf(spans)
}

// Brush is the cells of a square of side cells round p; an even one reaches one
// cell further to the right and down.
func Brush(p Point, side int) Rect {
	half := (side - 1) / 2
	return Rect{p.X - half, p.Y - half, side, side}
}
