package collectible

import (
	"iter"

	"azzel/core/stage"
)

// Drop implements stage.Dropper: from the side one that came out of something falls to the ground and lies there.
func (behaviour) Drop(all iter.Seq[*stage.Actor], around stage.Around) {
	for a := range all {
		if a.From == 0 || !around.Side() {
			continue
		}
		if around.Fall(a) {
			a.Motion.VY = 0
		}
		a.Gone = !around.Inside(a.Place)
	}
}
