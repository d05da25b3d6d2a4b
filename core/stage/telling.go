package stage

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Telling is what pieces do that say something to the player, by using them or by walking against them, as they say. Once they were
// read they go to a state.
type Telling struct{ Then *kind.State }

// Touched implements Touched.
func (t Telling) Touched(self Self, _ Touch, do Effects) { t.tell(props.SaysWhenTouched, self, do) }

// Used implements Used.
func (t Telling) Used(self Self, do Effects) { t.tell(props.SaysWhenUsed, self, do) }

func (t Telling) tell(by int, self Self, do Effects) {
	if self.Int(props.SaysBy) == by {
		do.Say(t.Then)
	}
}
