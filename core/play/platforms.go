package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/stage"
	"azzel/core/world"
)

// trackOf is the way of a thing: its track, or to where it goes and back; nil if it has none.
func (g *Game) trackOf(a *actor) *stage.Track {
	p, round := a.piece, false
	by := g.shift(a.home, g.ground.Map)
	points := []body.Place{a.Foot}
	of, from := g.followed(a)
	if of != nil {
		points[0] = added(from, by)
	} else {
		of = g.doc.Track(p.Refers(props.Track))
	}
	if of != nil && of.Map == a.home.ID {
		round = of.Round
		for _, at := range of.Points {
			points = append(points, added(body.Place{X: at.X * body.Unit, Y: (at.Y + 1) * body.Unit}, by))
		}
	} else if to := p.To(); to != (grid.Point{}) {
		points = append(points, body.Place{X: a.Foot.X + to.X*body.Unit, Y: a.Foot.Y + to.Y*body.Unit})
	}
	return stage.NewTrack(points, round)
}

// wentOn takes along what stands on something solid that went from one box to another, and pushes what is in its way.
func (g *Game) wentOn(a *actor, was, is body.Box) {
	if lies(a.of) && g.ground.Map.View == world.TopDown {
		g.ground.Floors.Set(a.box, is)
	} else {
		g.ground.Boxes.Set(a.box, is)
	}
	if was == is {
		return
	}
	if !g.ridersFound {
		g.findRiders()
		g.ridersFound = true
	}
	g.ride(was, is, 0)
	for _, i := range g.carried {
		g.actors[i].carried = false
	}
	g.carried = g.carried[:0]
}

// inTheWay reports whether the player or something that can be taken along would be where something solid is that goes from one box to
// another, or stands on it; and whether any of them has no room to be taken along or pushed aside.
func (g *Game) inTheWay(a *actor, was, is body.Box) (meets, stuck bool) {
	g.ground.Boxes.Set(a.box, is)
	defer g.ground.Boxes.Set(a.box, was)
	look := func(size body.Size, at body.Place, rises bool) {
		_, ok := g.borne(size, at, rises, was, is)
		meets, stuck = meets || size.Box(at).Meets(is), stuck || !ok
	}
	if !g.drifting && !g.away {
		look(g.size, g.place, g.motion.VY < 0)
	}
	for k := range g.actors {
		o := &g.actors[k]
		if o == a || !o.Kind.Ridden || !g.there(o) {
			continue
		}
		t := &g.things[o.at]
		if !over(was, is).Meets(grown(o.Size.Box(t.Place))) {
			continue
		}
		if o.box >= 0 {
			g.ground.Boxes.Set(o.box, body.Nowhere)
		}
		look(o.Size, t.Place, t.Motion.VY < 0)
		if o.box >= 0 {
			g.ground.Boxes.Set(o.box, o.Size.Box(t.Place))
		}
	}
	return meets, stuck
}

// findRiders notes where everything is that can be taken along, by the places among the actors.
func (g *Game) findRiders() {
	l := g.ground.Lattice
	if g.riders.Len() != len(g.actors) {
		g.riders.Reset(max(l.W, l.H))
		for range g.actors {
			g.riders.Add(body.Nowhere)
		}
	}
	for k := range g.actors {
		a, box := &g.actors[k], body.Nowhere
		if a.Kind.Ridden && g.there(a) {
			box = a.Size.Box(g.things[a.at].Place)
		}
		g.riders.Set(k, box)
	}
}

// mostRides is how many things may stand on one another.
const mostRides = 8

// ride takes along everything that stands on what went from one box to another, and pushes what
// is in its way. What goes along is in nobody's way meanwhile.
func (g *Game) ride(was, is body.Box, depth int) {
	if depth == mostRides {
		return
	}
	near := over(was, is)
	near.Y0--
	var riders []int
	g.riders.Near(near, func(k int, at body.Box) bool {
		if a := &g.actors[k]; !a.carried && at.Meets(near) && g.there(a) {
			riders = append(riders, k)
		}
		return true
	})
	// In the order of the cast, each once.
	slices.Sort(riders)
	riders = slices.Compact(riders)
	for _, k := range riders {
		a := &g.actors[k]
		if a.box >= 0 && g.standsOn(a, was) {
			g.ground.Boxes.Set(a.box, body.Nowhere)
		}
	}
	g.carry(was, is)
	for _, k := range riders {
		a := &g.actors[k]
		if a.carried || !g.there(a) {
			continue
		}
		before := a.Size.Box(g.things[a.at].Place)
		a.carried = true
		g.carried = append(g.carried, k)
		if a.box >= 0 {
			if dy := is.Y0 - was.Y0; dy < 0 && g.ground.Map.View == world.SideView && g.standsOn(a, was) {
				// What stands on it makes room first.
				g.ride(before, moved(before, is.X0-was.X0, dy), depth+1)
			}
			g.ground.Boxes.Set(a.box, body.Nowhere)
		}
		t := &g.things[a.at]
		to, ok := g.borne(a.Size, t.Place, t.Motion.VY < 0, was, is)
		if !ok {
			g.remove(a)
			g.riders.Set(k, body.Nowhere)
			continue
		}
		t.Place = to
		g.riders.Set(k, a.Size.Box(to))
		if a.box < 0 {
			continue
		}
		after := a.Size.Box(to)
		g.ground.Boxes.Set(a.box, after)
		if after != before {
			g.ride(before, after, depth+1)
		}
		if g.meetsPlayer(a.Size, to) {
			g.crush()
		}
	}
}

// standsOn reports whether a thing stands on what covers a box: from above, on a raft.
func (g *Game) standsOn(a *actor, on body.Box) bool {
	t := &g.things[a.at]
	if g.ground.Map.View == world.TopDown {
		return on.Meets(body.Box{X0: t.Place.X, Y0: t.Place.Y - 1, X1: t.Place.X + 1, Y1: t.Place.Y})
	}
	b := a.Size.Box(t.Place)
	return t.Motion.VY >= 0 && b.Y1 == on.Y0 && b.X0 < on.X1 && on.X0 < b.X1
}

// carry takes the player along who stands on what went from one box to another, or pushes them
// who is in its way. Who can't be pushed is hurt and comes back to where they came in.
func (g *Game) carry(was, is body.Box) {
	if g.drifting || g.away {
		return
	}
	to, ok := g.borne(g.size, g.place, g.motion.VY < 0, was, is)
	if !ok {
		g.crush()
		return
	}
	if g.stepping {
		g.goal = body.Place{X: g.goal.X + to.X - g.place.X, Y: g.goal.Y + to.Y - g.place.Y}
	}
	g.place = to
}

// borne is where a body comes to be that stands on what went from one box to another, or is in its
// way; ok is false if there is no room for it.
func (g *Game) borne(size body.Size, p body.Place, rises bool, was, is body.Box) (to body.Place, ok bool) {
	dx, dy := is.X0-was.X0, is.Y0-was.Y0
	mine := size.Box(p)
	if g.ground.Map.View == world.TopDown && isFloor(g, is) {
		return g.afloat(size, p, was, is), true
	}
	if g.ground.Map.View == world.SideView && !rises && mine.Y1 == was.Y0 && mine.X0 < was.X1 && was.X0 < mine.X1 {
		to := body.Place{X: p.X, Y: p.Y + dy}
		if !g.ground.Fits(size, to) {
			return p, dy > 0
		}
		to, _ = g.ground.Along(size, to, dx)
		return to, true
	}
	if !mine.Meets(is) {
		return p, true
	}
	// Out of its way: in the direction it goes, sideways first.
	tries := [2]body.Place{p, p}
	switch {
	case dx > 0:
		tries[0].X += is.X1 - mine.X0
	case dx < 0:
		tries[0].X -= mine.X1 - is.X0
	}
	switch {
	case dy > 0:
		tries[1].Y += is.Y1 - mine.Y0
	case dy < 0:
		tries[1].Y -= mine.Y1 - is.Y0
	}
	for _, to := range tries {
		if to != p && g.ground.Fits(size, to) {
			return to, true
		}
	}
	return p, false
}

// isFloor reports whether a box is one of the floors of the map.
func isFloor(g *Game, b body.Box) bool {
	return !g.ground.Floors.Near(b, func(_ int, f body.Box) bool { return f != b })
}

// afloat is where a body comes to be on a raft that went from one box to another, if its foot was
// on it. Who hangs over its edge is drawn onto it where they would be in the water.
func (g *Game) afloat(size body.Size, p body.Place, was, is body.Box) body.Place {
	if !was.Meets(body.Box{X0: p.X, Y0: p.Y - 1, X1: p.X + 1, Y1: p.Y}) {
		return p
	}
	dx, dy := is.X0-was.X0, is.Y0-was.Y0
	for _, to := range []body.Place{{X: p.X + dx, Y: p.Y + dy}, {X: p.X + dx, Y: p.Y}, {X: p.X, Y: p.Y + dy}} {
		if g.ground.Fits(size, to) {
			return to
		}
	}
	w, h := size.W*body.Unit, size.H*body.Unit
	onto := body.Place{X: p.X + dx, Y: p.Y + dy}
	onto.X = min(max(onto.X, is.X0+w/2), max(is.X0+w/2, is.X1-w/2))
	onto.Y = min(max(onto.Y, is.Y0+h), max(is.Y0+h, is.Y1))
	if g.ground.Fits(size, onto) {
		return onto
	}
	return p
}

// sink sets the player down on firm ground whom a raft has left in the water.
func (g *Game) sink() {
	if g.ground.Floors.Len() == 0 || g.drifting || g.ground.Fits(g.size, g.place) {
		return
	}
	if c, ok := g.ground.Nearest(g.size, g.place.Cell(g.ground.Lattice), 1); ok {
		// One foot on land is enough.
		g.put(g.ground.At(c))
		return
	}
	g.happens(Sank)
	g.comeBack()
}

// crush hurts who is between two things, and lets them come back to where they came in.
func (g *Game) crush() {
	g.loseHealth(1)
	g.happens(Crushed)
	g.away = true
}
