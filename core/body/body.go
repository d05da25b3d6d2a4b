// Package body knows one body among solid cells: where it can stand and how it
// moves within a tick. It is pure: landings, play and checks all ask it. It
// does not know who the body belongs to.
package body

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// Unit is how many positions there are to a pixel.
const Unit = 256

// A Size is how large a body is, in pixels.
type Size struct{ W, H int }

// PlayerSize is the body of the built-in player: five eighths of a cell wide
// and half a cell high, so that one passes through gaps of one cell.
func PlayerSize(l grid.Lattice) Size { return Size{max(2, l.W*5/8), max(2, l.H/2)} }

// A Ground is what of a map stops a body. It belongs to one document.
type Ground struct {
	Map     *world.Map
	Lattice grid.Lattice
	flags   []world.TileFlags
	open    map[grid.Point]bool
}

// NewGround looks at a map of d. Doorways are always open, so that one can be
// set into a wall.
func NewGround(d *world.Document, m *world.Map) *Ground {
	g := &Ground{Map: m, Lattice: d.Project.Lattice(), flags: make([]world.TileFlags, d.TilesEnd()), open: map[grid.Point]bool{}}
	for _, t := range d.Tilesets {
		copy(g.flags[t.First:], t.Flags)
	}
	for _, c := range d.Crossings {
		for _, end := range c.Ends {
			if end.Map != m.ID {
				continue
			}
			for y := range end.Cells.H {
				for x := range end.Cells.W {
					g.open[grid.Point{X: end.Cells.X + x, Y: end.Cells.Y + y}] = true
				}
			}
		}
	}
	return g
}

// Solid reports whether cell c stops a body. All outside the map does.
func (g *Ground) Solid(c grid.Point) bool {
	if !g.Map.Bounds.Has(c) {
		return true
	}
	if g.open[c] {
		return false
	}
	for _, l := range g.Map.Layers {
		if !l.Counts {
			continue
		}
		if n := l.Cells.At(c).Tile(); n != 0 && n < len(g.flags) && g.flags[n]&world.Solid != 0 {
			return true
		}
	}
	return false
}

// Doorway reports whether c is a cell of a doorway.
func (g *Ground) Doorway(c grid.Point) bool { return g.open[c] }

// A Place is where a body's foot is, in 1/256 pixel of the map. The body
// reaches up from Y, which is just below its lowest pixel, and to both sides
// of X.
type Place struct{ X, Y int }

// At is the place of a body that stands in the middle of cell c.
func At(l grid.Lattice, c grid.Point) Place {
	foot := l.Foot(c)
	return Place{foot.X * Unit, (foot.Y + 1) * Unit}
}

// Cell is the cell in which the foot of p is.
func (p Place) Cell(l grid.Lattice) grid.Point {
	return l.CellAt(grid.Point{X: p.X >> 8, Y: (p.Y - 1) >> 8})
}

// box is the first and last position the body covers along each axis.
func (s Size) box(p Place) (x0, y0, x1, y1 int) {
	return p.X - s.W*Unit/2, p.Y - s.H*Unit, p.X + s.W*Unit/2 - 1, p.Y - 1
}

func (g *Ground) cells(x0, y0, x1, y1 int) grid.Rect {
	return grid.Between(g.Lattice.CellAt(grid.Point{X: x0 >> 8, Y: y0 >> 8}), g.Lattice.CellAt(grid.Point{X: x1 >> 8, Y: y1 >> 8}))
}

func (g *Ground) blocked(r grid.Rect) bool {
	for y := r.Y; y < r.Y+r.H; y++ {
		for x := r.X; x < r.X+r.W; x++ {
			if g.Solid(grid.Point{X: x, Y: y}) {
				return true
			}
		}
	}
	return false
}

// Fits reports whether a body at p touches nothing solid.
func (g *Ground) Fits(s Size, p Place) bool { return !g.blocked(g.cells(s.box(p))) }

// Stands reports whether a body can stand in the middle of cell c.
func (g *Ground) Stands(s Size, c grid.Point) bool { return g.Fits(s, At(g.Lattice, c)) }

// Move moves a body that fits at p by dx and dy, first sideways, then up or
// down, each as far as it goes: so it slides along what is solid, and never
// passes through it however fast it is.
func (g *Ground) Move(s Size, p Place, dx, dy int) Place {
	x0, y0, x1, y1 := s.box(p)
	rows := g.cells(0, y0, 0, y1)
	p.X += advance(x0, x1, dx, g.Lattice.W*Unit, func(column int) bool {
		return g.blocked(grid.Rect{X: column, Y: rows.Y, W: 1, H: rows.H})
	})
	x0, y0, x1, y1 = s.box(p)
	columns := g.cells(x0, 0, x1, 0)
	p.Y += advance(y0, y1, dy, g.Lattice.H*Unit, func(row int) bool {
		return g.blocked(grid.Rect{X: columns.X, Y: row, W: columns.W, H: 1})
	})
	return p
}

// advance is how far of way something that covers the positions first to last
// gets along one axis, before it would enter a line of cells (side positions
// wide) that is blocked.
func advance(first, last, way, side int, blocked func(line int) bool) int {
	for line := floorDiv(last, side) + 1; way > 0 && line*side <= last+way; line++ {
		if blocked(line) {
			return line*side - 1 - last
		}
	}
	for line := floorDiv(first, side) - 1; way < 0 && (line+1)*side > first+way; line-- {
		if blocked(line) {
			return (line+1)*side - first
		}
	}
	return way
}

func floorDiv(a, b int) int {
	q := a / b
	if a%b < 0 {
		q--
	}
	return q
}
