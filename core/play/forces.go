package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/lists"
	"azzel/core/world"
)

// usualForces are those that change nothing.
var usualForces = world.Forces{}.Filled()

// forcesAt is what acts on a body of the player's map, by the cell in which its middle is.
func (g *Game) forcesAt(s body.Size, p body.Place) world.Forces {
	if !g.forced {
		return usualForces
	}
	c := g.middle(s, p)
	f := g.ground.Map.Forces
	if on, _ := g.ground.On(c); on != nil {
		f = on.Forces
	}
	for i := len(g.areas) - 1; i >= 0; i-- {
		if a := &g.areas[i]; a.Forces != (world.Forces{}) && a.has(c) && !g.calmed(a.ID) {
			f = a.Forces.Over(f)
			break
		}
	}
	return f.Filled()
}

// middle is the cell in which the middle of a body is.
func (g *Game) middle(s body.Size, p body.Place) grid.Point {
	return body.Place{X: p.X, Y: p.Y - s.H*body.Unit/2}.Cell(g.ground.Lattice)
}

// underForces is how the player moves in side-view where they are.
func (g *Game) underForces() body.Drive {
	return g.drive.Under(g.forcesAt(g.size, g.place).Gravity)
}

// wind is how far the wind carries along in a tick, in positions.
func (g *Game) wind(f world.Forces) (dx, dy int) {
	l := g.ground.Lattice
	return f.WindX * l.W * body.Unit / (10 * TicksPerSecond), f.WindY * l.H * body.Unit / (10 * TicksPerSecond)
}

// blow lets the wind carry the player along. Who walks cell by cell stands firm.
func (g *Game) blow() {
	f := g.forcesAt(g.size, g.place)
	if f.WindX == 0 && f.WindY == 0 {
		return
	}
	dx, dy := g.wind(f)
	switch {
	case g.ground.Map.View == world.SideView:
		g.place, g.motion = g.ground.Blow(g.size, g.place, g.motion, g.drive.Under(f.Gravity), dx, body.Speed(f.WindY, g.ground.Lattice.H))
	case g.moves.Steering != world.CellByCell:
		g.place = g.ground.Move(g.size, g.place, dx, dy)
	}
}

// A placedArea is an area of the player's map or a neighbour of it.
type placedArea struct {
	*world.Area
	// by is what is added to its cells to say where they lie beside the player's map.
	by grid.Point
}

// has reports whether a cell, as the player's map counts them, is in the area.
func (a *placedArea) has(c grid.Point) bool { return a.Cells.Has(c.Sub(a.by)) }

// areasHere lists the areas of the player's map and its neighbours, and looks whether anything acts there on what moves.
func (g *Game) areasHere() {
	g.areas = g.areas[:0]
	g.forced = g.ground.Map.Forces.Filled() != usualForces
	g.ground.Neighbours(func(m *world.Map, _ grid.Point) { g.forced = g.forced || m.Forces.Filled() != usualForces })
	for _, a := range g.doc.Areas {
		if by, is := near(g.ground, a.Map); is {
			g.areas = append(g.areas, placedArea{a, by})
			g.forced = g.forced || a.Forces.Filled() != usualForces
		}
	}
}

// calmed reports whether the forces of an area are switched off.
func (g *Game) calmed(area world.ID) bool {
	_, is := slices.BinarySearch(g.calm, area)
	return is
}

// switchForces switches the forces of an area off, or on again.
func (g *Game) switchForces(area world.ID, off bool) {
	i, is := slices.BinarySearch(g.calm, area)
	g.stale = g.stale || off != is
	switch {
	case off && !is && g.doc.Area(area) != nil:
		g.calm = lists.Insert(g.calm, i, area)
	case !off && is:
		g.calm = slices.Delete(g.calm, i, i+1)
	}
}
