package play

import (
	"iter"
	"sort"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/lists"
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
		g.things = lists.Without(g.things, func(t Thing) bool { return t.From != 0 && t.Gone })
		g.meet()
	}
}

// emitFrom lets something come out of an emitter, if there are not too many from it and there is
// room; it reports whether something came. It is among the things at once, among the actors
// after meet.
func (g *Game) emitFrom(a *actor) bool {
	of := g.drawn(a)
	if of == 0 {
		return false
	}
	size := g.sizeOf(of, a.piece, g.ground.Map.View)
	if !g.hasRoom(a, of, size, a.Foot) {
		return false
	}
	g.come(a, of, a.Foot)
	return true
}

// drawn is what comes next out of something by its weights; 0 for nothing, or if there are too many from it.
func (g *Game) drawn(a *actor) world.ID {
	alive := 0
	for _, t := range g.things {
		if t.From == a.piece.ID && !t.Gone {
			alive++
		}
	}
	// Drawn in any case, so that what comes later does not depend on it.
	of := a.Acts.Odds.Draw(g.random(a.Acts.Odds.Sum()))
	if alive >= a.Acts.Most {
		return 0
	}
	return of
}

// hasRoom reports whether what comes out of something can be in a place. Those that came in this tick are not among the actors yet.
func (g *Game) hasRoom(a *actor, of world.ID, size body.Size, at body.Place) bool {
	if !g.ground.Fits(size, at) || isSolid(of) && (g.meetsPlayer(size, at) || g.occupied(size.Box(at))) {
		return false
	}
	for _, t := range g.things[len(g.things)-g.emitting:] {
		if isSolid(of) && g.sizeOf(t.Type, a.piece, g.ground.Map.View).Box(t.Place).Meets(size.Box(at)) {
			return false
		}
	}
	return true
}

// come adds what came out of something to the things.
func (g *Game) come(a *actor, of world.ID, at body.Place) {
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
}

// release lets come out of what the player opened what is in it: in the free cells beside it, nearest first and not onto the player, from above and below
// last. What has no room stays away.
func (g *Game) release() {
	opened := g.opened
	if g.opened = g.opened[:0]; len(opened) == 0 {
		return
	}
	g.emitting = 0
	for _, id := range opened {
		a := g.actorOf(id)
		if a == nil {
			continue
		}
		cells := g.cellsBeside(a)
		for n := range a.Acts.Most {
			of := g.drawn(a)
			if of == 0 {
				continue
			}
			size := g.sizeOf(of, a.piece, g.ground.Map.View)
			for k := range cells {
				at := g.ground.At(cells[(n+k)%len(cells)])
				if g.hasRoom(a, of, size, at) && !g.meetsPlayer(size, at) {
					g.come(a, of, at)
					break
				}
			}
		}
	}
	if g.emitting > 0 {
		g.things = lists.Without(g.things, func(t Thing) bool { return t.From != 0 && t.Gone })
		g.meet()
	}
}

// cellsBeside are the cells beside something that acts, the nearest first.
func (g *Game) cellsBeside(a *actor) (cells []grid.Point) {
	foot := a.Foot.Cell(g.ground.Lattice)
	for y := foot.Y - 1; y <= foot.Y+1; y++ {
		for x := foot.X - 1; x <= foot.X+1; x++ {
			if c := (grid.Point{X: x, Y: y}); g.ground.Inside(c) {
				cells = append(cells, c)
			}
		}
	}
	sort.SliceStable(cells, func(i, j int) bool { return abs(cells[i].Y-foot.Y) < abs(cells[j].Y-foot.Y) })
	return cells
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
