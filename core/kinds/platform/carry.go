package platform

import (
	"iter"

	"azzel/core/stage"
)

// A platform goes on with what stands on it.
type behaviour struct{}

// Carry implements stage.Carrier.
func (behaviour) Carry(all iter.Seq[*stage.Actor], around stage.Around) {
	for a := range all {
		was := a.Box()
		a.Glide(a.Step)
		around.Carried(a, was, a.Box())
	}
}
