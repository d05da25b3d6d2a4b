package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
	"azzel/core/world"
)

// The forms before there were parts. What needed less was written in an earlier one: athome has nothing that is on another map
// than at first, withFacts no helps and at most one piece that refuses, factless no facts either.
const (
	abroad    = 9
	athome    = 8
	withFacts = 7
	factless  = 6
)

// frozenForm is the earliest of them in which a state can be written.
func (s *state) frozenForm() byte {
	switch {
	case s.isAbroad():
		return abroad
	case s.helped != 0 || len(s.refused) > 1:
		return athome
	case len(s.facts) > 0:
		return withFacts
	}
	return factless
}

// frozen writes a state without the camera as it was written before stateForm, to the byte. Sums of states are made of it, so
// that replays which were kept then end as they did; what a later part of the state adds is to be added behind it.
func (s *state) frozen() []byte {
	form, p := s.frozenForm(), &s.players[0]
	w := pack.Writer{Bytes: []byte{stateTag, form}}
	w.Int(s.tick)
	w.Uint(uint64(p.mapID))
	w.Int(p.place.X)
	w.Int(p.place.Y)
	w.Int(p.entered.X)
	w.Int(p.entered.Y)
	w.Uint(uint64(p.facing))
	w.Uint(uint64(p.walked))
	w.Uint(uint64(p.through))
	w.Uint(uint64(p.checkpoint))
	w.Bool(s.finished)
	w.Bool(s.used)
	for _, n := range []int{p.motion.VX, p.motion.VY, p.motion.RestX, p.motion.RestY, int(p.motion.Mode), p.motion.Left, p.motion.Asked, p.goal.X, p.goal.Y, p.harm, p.safe} {
		w.Int(n)
	}
	for _, yes := range []bool{p.motion.Rising, p.motion.Thrown, s.jumped, p.stepping, p.drifting, s.went} {
		w.Bool(yes)
	}
	w.Uint(s.seed)
	w.Uint(s.chance)
	w.Uint(uint64(p.lifted))
	w.Uint(uint64(p.shoved))
	for _, n := range []int{s.came, p.armed, p.struck} {
		w.Int(n)
	}
	encodeIDs(&w, s.fallen)
	s.flight.encode(&w)
	w.Uint(uint64(len(s.things)))
	for i := range s.things {
		encodeThing(&w, &s.things[i])
	}
	encodeIDs(&w, s.taken)
	encodeItems(&w, s.items)
	refused := append(slices.Clone(s.refused), 0)
	w.Uint(uint64(refused[0]))
	w.Bool(s.assisted)
	if form > factless {
		encodeFacts(&w, s.facts)
	}
	if form > withFacts {
		more := s.refused[min(1, len(s.refused)):]
		encodeIDs(&w, more)
		w.Uint(uint64(s.helped))
	}
	if form > athome {
		s.freezePlaces(&w)
	}
	if len(s.states) > 0 {
		encodeStates(&w, s.states)
	}
	if !s.wiring.empty() {
		s.wiring.encode(&w)
	}
	if s.reading.piece != 0 || len(s.spoken) > 0 {
		s.reading.encode(&w)
		encodeSpoken(&w, s.spoken)
	}
	if !s.ruling.empty() {
		s.ruling.encode(&w)
	}
	if len(s.left) > 0 {
		encodeIDs(&w, s.left)
	}
	if s.bag != (bag{}) {
		s.bag.encode(&w)
	}
	if !s.screen.empty() {
		s.screen.encode(&w)
	}
	if !s.scene.empty() {
		s.scene.encode(&w)
	}
	if !s.places.empty() {
		s.places.encode(&w)
	}
	if len(s.followings) > 0 {
		encodeFollowings(&w, s.followings)
	}
	if len(s.poses) > 0 {
		encodePoses(&w, s.poses)
	}
	if len(s.turns) > 0 {
		encodeTurns(&w, s.turns)
	}
	if len(s.runs.Lastings) > 0 {
		s.runs.EncodeLastings(&w)
	}
	if len(s.properties) > 0 {
		encodeProperties(&w, s.properties)
	}
	return w.Bytes
}

// thaw reads what frozen wrote, in a form.
func (s *state) thaw(r *pack.Reader, form byte) {
	s.players = make([]player, 1)
	p := &s.players[0]
	s.tick, p.mapID = r.Int(), world.ID(r.Uint())
	p.place, p.entered = readPlace(r), readPlace(r)
	p.facing = world.Facing(within(r, int(r.Uint()), int(world.North)))
	p.walked = within(r, int(r.Uint()), 1<<40)
	p.through, p.checkpoint = world.ID(r.Uint()), world.ID(r.Uint())
	s.finished, s.used = r.Bool(), r.Bool()
	m := &p.motion
	readMotion(r, m)
	p.goal = readPlace(r)
	p.harm, p.safe = within(r, r.Int(), 1<<20), within(r, r.Int(), safeTicks)
	for _, yes := range []*bool{&m.Rising, &m.Thrown, &s.jumped, &p.stepping, &p.drifting, &s.went} {
		*yes = r.Bool()
	}
	s.seed, s.chance = r.Uint(), r.Uint()
	p.lifted, p.shoved = world.ID(r.Uint()), world.ID(r.Uint())
	s.came, p.armed, p.struck = within(r, r.Int(), farthest), within(r, r.Int(), limit.Pause), within(r, r.Int(), strikeTicks)
	s.fallen = readIDs(r, limit.Characters)
	s.flight = decodeFlight(r)
	for range r.Count(limit.Pieces, 23) {
		if !s.add(r, readThing(r)) {
			return
		}
	}
	s.taken = readIDs(r, limit.Pieces)
	s.items = readItems(r)
	if id := world.ID(r.Uint()); id != 0 {
		s.refused = []world.ID{id}
	}
	s.assisted = r.Bool()
	if form > factless {
		s.facts = readFacts(r)
	}
	if form > withFacts {
		s.refused = append(s.refused, readIDs(r, limit.Pieces)...)
		s.helped = Input(within(r, int(r.Uint()), int(helps))) & helps
	}
	if form > athome {
		s.thawPlaces(r)
	}
	for i := 1; i < len(s.refused); i++ {
		if s.refused[i-1] >= s.refused[i] {
			r.Fail(fmt.Errorf("%w: ids out of order", pack.ErrMalformed))
		}
	}
	if r.Err() == nil && s.frozenForm() != form {
		r.Fail(fmt.Errorf("%w: a state of form %d that is written in form %d", pack.ErrMalformed, s.frozenForm(), form))
	}
}

// thawPlaces reads what freezePlaces wrote.
func (s *state) thawPlaces(r *pack.Reader) {
	s.players[0].enteredOn = world.ID(r.Uint())
	last := world.ID(0)
	for range r.Count(limit.Pieces, 3) {
		id, on, frame := world.ID(r.Uint()), world.ID(r.Uint()), world.ID(r.Uint())
		i, there := slices.BinarySearchFunc(s.things, id, func(t Thing, id world.ID) int { return cmp.Compare(t.ID, id) })
		if !there || id <= last || on == 0 && frame == 0 {
			r.Fail(fmt.Errorf("%w: something is on a map that is not there", pack.ErrMalformed))
			return
		}
		s.things[i].On, s.things[i].Frame, last = on, frame, id
	}
}

// freezePlaces writes on which maps things are that are not at home, and where the player came in if that is another map.
func (s *state) freezePlaces(w *pack.Writer) {
	w.Uint(uint64(s.players[0].enteredOn))
	abroad := lists.Without(slices.Clone(s.things), func(t Thing) bool { return t.On == 0 && t.Frame == 0 })
	w.Uint(uint64(len(abroad)))
	for _, t := range abroad {
		w.Uint(uint64(t.ID))
		w.Uint(uint64(t.On))
		w.Uint(uint64(t.Frame))
	}
}

// isAbroad reports whether something of a state is on another map than it was at first.
func (s *state) isAbroad() bool {
	return s.players[0].enteredOn != 0 || slices.ContainsFunc(s.things, func(t Thing) bool { return t.On != 0 || t.Frame != 0 })
}
