package findings

import (
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// forgotten looks whether a rule that goes once ever does nothing but what is forgotten when the player returns: then that is undone and
// never done again.
func (w *ruling) forgotten() {
	r := &w.rule.Rule
	if r.Begins != logic.When || r.Repeats != logic.OnceEver {
		return
	}
	does := false
	for i := range r.Parts {
		p := &r.Parts[i]
		if p.Does == logic.Nothing || !r.Done(p) {
			continue
		}
		switch p.Does {
		case logic.SetPresence, logic.SetPower, logic.SetState:
			if is := w.one(p.Subject); is == nil || !w.isForgotten(is) {
				return
			}
			does = true
		case logic.Wait, logic.If, logic.Again, logic.OneOf, logic.Case, logic.Stop:
		default:
			return
		}
	}
	if does {
		w.found(Forgotten, nil)
	}
}

// isForgotten reports whether a piece begins anew when the player returns to its map.
func (w *ruling) isForgotten(p *world.Piece) bool {
	on, _ := w.of(kind.Map, w.mapOf(p.ID)).(world.Anew)
	return (&world.Map{Anew: on}).BeginsAnew(p, world.AnewOnReturn)
}
