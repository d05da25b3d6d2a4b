package stage

import (
	"iter"

	"azzel/core/kind"
)

// Revert lets things go back by themselves from a state to another: so many ticks after they came to it as a property of theirs
// says, 0 for never, and then as soon as nobody and nothing is in their way. For how long they have been in the state is
// Actor.Left.
func Revert(all iter.Seq[*Actor], around Around, from, to *kind.State, after *kind.Prop) {
	for a := range all {
		ticks := a.Int(after)
		if around.State(a) != from || ticks == 0 {
			a.Left = 0
			continue
		}
		if a.Left++; int(a.Left) >= ticks && around.Clear(a) {
			a.Left = 0
			around.Become(a, to)
		}
	}
}
