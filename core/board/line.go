package board

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// A Curve is the four points of a cubic curve, in pixels of the board.
type Curve [4]grid.Point

// Line is how the line of a crossing runs: out of the doorway over the edge of
// its map that is nearest, and in the same way into the other.
func Line(d *world.Document, c *world.Crossing) Curve {
	var curve Curve
	var middle, out [2]grid.Point
	l := d.Project.Lattice()
	for i, end := range c.Ends {
		m := d.Map(end.Map)
		if m == nil {
			continue
		}
		door := l.Box(end.Cells.Move(m.Origin))
		middle[i] = grid.Point{X: door.X + door.W/2, Y: door.Y + door.H/2}
		out[i] = away(middle[i], l.Box(m.OnBoard()))
	}
	dx, dy := middle[1].X-middle[0].X, middle[1].Y-middle[0].Y
	reach := max(l.W*2, (max(dx, -dx)+max(dy, -dy))/3)
	for i := range 2 {
		curve[i*3] = middle[i]
		curve[i+1] = grid.Point{X: middle[i].X + out[i].X*reach, Y: middle[i].Y + out[i].Y*reach}
	}
	return curve
}

// away is the direction from p to the nearest edge of r.
func away(p grid.Point, r grid.Rect) grid.Point {
	best, way := p.X-r.X, grid.Point{X: -1}
	if d := r.X + r.W - p.X; d < best {
		best, way = d, grid.Point{X: 1}
	}
	if d := p.Y - r.Y; d < best {
		best, way = d, grid.Point{Y: -1}
	}
	if d := r.Y + r.H - p.Y; d < best {
		way = grid.Point{Y: 1}
	}
	return way
}
