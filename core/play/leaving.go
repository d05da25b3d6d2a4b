package play

import (
	"azzel/core/body"
	"azzel/core/grid"
)

// leave lets happen what the edge does over which the foot has gone, if any.
func (g *Game) leave() {
	l := g.doc.Project.Lattice()
	cell := g.place.Cell(l)
	if g.ground.Map.Bounds.Has(cell) {
		return
	}
	if to, wraps := g.ground.Wrap(g.place); wraps {
		g.goal = body.Place{X: g.goal.X + to.X - g.place.X, Y: g.goal.Y + to.Y - g.place.Y}
		if g.place = to; !g.ground.Fits(g.size, g.place) {
			// Something that moves is there.
			g.toNearest(g.place.Cell(l))
		}
		return
	}
	if beside, _ := g.ground.Across(cell); beside != nil {
		by := l.Pixel(g.ground.Map.Origin.Sub(beside.Map.Origin))
		g.place = body.Place{X: g.place.X + by.X*body.Unit, Y: g.place.Y + by.Y*body.Unit}
		g.goal = body.Place{X: g.goal.X + by.X*body.Unit, Y: g.goal.Y + by.Y*body.Unit}
		g.enter(beside.Map)
		g.entered, g.checkpoint, g.through = g.place, 0, 0
		if !g.ground.Fits(g.size, g.place) {
			// It is seen otherwise there, so that one is larger.
			g.toNearest(g.place.Cell(l))
		}
		return
	}
	g.tell(Fell)
	g.comeBack()
}

// arrive sets a player down who is on their way back.
func (g *Game) arrive() {
	if g.away {
		g.away = false
		g.comeBack()
	}
}

// comeBack sets the player down where they came in, or as near to it as there is room, as what
// one came in by may be solid by now.
func (g *Game) comeBack() {
	if g.ground.Fits(g.size, g.entered) {
		g.put(g.entered)
		g.started = g.checkpoint
	} else {
		g.toNearest(g.entered.Cell(g.doc.Project.Lattice()))
	}
}

// toNearest sets the player down on the free cell of the map nearest to one, or at the spawn.
func (g *Game) toNearest(c grid.Point) bool {
	if to, ok := g.ground.Nearest(g.size, g.ground.Map.Bounds.Clamp(c), -1); ok {
		g.set(g.ground.Map, to)
		return true
	}
	g.tell(AtSpawn)
	if g.toSpawn() {
		return true
	}
	// There is no room anywhere: as if they went through walls, until there is.
	g.drifting = true
	return false
}
