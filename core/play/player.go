package play

import (
	"azzel/core/body"
	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/world"
)

// player is somebody who plays: where they are, how they move, and what they bear and carry.
type player struct {
	// mapID is the map on which the player is, place the foot on it.
	mapID  world.ID
	place  body.Place
	facing world.Facing
	// walked is how far the player walked, in positions.
	walked int
	// through is the crossing at whose other doorway the player still stands, 0 for none.
	through world.ID
	// entered is where the player came in, or the checkpoint that was touched last, and enteredOn on which map that is, in
	// whose positions it is said; 0 for the one the player is on. checkpoint is that piece, 0 for none.
	entered    body.Place
	enteredOn  world.ID
	checkpoint world.ID
	// motion is how the player moves in side-view.
	motion body.Motion
	// goal is where the step leads that is being taken cell by cell, if stepping; shoved is what is pushed on by a whole
	// cell with that step, 0 for nothing.
	goal     body.Place
	stepping bool
	shoved   world.ID
	// harm is how much health is gone, safe for how many ticks nothing hurts.
	harm, safe int
	// drifting says that the player went through walls in the last tick.
	drifting bool
	// lifted is what the player carries, 0 for nothing.
	lifted world.ID
	// armed is for how many ticks the player can't strike or shoot, struck for how many a strike is seen.
	armed, struck int
}

func (p *player) encode(w *pack.Writer) {
	for _, id := range []world.ID{p.mapID, p.through, p.enteredOn, p.checkpoint, p.shoved, p.lifted} {
		w.Uint(uint64(id))
	}
	w.Uint(uint64(p.facing))
	w.Uint(uint64(p.walked))
	for _, at := range []body.Place{p.place, p.entered, p.goal} {
		w.Int(at.X)
		w.Int(at.Y)
	}
	encodeMotion(w, &p.motion)
	for _, n := range []int{p.harm, p.safe, p.armed, p.struck} {
		w.Int(n)
	}
	w.Bool(p.stepping)
	w.Bool(p.drifting)
}

func decodePlayer(r *pack.Reader) (p player) {
	for _, id := range []*world.ID{&p.mapID, &p.through, &p.enteredOn, &p.checkpoint, &p.shoved, &p.lifted} {
		*id = world.ID(r.Uint())
	}
	p.facing = world.Facing(within(r, int(r.Uint()), int(world.North)))
	p.walked = within(r, int(r.Uint()), 1<<40)
	p.place, p.entered, p.goal = readPlace(r), readPlace(r), readPlace(r)
	decodeMotion(r, &p.motion)
	p.harm, p.safe = within(r, r.Int(), 1<<20), within(r, r.Int(), safeTicks)
	p.armed, p.struck = within(r, r.Int(), limit.Pause), within(r, r.Int(), strikeTicks)
	p.stepping, p.drifting = r.Bool(), r.Bool()
	return p
}

func encodeMotion(w *pack.Writer, m *body.Motion) {
	for _, n := range []int{m.VX, m.VY, m.RestX, m.RestY, int(m.Mode), m.Left, m.Asked} {
		w.Int(n)
	}
	w.Bool(m.Rising)
	w.Bool(m.Thrown)
}

func decodeMotion(r *pack.Reader, m *body.Motion) {
	readMotion(r, m)
	m.Rising, m.Thrown = r.Bool(), r.Bool()
}
