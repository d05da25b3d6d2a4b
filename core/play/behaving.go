package play

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/stage"
	"azzel/core/world"
)

// effects are what the behaviour of a piece can ask for: of one that acts, else of one that lies in the player's cell.
type effects struct {
	g     *Game
	actor *actor
	piece *world.Piece
}

// touchThings lets happen what the player touches that acts.
func (g *Game) touchThings(fell bool, foot int) {
	mine := g.size.Box(g.place)
	side := g.ground.Map.View == world.SideView
	for k := range g.actors {
		if g.away {
			return
		}
		a := &g.actors[k]
		if a.touched == nil || !g.there(a) {
			continue
		}
		box := a.size.Box(g.things[a.at].Place)
		if !box.Meets(mine) {
			continue
		}
		// From the side, in this tick: the foot was higher than the upper half of it.
		onto := side && fell && foot <= (box.Y0+box.Y1)/2
		a.touched.Touched(stage.Self{Kind: a.kind, Set: a.piece.Props},
			stage.Touch{Side: side, Rising: g.motion.VY < 0, Onto: onto, Stomps: g.moves.Can(world.Stomping)}, effects{g, a, a.piece})
	}
}

// touch lets what stands in some cells happen.
func (g *Game) touch(cells grid.Rect) {
	l := g.doc.Project.Lattice()
	for _, p := range g.ground.Map.Pieces {
		if !cells.Has(l.CellAt(p.Foot)) || g.absent[p.ID] {
			continue
		}
		k := p.Kind()
		if b, enters := k.Behaviour.(stage.Entered); enters {
			b.Entered(stage.Self{Kind: k, Set: p.Props}, effects{g, nil, p})
		}
	}
}

// Hurt implements stage.Effects.
func (e effects) Hurt(health int) { e.g.damage(health) }

// Throw implements stage.Effects.
func (e effects) Throw(tenths int) {
	g := e.g
	drive := g.underForces()
	g.motion = body.Motion{VX: g.motion.VX, VY: -drive.SpringSpeed(tenths*g.ground.Lattice.H/10) - drive.Half, Thrown: true, Mode: body.Airborne}
	g.tell(Sprung)
}

// Stomped implements stage.Effects.
func (e effects) Stomped() {
	g := e.g
	g.hit(e.actor)
	g.motion.VY, g.motion.Mode, g.motion.Rising = -g.drive.Leap*2/3, body.Airborne, g.jumped
	g.tell(Stomped)
}

// Take implements stage.Effects. What came out of an emitter is not counted, what was drawn is, as what lies there.
func (e effects) Take() {
	g := e.g
	if e.actor == nil {
		is := actingOf(e.piece)
		g.take(e.piece.ID, &is)
		return
	}
	t := &g.things[e.actor.at]
	if t.from != 0 {
		t.Gone = g.have(t.ID, &e.actor.acts)
	} else {
		t.Gone = g.take(t.ID, &e.actor.acts)
	}
}

// Reach implements stage.Effects.
func (e effects) Reach() {
	g, p := e.g, e.piece
	at := g.ground.At(g.ground.Lattice.CellAt(p.Foot))
	if g.checkpoint == p.ID || !g.ground.Fits(g.size, at) {
		return
	}
	g.entered, g.checkpoint, g.started = at, p.ID, p.ID
	g.tell(Reached)
	g.remember(p.ID, p.Sets())
}

// Leave implements stage.Effects.
func (e effects) Leave() {
	if e.g.lets(e.piece) {
		e.g.finished = true
		e.g.tell(Finished)
	}
}
