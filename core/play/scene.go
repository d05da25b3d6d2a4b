package play

import (
	"bytes"
	"cmp"
	"fmt"
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// scene is what rules let people and the camera do that takes time.
type scene struct {
	// errands are the ways on which rules have sent somebody, sorted by piece.
	errands []errand
	// gazes says that the camera is at what rules say, the piece gaze, and not at the player.
	gazes bool
	gaze  world.ID
	// passed is for how many ticks time was not held, and steps how many steps the player has gone, as rules were told: 0 as long as none asks for that.
	passed, steps int
	// gained and lost are the abilities that the player has and lacks by rules, each the bit of its place among logic.AbilityWords.
	gained, lost int
	// followings are what goes along another track than its own, sorted by piece.
	followings []following
	// poses are those who are seen doing something else than they do, sorted by piece.
	poses []posed
}

// An errand is that somebody walks to something, because a rule says so.
type errand struct {
	// piece is who walks, to is to what: 0 is the player.
	piece, to world.ID
	// by is the rule and the action that says so.
	by   logic.Pair
	part world.ID
	// next is the cell to which it goes next, steps are the directions in which its way goes on from there, the last one first; known says that there
	// is a way.
	next  grid.Point
	steps []uint8
	known bool
	// stays is for how many ticks it has not got on, anew how often it has looked for the way anew.
	stays, anew int
	// over says that it is there, or was given up.
	over bool
}

func (s *scene) empty() bool {
	return len(s.poses)+len(s.followings)+len(s.errands)+s.passed+s.steps+s.gained+s.lost == 0 && !s.gazes && s.gaze == 0
}

func (s *scene) encode(w *pack.Writer) {
	w.Bool(s.gazes)
	w.Uint(uint64(s.gaze))
	w.Int(s.passed)
	w.Int(s.steps)
	w.Int(s.gained)
	w.Int(s.lost)
	w.Uint(uint64(len(s.errands)))
	for _, e := range s.errands {
		for _, id := range []world.ID{e.piece, e.to, e.by.Rule, e.by.This, e.part} {
			w.Uint(uint64(id))
		}
		for _, n := range []int{e.next.X, e.next.Y, e.stays, e.anew} {
			w.Int(n)
		}
		w.Blob(e.steps)
		w.Bool(e.known)
		w.Bool(e.over)
	}
}

func decodeScene(r *pack.Reader) (s scene) {
	s.gazes, s.gaze = r.Bool(), world.ID(r.Uint())
	s.passed, s.steps = within(r, r.Int(), 1<<40), within(r, r.Int(), 1<<40)
	most := 1<<len(logic.AbilityWords) - 1
	s.gained, s.lost = within(r, r.Int(), most), within(r, r.Int(), most)
	for range r.Count(limit.Pieces, 12) {
		var e errand
		for _, id := range []*world.ID{&e.piece, &e.to, &e.by.Rule, &e.by.This, &e.part} {
			*id = world.ID(r.Uint())
		}
		e.next.X, e.next.Y = r.Int(), r.Int()
		e.stays, e.anew = within(r, r.Int(), 1<<20), within(r, r.Int(), 1<<20)
		e.steps = bytes.Clone(r.Blob(body.PathCells))
		for _, d := range e.steps {
			within(r, int(d), len(ahead)-1)
		}
		e.known, e.over = r.Bool(), r.Bool()
		if n := len(s.errands); n > 0 && s.errands[n-1].piece >= e.piece {
			r.Fail(fmt.Errorf("%w: those whom rules send out of order", pack.ErrMalformed))
		}
		s.errands = append(s.errands, e)
	}
	return s
}

func (s scene) clone() scene {
	s.errands, s.followings, s.poses = slices.Clone(s.errands), slices.Clone(s.followings), slices.Clone(s.poses)
	for i := range s.errands {
		s.errands[i].steps = bytes.Clone(s.errands[i].steps)
	}
	return s
}

func (s *scene) errandOf(piece world.ID) (int, bool) {
	return slices.BinarySearchFunc(s.errands, piece, func(e errand, id world.ID) int { return cmp.Compare(e.piece, id) })
}

// walks reports whether somebody walks, or has just walked, because a rule says so: they stop nobody meanwhile.
func (g *Game) walks(piece world.ID) bool {
	_, is := g.errandOf(piece)
	return is
}

// onErrand reports whether somebody is on the way because a rule says so.
func (g *Game) onErrand(piece world.ID) bool {
	i, is := g.errandOf(piece)
	return is && !g.errands[i].over
}

// send lets those whom an action names walk to what it names. It reports true once all of them are there or were given up; who is on the way for another
// action goes there first.
func (s onStage) send(p *logic.Part, by logic.Pair, asked logic.Happening) bool {
	g := s.g
	to, _ := asked.Pieces(p.Towards)
	ids, _ := asked.Pieces(p.Subject)
	if len(to) == 0 {
		return true
	}
	done := true
	for _, id := range ids {
		if !g.canWalk(id) || id == to[0] {
			continue
		}
		i, there := g.errandOf(id)
		if there && g.errands[i].by == by && g.errands[i].part == p.ID {
			done = done && g.errands[i].over
			continue
		}
		done = false
		if there && !g.errands[i].over {
			continue
		}
		e := errand{piece: id, to: to[0], by: by, part: p.ID}
		if there {
			g.errands[i] = e
		} else {
			g.errands = lists.Insert(g.errands, i, e)
			g.recast = true
		}
	}
	if done {
		for _, id := range ids {
			if i, there := g.errandOf(id); there && g.errands[i].by == by && g.errands[i].part == p.ID {
				// It is no more than an errand that is over, until nothing is shut in where it stands.
				g.errands[i].by, g.errands[i].part = logic.Pair{}, 0
			}
		}
	}
	return done
}

// canWalk reports whether a piece is somebody who walks, and is there where something moves; the player, 0, is.
func (g *Game) canWalk(piece world.ID) bool {
	if piece == 0 {
		return true
	}
	a := g.actorOf(piece)
	return a != nil && a.Kind.Walks() && g.there(a) && !a.off
}

// runErrands lets those on an errand walk on, but for the player, who walks as by keys and has done so.
func (g *Game) runErrands(walked bool) {
	for i := range g.errands {
		e := &g.errands[i]
		if e.over {
			continue
		}
		if e.over = !g.canWalk(e.piece) || g.doc.Rule(e.by.Rule) == nil; e.over {
			continue
		}
		if e.piece == 0 {
			e.gotOn(walked)
			continue
		}
		a := g.actorOf(e.piece)
		a.Thing = &g.things[a.at]
		if !g.ground.Fits(a.Size, a.Place) {
			continue // something became solid there: it waits until it is free again
		}
		dx, dy, on := g.heads(e, a.Size, a.Place, a.Step)
		if !on {
			continue
		}
		before := a.Place
		if g.ground.Map.View == world.SideView {
			in := body.Intent{X: cmp.Compare(dx, 0)}
			if a.Heading = in.X; a.Motion.Mode == body.Grounded && g.ground.Ledge(a.Size, a.Place, in.X) {
				in.X, a.Motion.VX = 0, 0
			}
			a.Place, a.Motion = g.ground.Go(a.Size, a.Place, a.Motion, a.Drive, in)
			if !(around{g}).Inside(a.Place) {
				around{g}.Lost(&a.Actor)
			}
		} else {
			a.Face(dx, dy)
			a.Place = g.ground.Move(a.Size, a.Place, dx, dy)
		}
		e.gotOn(a.Place != before)
	}
	// Who is there stops others again as soon as nobody is shut in by that.
	before := len(g.errands)
	g.errands = lists.Without(g.errands, func(e errand) bool {
		waited := e.part != 0 && slices.ContainsFunc(g.runs.List, func(r logic.Run) bool { return r.Rule == e.by.Rule })
		if !e.over || waited {
			return false
		}
		a := g.actorOf(e.piece)
		return a == nil || g.clear(a)
	})
	g.recast = g.recast || len(g.errands) != before
}

// gotOn notes whether somebody on an errand got on in a tick.
func (e *errand) gotOn(did bool) {
	if e.stays++; did {
		e.stays = 0
	}
	if e.stays > patience {
		e.stays, e.known = 0, false
		if e.anew++; e.anew > mostAnew {
			e.over = true
		}
	}
}

// errandKeys is what is held down for the player who is on an errand; false if the player is on none.
func (g *Game) errandKeys() (in Input, is bool) {
	i, there := g.errandOf(0)
	if !there || g.errands[i].over {
		return 0, false
	}
	e := &g.errands[i]
	dx, dy, on := g.heads(e, g.size, g.place, g.speed())
	if !on {
		return 0, true
	}
	near := g.speed()/2 + 1
	switch {
	case dx > near:
		in |= Right
	case dx < -near:
		in |= Left
	}
	switch {
	case g.ground.Map.View == world.SideView:
	case dy > near:
		in |= Down
	case dy < -near:
		in |= Up
	}
	if in == 0 {
		e.known = false
	}
	return in, true
}

// heads is how far somebody on an errand goes next along each axis; on is false if the errand is over.
func (g *Game) heads(e *errand, s body.Size, at body.Place, step int) (dx, dy int, on bool) {
	m, to, there := g.whereIs(e.to)
	if there {
		_, there = near(g.ground, m.ID)
	}
	if !there || g.absent[e.to] {
		e.over = true
		return 0, 0, false
	}
	l := g.ground.Lattice
	clamp := func(n int) int { return min(max(n, -step), step) }
	if g.ground.Map.View == world.SideView {
		dx = to.X - at.X
		enough := max(step, l.W*body.Unit/8)
		if g.besides(e.to) {
			enough = l.W * body.Unit
		}
		e.over = abs(dx) <= enough
		return clamp(dx), 0, !e.over
	}
	near := step/2 + 1
	aim := func() body.Place {
		to := body.At(l, e.next)
		to.Y -= near // the middle of a cell lies on its lower border
		return to
	}
	there = e.known
	if next := aim(); there && abs(next.X-at.X) <= near && abs(next.Y-at.Y) <= near {
		if n := len(e.steps) - 1; n >= 0 {
			e.next, e.steps = e.next.Add(ahead[e.steps[n]]), e.steps[:n]
		} else {
			there = false
		}
	}
	if !there {
		if g.searches++; g.searches > mostSearches {
			return 0, 0, true
		}
		if e.known = g.findWay(e, s, at.Cell(l), to.Cell(l)); !e.known {
			e.over = true
			return 0, 0, false
		}
	}
	next := aim()
	return clamp(next.X - at.X), clamp(next.Y - at.Y), true
}

// besides reports whether somebody who walks to a piece stops beside it: it is somebody too, or the player.
func (g *Game) besides(piece world.ID) bool {
	_, p := g.pieceOf(piece)
	return p == nil || p.Kind().Walks()
}

// mostSearches is for how many of those on an errand a way is looked for in a tick; the others wait.
const mostSearches = 2

// findWay finds the way of a body from one cell to another, seen from above; where nobody can stand, or somebody is, to one beside that. It reports false
// for who is there, or can't get there.
func (g *Game) findWay(e *errand, s body.Size, from, goal grid.Point) bool {
	search := body.Search{Size: s, Straight: true, Left: body.PathCells, Avoid: g.ground.Doorway}
	search.Beside = g.besides(e.to) || !g.ground.Stands(s, goal)
	way, _, found := search.Path(g.ground, from, goal)
	if !found || len(way) < 2 {
		return false
	}
	e.steps = e.steps[:0]
	for i, c := range way[:len(way)-2] {
		d := c.Sub(way[i+1])
		e.steps = append(e.steps, uint8(slices.Index(ahead[:], d)))
	}
	e.next = way[len(way)-2]
	return true
}

// lookAt lets a piece, or the player, look to where something is.
func (g *Game) lookAt(piece world.ID, to body.Place) {
	_, at, there := g.whereIs(piece)
	dx, dy := to.X-at.X, to.Y-at.Y
	switch i, moved := g.thing(piece); {
	case !there || dx == 0 && dy == 0:
	case piece == 0 && g.ground.Map.View == world.SideView:
		g.face(cmp.Compare(dx, 0), 0)
	case piece == 0 && abs(dx) >= abs(dy):
		g.face(cmp.Compare(dx, 0), 0)
	case piece == 0:
		g.face(0, cmp.Compare(dy, 0))
	case !moved:
	case g.ground.Map.View == world.TopDown:
		g.things[i].Face(dx, dy)
	case dx != 0:
		g.things[i].Heading = cmp.Compare(dx, 0)
	}
}

// lookTo is lookAt for all whom an action names.
func (s onStage) lookTo(p *logic.Part, asked logic.Happening) {
	to, _ := asked.Pieces(p.Towards)
	if len(to) == 0 {
		return
	}
	m, at, there := s.g.whereIs(to[0])
	if there {
		_, there = near(s.g.ground, m.ID)
	}
	if !there {
		return
	}
	ids, _ := asked.Pieces(p.Subject)
	for _, id := range ids {
		if id == 0 || s.g.canWalk(id) {
			s.g.lookAt(id, at)
		}
	}
}

// gazed is what the camera is at because a rule says so, in positions of the player's map; false if it follows the player.
func (g *Game) gazed() (at body.Place, is bool) {
	if !g.gazes {
		return at, false
	}
	m, at, there := g.whereIs(g.gaze)
	if there {
		_, there = near(g.ground, m.ID)
	}
	at.Y -= g.ground.Lattice.H * body.Unit / 4
	return at, there
}

// pointCamera lets the camera go to what an action names, or back to the player, in as many ticks as it says.
func (s onStage) pointCamera(p *logic.Part, asked logic.Happening) {
	g := s.g
	g.gazes, g.gaze = false, 0
	if ids, _ := asked.Pieces(p.Towards); p.Does == logic.CameraTo && len(ids) > 0 && ids[0] != 0 {
		g.gazes, g.gaze = true, ids[0]
	}
	to, is := g.gazed()
	if !is {
		to = g.aimed()
	}
	g.lens.glide = max(1, max(abs(to.X-g.lens.at.X), abs(to.Y-g.lens.at.Y))/max(1, p.Number))
}

// changeAbility lets the player be able to do something, or not any more.
func (g *Game) changeAbility(is int, can bool) {
	bit := 1 << is
	if g.gained, g.lost = g.gained&^bit, g.lost|bit; can {
		g.gained, g.lost = g.gained|bit, g.lost&^bit
	}
	g.moveAs(g.ground.Map)
}

// moveAs lets the player move as they do on a map: as their character, as rules say besides, and without what is barred there.
func (g *Game) moveAs(m *world.Map) {
	moves := world.UsualMovement
	if who := g.Who(); who != nil {
		moves = who.Movement.Filled()
	}
	arms := len(logic.BodyWords)
	moves.Cannot = moves.Cannot&^world.Ability(g.gained&(1<<arms-1)) | world.Ability(g.lost&(1<<arms-1))
	moves.Arms = moves.Arms&^world.Arm(g.lost>>arms) | world.Arm(g.gained>>arms)
	g.moves = moves.On(m)
	g.drive = body.NewDrive(g.ground.Lattice, g.moves)
}
