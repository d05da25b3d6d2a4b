package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/world"
)

// convey moves what stands on an actor, which itself stays where it is, as far as there is room: in the order of the cast, each once in a tick. It is in nobody's way,
// and nobody is pushed against the player.
func (g *Game) convey(a *actor, dx, dy int) {
	if !g.ridersFound {
		g.findRiders()
		g.ridersFound = true
	}
	belt := a.Size.Box(g.things[a.at].Place)
	if !g.drifting && !g.away {
		g.conveyPlayer(belt, dx, dy)
	}
	near := over(belt, belt)
	near.Y0--
	var riders []int
	g.riders.Near(near, func(k int, at body.Box) bool {
		if o := &g.actors[k]; o != a && !o.conveyed && at.Meets(near) && g.there(o) && g.standsOn(o, belt) && middleOver(belt, g.things[o.at].Place) {
			riders = append(riders, k)
		}
		return true
	})
	slices.Sort(riders)
	for _, k := range slices.Compact(riders) {
		o := &g.actors[k]
		o.conveyed = true
		g.conveying = append(g.conveying, k)
		t := &g.things[o.at]
		before := o.Size.Box(t.Place)
		if o.box >= 0 {
			g.ground.Boxes.Set(o.box, body.Nowhere)
		}
		to := g.conveyed(o.Size, t.Place, dx, dy)
		if o.Kind.Solid && g.meetsPlayer(o.Size, to) {
			to = t.Place
		}
		t.Place = to
		after := o.Size.Box(to)
		g.riders.Set(k, after)
		if o.box < 0 {
			continue
		}
		g.ground.Boxes.Set(o.box, after)
		if after != before {
			o.carried = true
			g.ride(before, after, 1)
			o.carried = false
		}
	}
	for _, i := range g.carried {
		g.actors[i].carried = false
	}
	g.carried = g.carried[:0]
}

// middleOver reports whether the middle of what stands at a place is over a belt, so that it is moved by the one of two belts on which it mostly stands.
func middleOver(belt body.Box, p body.Place) bool { return belt.X0 <= p.X && p.X < belt.X1 }

// conveyPlayer moves the player who stands on a belt. Who walks cell by cell goes on to the next cell while nothing is held down, and is not moved within a step.
func (g *Game) conveyPlayer(belt body.Box, dx, dy int) {
	switch {
	case g.now.conveyed:
		return
	case g.ground.Map.View == world.SideView:
		if mine := g.size.Box(g.place); g.motion.VY < 0 || mine.Y1 != belt.Y0 || !middleOver(belt, g.place) {
			return
		}
	case !belt.Meets(body.Box{X0: g.place.X, Y0: g.place.Y - 1, X1: g.place.X + 1, Y1: g.place.Y}):
		return
	case g.moves.Steering == world.CellByCell:
		if x, y := g.now.in.directions(); g.stepping || x != 0 || y != 0 {
			return
		}
		l := g.ground.Lattice
		goal := body.At(l, g.place.Cell(l).Add(grid.Point{X: sign(dx), Y: sign(dy)}))
		if g.ground.Move(g.size, g.place, goal.X-g.place.X, goal.Y-g.place.Y) == goal {
			g.goal, g.stepping, g.shoved = goal, true, 0
		}
		return
	}
	g.now.conveyed = true
	g.place = g.conveyed(g.size, g.place, dx, dy)
}

// conveyed is where a body comes to be that is moved by a belt.
func (g *Game) conveyed(size body.Size, p body.Place, dx, dy int) body.Place {
	if g.ground.Map.View == world.SideView {
		to, _ := g.ground.Along(size, p, dx)
		return to
	}
	return g.ground.Move(size, p, dx, dy)
}
