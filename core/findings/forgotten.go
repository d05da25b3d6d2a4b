package findings

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/world"
)

// forgotten looks whether a rule that goes once ever does nothing but what is forgotten when the player returns: then that is undone and
// never done again. What it brings back to what it is at first itself is not missed, and on an only map nobody returns.
func (w *ruling) forgotten() {
	r := &w.rule.Rule
	if r.Begins != logic.When || r.Repeats != logic.OnceEver || !w.of(kind.NoThing, 0).(box).several {
		return
	}
	type made struct {
		piece world.ID
		what  logic.Deed
	}
	asAtFirst := map[made]bool{}
	for i := range r.Parts {
		p := &r.Parts[i]
		if p.Does == logic.Nothing || !r.Done(p) {
			continue
		}
		switch p.Does {
		case logic.SetPresence, logic.SetPower, logic.SetState:
			is := w.one(p.Subject)
			if is == nil || !w.isForgotten(is) {
				return
			}
			at := made{is.ID, p.Does}
			asAtFirst[at] = asAtFirst[at] || isAtFirst(is, p)
		case logic.Wait, logic.Until, logic.Together, logic.If, logic.Again, logic.OneOf, logic.Case, logic.Stop:
		default:
			return
		}
	}
	for _, back := range asAtFirst {
		if !back {
			w.found(Forgotten, nil)
			return
		}
	}
}

// isAtFirst reports whether an action makes of a piece what it is at first.
func isAtFirst(is *world.Piece, p *logic.Part) bool {
	switch p.Does {
	case logic.SetPresence:
		return p.Is == is.Int(props.Starts)
	case logic.SetPower:
		return p.Is == is.Int(props.Power)
	}
	first := is.FirstState()
	return first == nil || p.Is == first.Number
}

// isForgotten reports whether a piece begins anew when the player returns to its map.
func (w *ruling) isForgotten(p *world.Piece) bool {
	on, _ := w.of(kind.Map, w.mapOf(p.ID)).(mapIs)
	return (&world.Map{Anew: on.anew}).BeginsAnew(p, world.AnewOnReturn)
}
