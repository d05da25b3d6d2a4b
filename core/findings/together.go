package findings

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/world"
)

// A signal is a moment that a rule causes, or by which it begins: of which thing, and what a fact becomes.
type signal struct {
	moment int
	thing  world.ID
	number int
}

// together is what was found of each rule and piece, with what is found by looking at all of them.
func together(d *world.Document, rules, pieces []*look) (list []Finding) {
	at := make(map[world.ID]*look, len(rules))
	asked := map[world.ID]bool{}
	var undone [len(lastings)]bool
	for _, l := range rules {
		at[l.rule.ID] = l
		for _, a := range l.asksFor {
			asked[a.rule] = true
		}
		for i := range undone {
			undone[i] = undone[i] || l.lasts[i].undone
		}
	}
	round := goRound(rules, at)
	for _, l := range rules {
		ref := world.RuleRef(l.rule.ID)
		if !l.rule.Off && !l.begins && !asked[l.rule.ID] && len(l.hears) == 0 {
			list = append(list, Finding{Fault: NeverBegins, Of: ref})
		}
		list = append(list, l.list...)
		for _, a := range l.asksFor {
			is := Finding{Of: ref, Part: a.part, Sort: kind.Rule, Thing: a.rule}
			switch other := at[a.rule]; {
			case a.rule == 0:
				continue // to be chosen still, which is said
			case other == nil:
				is.Fault = Gone
			case other.rule.Off:
				is.Fault = AsksOff
			default:
				continue
			}
			list = append(list, is)
		}
		if next := round[l.rule.ID]; next != 0 {
			list = append(list, Finding{Fault: Endless, Of: ref, Sort: kind.Rule, Thing: next})
		}
		for i, of := range lastings {
			if undone[i] {
				continue
			}
			for _, p := range l.lasts[i].parts {
				list = append(list, Finding{Fault: of.fault, Of: ref, Part: p})
			}
		}
	}
	for _, l := range pieces {
		list = append(list, l.list...)
	}
	return slices.Concat(list, uses(d, rules, pieces), counted(d), pictures(d))
}

// uses finds what only opens when it is worked and nothing works, facts that are set and not asked, or asked and not set, and items that are asked and not given.
func uses(d *world.Document, rules, pieces []*look) (list []Finding) {
	type key struct {
		sort kind.Thing
		id   world.ID
	}
	is := map[key][3]bool{}
	for _, looks := range [][]*look{rules, pieces} {
		for _, l := range looks {
			for _, u := range l.uses {
				k := key{u.sort, u.id}
				done := is[k]
				done[u.is] = true
				is[k] = done
			}
		}
	}
	for _, w := range d.Wires {
		is[key{kind.Piece, w.To}] = [3]bool{sets: true}
	}
	for _, l := range pieces {
		if l.shut && !is[key{kind.Piece, l.thing.ID}][sets] && !is[key{kind.Type, l.thing.Type}][sets] && !is[key{}][sets] {
			list = append(list, Finding{Fault: NeverWorked, Of: l.where, Property: props.Opens.Field})
		}
	}
	for _, c := range d.Characters {
		for _, s := range c.Begins {
			k := key{kind.Item, s.Item}
			done := is[k]
			done[sets] = true
			is[k] = done
		}
	}
	for _, f := range d.Facts {
		ref := world.Ref{Sort: world.SortFact, ID: f.ID}
		switch done := is[key{kind.Fact, f.ID}]; {
		case done[sets] && !done[asks] && !done[shows] && !f.Objective:
			list = append(list, Finding{Fault: NeverAsked, Of: ref})
		case done[asks] && !done[sets]:
			list = append(list, Finding{Fault: NeverSet, Of: ref})
		}
	}
	for _, i := range d.Items {
		if done := is[key{kind.Item, i.ID}]; done[asks] && !done[sets] {
			list = append(list, Finding{Fault: NeverGiven, Of: world.Ref{Sort: world.SortItem, ID: i.ID}})
		}
	}
	return list
}

// goRound finds the rules that set each other off without end: for each one that it sets off and that leads back to it. What leads nowhere, and to
// what nothing leads, is left out until nothing more is.
func goRound(rules []*look, at map[world.ID]*look) map[world.ID]world.ID {
	hears := map[signal][]world.ID{}
	var open []world.ID
	for _, l := range rules {
		if len(l.raises) == 0 {
			continue
		}
		open = append(open, l.rule.ID)
		for _, s := range l.hears {
			hears[s] = append(hears[s], l.rule.ID)
		}
	}
	next, back := map[world.ID][]world.ID{}, map[world.ID][]world.ID{}
	leads := func(from, to world.ID) {
		next[from], back[to] = append(next[from], to), append(back[to], from)
	}
	for _, from := range open {
		for _, s := range at[from].raises {
			if s.moment == logic.AskedFor.Number {
				if to := at[s.thing]; to != nil && len(to.raises) > 0 {
					leads(from, s.thing)
				}
				continue
			}
			for _, to := range hears[s] {
				leads(from, to)
			}
			if s.moment == logic.FactReached.Number {
				for _, to := range hears[signal{logic.FactChanged.Number, s.thing, 0}] {
					leads(from, to)
				}
			}
		}
	}
	gone := map[world.ID]bool{}
	for _, way := range []struct{ next, back map[world.ID][]world.ID }{{next, back}, {back, next}} {
		left := map[world.ID]int{}
		var ends []world.ID
		for _, id := range open {
			n := 0
			for _, to := range way.next[id] {
				if !gone[to] {
					n++
				}
			}
			if left[id] = n; n == 0 && !gone[id] {
				ends = append(ends, id)
			}
		}
		for len(ends) > 0 {
			id := ends[len(ends)-1]
			ends = ends[:len(ends)-1]
			gone[id] = true
			for _, from := range way.back[id] {
				if left[from]--; left[from] == 0 && !gone[from] {
					ends = append(ends, from)
				}
			}
		}
	}
	round := map[world.ID]world.ID{}
	for _, id := range open {
		for _, to := range next[id] {
			if !gone[id] && !gone[to] && round[id] == 0 {
				round[id] = to
			}
		}
	}
	return round
}
