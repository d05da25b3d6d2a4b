package play

import (
	"cmp"

	"azzel/core/board"
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/world"
)

// onStage is a game in which rules go. It implements logic.Stage.
type onStage struct{ g *Game }

// Tick implements logic.Stage.
func (s onStage) Tick() int { return s.g.tick }

// On implements logic.Stage.
func (s onStage) On() kind.ID { return s.g.mapID }

// Ended implements logic.Stage.
func (s onStage) Ended() bool { return s.g.finished }

// Of implements logic.Stage.
func (s onStage) Of(piece kind.ID) (is logic.Belonging) {
	m, p := s.g.pieceOf(piece)
	if p == nil {
		if i, there := s.g.thing(piece); there {
			is.Kind = s.g.things[i].Type // it came out of something
		}
		return is
	}
	if is = (logic.Belonging{Kind: p.Type, Who: p.Character(), On: m.ID}); p.Own() != nil {
		is.Own = p.Own().ID
	}
	return is
}

// Are implements logic.Stage. It looks at every piece.
func (s onStage) Are(character kind.ID) (ids []kind.ID) {
	for _, m := range s.g.doc.Maps {
		for _, p := range m.Pieces {
			if p.Props != "" && p.Character() == character {
				ids = append(ids, p.ID)
			}
		}
	}
	return ids
}

// Plays implements logic.Stage.
func (s onStage) Plays(character kind.ID) bool { return s.g.plays(character) }

// Asked implements logic.Stage.
func (s onStage) Asked(by logic.Pair, of logic.Bound, moment int) logic.Happening {
	return occasion{inquiry{s.g, of.This}, by, of, moment}
}

// Open implements logic.Stage.
func (s onStage) Open(run int, p *logic.Part, by logic.Pair, of logic.Bound) bool {
	g := s.g
	if g.reads() {
		return false
	}
	g.box = box{rule: by.Rule, part: p.ID, run: run, keys: g.now.in & (turning | choosing)}
	if ids, there := s.Asked(by, of, 0).Pieces(p.Subject); there {
		for _, id := range ids {
			if a := g.actorOf(id); a != nil && a.Kind.Goes {
				effects{g: g, actor: a, piece: a.piece}.lookAtPlayer()
			}
		}
	}
	return true
}

// Act implements logic.Stage.
func (s onStage) Act(p *logic.Part, by logic.Pair, of logic.Bound, moment int) bool {
	g := s.g
	var asked logic.Happening
	literal := p.Value.Is == logic.Literal
	if !literal || p.Does != logic.SetFact && p.Does != logic.Get && p.Does != logic.Lose {
		asked = s.Asked(by, of, moment)
	}
	number := func() int {
		if literal {
			return p.Value.Number
		}
		n, there := p.Value.Ask(asked)
		if !there {
			return 0
		}
		return n
	}
	switch p.Does {
	case logic.SetFact:
		if f := g.doc.Fact(p.Thing); f != nil {
			is, _ := g.Known(f)
			n := number()
			switch p.How {
			case logic.GoesUp:
				n = is.Value + n
			case logic.GoesDown:
				n = is.Value - n
			}
			g.setFact(f, n, of.This)
		}
	case logic.Get:
		if i := g.doc.Item(p.Thing); i != nil {
			had := 0
			if k, there := g.stock(i.ID); there {
				had = g.items[k].Count
			}
			if n := min(number(), i.Room()-had); n > 0 {
				g.give(i, n)
			}
		}
	case logic.Lose:
		g.spendItem(p.Thing, number())
	case logic.Hurt:
		g.damage(p.Number)
	case logic.Heal:
		g.harm = max(0, g.harm-p.Number)
	case logic.HoldStill, logic.LetGo:
		g.stilled = p.Does == logic.HoldStill
	case logic.TakeTo:
		return s.takeTo(p.Thing)
	case logic.TakeToDoorway:
		return s.takeToDoorway(g.doc.Crossing(p.Thing), p.Is)
	case logic.CanDo, logic.CannotDo:
		g.changeAbility(p.Is, p.Does == logic.CanDo)
	case logic.LookAt:
		s.lookTo(p, asked)
	case logic.WalkTo:
		return s.send(p, by, asked)
	case logic.CameraTo, logic.CameraBack:
		s.pointCamera(p, asked)
	case logic.Shake:
		g.lens.shaking, g.lens.jolt = p.Number, max(g.doc.Project.Camera.Shake, ruleJolt)
	case logic.FadeOut, logic.FadeIn:
		g.fade(p)
	case logic.Become:
		g.playAs(p.Thing)
	case logic.SetForces:
		g.switchForces(p.Thing, p.Is == kind.Off)
	case logic.SetLayer:
		return g.setLayer(p.Thing, p.Is)
	case logic.SetCells:
		return g.turnCells(p.Thing, p.Is, p.Other)
	case logic.PutAt:
		return s.putAt(p, asked)
	case logic.ShowPose:
		s.pose(p, asked)
	case logic.FollowTrack:
		s.followTrack(p, asked)
	case logic.LetOut:
		s.letOut(p, asked)
	case logic.End:
		g.ending = logic.Pair{Rule: by.Rule, This: p.ID}
		g.finished = true
		g.happens(Ended)
	case logic.SetProperty:
		n := number()
		ids, _ := asked.Pieces(p.Subject)
		for _, id := range ids {
			if _, piece := g.pieceOf(id); piece != nil {
				g.setProperty(piece, piece.Kind().PropOf(p.Property), p.How, n)
			}
		}
	case logic.SetPresence, logic.SetPower, logic.SetState:
		ids, _ := asked.Pieces(p.Subject)
		done := true
		for _, id := range ids {
			done = s.set(id, p) && done
		}
		return done
	}
	return true
}

// ruleJolt is by how many pixels a rule lets the camera shake at least.
const ruleJolt = 3

// mostTakes is how often the player is taken elsewhere in a tick: each time all that acts there is looked up anew.
const mostTakes = 4

// takeTo sets the player down at a piece, or as near to it as there is room. It reports false if that was done too often in this tick.
func (s onStage) takeTo(id world.ID) bool {
	g := s.g
	m, p := g.pieceOf(id)
	if p == nil {
		return true
	}
	if g.takes++; g.takes > mostTakes {
		return false
	}
	g.leaveBehind()
	if to, ok := g.groundOf(m).Nearest(g.sizeOn(m), g.doc.Project.Lattice().CellAt(p.Foot), -1); ok {
		g.set(m, to)
	}
	return true
}

// takeToDoorway sets the player down where they would come out at an end of a crossing, without having gone through it. It reports false if that was done too
// often in this tick.
func (s onStage) takeToDoorway(c *world.Crossing, end int) bool {
	g := s.g
	if c == nil || g.doc.Map(c.Ends[end].Map) == nil {
		return true
	}
	if g.takes++; g.takes > mostTakes {
		return false
	}
	m := g.doc.Map(c.Ends[end].Map)
	g.leaveBehind()
	to, out := board.Landing(g.groundOf(m), g.sizeOn(m), c.Ends[end].Cells)
	if !g.groundOf(m).Fits(g.sizeOn(m), g.groundOf(m).At(to)) {
		// A doorway is free, but perhaps not as large as a body.
		free := false
		if to, free = g.groundOf(m).Nearest(g.sizeOn(m), to, -1); !free {
			return true
		}
	}
	if g.set(m, to); !out {
		// They stand in the doorway, and do not go through it at once.
		g.through = c.ID
	}
	return true
}

// set gives a piece another presence, power or own state. It reports false where that can't be yet: nothing is shut on anybody.
func (s onStage) set(id world.ID, a *logic.Part) bool {
	g := s.g
	on, p := g.pieceOf(id)
	if p == nil {
		return true
	}
	switch a.Does {
	case logic.SetPresence:
		if is, _ := (inquiry{g, 0}).Presence(id); is != a.Is {
			if c := g.actorOf(id); a.Is != kind.Absent && is == kind.Absent && c != nil && c.Kind.Solid && !g.clear(c) {
				return false
			}
			g.setPresence(id, a.Is)
		}
	case logic.SetPower:
		if _, has := p.Kind().Has(props.Power); has && g.isOff(p) == (a.Is == kind.On) {
			g.switchPower(p, false)
		}
	case logic.SetState:
		return s.setOwn(on, p, kind.StateOf(a.Is), a.Quiet)
	}
	return true
}

// setOwn brings a piece to one of its own states. Where its kind declares how it goes there, it happens to the piece, unless quietly.
func (s onStage) setOwn(on *world.Map, p *world.Piece, to *kind.State, quiet bool) bool {
	g := s.g
	k := g.kindOf(on, p)
	is := g.own(on, p)
	if k == nil || to == nil || is == nil || is == to || !k.Can(to.Number) {
		return true
	}
	if c := g.actorOf(p.ID); c != nil && c.Kind.Solid && (is.Passable || is.Gone) && !to.Passable && !to.Gone && !g.clear(c) {
		return false
	}
	if to == k.States[0] {
		g.forgetDone(p.ID)
	}
	before := g.own(on, p)
	if !quiet {
		g.become(p.ID, to)
	}
	if quiet || g.own(on, p) == before {
		g.setState(p.ID, to.Number)
		g.stale = true
	}
	return true
}

// forgetDone lets a piece be as if it had not been taken, hit or defeated.
func (g *Game) forgetDone(piece world.ID) {
	if i, taken := search(g.taken, piece); taken {
		g.taken = append(g.taken[:i:i], g.taken[i+1:]...)
	}
	if i, there := g.thing(piece); there {
		g.things[i].Gone, g.things[i].Hits = false, 0
	}
}

func search(ids []world.ID, id world.ID) (int, bool) {
	for i, is := range ids {
		if is >= id {
			return i, is == id
		}
	}
	return len(ids), false
}

// An occasion is a game in which something happened, of which a rule asks. It implements logic.Happening.
type occasion struct {
	inquiry
	by     logic.Pair
	of     logic.Bound
	moment int
}

// Pieces implements logic.World.
func (o occasion) Pieces(n logic.Noun) (ids []world.ID, there bool) {
	one := func(id world.ID) ([]world.ID, bool) {
		_, p := o.g.pieceOf(id)
		return []world.ID{id}, p != nil || id == 0
	}
	switch n.Is {
	case logic.This:
		// A rule of a map or the project has none.
		_, p := o.g.pieceOf(o.of.This)
		return []world.ID{o.of.This}, p != nil
	case logic.It:
		return one(o.of.It)
	case logic.Whoever:
		return one(o.of.Whoever)
	case logic.NearestOfType, logic.NearestInArea:
		if id := o.nearest(n); id != 0 {
			return []world.ID{id}, true
		}
		return nil, false
	}
	return o.inquiry.Pieces(n)
}

// whereIs is on which map the foot of a piece is, of which 0 is the player, and where, in positions of the player's map.
func (g *Game) whereIs(piece world.ID) (on *world.Map, at body.Place, there bool) {
	if piece == 0 {
		return g.ground.Map, g.place, true
	}
	m, p := g.pieceOf(piece)
	if p == nil {
		return nil, at, false
	}
	is := member{p, m, nil}
	on = m
	if i, moved := g.thing(piece); moved {
		is.thing = &g.things[i]
		if other := g.doc.Map(is.thing.On); is.thing.On != 0 && other != nil {
			on = other
		}
	}
	return on, g.placeIn(is, g.ground.Map), true
}

// nearest is the piece of a type, or of those in an area, that is nearest to the one to which the rule belongs, or to the player, on the player's map; 0 for none.
func (o occasion) nearest(n logic.Noun) (id world.ID) {
	_, from, there := o.g.whereIs(o.of.This)
	if !there {
		from = o.g.place
	}
	least := 0
	among := logic.Noun{Is: logic.AllOfType, Type: n.Type}
	if n.Is == logic.NearestInArea {
		among = logic.Noun{Is: logic.AllInArea, Thing: n.Thing}
	}
	ids, _ := o.inquiry.Pieces(among)
	for _, is := range ids {
		on, at, there := o.g.whereIs(is)
		if !there || on != o.g.ground.Map || o.g.absent[is] || is == o.of.This {
			continue
		}
		dx, dy := at.X-from.X, at.Y-from.Y
		if far := dx*dx + dy*dy; id == 0 || far < least {
			id, least = is, far
		}
	}
	return id
}

// Within implements logic.Happening.
func (o occasion) Within(piece, area world.ID) (is, there bool) {
	a := o.g.doc.Area(area)
	on, at, known := o.g.whereIs(piece)
	if a == nil || !known {
		return false, false
	}
	home := o.g.doc.Map(a.Map)
	if home == nil {
		return false, false
	}
	return on == home && a.Cells.Has(added(at, o.g.shift(o.g.ground.Map, home)).Cell(o.g.ground.Lattice)), true
}

// OnMap implements logic.Happening.
func (o occasion) OnMap(piece, id world.ID) (is, there bool) {
	on, _, known := o.g.whereIs(piece)
	return known && on.ID == id, known && o.g.doc.Map(id) != nil
}

// between is where two pieces are, if both are on the same map, or beside each other across an open edge.
func (o occasion) between(piece, other world.ID) (from, to body.Place, ok bool) {
	m, from, known := o.g.whereIs(piece)
	n, to, also := o.g.whereIs(other)
	if !known || !also || o.g.absent[piece] || o.g.absent[other] {
		return from, to, false
	}
	_, here := near(o.g.ground, m.ID)
	_, there := near(o.g.ground, n.ID)
	return from, to, m == n || here && there
}

// Apart implements logic.Happening.
func (o occasion) Apart(piece, other world.ID) (cells int, there bool) {
	from, to, ok := o.between(piece, other)
	l := o.g.ground.Lattice
	a, b := from.Cell(l), to.Cell(l)
	return max(abs(a.X-b.X), abs(a.Y-b.Y)), ok
}

// Faces implements logic.Happening.
func (o occasion) Faces(piece, other world.ID) bool {
	from, to, ok := o.between(piece, other)
	if !ok {
		return false
	}
	dx, dy := cmp.Compare(to.X, from.X), cmp.Compare(to.Y, from.Y)
	look := ahead[o.g.facing]
	if i, moved := o.g.thing(piece); piece != 0 && moved {
		look = grid.Point{X: o.g.things[i].Heading}
		if o.g.ground.Map.View == world.TopDown {
			look = ahead[max(0, o.g.things[i].Heading)]
		}
	} else if piece != 0 {
		return false
	}
	if o.g.ground.Map.View == world.TopDown && abs(to.X-from.X) < abs(to.Y-from.Y) {
		return look.Y == dy && look.X == 0
	}
	return look.X == dx && look.Y == 0
}

// Sees implements logic.Happening: nothing solid lies on the straight line between the cells of both, of which one is within the player's view of the other.
func (o occasion) Sees(piece, other world.ID) bool {
	from, to, ok := o.between(piece, other)
	l := o.g.ground.Lattice
	a, b := from.Cell(l), to.Cell(l)
	dx, dy := b.X-a.X, b.Y-a.Y
	n := max(abs(dx), abs(dy))
	if !ok || n > limit.MaxSeen || abs(dx) > o.g.doc.Project.SeenW || abs(dy) > o.g.doc.Project.SeenH {
		return false
	}
	for i := 1; i < n; i++ {
		c := grid.Point{X: a.X + divide(dx*i, n), Y: a.Y + divide(dy*i, n)}
		if !o.g.ground.Inside(c) || o.g.ground.Opaque(c) {
			return false
		}
	}
	return true
}

// divide rounds to the nearest whole number, halves away from 0.
func divide(a, by int) int {
	if a < 0 {
		return -divide(-a, by)
	}
	return (2*a + by) / (2 * by)
}

// Draw implements logic.Happening.
func (o occasion) Draw(n, key int) int {
	h := mixed(mixed(mixed(mixed(o.g.chance+3)+uint64(o.by.Rule))+uint64(o.moment)) + uint64(key))
	return int(h >> 33 % uint64(max(1, n)))
}

// OneIn implements logic.Happening.
func (o occasion) OneIn(times, key int) bool { return o.Draw(times, key+1<<20) == 0 }

// Lasted implements logic.World.
func (o occasion) Lasted(key int) (on, known bool) { return o.g.runs.Lasted(o.by, key) }

// Went implements logic.Happening.
func (o occasion) Went() int { return o.g.runs.Times(o.by).Times }

// Since implements logic.Happening.
func (o occasion) Since() int {
	was := o.g.runs.Times(o.by)
	if was.Times == 0 {
		return logic.MostValue
	}
	return o.g.tick - was.Tick
}
