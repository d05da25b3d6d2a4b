package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
	"azzel/core/stage"
	"azzel/core/world"
)

// strikeTicks is for how many ticks a strike is seen.
const strikeTicks = 8

// shot is what flies.
type shot = stage.Shot

// shoot lets a shot fly. Of too many the oldest ends.
func (g *Game) shoot(s shot) {
	if len(g.shots) == limit.Flying {
		g.shots = slices.Delete(g.shots, 0, 1)
	}
	g.shots = append(g.shots, s)
}

// shotSize is how large a shot is, which stands with its foot on its place.
func (g *Game) shotSize() body.Size {
	l := g.ground.Lattice
	return body.Size{W: max(2, l.W/4), H: max(2, l.H/4)}
}

// moveShots lets all shots fly on.
func (g *Game) moveShots() {
	for i := 0; i < len(g.shots); i++ {
		s := &g.shots[i]
		s.Left--
		if g.fly(s) || s.Left <= 0 {
			g.shots = slices.Delete(g.shots, i, i+1)
			i--
		}
	}
}

// fly moves a shot by a tick, in steps that jump over nothing, and reports whether it ends.
func (g *Game) fly(s *shot) bool {
	l, size := g.ground.Lattice, g.shotSize()
	step := min(l.W, l.H) * body.Unit / 4
	n := 1 + max(abs(s.VX), abs(s.VY))/step
	if g.ground.Boxed(size, s.Place) {
		// Something that moves has come over it.
		return true
	}
	for k := range n {
		dx, dy := s.VX*(k+1)/n-s.VX*k/n, s.VY*(k+1)/n-s.VY*k/n
		want := body.Place{X: s.X + dx, Y: s.Y + dy}
		before := size.Box(s.Place)
		s.Place = g.ground.Move(size, s.Place, dx, dy)
		if !g.inside(s.Place) {
			return true
		}
		if g.strikes(size.Box(s.Place), over(before, size.Box(want)), s.Mine) {
			return true
		}
		if !s.Mine && g.meetsPlayer(size, s.Place) {
			g.damage(s.Strength)
			return true
		}
		if s.Place != want {
			return true
		}
	}
	return false
}

// strikes hits the first thing that can be hit by what flew to a place and wanted to go on: foes, by
// the player's shots alone, at the place, and breakables, which stop it, on the way where it wanted
// to. It reports whether there is one.
func (g *Game) strikes(at, want body.Box, mine bool) bool {
	for _, k := range g.hittable[1] {
		if a := &g.actors[k]; g.there(a) && a.Size.Box(g.things[a.at].Place).Meets(over(at, want)) {
			g.hit(a)
			return true
		}
	}
	if !mine {
		return false
	}
	for _, k := range g.hittable[0] {
		if a := &g.actors[k]; g.bears(a) && g.there(a) && a.Size.Box(g.things[a.at].Place).Meets(at) {
			g.hit(a)
			return true
		}
	}
	return false
}

// bears reports whether something that can be hit is hit now.
func (g *Game) bears(a *actor) bool {
	return a.struck == nil || !a.off && g.plays(g.onlyBy(a.piece)) && a.struck.Bears(&a.Actor)
}

// hit is one hit more for a foe or breakable, or what else does something by it.
func (g *Game) hit(a *actor) {
	if a.struck != nil {
		before := g.acting
		a.Thing, g.acting = &g.things[a.at], a
		a.struck.Struck(&a.Actor, around{g})
		g.acting = before
		return
	}
	t := &g.things[a.at]
	g.befalls(props.Hit, t.Piece())
	if t.Hits++; int(t.Hits) < a.Acts.Bears {
		return
	}
	g.remove(a)
}

// remove takes a thing away.
func (g *Game) remove(a *actor) {
	g.things[a.at].Gone = true
	if a.Kind.Beaten != nil {
		g.befalls(a.Kind.Beaten, g.things[a.at].Piece())
	}
	// What is done otherwise than by being taken away sets nothing by that.
	done := len(a.Kind.States) == 0 || a.Kind.States[1].Gone
	if g.things[a.at].From == 0 && done && world.Sets(a.piece.Type) {
		g.remember(a.piece.ID, a.Acts.Sets)
	}
	if who := a.piece.Refers(props.Who); who != 0 && a.Kind.Figure && g.things[a.at].From == 0 {
		g.fell(who)
	}
	if a.box >= 0 && isSolid(a.of) && a.box < g.ground.Boxes.Len() {
		g.ground.Boxes.Set(a.box, body.Nowhere)
	}
}

// fell lets a character be gone, as whatever pieces it stands on the maps.
func (g *Game) fell(who world.ID) {
	i, fell := slices.BinarySearch(g.fallen, who)
	if fell {
		return
	}
	var others []*world.Piece
	for _, m := range g.doc.Maps {
		for _, p := range m.Pieces {
			if p.Props != "" && p.Refers(props.Who) == who && p.Kind().Figure && !g.done(p) {
				others = append(others, p)
			}
		}
	}
	g.fallen = lists.Insert(g.fallen, i, who)
	for k := range g.actors {
		if a := &g.actors[k]; a.Kind.Figure && a.piece.Refers(props.Who) == who && g.things[a.at].From == 0 {
			if !g.things[a.at].Gone && a.piece.Kind().Drawn && a.Kind.Beaten != nil {
				// What was drawn to be it is told of too.
				g.befalls(a.Kind.Beaten, a.piece.ID)
			}
			g.things[a.at].Gone = true
		}
	}
	for _, p := range others {
		if beaten := p.Kind().Beaten; beaten != nil {
			g.befalls(beaten, p.ID)
		}
	}
}

// fight lets the player strike and shoot.
func (g *Game) fight(in Input) {
	g.armed, g.struck = max(0, g.armed-1), max(0, g.struck-1)
	if g.armed > 0 || g.drifting || in&(Strike|Shoot) == 0 {
		return
	}
	l := g.ground.Lattice
	heading := ahead[g.facing]
	mine := g.size.Box(g.place)
	switch {
	case in&Strike != 0 && g.moves.Arms&world.Striking != 0:
		g.armed, g.struck = g.moves.Pause, strikeTicks
		reach := mine
		w, h := l.W*body.Unit*g.moves.Strike/100, l.H*body.Unit*g.moves.Strike/100
		reach.X0, reach.X1 = reach.X0+min(0, heading.X)*w, reach.X1+max(0, heading.X)*w
		reach.Y0, reach.Y1 = reach.Y0+min(0, heading.Y)*h, reach.Y1+max(0, heading.Y)*h
		for k := range g.actors {
			a := &g.actors[k]
			if (a.Kind.Struck || a.struck != nil && g.bears(a)) && g.there(a) && a.Size.Box(g.things[a.at].Place).Meets(reach) {
				g.hit(a)
			}
		}
	case in&Shoot != 0 && g.moves.Arms&world.Shooting != 0:
		g.armed = g.moves.Pause
		speed := g.pace(g.moves.Shot)
		g.shoot(shot{Place: body.Place{X: g.place.X, Y: g.place.Y - (g.size.H-g.shotSize().H)*body.Unit/2}, VX: heading.X * speed, VY: heading.Y * speed,
			Left: max(1, g.moves.ShotReach*l.W*body.Unit/speed), Mine: true, Strength: 1})
	}
}

// Shots are the places of all shots on the player's map.
func (g *Game) Shots(each func(at body.Place, mine bool)) {
	for _, s := range g.shots {
		each(s.Place, s.Mine)
	}
}

// flight is what flies: all shots, the oldest first.
type flight struct{ shots []shot }

func (f *flight) encode(w *pack.Writer) {
	w.Uint(uint64(len(f.shots)))
	for _, s := range f.shots {
		encodeShot(w, s)
	}
}

func decodeFlight(r *pack.Reader) (f flight) {
	for range r.Count(limit.Flying, 7) {
		f.shots = append(f.shots, shot{Place: readPlace(r), VX: between(r, r.Int(), -1<<18, 1<<18), VY: between(r, r.Int(), -1<<18, 1<<18), Left: r.Int(), Strength: r.Int(), Mine: r.Bool()})
	}
	return f
}

func (f flight) clone() flight {
	f.shots = slices.Clone(f.shots)
	return f
}

func encodeShot(w *pack.Writer, s shot) {
	for _, n := range []int{s.X, s.Y, s.VX, s.VY, s.Left, s.Strength} {
		w.Int(n)
	}
	w.Bool(s.Mine)
}
