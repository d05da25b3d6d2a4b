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

// beyond says what stops a body in a cell outside the map.
func (g *Ground) beyond(c grid.Point) tiles.Mask {
	switch g.Map.Edges[side(g.Map.Bounds, c)] {
	case world.EdgeDeadly:
		return 0
	case world.EdgeWrap:
		if to := g.wrapped(c); g.Map.Bounds.Has(to) {
			return g.mask(to)
		}
	case world.EdgeOpen:
		if o, to := g.Across(c); o != nil {
			return o.mask(to)
		}
	}
	return tiles.Whole
}

// Across finds the ground of the map that a cell outside this one lies on, if both
// edges between them are open, and the cell there.
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
	if g.beside == nil {
		g.beside = map[world.ID]*Ground{}
	}
	o := g.beside[m.ID]
	if o == nil {
		// What tiles do is the same there.
		o = newGround(g.doc, m, g.tiles)
		g.beside[m.ID] = o
	}
	return o, board.Sub(m.Origin)
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
