package emitter

import (
	"iter"

	"azzel/core/stage"
)

// An emitter lets something come every so often.
type behaviour struct{}

// Let implements stage.Source.
func (behaviour) Let(all iter.Seq[*stage.Actor], around stage.Around) {
	for a := range all {
		if a.Wait++; int(a.Wait) >= a.Acts.Every {
			a.Wait = 0
			around.Emit(a)
		}
	}
}
