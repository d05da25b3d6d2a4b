package findings

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/world"
)

// possible reports whether a condition can hold, as far as that is seen: it is false only where no game at all is so. Each fact, item, state,
// power and presence is taken for whatever it can be, and what depends on where things are for anything.
func (g *glance) possible(c *logic.Condition, home *world.Piece) bool {
	s := &search{glance: g, home: home, left: mostSteps}
	return s.all([]wanted{{c, true}}, nil)
}

// mostSteps is how many terms are looked at, over and over where there are alternatives, before a condition is taken for possible.
const mostSteps = 4000

// A wanted is a condition that is not to fail, or that is not to hold.
type wanted struct {
	*logic.Condition
	is bool
}

// A search looks for one way in which conditions are as they are wanted.
type search struct {
	*glance
	home *world.Piece
	left int
}

// A known is what is asked: what a value is of, or which side of a piece.
type known struct {
	value logic.ValueSort
	ask   logic.Ask
	thing world.ID
}

// A span is what something can be: from least to most, but for some.
type span struct {
	of          known
	least, most int
	not         []int
}

// all reports whether conditions can be as they are wanted, beside what is so already.
func (s *search) all(list []wanted, so []span) bool {
	if s.left--; s.left < 0 {
		return true
	}
	if len(list) == 0 {
		return true
	}
	c, rest := list[0], list[1:]
	if !c.Groups() {
		next, can := s.term(c, so)
		return can && s.all(rest, next)
	}
	// Each of All is not to fail, each of Any and None not to hold; else one of them is not to, where there are any.
	each := c.is == (c.Ask != logic.Any)
	var terms []wanted
	for i := range c.Terms {
		// What asks for nothing is left out.
		if !c.Terms[i].Empty() {
			terms = append(terms, wanted{&c.Terms[i], c.is == (c.Ask != logic.None)})
		}
	}
	if c.Ask == logic.Lasts {
		// It does not hold either while it is waited for, and may still hold when its terms do not any more: they were to hold at some time.
		return (!c.is || s.all(terms, nil)) && s.all(rest, so)
	}
	if c.Ask == logic.SoMany {
		// With as many as there are, each is not to fail, and with one it is as Any; what lies between is not gone through.
		switch {
		case c.is && c.Number > 1:
			if each = c.Number >= len(terms); !each {
				return s.all(rest, so)
			}
		case !c.is && c.Number > 1:
			return s.all(rest, so)
		default:
			each = !c.is
		}
	}
	if each {
		return s.all(append(terms, rest...), so)
	}
	for _, t := range terms {
		if s.all(append([]wanted{t}, rest...), so) {
			return true
		}
	}
	return len(terms) == 0 && s.all(rest, so)
}

// term adds to what is so what a term wants; can is false if that can't be.
func (s *search) term(c wanted, so []span) (next []span, can bool) {
	of, least, most, by, n, asked := s.asked(c.Condition)
	if !asked {
		return so, true
	}
	if !c.is {
		by = opposite[by]
	}
	next = append([]span(nil), so...)
	at := -1
	for i := range next {
		if next[i].of == of {
			at = i
		}
	}
	if at < 0 {
		at = len(next)
		next = append(next, span{of: of, least: least, most: most})
	}
	is := &next[at]
	is.not = append([]int(nil), is.not...)
	switch by {
	case logic.AtLeast:
		is.least = max(is.least, n)
	case logic.Over:
		is.least = max(is.least, n+1)
	case logic.AtMost:
		is.most = min(is.most, n)
	case logic.Under:
		is.most = min(is.most, n-1)
	case logic.Equals:
		is.least, is.most = max(is.least, n), min(is.most, n)
	case logic.Differs:
		is.not = append(is.not, n)
	}
	return next, is.some()
}

var opposite = [...]logic.Comparison{logic.AtLeast: logic.Under, logic.Under: logic.AtLeast, logic.AtMost: logic.Over, logic.Over: logic.AtMost, logic.Equals: logic.Differs, logic.Differs: logic.Equals}

// mirrored is how a value compares with another that compares so with it.
var mirrored = [...]logic.Comparison{logic.AtLeast: logic.AtMost, logic.Under: logic.Over, logic.AtMost: logic.AtLeast, logic.Over: logic.Under, logic.Equals: logic.Equals, logic.Differs: logic.Differs}

// some reports whether there is anything that it can be.
func (s *span) some() bool {
	for n := s.least; n <= s.most && n-s.least <= len(s.not); n++ {
		taken := false
		for _, not := range s.not {
			taken = taken || not == n
		}
		if !taken {
			return true
		}
	}
	return false
}

// asked says of what a term asks, what that can be, and how it is held against which number; false where it is not known, or left out.
func (s *search) asked(c *logic.Condition) (of known, least, most int, by logic.Comparison, n int, is bool) {
	side := func(ask logic.Ask) bool {
		p := s.home
		if c.Subject.Is == logic.Piece {
			p = s.piece(c.Subject.Thing)
		} else if c.Subject.Is != logic.This {
			return false
		}
		if p == nil || p.Kind().Drawn {
			return false
		}
		of, by, n = known{ask: ask, thing: p.ID}, logic.Equals, c.Is
		switch k := p.Kind(); ask {
		case logic.IsPresent:
			most = len(kind.Presences) - 1
		case logic.IsPowered:
			most = len(kind.Powers) - 1
			_, is := k.Has(props.Power)
			return is
		default:
			if len(k.States) == 0 || n == 0 {
				return false
			}
			// Numbers of states need not follow one another, so that those between them are left out.
			least, most = k.States[0].Number, k.States[0].Number
			for _, st := range k.States {
				least, most = min(least, st.Number), max(most, st.Number)
			}
			if !k.Can(n) {
				n = most + 1 // which it never is, and always is not
			}
		}
		return true
	}
	switch c.Ask {
	case logic.IsPresent, logic.IsPowered, logic.InState:
		is = side(c.Ask)
		return of, least, most, by, n, is
	case logic.ForcesAre:
		of = known{ask: c.Ask, thing: c.Thing}
		return of, 0, len(kind.Powers) - 1, logic.Equals, c.Is, s.of(kind.Area, c.Thing) != nil
	case logic.LayerIs:
		of = known{ask: c.Ask, thing: c.Thing}
		return of, 0, len(kind.Presences) - 1, logic.Equals, c.Is, s.of(kind.Layer, c.Thing) != nil
	case logic.Compares:
	default:
		return of, 0, 0, 0, 0, false
	}
	value, other := &c.Left, &c.Right
	if by = c.By; value.Is == logic.Literal {
		value, other, by = other, value, mirrored[by]
	}
	if n = other.Number; other.Is != logic.Literal {
		return of, 0, 0, 0, 0, false
	}
	of = known{value: value.Is, thing: value.Thing}
	switch value.Is {
	case logic.Literal:
		// Two numbers are what they are.
		return known{value: logic.Literal}, value.Number, value.Number, by, n, true
	case logic.FactValue:
		f := s.fact(value.Thing)
		if f == nil {
			return of, 0, 0, 0, 0, false
		}
		least, most = f.Reach()
		return of, least, most, by, f.Bound(n), true
	case logic.ItemCount:
		if s.of(kind.Item, value.Thing) == nil {
			return of, 0, 0, 0, 0, false
		}
		return of, 0, limit.Stack, by, n, true
	}
	return of, 0, 0, 0, 0, false
}
