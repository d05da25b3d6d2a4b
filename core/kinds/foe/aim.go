package foe

import (
	"cmp"
	"iter"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/going"
	"azzel/core/stage"
	"azzel/core/world"
)

// to is where somebody shoots who looks to a side.
var to = [...]grid.Point{world.South: {X: 0, Y: 1}, world.West: {X: -1, Y: 0}, world.East: {X: 1, Y: 0}, world.North: {X: 0, Y: -1}}

// Move implements stage.Mover.
func (behaviour) Move(all iter.Seq[*stage.Actor], around stage.Around) {
	folk := going.New(around)
	for a := range all {
		aim(around, a)
		folk.Go(a)
	}
}

// aim lets a foe shoot that is to do so: to where it looks, or else at the player whom it sees.
func aim(p stage.Around, a *stage.Actor) {
	if a.Acts.Every == 0 {
		return
	}
	if a.Wait++; int(a.Wait) < a.Acts.Every {
		return
	}
	l := p.Ground().Lattice
	speed := p.Pace(a.Acts.Shot)
	at := body.Place{X: a.Place.X, Y: a.Place.Y - a.Size.H*body.Unit/2}
	s := stage.Shot{Place: at, Left: max(1, a.Acts.Reach*l.W*body.Unit/speed), Strength: a.Acts.Harm}
	if looks := a.Acts.Looks; looks != 0 {
		heading := to[looks-1]
		s.VX, s.VY = heading.X*speed, heading.Y*speed
	} else {
		_, _, sees := p.Sees(a)
		player, size := p.Player()
		dx, dy := player.X-at.X, player.Y-size.H*body.Unit/2-at.Y
		away := grid.Root(dx>>4*(dx>>4)+dy>>4*(dy>>4)) << 4
		if !sees || away == 0 {
			a.Wait = int32(a.Acts.Every)
			return
		}
		s.VX, s.VY = dx*speed/away, dy*speed/away
		if p.Side() {
			if heading := cmp.Compare(dx, 0); heading != 0 {
				a.Heading = heading
			}
		}
	}
	a.Wait = 0
	p.Shoot(s)
}
