package play

import (
	"bytes"
	"cmp"
	"errors"
	"fmt"
	"slices"

	"azzel/core/body"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/world"
)

// ErrOtherRules is given for a replay that begins in the middle of a play by other rules, whose state
// can't be read.
var ErrOtherRules = errors.New("it begins in the middle of a play that was recorded by older or newer rules: play it once more and keep that")

// resume goes on where a replay began in the middle of a play, on a document. If the checkpoint or
// mark was moved since, it is there.
func resume(d *world.Document, r *world.Replay) (*Game, error) {
	s, err := readState(r.State)
	if err != nil {
		return nil, fmt.Errorf("where it begins: %w", err)
	}
	if s.tick != r.Began || s.finished || s.assisted || s.drifting {
		return nil, fmt.Errorf("where it begins: %w: nothing could be proved from there", pack.ErrMalformed)
	}
	return from(d, s, r.From)
}

// from goes on with a state that stands at a checkpoint or mark, on a document. If that was moved
// since, it is there.
func from(d *world.Document, s state, start world.ID) (*Game, error) {
	on, from := d.Piece(start)
	if from == nil || !IsStart(from.Type) {
		return nil, ErrStartGone
	}
	elsewhere := on.ID != s.mapID
	g := &Game{state: s, began: beginning{start, true}}
	g.look(d)
	if elsewhere {
		g.ground, g.shots = g.groundOf(on), nil
		g.leaveBehind()
	}
	g.stand(on)
	cell := g.ground.Lattice.CellAt(from.Foot)
	// A checkpoint may be touched from the cell beside it.
	if elsewhere || from.Kind().Named || !g.cells().Inset(-1).Has(cell) || !g.ground.Fits(g.size, g.place) {
		to, ok := g.ground.Nearest(g.size, cell, -1)
		if !ok {
			return nil, ErrNowhere
		}
		g.set(on, to)
	}
	g.follow()
	return g, nil
}

// beginsAgain reports whether a play that is kept from here on begins again just so.
func (g *Game) beginsAgain(at beginning) bool {
	var again *Game
	var err error
	if _, p := g.doc.Piece(at.from); p != nil && IsStart(p.Type) {
		again, err = from(g.doc, g.state.clone(), at.from)
	} else if g.tick > 0 {
		return false
	} else {
		again, err = New(g.doc, Start{Chance: g.chance})
	}
	return err == nil && bytes.Equal(again.played(), g.played())
}

// farthest is how far from the middle of its map anything is, in positions, and fastest how far it
// goes in a tick: more than anything can that was played.
const (
	farthest = 1 << 31
	fastest  = 1 << 27
)

// readState reads what played writes. What it says of pieces need not be true of any document.
func readState(b []byte) (s state, err error) {
	if len(b) > limit.ReplayState {
		return s, fmt.Errorf("%w: a state of %d bytes", pack.ErrMalformed, len(b))
	}
	if len(b) < 2 || b[0] != stateTag {
		return s, fmt.Errorf("%w: this is no state of a play", pack.ErrMalformed)
	}
	if b[1] < factless || b[1] > stateVersion {
		return s, ErrOtherRules
	}
	r := pack.NewReader(b[2:])
	s.tick, s.mapID = r.Int(), world.ID(r.Uint())
	s.place, s.entered = readPlace(r), readPlace(r)
	s.facing = world.Facing(within(r, int(r.Uint()), int(world.North)))
	s.walked = within(r, int(r.Uint()), 1<<40)
	s.through, s.checkpoint = world.ID(r.Uint()), world.ID(r.Uint())
	s.finished, s.used = r.Bool(), r.Bool()
	m := &s.motion
	readMotion(r, m)
	s.goal = readPlace(r)
	s.harm, s.safe = within(r, r.Int(), 1<<20), within(r, r.Int(), safeTicks)
	for _, yes := range []*bool{&m.Rising, &m.Thrown, &s.jumped, &s.stepping, &s.drifting, &s.went} {
		*yes = r.Bool()
	}
	s.seed, s.chance = r.Uint(), r.Uint()
	s.lifted, s.shoved = world.ID(r.Uint()), world.ID(r.Uint())
	s.came, s.armed, s.struck = within(r, r.Int(), farthest), within(r, r.Int(), limit.Pause), within(r, r.Int(), strikeTicks)
	s.fallen = readIDs(r, limit.Characters)
	for range r.Count(limit.Flying, 7) {
		f := shot{Place: readPlace(r), VX: between(r, r.Int(), -1<<18, 1<<18), VY: between(r, r.Int(), -1<<18, 1<<18), Left: r.Int(), Strength: r.Int(), Mine: r.Bool()}
		s.shots = append(s.shots, f)
	}
	for range r.Count(limit.Pieces, 23) {
		t := readThing(r)
		if n := len(s.things); n > 0 && s.things[n-1].ID >= t.ID || t.ID&emitted != 0 && (t.from == 0 || int(t.ID&^emitted) > s.came) {
			r.Fail(fmt.Errorf("%w: things out of order", pack.ErrMalformed))
		}
		if r.Err() != nil {
			return s, r.Err()
		}
		s.things = append(s.things, t)
	}
	s.taken = readIDs(r, limit.Pieces)
	for range r.Count(limit.Items, 2) {
		had := world.Stock{Item: world.ID(r.Uint()), Count: between(r, r.Int(), 1, limit.Stack)}
		if n := len(s.items); n > 0 && s.items[n-1].Item >= had.Item {
			r.Fail(fmt.Errorf("%w: items out of order", pack.ErrMalformed))
		}
		s.items = append(s.items, had)
	}
	if id := world.ID(r.Uint()); id != 0 {
		s.refused = []world.ID{id}
	}
	s.assisted = r.Bool()
	if b[1] > factless {
		s.facts = readFacts(r)
	}
	if b[1] > withFacts {
		s.refused = append(s.refused, readIDs(r, limit.Pieces)...)
		s.helped = Input(within(r, int(r.Uint()), int(helps))) & helps
	}
	if b[1] > athome {
		s.readPlaces(r)
	}
	for i := 1; i < len(s.refused); i++ {
		if s.refused[i-1] >= s.refused[i] {
			r.Fail(fmt.Errorf("%w: ids out of order", pack.ErrMalformed))
		}
	}
	if r.Err() == nil && s.form() != b[1] {
		r.Fail(fmt.Errorf("%w: a state of form %d that is written in form %d", pack.ErrMalformed, s.form(), b[1]))
	}
	return s, r.Done()
}

// readPlaces reads what encodePlaces wrote.
func (s *state) readPlaces(r *pack.Reader) {
	s.enteredOn = world.ID(r.Uint())
	last := world.ID(0)
	for range r.Count(limit.Pieces, 3) {
		id, on, frame := world.ID(r.Uint()), world.ID(r.Uint()), world.ID(r.Uint())
		i, there := slices.BinarySearchFunc(s.things, id, func(t Thing, id world.ID) int { return cmp.Compare(t.ID, id) })
		if !there || id <= last || on == 0 && frame == 0 {
			r.Fail(fmt.Errorf("%w: something is on a map that is not there", pack.ErrMalformed))
			return
		}
		s.things[i].on, s.things[i].frame, last = on, frame, id
	}
}

func readFacts(r *pack.Reader) (facts []Known) {
	for range r.Count(limit.Facts, 4) {
		k := Known{world.ID(r.Uint()), between(r, r.Int(), 0, limit.FactValue), within(r, r.Int(), 1<<40), world.ID(r.Uint())}
		if n := len(facts); n > 0 && facts[n-1].Fact >= k.Fact {
			r.Fail(fmt.Errorf("%w: facts out of order", pack.ErrMalformed))
		}
		facts = append(facts, k)
	}
	return facts
}

func readThing(r *pack.Reader) Thing {
	t := Thing{ID: world.ID(r.Uint()), from: world.ID(r.Uint()), Type: world.ID(r.Uint())}
	if kind.Of(t.Type) == nil && t.Type != 0 {
		r.Fail(fmt.Errorf("%w: a thing of no known type", pack.ErrMalformed))
	}
	t.Place, t.Heading, t.far = readPlace(r), between(r, r.Int(), -1, int(world.North)), r.Int()
	for _, n := range []*int32{&t.rest, &t.left, &t.hits, &t.wait} {
		*n = int32(r.Int())
	}
	readMotion(r, &t.motion)
	for _, yes := range []*bool{&t.Gone, &t.back, &t.thrown, &t.motion.Rising, &t.motion.Thrown} {
		*yes = r.Bool()
	}
	return t
}

func readMotion(r *pack.Reader, m *body.Motion) {
	for _, n := range []*int{&m.VX, &m.VY, &m.RestX, &m.RestY} {
		*n = between(r, r.Int(), -fastest, fastest)
	}
	m.Mode, m.Left, m.Asked = body.Mode(within(r, r.Int(), int(body.InWater))), r.Int(), r.Int()
}

func readPlace(r *pack.Reader) body.Place {
	return body.Place{X: between(r, r.Int(), -farthest, farthest), Y: between(r, r.Int(), -farthest, farthest)}
}

// readIDs reads ids that are sorted, each once.
func readIDs(r *pack.Reader, most int) []world.ID {
	var ids []world.ID
	for range r.Count(most, 1) {
		ids = append(ids, world.ID(r.Uint()))
	}
	for i := 1; i < len(ids); i++ {
		if ids[i-1] >= ids[i] {
			r.Fail(fmt.Errorf("%w: ids out of order", pack.ErrMalformed))
		}
	}
	return slices.Clip(ids)
}

// within is n, from 0 to most, or a failure.
func within(r *pack.Reader, n, most int) int { return between(r, n, 0, most) }

// between is n, from least to most, or a failure.
func between(r *pack.Reader, n, least, most int) int {
	if n < least || n > most {
		r.Fail(fmt.Errorf("%w: %d is not from %d to %d", pack.ErrMalformed, n, least, most))
		return least
	}
	return n
}
