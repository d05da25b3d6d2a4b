package findings

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/stage"
	"azzel/core/world"
)

// becomes looks at what a piece is made to be.
func (w *ruling) becomes(p *logic.Part) {
	k := w.kindOf(p.Subject)
	if k == nil {
		return
	}
	switch p.Does {
	case logic.SetState:
		if s := kind.StateOf(p.Is); !k.Drawn && (s == nil || p.Is == 0 || !k.Can(p.Is)) {
			w.found(CannotBe, p)
		}
	case logic.SetPower:
		if _, has := k.Has(props.Power); !has && !k.Drawn {
			w.found(CannotBe, p)
		}
	case logic.SetProperty:
		if k.PropOf(p.Property) == nil && !k.Drawn {
			w.found(CannotBe, p)
		}
	case logic.LetOut:
		if !k.Drawn && !stage.LetsOut(k) {
			w.found(CannotBe, p)
		}
	case logic.FollowTrack:
		_, has := k.Has(props.Track)
		is, t := w.one(p.Subject), w.d.Track(p.Thing)
		if !has && !k.Drawn || is != nil && t != nil && t.Map != w.mapOf(is.ID) {
			w.found(CannotBe, p)
		}
	case logic.ShowPose:
		if !k.Figure && !k.Drawn {
			w.found(CannotBe, p)
		}
	case logic.PutAt:
		if !k.Drawn && !k.Ridden {
			w.found(CannotBe, p)
		}
	case logic.SetPresence:
		if is := w.one(p.Subject); is != nil && world.HasWhile(is) {
			w.found(WaitsBeneath, p)
		}
	}
}

// sends looks whether those whom an action sends somewhere can walk at all, and get there: who stands still on a map that is seen from above stays on it.
func (w *ruling) sends(p *logic.Part) {
	k := w.kindOf(p.Subject)
	if k == nil || k.Drawn {
		return
	}
	who, to := w.one(p.Subject), w.one(p.Towards)
	apart := false
	if who != nil && to != nil && props.Doing(k, who.All()) == props.Stands {
		from := w.mapOf(who.ID)
		is, there := w.of(kind.Map, from).(mapIs)
		apart = there && is.view == world.TopDown && w.mapOf(to.ID) != from
	}
	switch {
	case !k.Walks() || apart:
		w.found(NoWay, p)
	case who != nil && to != nil:
		w.walks = append(w.walks, walk{p.ID, who.ID, to.ID})
	}
}

// one is the piece that a noun names, if that is one by itself.
func (w *ruling) one(n logic.Noun) *world.Piece {
	switch n.Is {
	case logic.Piece:
		return w.piece(n.Thing)
	case logic.This:
		return w.home
	}
	return nil
}

// kindOf is of which kind those are that a noun names, nil if that is not known.
func (w *ruling) kindOf(n logic.Noun) *kind.Kind {
	switch n.Is {
	case logic.AllOfType, logic.AnyOfType, logic.NearestOfType:
		return w.typeOf(n.Type)
	case logic.This:
		return w.kind
	}
	if p := w.one(n); p != nil {
		return p.Kind()
	}
	return nil
}

// typeOf is what pieces of a type are, nil for one that is gone.
func (w *ruling) typeOf(of world.ID) *kind.Kind {
	k, _ := w.of(kind.Type, of).(*kind.Kind)
	return k
}

// has reports whether a moment can befall pieces of a kind.
func has(k *kind.Kind, moment int) bool {
	if moment == logic.ComesInto.Number || moment == logic.GoesOutOf.Number {
		return k.Goes || k.Ridden
	}
	for _, m := range k.Moments {
		if m.Number == moment {
			return true
		}
	}
	return false
}
