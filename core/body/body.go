// Package body knows one body among solid cells: where it can stand and how it
// moves within a tick. It is pure: landings, play and checks all ask it. It
// does not know who the body belongs to.
package body

import (
	"math/bits"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Unit is how many positions there are to a pixel.
const Unit = 256

// A Size is how large a body is, in pixels.
type Size struct{ W, H int }

// PlayerSize is the body of the built-in player: five eighths of a cell wide
// and half a cell high, so that one passes through gaps of one cell.
func PlayerSize(l grid.Lattice) Size { return Size{max(2, l.W*5/8), max(2, l.H/2)} }

// SizeOf is the body of somebody on a map: what their movement says, else from above that of
// PlayerSize, from the side five by seven eighths of a cell.
func SizeOf(l grid.Lattice, view world.View, m world.Movement) Size {
	s, w, h := Size{max(2, l.W*5/8), max(2, l.H*7/8)}, m.BodyW, m.BodyH
	if view == world.TopDown {
		s, w, h = PlayerSize(l), m.AboveW, m.AboveH
	}
	if w > 0 {
		s.W = min(max(2, w), limit.Body*l.W)
	}
	if h > 0 {
		s.H = min(max(2, h), limit.Body*l.H)
	}
	return s
}

// A Ground is what of a map stops a body. It belongs to one document, and to one
// goroutine.
type Ground struct {
	Map     *world.Map
	Lattice grid.Lattice
	doc     *world.Document
	// tiles says of each tile's number what it does.
	tiles []does
	open  map[grid.Point]bool
	// without are the layers that do not count, whatever they say.
	without map[world.ID]bool
	// planes are the cells of layers that are otherwise than the document says.
	planes map[world.ID]grid.Plane
	// chunks are the cells that were looked at, in rows of so many columns, from the chunk of
	// the upper left cell on.
	chunks  []*known
	columns int
	// Boxes are what else is solid: things that move. Whoever changes them asks again.
	Boxes Boxes
	// Floors are what one stands on above water, seen from above: rafts. Whoever changes them
	// asks again.
	Floors Boxes
	// beside are the grounds of neighbours across open edges.
	beside map[world.ID]*Ground
	// joins are those neighbours that are seen as the map is, once joined says that they were looked for.
	joins  []neighbour
	joined bool
}

// NewGround looks at a map of d. Doorways are always open, so that one can be
// set into a wall.
func NewGround(d *world.Document, m *world.Map) *Ground { return newGround(d, m, doing(d)) }

func newGround(d *world.Document, m *world.Map, tiles []does) *Ground {
	g := &Ground{Map: m, Lattice: d.Project.Lattice(), doc: d, tiles: tiles, open: map[grid.Point]bool{}}
	b := m.Bounds
	g.columns = (b.X+b.W-1)>>5 - b.X>>5 + 1
	g.chunks = make([]*known, g.columns*((b.Y+b.H-1)>>5-b.Y>>5+1))
	g.doorways()
	return g
}

// Without lets some layers not count, of the map and its neighbours. It is to be called before anything is asked.
func (g *Ground) Without(layers map[world.ID]bool) { g.without = layers }

// Instead lets some layers have other cells, of the map and its neighbours. It is to be called before anything is asked.
func (g *Ground) Instead(planes map[world.ID]grid.Plane) { g.planes = planes }

// doorways opens the cells of all doorways of the map.
func (g *Ground) doorways() {
	d, m := g.doc, g.Map
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
}

// mask says which parts of cell c stop a body. Outside the map, edges say.
func (g *Ground) mask(c grid.Point) tiles.Mask {
	if !g.Map.Bounds.Has(c) {
		return g.beyond(c)
	}
	return g.at(c).solid
}

// Doorway reports whether c is a cell of a doorway, of the map or of a neighbour.
func (g *Ground) Doorway(c grid.Point) bool {
	if g.Map.Bounds.Has(c) {
		return g.open[c]
	}
	o, to := g.on(c)
	return o != nil && o.open[to]
}

// A Place is where a body's foot is, in 1/256 pixel of the map. The body
// reaches up from Y, which is just below its lowest pixel, and to both sides
// of X.
type Place struct{ X, Y int }

// At is the place of a body that stands in the middle of cell c, seen from above.
func At(l grid.Lattice, c grid.Point) Place {
	foot := l.Foot(c)
	return Place{foot.X * Unit, (foot.Y + 1) * Unit}
}

// At is the place of a body that stands in the middle of cell c of the map: from the side on its
// lower edge, or on the slope that is in it.
func (g *Ground) At(c grid.Point) Place {
	if g.Map.View == world.TopDown {
		return At(g.Lattice, c)
	}
	foot := g.Map.FootOf(g.Lattice, 0, c)
	p := Place{foot.X * Unit, (foot.Y + 1) * Unit}
	w, h := g.part()
	column, row := floorDiv(p.X, w), (c.Y+1)*tiles.MaskSide
	for row > c.Y*tiles.MaskSide && g.solid(column, row-1) {
		row--
	}
	if row > c.Y*tiles.MaskSide && row*h < p.Y {
		p.Y = surface{g, false}.line(p.X, column, row)
	}
	return p
}

// Cell is the cell in which the foot of p is.
func (p Place) Cell(l grid.Lattice) grid.Point {
	return l.CellAt(grid.Point{X: p.X >> 8, Y: (p.Y - 1) >> 8})
}

// box is the first and last position the body covers along each axis.
func (s Size) box(p Place) (x0, y0, x1, y1 int) {
	return p.X - s.W*Unit/2, p.Y - s.H*Unit, p.X + s.W*Unit/2 - 1, p.Y - 1
}

// part is how many positions a part of a cell, as masks count them, is wide and
// high. Cells are whole pixels, so that it has no remainder.
func (g *Ground) part() (w, h int) {
	return g.Lattice.W * Unit / tiles.MaskSide, g.Lattice.H * Unit / tiles.MaskSide
}

// parts is the smallest box of parts that covers the positions.
func (g *Ground) parts(x0, y0, x1, y1 int) grid.Rect {
	w, h := g.part()
	return grid.Between(grid.Point{X: floorDiv(x0, w), Y: floorDiv(y0, h)}, grid.Point{X: floorDiv(x1, w), Y: floorDiv(y1, h)})
}

// blocked reports whether any part of a box of parts stops a body.
func (g *Ground) blocked(r grid.Rect) bool {
	for cy := r.Y >> 3; cy <= (r.Y+r.H-1)>>3; cy++ {
		for cx := r.X >> 3; cx <= (r.X+r.W-1)>>3; cx++ {
			m := g.mask(grid.Point{X: cx, Y: cy})
			if m == 0 {
				continue
			}
			over := g.floats(cx, cy)
			if m == tiles.Whole && !over {
				return true
			}
			in := r.Meet(grid.Rect{X: cx << 3, Y: cy << 3, W: tiles.MaskSide, H: tiles.MaskSide})
			for y := in.Y; y < in.Y+in.H; y++ {
				for x := in.X; x < in.X+in.W; x++ {
					if m.At(x&7, y&7) && !(over && g.floored(x, y)) {
						return true
					}
				}
			}
		}
	}
	return false
}

// floats reports whether a cell is water that a floor may lie over.
func (g *Ground) floats(cx, cy int) bool {
	return g.Floors.Len() > 0 && g.cellAt(grid.Point{X: cx, Y: cy}).water
}

// floored reports whether any floor lies over any of a part of a cell.
func (g *Ground) floored(x, y int) bool {
	w, h := g.part()
	part := Box{x * w, y * h, (x + 1) * w, (y + 1) * h}
	return g.Floors.Meet(part)
}

// Floor reports whether a foot is on a floor.
func (g *Ground) Floor(p Place) bool {
	return g.Floors.Meet(Box{p.X, p.Y - 1, p.X + 1, p.Y})
}

// Nowhere is a box that meets no other.
var Nowhere = Box{1 << 40, 1 << 40, 1 << 40, 1 << 40}

// A Box is what something covers, from X0, Y0 to before X1, Y1, in 1/256 pixel.
type Box struct{ X0, Y0, X1, Y1 int }

// Box is what a body at p covers.
func (s Size) Box(p Place) Box {
	x0, y0, x1, y1 := s.box(p)
	return Box{x0, y0, x1 + 1, y1 + 1}
}

// Meets reports whether two boxes have anything in common.
func (b Box) Meets(o Box) bool { return b.X0 < o.X1 && o.X0 < b.X1 && b.Y0 < o.Y1 && o.Y0 < b.Y1 }

// boxed reports whether a body at p touches any of the boxes.
func (g *Ground) boxed(s Size, p Place) bool {
	return g.Boxes.Len() > 0 && g.Boxes.Meet(s.Box(p))
}

// Boxed reports whether a body at p touches anything solid that moves.
func (g *Ground) Boxed(s Size, p Place) bool { return g.boxed(s, p) }

// Fits reports whether a body at p touches nothing solid; in side-view, nothing but the
// slope it stands on.
func (g *Ground) Fits(s Size, p Place) bool {
	if g.Map.View == world.SideView {
		return g.level(s, p, 0) || g.free(s, p)
	}
	return !g.boxed(s, p) && !g.blocked(g.parts(s.box(p)))
}

// Stands reports whether a body can stand in the middle of cell c; in side-view, on
// something, or climbing or swimming.
func (g *Ground) Stands(s Size, c grid.Point) bool {
	p := g.At(c)
	if g.Map.View == world.SideView {
		of := g.cellAt(c)
		return g.free(s, p) && (of.climb || of.water || g.Supported(s, p))
	}
	return g.Fits(s, p)
}

// Move moves a body that fits at p by dx and dy, first sideways, then up or
// down, each as far as it goes: so it slides along what is solid, and never
// passes through it however fast it is.
func (g *Ground) Move(s Size, p Place, dx, dy int) Place {
	w, h := g.part()
	dx = g.beforeBoxes(s, p, dx, 0)
	x0, y0, x1, y1 := s.box(p)
	rows := g.parts(0, y0, 0, y1)
	p.X += advance(x0, x1, dx, w, func(column int) bool {
		return g.blocked(grid.Rect{X: column, Y: rows.Y, W: 1, H: rows.H})
	})
	dy = g.beforeBoxes(s, p, 0, dy)
	x0, y0, x1, y1 = s.box(p)
	columns := g.parts(x0, 0, x1, 0)
	p.Y += advance(y0, y1, dy, h, func(row int) bool {
		return g.blocked(grid.Rect{X: columns.X, Y: row, W: columns.W, H: 1})
	})
	return p
}

// beforeBoxes is how far of a way along one axis a body gets that touches none of the boxes.
func (g *Ground) beforeBoxes(s Size, p Place, dx, dy int) int {
	if g.Boxes.Len() == 0 || dx == 0 && dy == 0 {
		return dx + dy
	}
	b := s.Box(p)
	swept := Box{b.X0 + min(dx, 0), b.Y0 + min(dy, 0), b.X1 + max(dx, 0), b.Y1 + max(dy, 0)}
	g.Boxes.Near(swept, func(_ int, o Box) bool {
		switch {
		case dx != 0 && (o.Y0 >= b.Y1 || b.Y0 >= o.Y1), dy != 0 && (o.X0 >= b.X1 || b.X0 >= o.X1):
		case dx > 0 && o.X0 >= b.X1:
			dx = min(dx, o.X0-b.X1)
		case dx < 0 && o.X1 <= b.X0:
			dx = max(dx, o.X1-b.X0)
		case dy > 0 && o.Y0 >= b.Y1:
			dy = min(dy, o.Y0-b.Y1)
		case dy < 0 && o.Y1 <= b.Y0:
			dy = max(dy, o.Y1-b.Y0)
		}
		return true
	})
	return dx + dy
}

// advance is how much of a distance something that covers the positions first to last
// gets along one axis, before it would enter a line of parts (side positions
// wide) that is blocked.
func advance(first, last, distance, side int, blocked func(line int) bool) int {
	for line := floorDiv(last, side) + 1; distance > 0 && line*side <= last+distance; line++ {
		if blocked(line) {
			return line*side - 1 - last
		}
	}
	for line := floorDiv(first, side) - 1; distance < 0 && (line+1)*side > first+distance; line-- {
		if blocked(line) {
			return (line+1)*side - first
		}
	}
	return distance
}

// floorDiv divides rounding down, for b > 0. The sides of cells are mostly powers of two, for which
// shifting takes a small part of the time.
func floorDiv(a, b int) int {
	if b&(b-1) == 0 {
		return a >> bits.TrailingZeros(uint(b))
	}
	q := a / b
	if a%b < 0 {
		q--
	}
	return q
}
