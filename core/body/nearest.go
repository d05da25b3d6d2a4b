package body

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// Nearest finds the cell of the map or a neighbour nearest to c in whose middle a body fits: by
// distance, then row, then column. It looks at most radius cells away along
// each axis, or over all of them if radius is negative.
func (g *Ground) Nearest(s Size, c grid.Point, radius int) (grid.Point, bool) {
	b := g.Map.Bounds
	g.Neighbours(func(m *world.Map, by grid.Point) {
		b = b.Join(grid.Rect{X: m.Bounds.X + by.X, Y: m.Bounds.Y + by.Y, W: m.Bounds.W, H: m.Bounds.H})
	})
	if radius < 0 {
		radius = max(abs(c.X-b.X), abs(c.X-b.X-b.W), abs(c.Y-b.Y), abs(c.Y-b.Y-b.H))
	}
	best, found, bestFar := grid.Point{}, false, 0
	try := func(x, y int) {
		p := grid.Point{X: x, Y: y}
		dx, dy := x-c.X, y-c.Y
		far := dx*dx + dy*dy
		if found && (far > bestFar || far == bestFar && (y > best.Y || y == best.Y && x > best.X)) {
			return
		}
		if g.Inside(p) && g.Fits(s, g.At(p)) {
			best, found, bestFar = p, true, far
		}
	}
	for ring := 0; ring <= radius && (!found || ring*ring <= bestFar); ring++ {
		for x := max(c.X-ring, b.X); x <= min(c.X+ring, b.X+b.W-1); x++ {
			try(x, c.Y-ring)
			if ring > 0 {
				try(x, c.Y+ring)
			}
		}
		for y := max(c.Y-ring+1, b.Y); y <= min(c.Y+ring-1, b.Y+b.H-1); y++ {
			try(c.X-ring, y)
			try(c.X+ring, y)
		}
	}
	return best, found
}

func abs(n int) int { return max(n, -n) }
