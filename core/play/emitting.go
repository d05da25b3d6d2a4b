package play

import (
	"iter"
	"slices"

	"azzel/core/body"
	"azzel/core/stage"
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

// emitAll lets come what is due to come out of things.
func (g *Game) emitAll() {
	g.emitting = 0
	g.phase(sources, func(b any, all iter.Seq[*stage.Actor]) { b.(stage.Source).Let(all, around{g}) })
	if g.emitting > 0 {
		g.things = slices.DeleteFunc(g.things, func(t Thing) bool { return t.From != 0 && t.Gone })
		g.meet()
	}
}

// emitFrom lets something come out of an emitter, if there are not too many from it and there is
// room; it reports whether something came. It is among the things at once, among the actors
// after meet.
func (g *Game) emitFrom(a *actor) bool {
	alive := 0
	for _, t := range g.things {
		if t.From == a.piece.ID && !t.Gone {
			alive++
		}
	}
	// Drawn in any case, so that what comes later does not depend on it.
	of := a.Acts.Odds.Draw(g.random(a.Acts.Odds.Sum()))
	if alive >= a.Acts.Most || of == 0 {
		return false
	}
	size := g.sizeOf(of, a.piece, g.ground.Map.View)
	at := a.Foot
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
	t := Thing{ID: emitted | world.ID(g.came), Type: of, From: a.piece.ID, Place: at, Heading: headingOf(a.piece, g.ground.Map.View)}
	if a.home != g.ground.Map {
		t.Frame = g.mapID
	}
	if isHazard(of) {
		t.Left = 2 * TicksPerSecond
	}
	// Numbers only grow, so that the things stay sorted.
	g.things = append(g.things, t)
	return true
}

// occupied reports whether a foe or pushable is in a box.
func (g *Game) occupied(b body.Box) bool {
	for k := range g.actors {
		a := &g.actors[k]
		if a.Kind.Ridden && g.there(a) && a.Size.Box(g.things[a.at].Place).Meets(b) {
			return true
		}
	}
	return false
}

// fall lets a thing fall by a tick, and reports whether something stopped it.
func (g *Game) fall(a *stage.Actor) (stopped bool) {
	m := &a.Motion
	m.VY = min(m.VY+2*a.Drive.Under(g.forcesAt(a.Size, a.Place).Gravity).Half, a.Drive.Fall)
	a.Place, stopped = g.ground.Drop(a.Size, a.Place, m.VY/(body.Fine/body.Unit))
	return stopped
}
