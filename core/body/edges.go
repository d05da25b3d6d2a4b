package body

import (
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// side finds which side of a box a cell outside it lies beyond; beyond a corner it is
// left or right.
func side(b grid.Rect, c grid.Point) int {
	switch {
	case c.X < b.X:
		return world.SideLeft
	case c.X >= b.X+b.W:
		return world.SideRight
	case c.Y < b.Y:
		return world.SideTop
	}
	return world.SideBottom
}

var facing = [4]int{world.SideLeft: world.SideRight, world.SideRight: world.SideLeft, world.SideTop: world.SideBottom, world.SideBottom: world.SideTop}

// A neighbour is a map that lies beside another on the board, with open edges between them, and is seen as that is. What
// moves goes from one to the other as if they were one map.
type neighbour struct {
	*Ground
	// by is what is added to a cell of it to say where that lies beside the map.
	by grid.Point
}

// neighbours are those of the map, in the order of the document.
func (g *Ground) neighbours() []neighbour {
	if g.joined || g.doc == nil {
		return g.joins
	}
	g.joined = true
	b := g.Map.Bounds
	for _, m := range g.doc.Maps {
		by := m.Origin.Sub(g.Map.Origin)
		theirs := grid.Rect{X: m.Bounds.X + by.X, Y: m.Bounds.Y + by.Y, W: m.Bounds.W, H: m.Bounds.H}
		if m.ID != g.Map.ID && m.View == g.Map.View && g.touches(b, theirs, m) {
			g.joins = append(g.joins, neighbour{g.groundOf(m), by})
		}
	}
	return g.joins
}

// touches reports whether a map lies at the map's edge, with open edges between them.
func (g *Ground) touches(b, theirs grid.Rect, m *world.Map) bool {
	over := func(a, length, c, other int) bool { return a < c+other && c < a+length }
	for s := range facing {
		if g.Map.Edges[s] != world.EdgeOpen || m.Edges[facing[s]] != world.EdgeOpen {
			continue
		}
		touch := false
		switch s {
		case world.SideLeft:
			touch = theirs.X+theirs.W == b.X && over(b.Y, b.H, theirs.Y, theirs.H)
		case world.SideRight:
			touch = b.X+b.W == theirs.X && over(b.Y, b.H, theirs.Y, theirs.H)
		case world.SideTop:
			touch = theirs.Y+theirs.H == b.Y && over(b.X, b.W, theirs.X, theirs.W)
		default:
			touch = b.Y+b.H == theirs.Y && over(b.X, b.W, theirs.X, theirs.W)
		}
		if touch {
			return true
		}
	}
	return false
}

// groundOf is the ground of a map beside this one.
func (g *Ground) groundOf(m *world.Map) *Ground {
	if g.beside == nil {
		g.beside = map[world.ID]*Ground{}
	}
	o := g.beside[m.ID]
	if o == nil {
		// What tiles do is the same there.
		o = newGround(g.doc, m, g.tiles)
		o.without, o.planes = g.without, g.planes
		g.beside[m.ID] = o
	}
	return o
}

// on finds the ground on which a cell lies, of the map or a neighbour, and the cell there; nil if it is on neither.
func (g *Ground) on(c grid.Point) (*Ground, grid.Point) {
	if g.Map.Bounds.Has(c) {
		return g, c
	}
	for _, n := range g.neighbours() {
		if to := c.Sub(n.by); n.Map.Bounds.Has(to) {
			return n.Ground, to
		}
	}
	return nil, c
}

// On is the map on which a cell lies, of this map or a neighbour, and the cell there; nil if it is on neither.
func (g *Ground) On(c grid.Point) (*world.Map, grid.Point) {
	o, to := g.on(c)
	if o == nil {
		return nil, c
	}
	return o.Map, to
}

// Beside is the map, of this one and its neighbours, on which a cell lies, or else beyond whose edge: the nearest.
func (g *Ground) Beside(c grid.Point) *world.Map {
	if on, _ := g.On(c); on != nil {
		return on
	}
	of, _ := g.within(c)
	return of.Map
}

// Inside reports whether a cell is on the map or on a neighbour.
func (g *Ground) Inside(c grid.Point) bool {
	if g.Map.Bounds.Has(c) {
		return true
	}
	o, _ := g.on(c)
	return o != nil
}

// Further is the map onto which a cell beyond the neighbours lies, across an open edge of one of them, if it is seen as they
// are; nil if there is none.
func (g *Ground) Further(c grid.Point) *world.Map {
	of, at := g.within(c)
	if o, _ := of.Across(at); o != nil && o.Map.View == g.Map.View && !g.Inside(c) {
		return o.Map
	}
	return nil
}

// Neighbours calls for each neighbour, in the order of the document, with what is added to a cell of it to say where that
// lies beside the map.
func (g *Ground) Neighbours(each func(m *world.Map, by grid.Point)) {
	for _, n := range g.neighbours() {
		each(n.Map, n.by)
	}
}

// within finds the map, of this one and the neighbours, beyond whose edge a cell lies that is on none of them: the nearest,
// and the cell as that counts.
func (g *Ground) within(c grid.Point) (*Ground, grid.Point) {
	found, at, nearest := g, c, away(g.Map.Bounds, c)
	for _, n := range g.neighbours() {
		to := c.Sub(n.by)
		if far := away(n.Map.Bounds, to); far < nearest {
			found, at, nearest = n.Ground, to, far
		}
	}
	return found, at
}

// away is how many cells away from a box a cell lies, along both axes together.
func away(b grid.Rect, c grid.Point) int {
	return max(b.X-c.X, c.X-b.X-b.W+1, 0) + max(b.Y-c.Y, c.Y-b.Y-b.H+1, 0)
}

// beyond says what stops a body in a cell outside the map.
func (g *Ground) beyond(c grid.Point) tiles.Mask {
	if o, to := g.on(c); o != nil {
		return o.at(to).solid
	}
	of, c := g.within(c)
	switch of.Map.Edges[side(of.Map.Bounds, c)] {
	case world.EdgeDeadly:
		return 0
	case world.EdgeWrap:
		if to := of.wrapped(c); of.Map.Bounds.Has(to) {
			return of.at(to).solid
		}
	case world.EdgeOpen:
		if o, to := of.Across(c); o != nil {
			return o.mask(to)
		}
	}
	return tiles.Whole
}

// Across finds the ground of the map that a cell outside this one lies on, if both
// edges between them are open, and the cell there. It may be seen otherwise.
func (g *Ground) Across(c grid.Point) (*Ground, grid.Point) {
	if g.doc == nil || g.Map.Bounds.Has(c) {
		return nil, c
	}
	s := side(g.Map.Bounds, c)
	board := c.Add(g.Map.Origin)
	m := g.doc.MapAt(board)
	if m == nil || g.Map.Edges[s] != world.EdgeOpen || m.Edges[facing[s]] != world.EdgeOpen {
		return nil, c
	}
	return g.groundOf(m), board.Sub(m.Origin)
}

// wrapped is the cell on the other side of the map, where an edge wraps.
func (g *Ground) wrapped(c grid.Point) grid.Point {
	b := g.Map.Bounds
	if c.X < b.X || c.X >= b.X+b.W {
		if g.Map.Edges[side(b, c)] == world.EdgeWrap {
			c.X = b.X + ((c.X-b.X)%b.W+b.W)%b.W
		}
	}
	if (c.Y < b.Y || c.Y >= b.Y+b.H) && c.X >= b.X && c.X < b.X+b.W && g.Map.Edges[side(b, c)] == world.EdgeWrap {
		c.Y = b.Y + ((c.Y-b.Y)%b.H+b.H)%b.H
	}
	return c
}

// Wrap is a place outside the map on its other side, where the edge it went over
// wraps; ok is false if it does not.
func (g *Ground) Wrap(p Place) (_ Place, ok bool) {
	c := p.Cell(g.Lattice)
	to := g.wrapped(c)
	if to == c || !g.Map.Bounds.Has(to) {
		return p, false
	}
	l := g.Lattice
	return Place{p.X + (to.X-c.X)*l.W*Unit, p.Y + (to.Y-c.Y)*l.H*Unit}, true
}

// Deadly reports whether a cell lies beyond a deadly edge.
func (g *Ground) Deadly(c grid.Point) bool {
	return !g.Map.Bounds.Has(c) && g.Map.Edges[side(g.Map.Bounds, c)] == world.EdgeDeadly
}
