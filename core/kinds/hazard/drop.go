package hazard

import (
	"iter"

	"azzel/core/stage"
)

// Drop implements stage.Dropper: one that came out of something falls to the ground and is gone; from above it is there for
// a while.
func (behaviour) Drop(all iter.Seq[*stage.Actor], around stage.Around) {
	for a := range all {
		switch {
		case a.From == 0:
		case around.Side():
			a.Gone = around.Fall(a) || !around.Inside(a.Place)
		default:
			a.Left--
			a.Gone = a.Left <= 0
		}
	}
}
