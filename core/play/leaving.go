package play

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/logic"
	"azzel/core/world"
)

// leave lets happen what the edge does over which the foot has gone, if any.
func (g *Game) leave() {
	l := g.doc.Project.Lattice()
	cell := g.place.Cell(l)
	if g.ground.Map.Bounds.Has(cell) {
		return
	}
	if beside := g.ground.Beside(cell); beside != g.ground.Map {
		g.goOver(beside)
		if cell = g.place.Cell(l); beside.Bounds.Has(cell) {
			return
		}
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
		by := g.shift(g.ground.Map, beside.Map)
		g.place, g.goal = added(g.place, by), added(g.goal, by)
		g.enter(beside.Map)
		g.entered, g.enteredOn, g.through = g.place, 0, 0
		g.comesBackTo(0)
		if !g.ground.Fits(g.size, g.place) {
			// It is seen otherwise there, so that the player is larger.
			g.toNearest(g.place.Cell(l))
		}
		return
	}
	g.happens(Fell)
	g.comeBack()
}

// goOver lets the player go on to a neighbour. After harm they come back to where they came in before.
func (g *Game) goOver(m *world.Map) {
	from, by := g.mapID, g.shift(g.ground.Map, m)
	g.place, g.goal = added(g.place, by), added(g.goal, by)
	g.enter(m)
	if g.lens.on == from {
		// It goes on after the player without a jump, as far as it may look beyond the edge.
		g.lens.at, g.lens.on = added(g.lens.at, by), g.mapID
	}
	g.camePast(from)
}

// camePast says on which map the player came in who was on another one until now, perhaps the same.
func (g *Game) camePast(m world.ID) {
	if g.enteredOn == 0 {
		g.enteredOn = m
	}
	if g.enteredOn == g.mapID {
		g.enteredOn = 0
	}
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
	if g.harmed(g.ground.Map, g.doc.Map(g.enteredOn)) {
		g.meetAnew()
	}
	if m := g.doc.Map(g.enteredOn); m != nil {
		at, checkpoint := g.entered, g.checkpoint
		g.enter(m)
		g.entered, g.enteredOn, g.checkpoint = at, 0, checkpoint
	} else if g.enteredOn != 0 {
		// That map is gone.
		g.entered, g.enteredOn = g.place, 0
		g.comesBackTo(0)
	}
	if g.ground.Fits(g.size, g.entered) {
		g.put(g.entered)
		g.started = g.checkpoint
	} else {
		g.toNearest(g.entered.Cell(g.doc.Project.Lattice()))
	}
	g.raise(logic.PlayerBack, 0, 0, 0)
}

// toNearest sets the player down on the free cell of the map nearest to one, or at the spawn.
func (g *Game) toNearest(c grid.Point) bool {
	if !g.ground.Inside(c) {
		c = g.ground.Map.Bounds.Clamp(c)
	}
	if to, ok := g.ground.Nearest(g.size, c, -1); ok {
		g.set(g.ground.Map, to)
		return true
	}
	g.happens(AtSpawn)
	if g.toSpawn() {
		return true
	}
	// There is no room anywhere: as if they went through walls, until there is.
	g.drifting = true
	return false
}
