package play

import (
	"cmp"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// moveFoes lets everybody else of the map move.
func (g *Game) moveFoes() {
	for _, k := range g.by[world.Foe] {
		a := &g.actors[k]
		t := &g.things[a.at]
		if !g.there(a) || a.off {
			continue
		}
		g.aim(a, t)
		if a.does == props.Stands && g.ground.Map.View == world.TopDown {
			continue
		}
		if !g.ground.Fits(a.size, t.Place) {
			// Something became solid there: it waits until it is free again.
			continue
		}
		switch {
		case a.track != nil && a.does == props.Patrols:
			g.followTrack(a, t)
		case g.ground.Map.View == world.SideView:
			g.moveFoeFromTheSide(a, t)
		default:
			g.moveFoe(a, t)
		}
	}
}

// sees tells how far away the player is from a thing, and whether it sees them.
func (g *Game) sees(a *actor, t *Thing) (dx, dy int, sees bool) {
	dx, dy = g.place.X-t.Place.X, g.place.Y-t.Place.Y
	l := g.doc.Project.Lattice()
	return dx, dy, g.helped&Unseen == 0 && max(dx, -dx) <= a.acts.sight*l.W*body.Unit && max(dy, -dy) <= a.acts.sight*l.H*body.Unit
}

func (g *Game) moveFoeFromTheSide(a *actor, t *Thing) {
	in := body.Intent{X: t.Heading}
	dx, _, sees := g.sees(a, t)
	switch a.does {
	case props.Stands:
		in.X = 0
	case props.Follows, props.Flees:
		if in.X = 0; sees {
			in.X = cmp.Compare(dx, 0)
			if a.does == props.Flees {
				in.X = -in.X
			}
		}
		if in.X != 0 {
			t.Heading = in.X
		}
	case props.Wanders:
		if t.left--; t.left <= 0 {
			t.left = 30 + int32(g.random(90))
			t.Heading = g.random(3) - 1
		}
		in.X = t.Heading
	}
	if a.area != nil && in.X != 0 && g.leaves(a, t, in.X) {
		in.X, t.motion.VX = 0, 0
		t.turn(a)
	}
	before := t.Place
	if in.X != 0 && t.motion.Mode == body.Grounded && g.ground.Ledge(a.size, t.Place, in.X) {
		if t.turn(a); a.does == props.Patrols {
			in.X = t.Heading
		} else {
			in.X = 0
		}
		t.motion.VX = 0
	}
	drive := a.drive
	if f := g.forcesAt(a.size, t.Place); f != usualForces {
		drive = drive.Under(f.Gravity)
		dx, _ := g.wind(f)
		t.Place, t.motion = g.ground.Blow(a.size, t.Place, t.motion, drive, dx, body.Speed(f.WindY, g.ground.Lattice.H))
	}
	t.Place, t.motion = g.ground.Go(a.size, t.Place, t.motion, drive, in)
	if in.X != 0 && t.Place.X == before.X && t.motion.VX == 0 {
		t.turn(a)
	}
	if !g.inside(t.Place) {
		g.offTheMap(a, t)
	}
}

// turn lets who goes to and fro go the other way.
func (t *Thing) turn(a *actor) {
	if a.does == props.Patrols || a.does == props.Wanders {
		t.Heading = -t.Heading
	}
}

func (g *Game) moveFoe(a *actor, t *Thing) {
	dx, dy, sees := g.sees(a, t)
	speed := g.pace(a.acts.speed)
	way := ahead[t.Heading&3]
	switch a.does {
	case props.Follows, props.Flees:
		if !sees {
			return
		}
		way = grid.Point{X: cmp.Compare(dx, 0), Y: cmp.Compare(dy, 0)}
		if max(dx, -dx) > 2*max(dy, -dy) {
			way.Y = 0
		} else if max(dy, -dy) > 2*max(dx, -dx) {
			way.X = 0
		}
		if a.does == props.Flees {
			way = grid.Point{X: -way.X, Y: -way.Y}
		}
		if way.X != 0 && way.Y != 0 {
			speed = speed * 181 / 256
		}
	case props.Wanders:
		if t.left--; t.left <= 0 {
			t.left = 30 + int32(g.random(90))
			t.Heading = g.random(4)
		}
	}
	before := t.Place
	next := g.ground.Move(a.size, t.Place, way.X*speed, way.Y*speed)
	if f := g.forcesAt(a.size, next); f != usualForces {
		windX, windY := g.wind(f)
		next = g.ground.Move(a.size, next, windX, windY)
	}
	l := g.doc.Project.Lattice()
	if !g.inside(next) || g.ground.Doorway(next.Cell(l)) || g.strays(a, before, next) {
		next = before
	}
	if t.Place = next; next == before {
		switch a.does {
		case props.Patrols:
			t.Heading = [4]int{world.South: int(world.North), world.West: int(world.East), world.East: int(world.West), world.North: int(world.South)}[t.Heading&3]
		case props.Wanders:
			t.left = 0
		}
	}
}

// strays reports whether a thing, seen from above, would leave the area in which it is to stay and is, or,
// if it wanders and has none, go further from where its piece stands than its range.
func (g *Game) strays(a *actor, from, p body.Place) bool {
	if a.area != nil {
		l := g.ground.Lattice
		return a.inArea(from.Cell(l)) && !a.inArea(p.Cell(l))
	}
	if a.does != props.Wanders {
		return false
	}
	return g.far(a, p)
}

// far reports whether a place is further from where a thing's piece stands than its range.
func (g *Game) far(a *actor, p body.Place) bool {
	l, from := g.doc.Project.Lattice(), a.foot
	dx, dy := p.X-from.X, p.Y-from.Y
	return max(dx, -dx) > a.acts.straying*l.W*body.Unit || max(dy, -dy) > a.acts.straying*l.H*body.Unit
}

// inArea reports whether a cell is in the area in which a thing is to stay.
func (a *actor) inArea(c grid.Point) bool { return a.area.Cells.Has(c.Add(a.within)) }

// usualForces are those that change nothing.
var usualForces = world.Forces{}.Filled()

// leaves reports whether a thing in side-view that goes to a side would leave its area, in which
// it is.
func (g *Game) leaves(a *actor, t *Thing, way int) bool {
	here := t.Place.Cell(g.ground.Lattice)
	next := body.Place{X: t.Place.X + way*(a.size.W*body.Unit/2+g.pace(a.acts.speed)), Y: t.Place.Y}.Cell(g.ground.Lattice)
	return a.inArea(here) && !a.inArea(next)
}

// followTrack moves a foe along its track: in side-view on the ground, towards the place that is
// next, from above straight to it. Where it can't go on it turns.
func (g *Game) followTrack(a *actor, t *Thing) {
	before, far, back := t.Place, t.far, t.back
	t.glide(g, a)
	to := t.Place
	t.Place = before
	if g.ground.Map.View == world.SideView {
		// Its track says where to; its feet how.
		in := body.Intent{X: cmp.Compare(to.X, before.X)}
		if in.X != 0 {
			t.Heading = in.X
		}
		if a.area != nil && in.X != 0 && g.leaves(a, t, in.X) {
			in.X, t.motion.VX = 0, 0
			t.far, t.back = far, !back
		}
		t.Place, t.motion = g.ground.Go(a.size, before, t.motion, a.drive.Under(g.forcesAt(a.size, before).Gravity), in)
		if lag := max(to.X-t.Place.X, t.Place.X-to.X); lag > 2*g.pace(a.acts.speed) {
			// It waits until the foe has come there, and turns where the foe can't.
			t.far, t.back = far, back
			if t.Place.X == before.X && t.motion.Mode == body.Grounded && in.X != 0 {
				t.back = !back
			}
		}
		if !g.inside(t.Place) {
			g.offTheMap(a, t)
		}
		return
	}
	step := g.pace(a.acts.speed)
	dx, dy := min(max(to.X-before.X, -step), step), min(max(to.Y-before.Y, -step), step)
	t.face(dx, dy)
	t.Place = g.ground.Move(a.size, before, dx, dy)
	if !g.inside(t.Place) || g.strays(a, before, t.Place) {
		t.Place = before
	}
	if t.Place != (body.Place{X: before.X + dx, Y: before.Y + dy}) || before.X+dx != to.X || before.Y+dy != to.Y {
		t.far, t.back = far, back
		if t.Place == before {
			t.back = !back
		}
	}
}

// face turns a thing, seen from above, to where it goes.
func (t *Thing) face(dx, dy int) {
	switch {
	case dx == 0 && dy == 0:
	case max(dx, -dx) >= max(dy, -dy) && dx < 0:
		t.Heading = int(world.West)
	case max(dx, -dx) >= max(dy, -dy):
		t.Heading = int(world.East)
	case dy < 0:
		t.Heading = int(world.North)
	default:
		t.Heading = int(world.South)
	}
}

// aim lets a foe shoot that is to do so: to where it looks, or else at the player whom it sees.
func (g *Game) aim(a *actor, t *Thing) {
	if a.every == 0 {
		return
	}
	if t.wait++; int(t.wait) < a.every {
		return
	}
	l := g.ground.Lattice
	speed := g.pace(a.acts.shot)
	at := body.Place{X: t.Place.X, Y: t.Place.Y - a.size.H*body.Unit/2}
	s := shot{Place: at, Left: max(1, a.acts.reach*l.W*body.Unit/speed), Strength: a.acts.harm}
	if looks := a.acts.looks; looks != 0 {
		way := ahead[looks-1]
		s.VX, s.VY = way.X*speed, way.Y*speed
	} else {
		_, _, sees := g.sees(a, t)
		dx, dy := g.place.X-at.X, g.place.Y-g.size.H*body.Unit/2-at.Y
		away := grid.Root(dx>>4*(dx>>4)+dy>>4*(dy>>4)) << 4
		if !sees || away == 0 {
			t.wait = int32(a.every)
			return
		}
		s.VX, s.VY = dx*speed/away, dy*speed/away
		if g.ground.Map.View == world.SideView {
			if way := cmp.Compare(dx, 0); way != 0 {
				t.Heading = way
			}
		}
	}
	t.wait = 0
	g.shoot(s)
}
