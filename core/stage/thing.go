package stage

import (
	"azzel/core/body"
	"azzel/core/world"
)

// A Thing is what became of a piece that acts, or something that came out of an emitter. There may be
// thousands on a map: it is kept small.
type Thing struct {
	ID    world.ID
	Place body.Place
	// Heading is where it goes: −1 or 1 in side-view, a facing from above.
	Heading int
	// Gone says that it was defeated, broken or taken.
	Gone bool
	// Back says that a platform comes back, Thrown that a thing flies.
	Back, Thrown bool
	// Motion is how it moves in side-view, and from above the speed of what was thrown.
	Motion body.Motion
	// Type is what it is: that of its piece, but for a lottery piece, which is what was drawn,
	// 0 for nothing.
	Type world.ID
	// From is the emitter that it came out of, 0 for a piece.
	From world.ID
	// Far is how much of its way a platform has gone, in positions.
	Far int
	// On is the map on which it is, Frame the one in whose positions its place is said; 0 for that of its piece.
	On, Frame world.ID
	// Rest is for how many ticks it still rests at the end of its way, Left for how many it still
	// wanders this way, or is there, Wait how many it has waited to shoot or to let something
	// come; Hits is how many it has borne.
	Rest, Left, Wait, Hits int32
}

// Emitted is set in the ids of what came out of emitters, and in those of nothing else.
const Emitted world.ID = 1 << 63

// Piece is the piece that a thing is, or the emitter that it came out of.
func (t *Thing) Piece() world.ID {
	if t.From != 0 {
		return t.From
	}
	return t.ID
}

// Face turns a thing, seen from above, to where it goes.
func (t *Thing) Face(dx, dy int) {
	switch {
	case dx == 0 && dy == 0:
	case max(dx, -dx) >= max(dy, -dy) && dx < 0:
		t.Heading = int(world.West)
	case max(dx, -dx) >= max(dy, -dy):
		t.Heading = int(world.East)
	case dy < 0:
		t.Heading = int(world.North)
	default:
		t.Heading = int(world.South)
	}
}
