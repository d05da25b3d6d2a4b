package play

import (
	"iter"

	"azzel/core/body"
	"azzel/core/kind"
	"azzel/core/stage"
	"azzel/core/world"
)

// The phases in which behaviours move things: of which kinds one does. They are worked out once all kinds are registered.
var (
	carriers = phaseOf[stage.Carrier]()
	sliders  = phaseOf[stage.Slider]()
	movers   = phaseOf[stage.Mover]()
	droppers = phaseOf[stage.Dropper]()
	sources  = phaseOf[stage.Source]()
)

// phaseOf gives the kinds whose behaviour implements an interface, in their order.
func phaseOf[T any]() func() []*kind.Kind {
	var list []*kind.Kind
	known := 0
	return func() []*kind.Kind {
		if all := kind.All(); len(all) != known {
			list, known = nil, len(all)
			for _, k := range all {
				if _, is := k.Behaviour.(T); is {
					list = append(list, k)
				}
			}
		}
		return list
	}
}

// phase calls for each kind that takes part in a phase, with all of its things that are there and on, in their order.
func (g *Game) phase(kinds func() []*kind.Kind, each func(behaviour any, all iter.Seq[*stage.Actor])) {
	for _, k := range kinds() {
		each(k.Behaviour, func(yield func(*stage.Actor) bool) {
			for _, i := range g.by[k.ID] {
				a := &g.actors[i]
				if !g.there(a) || a.off || len(g.errands) > 0 && g.onErrand(a.piece.ID) {
					continue
				}
				a.Thing = &g.things[a.at]
				g.acting = a
				if !yield(&a.Actor) {
					return
				}
			}
		})
	}
}

// carryAlong lets carriers go on, with what stands on them.
func (g *Game) carryAlong() {
	g.ridersFound = false
	for _, k := range g.conveying {
		if k < len(g.actors) {
			g.actors[k].conveyed = false
		}
	}
	g.conveying = g.conveying[:0]
	g.phase(carriers, func(b any, all iter.Seq[*stage.Actor]) { b.(stage.Carrier).Carry(all, around{g}) })
}

// moveAll lets everybody else of the cast move.
func (g *Game) moveAll() {
	g.phase(movers, func(b any, all iter.Seq[*stage.Actor]) { b.(stage.Mover).Move(g.makingWay(all), around{g}) })
}

// makingWay lets those who go about and are solid go one after the other, in nobody's way while they do. Who would come to where the player is waits.
func (g *Game) makingWay(all iter.Seq[*stage.Actor]) iter.Seq[*stage.Actor] {
	return func(yield func(*stage.Actor) bool) {
		for a := range all {
			is := g.acting
			if is.box < 0 || !is.Kind.Goes {
				if !yield(a) {
					return
				}
				continue
			}
			g.ground.Boxes.Set(is.box, body.Nowhere)
			was := g.things[is.at]
			if !yield(a) {
				return
			}
			t := &g.things[is.at]
			if g.meetsPlayer(is.Size, t.Place) && !g.meetsPlayer(is.Size, was.Place) {
				left := max(0, was.Left-1)
				*t = was
				t.Left = left
			}
			if g.there(is) {
				g.ground.Boxes.Set(is.box, is.Size.Box(t.Place))
			}
		}
	}
}

// dropAll lets fall what came out of something else and only falls.
func (g *Game) dropAll() {
	g.phase(droppers, func(b any, all iter.Seq[*stage.Actor]) { b.(stage.Dropper).Drop(all, around{g}) })
}

// around is the game as behaviours see it. It implements stage.Around.
type around struct{ g *Game }

// Ground implements stage.Around.
func (r around) Ground() *body.Ground { return r.g.ground }

// Side implements stage.Around.
func (r around) Side() bool { return r.g.ground.Map.View == world.SideView }

// Pace implements stage.Around.
func (r around) Pace(tenths int) int { return r.g.pace(tenths) }

// Random implements stage.Around.
func (r around) Random(n int) int { return r.g.random(n) }

// Player implements stage.Around.
func (r around) Player() (body.Place, body.Size) { return r.g.place, r.g.size }

// Sees implements stage.Around.
func (r around) Sees(a *stage.Actor) (dx, dy int, sees bool) {
	g := r.g
	dx, dy = g.place.X-a.Place.X, g.place.Y-a.Place.Y
	l := g.ground.Lattice
	return dx, dy, g.helped&Unseen == 0 && max(dx, -dx) <= a.Acts.Sight*l.W*body.Unit && max(dy, -dy) <= a.Acts.Sight*l.H*body.Unit
}

// Forced implements stage.Around.
func (r around) Forced() bool { return r.g.forced }

// Forces implements stage.Around.
func (r around) Forces(s body.Size, p body.Place) (f world.Forces, usual bool) {
	f = r.g.forcesAt(s, p)
	return f, f == usualForces
}

// Wind implements stage.Around.
func (r around) Wind(f world.Forces) (dx, dy int) { return r.g.wind(f) }

// Inside implements stage.Around.
func (r around) Inside(p body.Place) bool { return r.g.inside(p) }

// Fall implements stage.Around.
func (r around) Fall(a *stage.Actor) (stopped bool) { return r.g.fall(a) }

// State implements stage.Around.
func (r around) State(*stage.Actor) *kind.State {
	if r.g.acting.piece.ID&emitted != 0 {
		return nil
	}
	return r.g.own(r.g.acting.home, r.g.acting.piece)
}

// Become implements stage.Around.
func (r around) Become(_ *stage.Actor, to *kind.State) { r.g.become(r.g.acting.piece.ID, to) }

// Clear implements stage.Around.
func (r around) Clear(a *stage.Actor) bool { return r.g.clear(r.g.acting) }

// On implements stage.Around.
func (r around) On(*stage.Actor) (player bool, things int) {
	return r.g.on(r.g.acting, r.g.onlyBy(r.g.acting.piece))
}

// MeetsPlayer implements stage.Around.
func (r around) MeetsPlayer(s body.Size, p body.Place) bool { return r.g.meetsPlayer(s, p) }

// Strikes implements stage.Around.
func (r around) Strikes(at, want body.Box) bool { return r.g.strikes(at, want, true) }

// Shoot implements stage.Around.
func (r around) Shoot(s stage.Shot) { r.g.shoot(s) }

// Lost implements stage.Around.
func (r around) Lost(a *stage.Actor) { r.g.offTheMap(r.g.acting, a.Thing) }

// Carried implements stage.Around.
func (r around) Carried(_ *stage.Actor, was, is body.Box) { r.g.wentOn(r.g.acting, was, is) }

// Moved implements stage.Around.
func (r around) Moved(_ *stage.Actor, dx, dy int) { r.g.convey(r.g.acting, dx, dy) }

// InTheWay implements stage.Around.
func (r around) InTheWay(_ *stage.Actor, was, is body.Box) (meets, stuck bool) {
	return r.g.inTheWay(r.g.acting, was, is)
}

// Emit implements stage.Around.
func (r around) Emit(*stage.Actor) { r.g.emitFrom(r.g.acting) }
