package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/pack"
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
		g.facts = slices.Insert(g.facts, k, Known{})
	}
	g.facts[k] = Known{f.ID, f.Bound(value), g.tick, by}
	g.stale = true
}

// Holds reports whether a condition holds by now.
func (g *Game) Holds(c world.Condition) bool {
	if f := g.doc.Fact(c.Fact); f != nil {
		if !f.Counts {
			c.Least = 0
		}
		is, _ := g.Known(f)
		return c.Holds(is.Value)
	}
	if i := g.doc.Item(c.Item); i != nil {
		return c.Holds(g.Has(i))
	}
	return true
}

// Here reports whether a piece is there, as far as that depends on what it is there only while it
// holds.
func (g *Game) Here(piece world.ID) bool { return !g.absent[piece] }

// Absent are the pieces of all maps that are not there because something does not hold, in the order
// of the document.
func (g *Game) Absent() (ids []world.ID) {
	for _, p := range g.conditional {
		if g.absent[p.ID] {
			ids = append(ids, p.ID)
		}
	}
	return ids
}

// conditionals lists the pieces of all maps that may be absent.
func conditionals(d *world.Document) (list []*world.Piece) {
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Props != "" && p.While() != (world.Condition{}) {
				list = append(list, p)
			}
		}
	}
	return list
}

// ask finds out anew which pieces are there. It changes nothing of the state, so that a state that
// is gone back to goes on as it did.
func (g *Game) ask() {
	g.laden = g.helped & Laden
	if g.absent = nil; len(g.conditional) > 0 {
		g.absent = map[world.ID]bool{}
	}
	for _, p := range g.conditional {
		if !g.Holds(p.While()) {
			g.absent[p.ID] = true
		}
	}
	for _, ground := range g.grounds {
		g.solidThings(ground)
	}
	for k := range g.actors {
		a := &g.actors[k]
		a.absent = g.absent[a.piece.ID]
	}
}

// recall lets what was set or had meanwhile count for what is there: not within a tick, in
// which nothing comes or goes under the feet of what moves. Who stands where something solid appears
// is set down beside it.
func (g *Game) recall() {
	if !g.stale && g.laden == g.helped&Laden {
		return
	}
	if g.stale = false; len(g.conditional) == 0 {
		return
	}
	g.ask()
	if g.absent[g.lifted] {
		g.leaveBehind()
	}
	if !g.drifting {
		g.makeRoom()
	}
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

func encodeFacts(w *pack.Writer, facts []Known) {
	w.Uint(uint64(len(facts)))
	for _, k := range facts {
		w.Uint(uint64(k.Fact))
		w.Int(k.Value)
		w.Int(k.Tick)
		w.Uint(uint64(k.By))
	}
}
