package stage

import (
	"iter"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/world"
)

// An Actor is something that acts, as the behaviour of its kind moves it. What is asked for in each tick is worked out once.
type Actor struct {
	// Thing is what became of it, which the behaviour changes.
	*Thing
	Kind *kind.Kind
	Size body.Size
	// Step is how far it gets in a tick by its speed, in positions.
	Step int
	// Track is the way that it follows, nil for none.
	Track *Track
	// Area is the area in which it is to stay, nil for none; Within is what is added to a cell to look for it there.
	Area   *world.Area
	Within grid.Point
	// Foot is where its piece stands.
	Foot body.Place
	Acts Acting
	// Set is what its piece sets.
	Set   kind.Values
	Drive body.Drive
}

// Int is the number of a property that the actor has: the one that its piece sets, else the usual one.
func (a *Actor) Int(p *kind.Prop) int { return a.Set.Int(a.Kind, p) }

// InArea reports whether a cell is in the area in which the actor is to stay.
func (a *Actor) InArea(c grid.Point) bool { return a.Area.Cells.Has(c.Add(a.Within)) }

// Box is what the actor covers.
func (a *Actor) Box() body.Box { return a.Size.Box(a.Place) }

// A Shot flies on until something stops it.
type Shot struct {
	body.Place
	// VX and VY are its speed, in positions a tick.
	VX, VY int
	// Left is for how many ticks it still flies.
	Left int
	// Mine says that it is the player's.
	Mine     bool
	Strength int
}

// Around is what a behaviour that moves sees of the maps of the cast, and what it may ask for. Places are in positions of
// the player's map.
type Around interface {
	Ground() *body.Ground
	// Side says that the maps are seen from the side.
	Side() bool
	// Pace is how far something gets in a tick that moves so many tenths of a cell a second, Random a number from 0 to before
	// n, from the state of the play alone.
	Pace(tenths int) int
	Random(n int) int
	// Player is where the player's foot is, and their body; Sees tells how far away that is from an actor, and whether it
	// sees them.
	Player() (foot body.Place, size body.Size)
	Sees(a *Actor) (dx, dy int, sees bool)
	// Forces are those that act on a body; usual says that they change nothing. Forced says that there are others anywhere.
	// Wind is how far they carry it in a tick.
	Forced() bool
	Forces(s body.Size, p body.Place) (f world.Forces, usual bool)
	Wind(f world.Forces) (dx, dy int)
	// Inside reports whether a foot is on a map of the cast.
	Inside(p body.Place) bool
	// Fall lets an actor fall by a tick, from the side, and reports whether something stopped it.
	Fall(a *Actor) (stopped bool)

	// State is which of its own states an actor is in, nil if it has none; Become lets it go to another one, as Effects does.
	// Clear reports whether nobody and nothing that could be shut in is where it is.
	State(a *Actor) *kind.State
	Become(a *Actor, to *kind.State)
	Clear(a *Actor) bool
	// On reports whether the player stands on an actor, and how many things do that can be carried along or go by themselves.
	On(a *Actor) (player bool, things int)

	// MeetsPlayer reports whether a body would be where the player is.
	MeetsPlayer(s body.Size, p body.Place) bool

	// Strikes hits the first thing that can be hit by what the player threw: foes at the place to which that came, and what
	// stops it on the way where it wanted to. It reports whether there is one.
	Strikes(at, want body.Box) bool
	// Shoot lets a shot fly. Lost lets an actor that left all maps be gone, unless it came onto another one over an open edge.
	// Carried takes along what stands on an actor that went from one box to another, and pushes what is in its way. Emit
	// lets something come out of an actor, by its weights.
	Shoot(s Shot)
	Lost(a *Actor)
	Carried(a *Actor, was, is body.Box)
	// Moved moves what stands on an actor, which itself stays where it is.
	Moved(a *Actor, dx, dy int)
	Emit(a *Actor)
	// InTheWay reports whether the player or something that can be taken along would be where an actor is that goes from one box to
	// another, and whether any of them, or of those that stand on it, has no room to be pushed or taken along.
	InTheWay(a *Actor, was, is body.Box) (meets, stuck bool)
}

// The phases of a tick in which things move by themselves. Each is called once for all that are there and on of a kind, in
// their order.
type (
	// A Carrier moves before the player does, with what stands on it.
	Carrier interface {
		Carry(all iter.Seq[*Actor], around Around)
	}
	// A Slider falls, flies and slides after carriers, by what it was pushed and thrown with. The ground does not count it as
	// solid meanwhile.
	Slider interface {
		Slide(all iter.Seq[*Actor], around Around)
	}
	// A Mover moves after the player.
	Mover interface {
		Move(all iter.Seq[*Actor], around Around)
	}
	// A Dropper moves after all movers what came out of something else and only falls.
	Dropper interface {
		Drop(all iter.Seq[*Actor], around Around)
	}
	// A Source lets something come, last of all.
	Source interface {
		Let(all iter.Seq[*Actor], around Around)
	}
)

// LetsOut reports whether things come out of pieces of a kind.
func LetsOut(k *kind.Kind) bool {
	_, lets := k.Behaviour.(Source)
	return lets
}
