package play

import (
	"sort"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
	"azzel/core/world"
)

// effects are what the behaviour of a piece can ask for: of one that acts, else of one that lies in the player's cell.
type effects struct {
	g     *Game
	actor *actor
	piece *world.Piece
	// foot is where the piece stands, in positions of the player's map.
	foot body.Place
}

// touchThings lets happen what the player touches that acts.
func (g *Game) touchThings(fell bool, foot int) {
	mine := g.size.Box(g.place)
	side := g.ground.Map.View == world.SideView
	for k := range g.actors {
		a := &g.actors[k]
		if a.touched == nil || a.off || !g.there(a) {
			continue
		}
		box := a.Size.Box(g.things[a.at].Place)
		met := box
		if a.Kind.Solid {
			// Nobody gets into what is solid: leaning against it is touching it.
			met = grown(box)
		}
		if !met.Meets(mine) {
			continue
		}
		// From the side, in this tick: the foot was higher than the upper half of it.
		onto := side && fell && foot <= (box.Y0+box.Y1)/2
		a.touched.Touched(g.self(a.Kind, a.piece, a.home),
			stage.Touch{Side: side, Rising: g.motion.VY < 0, Onto: onto, Stomps: g.moves.Can(world.Stomping)}, effects{g, a, a.piece, a.Foot})
	}
	g.carryOut()
}

// grown is a box with a pixel more on each side.
func grown(b body.Box) body.Box {
	return body.Box{X0: b.X0 - body.Unit, Y0: b.Y0 - body.Unit, X1: b.X1 + body.Unit, Y1: b.Y1 + body.Unit}
}

// useThings lets happen what the player uses that acts: what they touch, and what lies within half a cell ahead of them.
func (g *Game) useThings() {
	reach := g.size.Box(g.place)
	to := ahead[g.facing]
	dx, dy := to.X*g.ground.Lattice.W*body.Unit/2, to.Y*g.ground.Lattice.H*body.Unit/2
	reach = body.Box{X0: reach.X0 + min(dx, 0), Y0: reach.Y0 + min(dy, 0), X1: reach.X1 + max(dx, 0), Y1: reach.Y1 + max(dy, 0)}
	for k := range g.actors {
		a := &g.actors[k]
		if a.used != nil && !a.off && g.there(a) && g.plays(g.onlyBy(a.piece)) && a.Size.Box(g.things[a.at].Place).Meets(reach) {
			a.used.Used(g.self(a.Kind, a.piece, a.home), effects{g, a, a.piece, a.Foot})
		}
	}
	g.carryOut()
}

// touch lets what stands in some cells happen.
func (g *Game) touch(cells grid.Rect) {
	for _, is := range g.standing(cells) {
		p, k := is.piece, is.piece.Kind()
		if b, enters := k.Behaviour.(stage.Entered); enters && !g.absent[p.ID] && !g.isOff(p) {
			b.Entered(g.self(k, p, is.on), effects{g, nil, p, added(footOf(p), g.shift(is.on, g.ground.Map))})
		}
	}
	g.carryOut()
}

// standing are the pieces that stand in some cells, of the player's map and its neighbours, in the order of their numbers.
func (g *Game) standing(cells grid.Rect) (list []placed) {
	l := g.doc.Project.Lattice()
	add := func(m *world.Map, by grid.Point) {
		here := grid.Rect{X: cells.X - by.X, Y: cells.Y - by.Y, W: cells.W, H: cells.H}
		if here.Meet(m.Bounds).Empty() {
			return
		}
		for _, p := range m.Pieces {
			if here.Has(l.CellAt(p.Foot)) {
				list = append(list, placed{m, g.asSet(p)})
			}
		}
	}
	add(g.ground.Map, grid.Point{})
	one := len(list)
	g.ground.Neighbours(add)
	if len(list) > one {
		sort.Slice(list, func(i, j int) bool { return list[i].piece.Number < list[j].piece.Number })
	}
	return list
}

// self is a piece as its behaviour sees it.
func (g *Game) self(k *kind.Kind, p *world.Piece, on *world.Map) stage.Self {
	s := stage.Self{Kind: k, Set: p.All()}
	if len(k.States) > 0 && p.ID&emitted == 0 {
		s.State = g.own(on, p)
	}
	return s
}

// A wish is something that a behaviour asks for. It is carried out once the loop that called the behaviour is over, in the
// order in which it was asked, so that nothing that it does pulls the ground from under that loop.
type wish struct {
	what func(effects, int)
	of   effects
	n    int
}

func (e effects) ask(what func(effects, int), n int) {
	e.g.wishes = append(e.g.wishes, wish{what, e, n})
}

// carryOut does what behaviours asked for, but for what is not there any more, and nothing after the player was sent back.
func (g *Game) carryOut() {
	for _, w := range g.wishes {
		if !g.away && (w.of.actor == nil || g.there(w.of.actor)) {
			w.what(w.of, w.n)
		}
	}
	g.wishes = g.wishes[:0]
	g.release()
}

// Hurt implements stage.Effects.
func (e effects) Hurt(health int) { e.ask(effects.hurt, health) }

// Throw implements stage.Effects.
func (e effects) Throw(tenths int) { e.ask(effects.throw, tenths) }

// Stomped implements stage.Effects.
func (e effects) Stomped() { e.ask(effects.stomped, 0) }

// Take implements stage.Effects.
func (e effects) Take() { e.ask(effects.take, 0) }

// Reach implements stage.Effects.
func (e effects) Reach() { e.ask(effects.reach, 0) }

// Leave implements stage.Effects.
func (e effects) Leave() { e.ask(effects.leave, 0) }

// Become implements stage.Effects.
func (e effects) Become(to *kind.State) { e.ask(effects.become, to.Number) }

// Unlock implements stage.Effects.
func (e effects) Unlock(to *kind.State, usesUp bool) {
	if usesUp {
		e.ask(effects.unlockWith, to.Number)
		return
	}
	e.ask(effects.unlock, to.Number)
}

// Give implements stage.Effects.
func (e effects) Give(to *kind.State, usesUp bool) {
	if usesUp {
		e.ask(effects.givesFor, to.Number)
		return
	}
	e.ask(effects.gives, to.Number)
}

// Say implements stage.Effects.
func (e effects) Say(then *kind.State) { e.ask(effects.say, then.Number) }

func (e effects) gives(state int) { e.handOut(state, false) }

func (e effects) givesFor(state int) { e.handOut(state, true) }

// handOut gives the player what a piece gives, for what it needs if that is used up.
func (e effects) handOut(state int, usesUp bool) {
	g := e.g
	// Opened twice in a tick, it gives once.
	if on, p := g.pieceOf(e.piece.ID); p == nil || g.own(on, p) == kind.StateOf(state) || !g.lets(e.piece) {
		return
	}
	is := stage.ActingOf(e.piece)
	item := g.doc.Item(is.Item)
	if is.Odds[world.OddsCollectible] > 0 {
		// It lies in what comes out.
		item = nil
	}
	if item != nil && !g.give(item, is.Amount) {
		g.refuse(Event{Moment: props.Full, Piece: e.piece.ID, Item: item.ID, Count: item.Room()})
		return
	}
	if usesUp {
		g.spend(e.piece.Needs())
	}
	before := len(g.events)
	e.become(state)
	if item != nil && len(g.events) > before {
		// What was given is told of with it.
		g.events[before].Item, g.events[before].Count = item.ID, is.Amount
	}
	g.remember(e.piece.ID, is.Sets)
	if props.LetsOut(e.piece.All()) {
		g.opened = append(g.opened, e.piece.ID)
	}
}

func (e effects) unlock(state int) {
	if e.g.lets(e.piece) {
		e.become(state)
	}
}

// unlockWith takes what was needed, after that was found to hold.
func (e effects) unlockWith(state int) {
	if e.g.lets(e.piece) {
		e.g.spend(e.piece.Needs())
		e.become(state)
	}
}

func (e effects) become(state int) { e.g.become(e.piece.ID, kind.StateOf(state)) }

func (e effects) hurt(health int) { e.g.damage(health) }

func (e effects) throw(tenths int) {
	g := e.g
	drive := g.underForces()
	g.motion = body.Motion{VX: g.motion.VX, VY: -drive.SpringSpeed(tenths*g.ground.Lattice.H/10) - drive.Half, Thrown: true, Mode: body.Airborne}
	g.befalls(props.Threw, e.piece.ID)
}

func (e effects) stomped(int) {
	g := e.g
	g.hit(e.actor)
	g.motion.VY, g.motion.Mode, g.motion.Rising = -g.drive.Leap*2/3, body.Airborne, g.jumped
	g.befalls(props.Stomped, g.things[e.actor.at].Piece())
}

// take takes a piece. What came out of an emitter is not counted, what was drawn is, as what lies there.
func (e effects) take(int) {
	g := e.g
	if e.actor == nil {
		is := stage.ActingOf(e.piece)
		g.take(e.piece.ID, &is)
		return
	}
	t := &g.things[e.actor.at]
	if t.From != 0 {
		t.Gone = g.have(t.ID, &e.actor.Acts)
	} else {
		t.Gone = g.take(t.ID, &e.actor.Acts)
	}
}

func (e effects) reach(int) {
	g, p := e.g, e.piece
	at := g.ground.At(e.foot.Cell(g.ground.Lattice))
	if g.checkpoint == p.ID || !g.ground.Fits(g.size, at) {
		return
	}
	g.entered, g.enteredOn, g.started = at, 0, p.ID
	g.comesBackTo(p.ID)
	g.befalls(props.Reached, p.ID)
	g.remember(p.ID, p.Sets())
}

func (e effects) leave(int) {
	if e.g.lets(e.piece) {
		e.g.finished = true
		e.g.befalls(props.LetOut, e.piece.ID)
	}
}
