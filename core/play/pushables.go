package play

import (
	"iter"
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/stage"
	"azzel/core/world"
)

const (
	// mostPushed is how many things in a row can be pushed, mostPushes how many at all in a
	// tick: more of them stand firm.
	mostPushed, mostPushes = 16, 64
)

// pushAhead pushes what can be pushed and is in the way of a player who goes to some side, by half
// of how fast they go, and reports how far.
func (g *Game) pushAhead(dx, dy int) int {
	if !g.moves.Can(world.Pushing) || g.drifting || dx == 0 && dy == 0 {
		return 0
	}
	step := max(1, g.speed()/2)
	g.pushes = mostPushes
	mine := g.size.Box(g.place)
	next := moved(mine, dx, dy)
	far := -1
	for _, k := range g.pushable {
		a := &g.actors[k]
		if !g.there(a) {
			continue
		}
		if b := a.Size.Box(g.things[a.at].Place); b.Meets(next) && !b.Meets(mine) {
			is := g.push(a, dx*step, dy*step, 0)
			if far < 0 || is < far {
				far = is
			}
		}
	}
	return max(far, 0)
}

// shovable is the pushable in the cell ahead of a player who walks cell by cell, if it can be pushed
// on by a whole cell; 0 for none.
func (g *Game) shovable(dx, dy int) world.ID {
	l := g.ground.Lattice
	to := g.goal.Cell(l)
	for _, k := range g.pushable {
		a := &g.actors[k]
		if !g.there(a) || g.things[a.at].Place.Cell(l) != to || !g.moves.Can(world.Pushing) {
			continue
		}
		// Tried on a copy: only a whole cell counts.
		things, boxes := slices.Clone(g.things), g.ground.Boxes.List()
		g.pushes = mostPushes
		whole := abs(dx)*l.W*body.Unit + abs(dy)*l.H*body.Unit
		far := g.push(a, dx*whole, dy*whole, 0)
		g.things = things
		for i, b := range boxes {
			g.ground.Boxes.Set(i, b)
		}
		if far == whole {
			return g.things[a.at].ID
		}
	}
	return 0
}

// shove pushes what is pushed on with a step.
func (g *Game) shove(dx, dy int) {
	g.pushes = mostPushes
	for _, k := range g.pushable {
		if a := &g.actors[k]; a.piece.ID == g.shoved && g.there(a) {
			g.push(a, dx, dy, 0)
		}
	}
}

func moved(b body.Box, dx, dy int) body.Box {
	return body.Box{X0: b.X0 + dx, Y0: b.Y0 + dy, X1: b.X1 + dx, Y1: b.Y1 + dy}
}

// over is the box that covers two.
func over(a, b body.Box) body.Box {
	return body.Box{X0: min(a.X0, b.X0), Y0: min(a.Y0, b.Y0), X1: max(a.X1, b.X1), Y1: max(a.Y1, b.Y1)}
}

// push moves a pushable along one axis, with those that are in its way, and tells how far it got.
// Foes and the player stop it.
func (g *Game) push(a *actor, dx, dy, depth int) int {
	if g.pushes--; g.pushes < 0 {
		return 0
	}
	t := &g.things[a.at]
	mine := a.Size.Box(t.Place)
	most := max(abs(dx), abs(dy))
	sx, sy := sign(dx), sign(dy)
	// Cell by cell, what is in the next cell goes along at once, so that all stay in the middle of
	// their cells.
	near := 0
	if g.ground.Map.View == world.TopDown && g.moves.Steering == world.CellByCell {
		near = (abs(sx)*(g.ground.Lattice.W-a.Size.W) + abs(sy)*(g.ground.Lattice.H-a.Size.H)) * body.Unit
	}
	swept := over(mine, moved(mine, dx+sx*near, dy+sy*near))
	for k := range g.actors {
		o := &g.actors[k]
		if o == a || !o.Kind.Ridden || !g.there(o) {
			continue
		}
		b := o.Size.Box(g.things[o.at].Place)
		if !b.Meets(swept) || b.Meets(mine) {
			continue
		}
		free := distance(mine, b, sx, sy)
		if o.Kind.Pushed && depth < mostPushed {
			gap := free
			if free <= near {
				gap = 0
			}
			free = gap + g.push(o, sx*max(0, most-gap), sy*max(0, most-gap), depth+1)
		}
		most = min(most, free)
	}
	if b := g.size.Box(g.place); b.Meets(swept) && !b.Meets(mine) {
		most = min(most, distance(mine, b, sx, sy))
	}
	g.ground.Boxes.Set(a.box, body.Nowhere)
	to := t.Place
	if g.ground.Map.View == world.SideView {
		to, _ = g.ground.Along(a.Size, to, sx*most)
	} else {
		to = g.ground.Move(a.Size, to, sx*most, sy*most)
	}
	if !g.inside(to) || g.ground.Doorway(to.Cell(g.ground.Lattice)) || g.meetsPlayer(a.Size, to) {
		to = t.Place
	}
	far := max(abs(to.X-t.Place.X), abs(to.Y-t.Place.Y)*abs(sy))
	t.Place = to
	g.ground.Boxes.Set(a.box, a.Size.Box(to))
	return far
}

// distance is how far it is from a box to another that lies to a side of it.
func distance(from, to body.Box, sx, sy int) int {
	switch {
	case sx > 0:
		return max(0, to.X0-from.X1)
	case sx < 0:
		return max(0, from.X0-to.X1)
	case sy > 0:
		return max(0, to.Y0-from.Y1)
	}
	return max(0, from.Y0-to.Y1)
}

func sign(n int) int {
	switch {
	case n > 0:
		return 1
	case n < 0:
		return -1
	}
	return 0
}

// meetsPlayer reports whether a body would be where the player is.
func (g *Game) meetsPlayer(s body.Size, p body.Place) bool {
	return !g.drifting && !g.away && s.Box(p).Meets(g.size.Box(g.place))
}

// slideAll lets what is pushed and thrown fall, fly and slide. What is carried goes with the player.
func (g *Game) slideAll() {
	for _, k := range sliders() {
		k.Behaviour.(stage.Slider).Slide(g.loose(k), around{g})
	}
}

// loose are those of a kind that slide. Each is not solid for itself meanwhile.
func (g *Game) loose(k *kind.Kind) iter.Seq[*stage.Actor] {
	return func(yield func(*stage.Actor) bool) {
		for _, i := range g.by[k.ID] {
			a := &g.actors[i]
			t := &g.things[a.at]
			if t.Gone || a.absent || a.left {
				continue
			}
			if t.ID == g.lifted {
				t.Place = body.Place{X: g.place.X, Y: g.place.Y - g.size.H*body.Unit}
				continue
			}
			a.Thing, g.acting = t, a
			g.ground.Boxes.Set(a.box, body.Nowhere)
			if !yield(&a.Actor) {
				return
			}
			if !t.Gone && !a.left {
				g.ground.Boxes.Set(a.box, a.Box())
			}
		}
	}
}

// lift picks up the pushable ahead, or throws what was picked up, or puts it down while down is
// held; it reports whether there was anything to do so with.
func (g *Game) lift(in Input) bool {
	if !g.moves.Can(world.Carrying) || g.drifting {
		return false
	}
	heading := ahead[g.facing]
	l := g.ground.Lattice
	mine := g.size.Box(g.place)
	for _, k := range g.pushable {
		a := &g.actors[k]
		t := &g.things[a.at]
		if t.Gone || a.absent || a.left {
			continue
		}
		if g.lifted == 0 && a.Size.Box(t.Place).Meets(moved(mine, heading.X*l.W*body.Unit/2, heading.Y*l.H*body.Unit/2)) {
			g.lifted = t.ID
			t.Motion, t.Thrown = body.Motion{}, false
			g.ground.Boxes.Set(a.box, body.Nowhere)
			return true
		}
		if g.lifted != t.ID {
			continue
		}
		if !g.letGo(a, t, heading, in&Down != 0 && in&Up == 0) {
			g.happens(NoRoom)
		}
		return true
	}
	return false
}

// letGo throws what is carried to a side, or puts it down there, and reports whether there is room.
func (g *Game) letGo(a *actor, t *Thing, heading grid.Point, down bool) bool {
	side := g.ground.Map.View == world.SideView
	at := body.Place{X: g.place.X, Y: g.place.Y - g.size.H*body.Unit}
	var m body.Motion
	if !side || down {
		w, h := (g.size.W+a.Size.W)*body.Unit/2, g.size.H*body.Unit
		at = body.Place{X: g.place.X + heading.X*w, Y: g.place.Y}
		if heading.Y > 0 {
			at.Y += a.Size.H * body.Unit
		} else if heading.Y < 0 {
			at.Y -= h
		}
	}
	if !down {
		speed := body.Speed(g.moves.Throw, g.ground.Lattice.W)
		m.VX, m.VY = heading.X*speed, heading.Y*speed
		if side {
			m.VX, m.VY = m.VX+g.motion.VX, -body.Speed(g.moves.ThrowRise, g.ground.Lattice.H)
		}
	}
	c := at.Cell(g.ground.Lattice)
	if !g.ground.Inside(c) || g.ground.Doorway(c) || !g.ground.Fits(a.Size, at) || g.meetsPlayer(a.Size, at) {
		// Right before something that can be hit it hits that, and stays in the hands.
		return !down && g.strikes(a.Size.Box(at), a.Size.Box(at), true)
	}
	g.lifted = 0
	t.Place, t.Motion, t.Thrown = at, m, !down
	g.ground.Boxes.Set(a.box, a.Size.Box(at))
	return true
}

// leaveBehind lets what is carried go back to where it was at first, as the player goes to another
// map.
func (g *Game) leaveBehind() {
	if g.lifted == 0 {
		return
	}
	if i, there := g.thing(g.lifted); there {
		t := &g.things[i]
		t.Motion, t.Thrown = body.Motion{}, false
		if m, p := g.doc.Piece(t.ID); p != nil {
			t.Place, t.On, t.Frame = footOf(p), 0, 0
			if _, is := near(g.ground, m.ID); is {
				g.takeIn(member{p, m, t})
			}
		} else {
			t.Gone = true
		}
	}
	g.lifted = 0
	g.solidThings(g.ground)
}
