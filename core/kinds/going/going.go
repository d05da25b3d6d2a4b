// Package going is how people and foes go by themselves: along a track, to and fro, wandering, towards the player or away from
// them.
package going

import (
	"cmp"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/stage"
	"azzel/core/world"
)

// ahead is the cell that lies ahead of somebody who looks to a side.
var ahead = [...]grid.Point{world.South: {X: 0, Y: 1}, world.West: {X: -1, Y: 0}, world.East: {X: 1, Y: 0}, world.North: {X: 0, Y: -1}}

// Folk are all of a kind that go in a tick, with what is the same for all of them.
type Folk struct {
	stage.Around
	ground *body.Ground
	side   bool
	// forced says that something acts somewhere on what moves.
	forced bool
}

// New is for those that go around in a tick.
func New(around stage.Around) *Folk {
	return &Folk{around, around.Ground(), around.Side(), around.Forced()}
}

// Go moves somebody by what they do.
func (p *Folk) Go(a *stage.Actor) {
	if a.Acts.Does == props.Stands && !p.side {
		return
	}
	if !p.ground.Fits(a.Size, a.Place) {
		// Something became solid there: it waits until it is free again.
		return
	}
	switch {
	case a.Track != nil && a.Acts.Does == props.Patrols:
		p.followTrack(a)
	case p.side:
		p.moveFromTheSide(a)
	default:
		p.moveFromAbove(a)
	}
}

// moveFromTheSide moves somebody on the ground.
func (p *Folk) moveFromTheSide(a *stage.Actor) {
	in := body.Intent{X: a.Heading}
	switch a.Acts.Does {
	case props.Stands:
		in.X = 0
	case props.Follows, props.Flees:
		in.X = 0
		if dx, _, sees := p.Sees(a); sees {
			in.X = cmp.Compare(dx, 0)
			if a.Acts.Does == props.Flees {
				in.X = -in.X
			}
		}
		if in.X != 0 {
			a.Heading = in.X
		}
	case props.Wanders:
		if a.Left--; a.Left <= 0 {
			a.Left = 30 + int32(p.Random(90))
			a.Heading = p.Random(3) - 1
		}
		in.X = a.Heading
	}
	if a.Area != nil && in.X != 0 && p.leaves(a, in.X) {
		in.X, a.Motion.VX = 0, 0
		turn(a)
	}
	before := a.Place
	if in.X != 0 && a.Motion.Mode == body.Grounded && p.ground.Ledge(a.Size, a.Place, in.X) {
		if turn(a); a.Acts.Does == props.Patrols {
			in.X = a.Heading
		} else {
			in.X = 0
		}
		a.Motion.VX = 0
	}
	drive := a.Drive
	if f, usual := p.forces(a.Size, a.Place); !usual {
		drive = drive.Under(f.Gravity)
		dx, _ := p.Wind(f)
		a.Place, a.Motion = p.ground.Blow(a.Size, a.Place, a.Motion, drive, dx, body.Speed(f.WindY, p.ground.Lattice.H))
	}
	a.Place, a.Motion = p.ground.Go(a.Size, a.Place, a.Motion, drive, in)
	if in.X != 0 && a.Place.X == before.X && a.Motion.VX == 0 {
		turn(a)
	}
	if !p.Inside(a.Place) {
		p.Lost(a)
	}
}

// turn lets who goes to and fro go the other way.
func turn(a *stage.Actor) {
	if a.Acts.Does == props.Patrols || a.Acts.Does == props.Wanders {
		a.Heading = -a.Heading
	}
}

// moveFromAbove moves somebody to any side.
func (p *Folk) moveFromAbove(a *stage.Actor) {
	speed := a.Step
	heading := ahead[a.Heading&3]
	switch a.Acts.Does {
	case props.Follows, props.Flees:
		dx, dy, sees := p.Sees(a)
		if !sees {
			return
		}
		heading = grid.Point{X: cmp.Compare(dx, 0), Y: cmp.Compare(dy, 0)}
		if max(dx, -dx) > 2*max(dy, -dy) {
			heading.Y = 0
		} else if max(dy, -dy) > 2*max(dx, -dx) {
			heading.X = 0
		}
		if a.Acts.Does == props.Flees {
			heading = grid.Point{X: -heading.X, Y: -heading.Y}
		}
		if heading.X != 0 && heading.Y != 0 {
			speed = speed * 181 / 256
		}
	case props.Wanders:
		if a.Left--; a.Left <= 0 {
			a.Left = 30 + int32(p.Random(90))
			a.Heading = p.Random(4)
		}
	}
	before := a.Place
	next := p.ground.Move(a.Size, a.Place, heading.X*speed, heading.Y*speed)
	if f, usual := p.forces(a.Size, next); !usual {
		windX, windY := p.Wind(f)
		next = p.ground.Move(a.Size, next, windX, windY)
	}
	l := p.ground.Lattice
	if !p.Inside(next) || p.ground.Doorway(next.Cell(l)) || p.strays(a, before, next) {
		next = before
	}
	if a.Place = next; next == before {
		switch a.Acts.Does {
		case props.Patrols:
			a.Heading = [4]int{world.South: int(world.North), world.West: int(world.East), world.East: int(world.West), world.North: int(world.South)}[a.Heading&3]
		case props.Wanders:
			a.Left = 0
		}
	}
}

// strays reports whether a thing, seen from above, would leave the area in which it is to stay and is, or,
// if it wanders and has none, go further from where its piece stands than its range.
func (p *Folk) strays(a *stage.Actor, from, to body.Place) bool {
	if a.Area != nil {
		l := p.ground.Lattice
		return a.InArea(from.Cell(l)) && !a.InArea(to.Cell(l))
	}
	if a.Acts.Does != props.Wanders {
		return false
	}
	return p.far(a, to)
}

// far reports whether a place is further from where a thing's piece stands than its range.
func (p *Folk) far(a *stage.Actor, at body.Place) bool {
	l, from := p.ground.Lattice, a.Foot
	dx, dy := at.X-from.X, at.Y-from.Y
	return max(dx, -dx) > a.Acts.Straying*l.W*body.Unit || max(dy, -dy) > a.Acts.Straying*l.H*body.Unit
}

// leaves reports whether a thing in side-view that goes to a side would leave its area, in which
// it is.
func (p *Folk) leaves(a *stage.Actor, heading int) bool {
	here := a.Place.Cell(p.ground.Lattice)
	next := body.Place{X: a.Place.X + heading*(a.Size.W*body.Unit/2+a.Step), Y: a.Place.Y}.Cell(p.ground.Lattice)
	return a.InArea(here) && !a.InArea(next)
}

// followTrack moves somebody along their track: in side-view on the ground, towards the place that is
// next, from above straight to it. Where it can't go on it turns.
func (p *Folk) followTrack(a *stage.Actor) {
	before, far, back := a.Place, a.Far, a.Back
	a.Glide(a.Step)
	to := a.Place
	a.Place = before
	if p.side {
		// Its track says where to; its feet how.
		in := body.Intent{X: cmp.Compare(to.X, before.X)}
		if in.X != 0 {
			a.Heading = in.X
		}
		if a.Area != nil && in.X != 0 && p.leaves(a, in.X) {
			in.X, a.Motion.VX = 0, 0
			a.Far, a.Back = far, !back
		}
		a.Place, a.Motion = p.ground.Go(a.Size, before, a.Motion, a.Drive.Under(p.gravity(a.Size, before)), in)
		if lag := max(to.X-a.Place.X, a.Place.X-to.X); lag > 2*a.Step {
			// It waits until they have come there, and turns where they can't.
			a.Far, a.Back = far, back
			if a.Place.X == before.X && a.Motion.Mode == body.Grounded && in.X != 0 {
				a.Back = !back
			}
		}
		if !p.Inside(a.Place) {
			p.Lost(a)
		}
		return
	}
	step := a.Step
	dx, dy := min(max(to.X-before.X, -step), step), min(max(to.Y-before.Y, -step), step)
	a.Face(dx, dy)
	a.Place = p.ground.Move(a.Size, before, dx, dy)
	if !p.Inside(a.Place) || p.strays(a, before, a.Place) {
		a.Place = before
	}
	if a.Place != (body.Place{X: before.X + dx, Y: before.Y + dy}) || before.X+dx != to.X || before.Y+dy != to.Y {
		a.Far, a.Back = far, back
		if a.Place == before {
			a.Back = !back
		}
	}
}

// forces are those that act on a body; usual says that they change nothing.
func (p *Folk) forces(s body.Size, at body.Place) (f world.Forces, usual bool) {
	if !p.forced {
		return usualForces, true
	}
	return p.Forces(s, at)
}

// usualForces are those that change nothing.
var usualForces = world.Forces{}.Filled()

// gravity is how much the ground draws a body, in percent of the usual.
func (p *Folk) gravity(s body.Size, at body.Place) int {
	f, _ := p.forces(s, at)
	return f.Gravity
}
