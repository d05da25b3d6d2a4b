package kind

import "slices"

// The words of presences and powers, in the order of their numbers.
var (
	Presences = []string{"there", "hidden", "absent"}
	Powers    = []string{"on", "off"}
)

// The presences: a piece that is there, one that is there and not seen, and one that is not there.
const (
	There = iota
	Hidden
	Absent
)

// The powers of a piece that has power.
const (
	On = iota
	Off
)

// A State is one in which pieces of some kinds can be by themselves, whatever their presence and power are.
type State struct {
	// Number is its number in stored conditions and pieces, over all kinds, and never used again.
	Number int
	// Word is its name in files, Name what people read.
	Word, Name string
	// Verb is what people read of a piece that is brought to it; without one it becomes what Name says.
	Verb string
	// Gone says that a piece in it is neither seen nor solid nor touched, Passable that it does not stop what moves, though
	// its kind is solid.
	Gone, Passable bool
	// Flat says that from above a piece in it lies below what stands in its place.
	Flat bool
	// Picture is the built-in picture of a piece in it; without one it looks as its kind does.
	Picture []Shape
}

// Pair are the first two states between which pieces of a kind go: what wires that begin there take for off and on, and what
// wires that end there bring them to if the kind is Worked. Both are nil if there are none.
func (k *Kind) Pair() (first, second *State) {
	if len(k.Changes) == 0 {
		return nil, nil
	}
	return k.Changes[0].From, k.Changes[0].To
}

// Says is what people read of a piece that is brought to the state.
func (s *State) Says() string {
	if s.Verb != "" {
		return s.Verb
	}
	return "becomes " + s.Name
}

// mostState is the greatest number of a state.
const mostState = 1<<31 - 1

var (
	states     = map[int]*State{}
	stateWords = map[string]*State{}
)

// Can reports whether pieces of the kind can be in a state, by its number; 0 is the usual one.
func (k *Kind) Can(state int) bool {
	return state == 0 || slices.ContainsFunc(k.States, func(s *State) bool { return s.Number == state })
}

// StateOf finds a state by its number; nil if no kind has it.
func StateOf(number int) *State { return states[number] }

// StateNamed finds a state by its word; nil if no kind has it.
func StateNamed(word string) *State { return stateWords[word] }
