package grid

import "math/bits"

// A Point is a place counted in whole cells (or, where said, in pixels).
type Point struct{ X, Y int }

// Add moves p by q.
func (p Point) Add(q Point) Point { return Point{p.X + q.X, p.Y + q.Y} }

// Sub is the way from q to p.
func (p Point) Sub(q Point) Point { return Point{p.X - q.X, p.Y - q.Y} }

// A Rect covers the columns X to X+W-1 and the rows Y to Y+H-1. It is empty
// when W or H is 0 or less.
type Rect struct {
	X int `json:"x"`
	Y int `json:"y"`
	W int `json:"w"`
	H int `json:"h"`
}

// Between is the smallest box that holds both a and b.
func Between(a, b Point) Rect {
	x0, x1 := min(a.X, b.X), max(a.X, b.X)
	y0, y1 := min(a.Y, b.Y), max(a.Y, b.Y)
	return Rect{x0, y0, x1 - x0 + 1, y1 - y0 + 1}
}

// Empty reports whether r covers no cell.
func (r Rect) Empty() bool { return r.W <= 0 || r.H <= 0 }

// Has reports whether p lies in r.
func (r Rect) Has(p Point) bool {
	return p.X >= r.X && p.Y >= r.Y && p.X < r.X+r.W && p.Y < r.Y+r.H
}

// Holds reports whether all of s lies in r. Every r holds an empty s.
func (r Rect) Holds(s Rect) bool {
	return s.Empty() || (s.X >= r.X && s.Y >= r.Y && s.X+s.W <= r.X+r.W && s.Y+s.H <= r.Y+r.H)
}

// Meet is the box that r and s share, empty if there is none.
func (r Rect) Meet(s Rect) Rect {
	x0, y0 := max(r.X, s.X), max(r.Y, s.Y)
	x1, y1 := min(r.X+r.W, s.X+s.W), min(r.Y+r.H, s.Y+s.H)
	if x1 <= x0 || y1 <= y0 {
		return Rect{}
	}
	return Rect{x0, y0, x1 - x0, y1 - y0}
}

// Join is the smallest box that holds both r and s.
func (r Rect) Join(s Rect) Rect {
	if r.Empty() {
		return s
	}
	if s.Empty() {
		return r
	}
	x0, y0 := min(r.X, s.X), min(r.Y, s.Y)
	x1, y1 := max(r.X+r.W, s.X+s.W), max(r.Y+r.H, s.Y+s.H)
	return Rect{x0, y0, x1 - x0, y1 - y0}
}

// Move shifts r by d.
func (r Rect) Move(d Point) Rect { return Rect{r.X + d.X, r.Y + d.Y, r.W, r.H} }

// Clamp is the cell of r nearest to p. r must not be empty.
func (r Rect) Clamp(p Point) Point {
	return Point{min(max(p.X, r.X), r.X+r.W-1), min(max(p.Y, r.Y), r.Y+r.H-1)}
}

// A Lattice maps between cells and pixels. It is the only place that does, so
// that a grid of another form changes nothing else. W and H are the size of a
// cell in pixels, 1 or more.
type Lattice struct{ W, H int }

// CellAt is the cell that the pixel p lies in.
func (l Lattice) CellAt(p Point) Point { return Point{floorDiv(p.X, l.W), floorDiv(p.Y, l.H)} }

// Pixel is the upper left pixel of cell c.
func (l Lattice) Pixel(c Point) Point { return Point{c.X * l.W, c.Y * l.H} }

// Foot is the pixel in cell c on which something stands that stands in the
// middle of c: centred, at its lower edge.
func (l Lattice) Foot(c Point) Point { return Point{c.X*l.W + l.W/2, c.Y*l.H + l.H - 1 - l.H/8} }

// Box is what the cells of r cover, in pixels.
func (l Lattice) Box(r Rect) Rect { return Rect{r.X * l.W, r.Y * l.H, r.W * l.W, r.H * l.H} }

// Cells is the smallest box of cells that covers the pixels of r.
func (l Lattice) Cells(r Rect) Rect {
	if r.Empty() {
		return Rect{}
	}
	return Between(l.CellAt(Point{r.X, r.Y}), l.CellAt(Point{r.X + r.W - 1, r.Y + r.H - 1}))
}

// floorDiv divides rounding down, for b > 0.
func floorDiv(a, b int) int {
	if b&(b-1) == 0 {
		// Cells are mostly powers of two wide, for which shifting takes a small part of the time.
		return a >> bits.TrailingZeros(uint(b))
	}
	q := a / b
	if a%b < 0 {
		q--
	}
	return q
}

// Root is the whole part of the square root of n, from 0 to before 2^50.
func Root(n int) int {
	r := 0
	for bit := 1 << 24; bit > 0; bit >>= 1 {
		if try := r + bit; try*try <= n {
			r = try
		}
	}
	return r
}
