package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/world"
)

// A Known is what the game remembers of a fact that was set during play.
type Known struct {
	Fact  world.ID
	Value int
	// Tick is after which tick it was set last, By the piece that did, 0 for who tests.
	Tick int
	By   world.ID
}

func (s *state) known(fact world.ID) (int, bool) {
	return slices.BinarySearchFunc(s.facts, fact, func(k Known, id world.ID) int { return cmp.Compare(k.Fact, id) })
}

// Known is what the game remembers of a fact, and whether it was set during play. Until then it is
// what it starts with.
func (g *Game) Known(f *world.Fact) (Known, bool) {
	k, set := g.known(f.ID)
	if !set {
		return Known{Fact: f.ID, Value: f.Start}, false
	}
	is := g.facts[k]
	// It may have been a number before.
	is.Value = f.Bound(is.Value)
	return is, true
}

// Objectives are the objectives that are open, in the order in which they were made.
func (g *Game) Objectives() (list []*world.Fact) {
	for _, f := range g.doc.Facts {
		if f.Objective {
			if is, _ := g.Known(f); is.Value == world.Open {
				list = append(list, f)
			}
		}
	}
	return list
}

// remember sets a fact as a piece does, if it does.
func (g *Game) remember(by world.ID, sets world.Change) {
	if f := g.doc.Fact(sets.Fact); f != nil {
		is, _ := g.Known(f)
		g.setFact(f, sets.How.After(f, is.Value, sets.Amount()), by)
	}
}

func (g *Game) setFact(f *world.Fact, value int, by world.ID) {
	k, there := g.known(f.ID)
	if !there {
		g.facts = lists.Insert(g.facts, k, Known{})
	}
	is, was := f.Bound(value), f.Start
	if there {
		was = f.Bound(g.facts[k].Value)
	}
	g.facts[k] = Known{f.ID, is, g.tick, by}
	if is != was {
		g.raise(logic.FactChanged, f.ID, was, is)
		g.raise(logic.FactReached, f.ID, was, is)
		switch {
		case !f.Objective:
		case is == world.Open:
			g.tell(Event{Moment: Given, Fact: f.ID})
		case is == world.Reached:
			g.tell(Event{Moment: Achieved, Fact: f.ID})
		}
	}
	g.stale = true
}

// SetFact sets a fact at the tick that is shown, for who tests. No play that is kept can begin after
// it.
func (r *Recording) SetFact(fact world.ID, value int) error {
	f := r.doc.Fact(fact)
	if f == nil {
		return world.ErrGone
	}
	if value != f.Bound(value) {
		return fmt.Errorf("%s can't be %d: it is %s", f.Name, value, f.Range())
	}
	r.forget()
	g := r.game
	g.events = g.events[:0]
	g.assisted = true
	g.setFact(f, value, 0)
	g.recall()
	g.follow()
	r.change(moment{brought: true})
	r.trim()
	return nil
}
