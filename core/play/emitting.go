package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/world"
)

// draw is what a lottery piece is in this play: the same each time it is asked. 0 is nothing.
func (g *Game) draw(m *world.Map, p *world.Piece) world.ID {
	odds := p.Odds()
	if odds.Sum() == 0 {
		odds = m.Lottery
	}
	if odds.Sum() == 0 {
		odds = world.UsualLottery
	}
	n := mixed(mixed(mixed(g.chance+1)+uint64(m.Number)) + uint64(p.Number))
	return odds.Draw(int(n % uint64(odds.Sum())))
}

// emit lets come what is due to come out of the emitters of the map.
func (g *Game) emit() {
	came := false
	g.emitting = 0
	for _, k := range g.by[world.Emitter] {
		a := &g.actors[k]
		t := &g.things[a.at]
		if a.absent || a.left || a.off {
			continue
		}
		if t.wait++; int(t.wait) < a.acts.every {
			continue
		}
		t.wait = 0
		came = g.emitFrom(a) || came
	}
	if came {
		g.things = slices.DeleteFunc(g.things, func(t Thing) bool { return t.from != 0 && t.Gone })
		g.meet()
	}
}

// emitFrom lets something come out of an emitter, if there are not too many from it and there is
// room; it reports whether something came. It is among the things at once, among the actors
// after meet.
func (g *Game) emitFrom(a *actor) bool {
	alive := 0
	for _, t := range g.things {
		if t.from == a.piece.ID && !t.Gone {
			alive++
		}
	}
	// Drawn in any case, so that what comes later does not depend on it.
	of := a.acts.odds.Draw(g.random(a.acts.odds.Sum()))
	if alive >= a.acts.most || of == 0 {
		return false
	}
	size := g.sizeOf(of, a.piece, g.ground.Map.View)
	at := a.foot
	if !g.ground.Fits(size, at) || isSolid(of) && (g.meetsPlayer(size, at) || g.occupied(size.Box(at))) {
		return false
	}
	for _, t := range g.things[len(g.things)-g.emitting:] {
		// Those that came in this tick are not among the actors yet.
		if isSolid(of) && g.sizeOf(t.Type, a.piece, g.ground.Map.View).Box(t.Place).Meets(size.Box(at)) {
			return false
		}
	}
	g.emitting++
	g.came++
	t := Thing{ID: emitted | world.ID(g.came), Type: of, from: a.piece.ID, Place: at, Heading: headingOf(a.piece, g.ground.Map.View)}
	if a.home != g.ground.Map {
		t.frame = g.mapID
	}
	if isHazard(of) {
		t.left = 2 * TicksPerSecond
	}
	// Numbers only grow, so that the things stay sorted.
	g.things = append(g.things, t)
	return true
}

// occupied reports whether a foe or pushable is in a box.
func (g *Game) occupied(b body.Box) bool {
	for k := range g.actors {
		a := &g.actors[k]
		if (a.of == world.Foe || a.of == world.Pushable) && g.there(a) && a.size.Box(g.things[a.at].Place).Meets(b) {
			return true
		}
	}
	return false
}

// moveDrops lets fall what came out of emitters and neither goes nor is pushed. In side-view hazards
// fall to the ground and are gone, collectibles lie there; from above hazards are there for a while.
func (g *Game) moveDrops() {
	for _, k := range g.by[world.Collectible] {
		a := &g.actors[k]
		t := &g.things[a.at]
		if t.from == 0 || t.Gone || g.ground.Map.View == world.TopDown {
			continue
		}
		if g.fall(a, t) {
			t.motion.VY = 0
		}
		t.Gone = !g.inside(t.Place)
	}
	for _, k := range g.by[world.Hazard] {
		a := &g.actors[k]
		t := &g.things[a.at]
		if t.from == 0 || t.Gone {
			continue
		}
		if g.ground.Map.View == world.TopDown {
			t.left--
			t.Gone = t.left <= 0
			continue
		}
		t.Gone = g.fall(a, t) || !g.inside(t.Place)
	}
}

// fall lets a thing fall by a tick, and reports whether something stopped it.
func (g *Game) fall(a *actor, t *Thing) (stopped bool) {
	m := &t.motion
	m.VY = min(m.VY+2*a.drive.Under(g.forcesAt(a.size, t.Place).Gravity).Half, a.drive.Fall)
	t.Place, stopped = g.ground.Drop(a.size, t.Place, m.VY/(body.Fine/body.Unit))
	return stopped
}
