package logic

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
)

// A Lasting is what became of a condition of a rule that takes up what its terms come to only once that has lasted: Lasts.
type Lasting struct {
	Pair
	// Key is that of the condition.
	Key int
	// Held says that its terms held when they were asked last, On that it holds itself.
	Held, On bool
	// Left is how many ticks are left until it does as its terms do; 0 where it does.
	Left int
}

func (l Lasting) compare(o Lasting) int {
	return cmp.Or(l.Pair.compare(o.Pair), cmp.Compare(l.Key, o.Key))
}

// Lasted is whether a condition that lasts holds, of a rule and the piece to which it belongs; known is false until it was asked first, when it holds as its
// terms do.
func (s *Runs) Lasted(p Pair, key int) (on, known bool) {
	i, known := slices.BinarySearchFunc(s.Lastings, Lasting{Pair: p, Key: key}, Lasting.compare)
	return known && s.Lastings[i].On, known
}

// Lasts reports whether time is to pass for a condition that lasts.
func (s *Runs) Lasts() bool {
	return slices.ContainsFunc(s.Lastings, func(l Lasting) bool { return l.Left > 0 || l.On != l.Held })
}

// lastsOf are the conditions of a rule that last, what lies in others first.
func lastsOf(r *Rule) (list []*Condition) {
	if r.Begins != While {
		return nil
	}
	for c := range r.If.Each() {
		if c.Ask == Lasts {
			list = append(list, c)
		}
	}
	slices.Reverse(list)
	return list
}

// last lets time pass for the conditions of a rule that last, of the piece to which it belongs.
func (e *Engine) last(r *Listed, by Pair, of Bound) {
	for _, c := range r.lasting {
		held := c.all(e.Asked(by, of, e.Moments)) != Failing
		is := Lasting{by, c.Key, held, held, 0}
		i, known := slices.BinarySearchFunc(e.Lastings, is, Lasting.compare)
		if !known {
			e.Lastings = lists.Insert(e.Lastings, i, is)
			continue
		}
		l := &e.Lastings[i]
		if l.Held != held {
			l.Held, l.Left = held, c.Number
		}
		if l.Left == 0 {
			l.On = held
		} else {
			l.Left--
		}
	}
}

// forgetLasting forgets the conditions that last of rules that are not in the book any more, and of pieces that are not there.
func (e *Engine) forgetLasting() {
	e.Lastings = lists.Without(e.Lastings, func(l Lasting) bool {
		r := e.rule(l.Rule)
		if l.This != 0 {
			if e.Of(l.This).Kind == 0 {
				return true
			}
		}
		return r == nil || !slices.ContainsFunc(r.lasting, func(c *Condition) bool { return c.Key == l.Key })
	})
}

// EncodeLastings writes what became of conditions that last.
func (s *Runs) EncodeLastings(w *pack.Writer) {
	w.Uint(uint64(len(s.Lastings)))
	for _, l := range s.Lastings {
		w.Uint(uint64(l.Rule))
		w.Uint(uint64(l.This))
		w.Int(l.Key)
		w.Bool(l.Held)
		w.Bool(l.On)
		w.Int(l.Left)
	}
}

// DecodeLastings reads what EncodeLastings wrote, and believes nothing that it says of rules and pieces.
func (s *Runs) DecodeLastings(r *pack.Reader) {
	for range r.Count(limit.Rules+limit.Pieces, 6) {
		l := Lasting{Pair{kind.ID(r.Uint()), kind.ID(r.Uint())}, number(r, 0, MostTerms), r.Bool(), r.Bool(), number(r, 0, limit.RuleTicks)}
		if n := len(s.Lastings); n > 0 && s.Lastings[n-1].compare(l) >= 0 {
			r.Fail(fmt.Errorf("%w: what lasts is out of order", pack.ErrMalformed))
		}
		s.Lastings = append(s.Lastings, l)
	}
}

// NumberLasting gives the conditions that last keys of their own, by which what became of each is known.
func (c *Condition) NumberLasting() {
	key := 0
	for t := range c.Each() {
		if t.Ask == Lasts {
			t.Key = key
			key++
		}
	}
}
