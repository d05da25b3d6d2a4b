package logic

import "azzel/core/kind"

// A World is what conditions ask: a game in play. What a method names may be gone; there is false then, and the term that
// asks is left out.
type World interface {
	// Fact is what a fact is, and the least and the most that it can be.
	Fact(id kind.ID) (value, least, most int, there bool)
	// Item is how many of an item the player has.
	Item(id kind.ID) (count int, there bool)
	// Pieces are the pieces that a noun names, which may be none. The player is 0.
	Pieces(n Noun) (ids []kind.ID, there bool)
	// Property is a number of a piece.
	Property(piece kind.ID, f kind.Field) (value int, there bool)
	// Presence, Power and State are those of a piece; there is false if it has none.
	Presence(piece kind.ID) (is int, there bool)
	Power(piece kind.ID) (is int, there bool)
	State(piece kind.ID) (is int, there bool)
	// Forces is the power of the forces of an area, Layer the presence of a layer.
	Forces(area kind.ID) (is int, there bool)
	Layer(layer kind.ID) (is int, there bool)
	// Lasted is whether a condition that lasts holds, by its key, of the rule that asks; known is false until it was asked first.
	Lasted(key int) (on, known bool)
}

// A Happening is a World in which something happened, of which momentary terms ask.
type Happening interface {
	World
	// Within, OnMap, Apart, Faces and Sees are asked of pieces, of which 0 is the player. Apart is how many cells lie between two at most,
	// across or down; there is false where they are not on the same map, or beside each other across an open edge.
	Within(piece, area kind.ID) (is, there bool)
	OnMap(piece, onMap kind.ID) (is, there bool)
	Apart(piece, other kind.ID) (cells int, there bool)
	Faces(piece, other kind.ID) bool
	Sees(piece, other kind.ID) bool
	// OneIn is one of so many times true, the same whenever it is asked of what happened, and apart for each key.
	OneIn(times, key int) bool
	// Draw is a number from 0 to before n, the same whenever it is asked of what happened, and apart for each key.
	Draw(n, key int) int
	// Went is how often the rule that asks went, Since how many ticks ago it did last.
	Went() int
	Since() int
}

// An Answer is what comes of asking a condition.
type Answer int8

// The answers. Unasked is that of what asks for nothing, or for what is gone.
const (
	Unasked Answer = iota
	Holding
	Failing
)

func answer(holds bool) Answer {
	if holds {
		return Holding
	}
	return Failing
}

// Holds reports whether a condition holds, which one that asks for nothing does. It allocates nothing where no noun names
// several.
func (c *Condition) Holds(w World) bool { return c.Answer(w) != Failing }

// Answer asks a condition. Terms that are not asked are left out; a group of which none is left is not asked.
func (c *Condition) Answer(w World) Answer {
	if !c.Groups() {
		return c.term(w)
	}
	switch c.Ask {
	case SoMany:
		return c.enough(w)
	case Lasts:
		is := c.all(w)
		if on, known := w.Lasted(c.Key); known && is != Unasked {
			return answer(on)
		}
		return is
	}
	is := Unasked
	for i := range c.Terms {
		switch a := c.Terms[i].Answer(w); {
		case a == Unasked:
		case c.Ask == All && a == Failing, c.Ask == None && a == Holding:
			return Failing
		case c.Ask == Any && a == Holding:
			return Holding
		case c.Ask == Any:
			is = Failing
		default:
			is = Holding
		}
	}
	return is
}

// all is the answer of its terms, all of which are to hold.
func (c *Condition) all(w World) Answer { return (&Condition{Terms: c.Terms}).Answer(w) }

// enough is the answer of SoMany.
func (c *Condition) enough(w World) Answer {
	is, held := Unasked, 0
	for i := range c.Terms {
		a := c.Terms[i].Answer(w)
		if a == Holding {
			held++
		}
		if held >= c.Number {
			return Holding
		}
		if a != Unasked {
			is = Failing
		}
	}
	return is
}

func (c *Condition) term(w World) Answer {
	has := func(is func(kind.ID) (int, bool)) Answer {
		return over(w, c.Subject, func(id kind.ID) Answer { return c.is(is(id)) })
	}
	switch c.Ask {
	case Compares:
		return c.compare(w)
	case IsPresent:
		return has(w.Presence)
	case IsPowered:
		return has(w.Power)
	case InState:
		return has(w.State)
	case ForcesAre:
		return c.is(w.Forces(c.Thing))
	case LayerIs:
		return c.is(w.Layer(c.Thing))
	}
	h, happens := w.(Happening)
	if !happens {
		return Unasked
	}
	lies := func(is func(piece, thing kind.ID) (bool, bool)) Answer {
		return over(w, c.Subject, func(id kind.ID) Answer {
			holds, there := is(id, c.Thing)
			if !there {
				return Unasked
			}
			return answer(holds)
		})
	}
	both := func(is func(piece, other kind.ID) bool) Answer {
		return over(w, c.Subject, func(id kind.ID) Answer {
			return over(w, c.Object, func(other kind.ID) Answer { return answer(is(id, other)) })
		})
	}
	switch c.Ask {
	case Within:
		return lies(h.Within)
	case OnMap:
		return lies(h.OnMap)
	case Near:
		return both(func(id, other kind.ID) bool {
			cells, there := h.Apart(id, other)
			return there && cells <= c.Number
		})
	case Faces:
		return both(h.Faces)
	case Sees:
		return both(h.Sees)
	case OneIn:
		return answer(h.OneIn(c.Number, c.Key))
	}
	return Unasked
}

// is is the answer for something that is so by now, if it is there.
func (c *Condition) is(now int, there bool) Answer {
	if !there {
		return Unasked
	}
	return answer(now == c.Is)
}

// over asks for each piece that a noun names: for all of them, or for any.
func over(w World, n Noun, ask func(kind.ID) Answer) Answer {
	ids, there := w.Pieces(n)
	if !there {
		return Unasked
	}
	any := n.Is == AnyOfType || n.Is == AnyInArea
	is := answer(!any)
	if !n.Several() {
		is = Unasked
	}
	for _, id := range ids {
		switch a := ask(id); {
		case a == Holding && any, a == Failing && !any:
			return a
		case a != Unasked:
			is = a
		}
	}
	return is
}

// compare holds two values against one another. A number beside a fact counts as the nearest that the fact can be: of one
// that is yes or no, every number from 1 on is yes.
func (c *Condition) compare(w World) Answer {
	l, there := c.Left.Ask(w)
	r, also := c.Right.Ask(w)
	if !there || !also {
		return Unasked
	}
	l, r = beside(w, &c.Left, &c.Right, l), beside(w, &c.Right, &c.Left, r)
	return answer(c.By.Holds(l, r))
}

func beside(w World, v, other *Value, n int) int {
	if v.Is == Literal && other.Is == FactValue {
		_, least, most, _ := w.Fact(other.Thing)
		return min(max(n, least), most)
	}
	return n
}

// seen reports whether a piece is there, and not in a state in which it is gone.
func seen(w World, id kind.ID) bool {
	is, has := w.Presence(id)
	own, _ := w.State(id)
	s := kind.StateOf(own)
	return has && is != kind.Absent && (s == nil || !s.Gone)
}

// Ask is what a value is by now; there is false if what it asks for is gone.
func (v *Value) Ask(w World) (n int, there bool) {
	switch v.Is {
	case Literal:
		return v.Number, true
	case FactValue:
		n, _, _, there = w.Fact(v.Thing)
	case ItemCount:
		n, there = w.Item(v.Thing)
	case PropertyOf:
		ids, some := w.Pieces(v.Of)
		if !some || len(ids) == 0 {
			return 0, false
		}
		n, there = w.Property(ids[0], v.Property)
	case CountOf:
		ids, some := w.Pieces(v.Of)
		for _, id := range ids {
			if seen(w, id) {
				n++
			}
		}
		there = some
	case Sum, Difference:
		l, has := v.Left.Ask(w)
		r, also := v.Right.Ask(w)
		if v.Is == Difference {
			r = -r
		}
		n, there = l+r, has && also
	default:
		h, happens := w.(Happening)
		if !happens {
			return 0, false
		}
		if n, there = h.Went(), true; v.Is == Since {
			n = h.Since()
		}
	}
	return min(max(n, -MostValue), MostValue), there
}
