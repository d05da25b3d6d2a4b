// Package stage is what the behaviour of a kind of piece may see and do in play. A behaviour is what a kind's Behaviour
// is, which implements those of the interfaces here that it needs; play calls it and does what it asks for. It reads what
// it is handed and changes nothing by itself.
package stage

import "azzel/core/kind"

// A Self is the piece that behaves.
type Self struct {
	// Kind is what it is now, of which a lottery piece is what was drawn.
	Kind *kind.Kind
	// Set is what it sets; of something that came out of an emitter, what the emitter sets.
	Set kind.Values
	// State is which of its own states it is in; nil if its kind has none.
	State *kind.State
}

// Int is the number of a property: the one that is set, else the usual one.
func (s Self) Int(p *kind.Prop) int { return s.Set.Int(s.Kind, p) }

// A Touch is how the player touches a piece.
type Touch struct {
	// Side says that the map is seen from the side. Rising says that the player rises there, Onto that they came down
	// onto the upper half of the piece in this tick.
	Side, Rising, Onto bool
	// Stomps says that the player hits by jumping onto others.
	Stomps bool
}

// Touched is implemented by what does something when the body of the player touches its body, or leans against it if it is
// solid, in each tick in which it does.
type Touched interface {
	Touched(self Self, how Touch, do Effects)
}

// Entered is implemented by what does something when the player is in its cell.
type Entered interface {
	Entered(self Self, do Effects)
}

// Used is implemented by what does something when the player uses it: what lies ahead of them, or where they stand.
type Used interface {
	Used(self Self, do Effects)
}

// Struck is implemented by what does something when the player strikes, shoots or throws something at it, and bears that.
type Struck interface {
	// Bears reports whether an actor can be hit at all; what can't be is flown through.
	Bears(a *Actor) bool
	Struck(a *Actor, around Around)
}

// Effects is what a behaviour can ask for.
type Effects interface {
	// Hurt takes so much health from the player, unless they are safe.
	Hurt(health int)
	// Throw throws the player up, by so many tenths of a cell.
	Throw(tenths int)
	// Stomped hits the piece once and lets the player bounce off it.
	Stomped()
	// Take gives the player what the piece gives, and takes it away if they have room for that.
	Take()
	// Reach lets the player come back to here after harm.
	Reach()
	// Leave ends the play, if the player has what the piece needs.
	Leave()
	// Become lets the piece go to another of its own states, as a Change of its kind declares; it is told of as the moment of
	// that. What came out of another piece has no states.
	Become(to *kind.State)
	// Unlock is Become if the player has what the piece needs, and tells them what they lack if not. With usesUp they lose the
	// item that it needs.
	Unlock(to *kind.State, usesUp bool)
	// Give is Unlock that gives the player what the piece gives. Where they have no room for that, nothing is given, taken or
	// changed, and they are told. The piece sets its fact.
	Give(to *kind.State, usesUp bool)
	// Say lets the player read what the piece says, page by page, while everything else stands still; then the piece goes to a
	// state, and sets its fact if it was not in that before. Of a piece that has several things to say it is one, by what holds,
	// in turn or by chance, and the piece looks at the player. Said again while the player stays at the piece, it is not read again.
	Say(then *kind.State)
}
