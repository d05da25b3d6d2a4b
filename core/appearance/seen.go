package appearance

import "azzel/core/kind"

// Seen is the picture of a piece of a kind that sets something, in a state, by its number (kind.AnyState for none), looking to a side. Where it is off, a picture of that
// comes before one of its state, and one of the state before one for whatever it is; of each, that of the side, else of the opposite one, mirrored, else the one for all
// sides, else any. Without has the piece no pictures at all; has with an empty picture means that the one that is needed is missing.
func Seen(v kind.Values, k *kind.Kind, state int, off bool, side int) (is Picture, mirrored, has bool) {
	stored, mirrored, has := Find(v, k, state, off, side)
	if is, err := Decode(stored); err == nil {
		return is, mirrored, has
	}
	return Picture{}, false, has // what is stored was checked
}

// Find is Seen of the picture as it is stored, none for an empty one. It decodes nothing.
func Find(v kind.Values, k *kind.Kind, state int, off bool, side int) (stored []byte, mirrored, has bool) {
	if !Has(v) {
		return nil, false, false
	}
	for _, s := range [...]int{kind.WhileOff, state, kind.AnyState} {
		if s == kind.WhileOff && !off {
			continue
		}
		if stored, mirrored := sided(v, k, s, side); len(stored) > 0 {
			return stored, mirrored, true
		}
	}
	return nil, false, true
}

// opposite are the sides of which one is seen as the other mirrored.
var opposite = map[int]int{2: 3, 3: 2}

// sided is the picture for a state that fits a side best, as it is stored; none if there is none.
func sided(v kind.Values, k *kind.Kind, state, side int) (is []byte, mirrored bool) {
	at := func(side int) []byte {
		if p := kind.PictureOf(state, side); p != nil {
			return v.Get(p.Field)
		}
		return nil
	}
	if !k.Faces {
		return at(kind.AnySide), false
	}
	if is = at(side); len(is) > 0 {
		return is, false
	}
	if other := opposite[side]; other != 0 {
		if is = at(other); len(is) > 0 {
			return is, true
		}
	}
	for _, any := range []int{kind.AnySide, 1, 2, 3, 4} {
		if is = at(any); len(is) > 0 {
			return is, false
		}
	}
	return is, false
}

// Has reports whether something sets any picture.
func Has(v kind.Values) bool {
	for f := range v.All() {
		if p := kind.PropOf(f); p != nil && p.Sort == kind.Picture {
			return true
		}
	}
	return false
}

// Missing are the states of a kind, by their numbers, in which something that has pictures comes to be, and has neither one for that nor one for whatever it is.
func Missing(v kind.Values, k *kind.Kind) (states []int) {
	if !Has(v) {
		return nil
	}
	if base, _ := sided(v, k, kind.AnyState, kind.AnySide); len(base) > 0 {
		return nil
	}
	for i, s := range k.States {
		comes := i == 0
		if k.First != nil {
			comes = k.First(v) == s
		}
		for _, c := range k.Changes {
			comes = comes || c.To == s
		}
		if is, _ := sided(v, k, s.Number, kind.AnySide); comes && !s.Gone && len(is) == 0 {
			states = append(states, s.Number)
		}
	}
	if len(k.States) == 0 {
		states = append(states, kind.AnyState)
	}
	return states
}
