package board

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/world"
)

// landingSteps is how far from a doorway one may be set down, in steps.
const landingSteps = 8

// Landing is the cell on which one arrives who comes out of the doorway door:
// the first, by steps from the doorway, then row, then column, that can be
// walked to from it, where the player can stand, and that is no doorway. If
// there is none it is a cell of the doorway itself and false.
func Landing(g *body.Ground, size body.Size, door grid.Rect) (grid.Point, bool) {
	middle := grid.Point{X: door.X + door.W/2, Y: door.Y + door.H/2}
	seen := map[grid.Point]bool{}
	var ring []grid.Point
	for y := range door.H {
		for x := range door.W {
			p := grid.Point{X: door.X + x, Y: door.Y + y}
			seen[p] = true
			ring = append(ring, p)
		}
	}
	for range landingSteps {
		var next []grid.Point
		best, found := grid.Point{}, false
		for _, p := range ring {
			for _, way := range [4]grid.Point{{X: 0, Y: -1}, {X: -1, Y: 0}, {X: 1, Y: 0}, {X: 0, Y: 1}} {
				q := p.Add(way)
				if seen[q] || !g.Fits(size, g.At(q)) {
					continue
				}
				seen[q] = true
				next = append(next, q)
				if !g.Doorway(q) && g.Stands(size, q) && (!found || q.Y < best.Y || q.Y == best.Y && q.X < best.X) {
					best, found = q, true
				}
			}
		}
		if found {
			return best, true
		}
		ring = next
	}
	return middle, false
}

// LandingOf is Landing for the crossing c taken from end from.
func LandingOf(d *world.Document, c *world.Crossing, from int) (grid.Point, bool) {
	end := c.Ends[1-from]
	m := d.Map(end.Map)
	if m == nil {
		return grid.Point{}, false
	}
	return Landing(body.NewGround(d, m), body.SizeOf(d.Project.Lattice(), m.View, d.Played()), end.Cells)
}
