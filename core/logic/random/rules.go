package random

import (
	"math/rand/v2"
	"slices"

	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/words"
)

// Rule draws a rule that logic.Rule.Check takes, of the project, with parts of the ids that next gives.
func Rule(r *rand.Rand, of Things, next func() kind.ID) (is logic.Rule) {
	is.Begins = logic.Beginning(r.IntN(4) / 3)
	is.If = logic.Condition{}
	if r.IntN(2) == 0 {
		is.If = Condition(r, of, is.Begins == logic.When, 2)
	}
	if of.Newest && is.Begins == logic.While && r.IntN(2) == 0 {
		is.If = Lasting(r, of)
	}
	is.Repeats, is.Busy = logic.Repeats(r.IntN(4)), logic.Busy(r.IntN(3))
	if is.Repeats == logic.NotAgainFor {
		is.Pause = r.IntN(120)
	}
	is.Elsewhere = r.IntN(2) == 0
	if is.Begins == logic.When {
		for i := range 1 + r.IntN(2) {
			is.Set(logic.Part{ID: next(), Order: i, Begins: Moment(r, of)})
		}
	}
	actions(r, of, next, &is, 0, logic.Then, 1)
	if is.Begins == logic.While {
		actions(r, of, next, &is, 0, logic.Otherwise, 1)
	}
	if r.IntN(12) == 0 {
		is.Set(logic.Part{ID: next(), In: next(), Action: Action(r, of)})
	}
	return is
}

// actions puts some actions into a branch.
func actions(r *rand.Rand, of Things, next func() kind.ID, is *logic.Rule, in kind.ID, branch, deep int) {
	inside := logic.Nothing
	if p := is.Part(in); p != nil {
		inside = p.Does
	}
	for i := range 1 + r.IntN(4) {
		p := logic.Part{ID: next(), In: in, Branch: branch, Order: 10 + 10*i, Off: r.IntN(12) == 0, Action: Action(r, of)}
		for p.Does == logic.Choice || p.Does == logic.Case || deep > 2 && p.Does.Branches() > 0 {
			p.Action = Action(r, of)
		}
		switch inside {
		case logic.Question:
			p.Action = logic.Action{Does: logic.Choice, Text: words.Plain("a"), If: p.If}
		case logic.OneOf:
			p.Action = logic.Action{Does: logic.Case, Number: r.IntN(4)}
		}
		if of.Newest && p.Does == logic.Wait && r.IntN(2) == 0 {
			p.Action, p.Begins = logic.Action{Does: logic.Until}, Moment(r, of)
		}
		is.Set(p)
		for b := range p.Does.Branches() {
			actions(r, of, next, is, p.ID, b, deep+1)
		}
	}
}

// The last moments that stored bundles have: of those that befall pieces, and of the others.
const (
	newestMoment   = 20
	newestOccasion = 2011
)

// known are the moments that are drawn, in their order.
func known(of Things, list []*kind.Moment, newest int) []*kind.Moment {
	if of.Newest {
		return list
	}
	return slices.DeleteFunc(slices.Clone(list), func(m *kind.Moment) bool { return m.Number > newest })
}

// Moment draws a moment at which a rule begins.
func Moment(r *rand.Rand, of Things) (m logic.Moment) {
	for {
		m = logic.Moment{Thing: one(r, [][]kind.ID{of.Facts, of.Items, of.Areas, of.Maps, of.Crossings}[r.IntN(5)]), Number: 1 + r.IntN(3)}
		occasions := known(of, logic.Occasions(), newestOccasion)
		if i := r.IntN(2 * len(occasions)); i < len(occasions) {
			m.Is = occasions[i].Number
			switch occasions[i] {
			case logic.ComesInto, logic.GoesOutOf:
				m.Thing, m.Of = one(r, of.Areas), logic.Noun{Is: logic.Piece, Thing: one(r, of.Pieces)}
				if k := one(r, kinds(of)); k != nil && r.IntN(2) == 0 {
					m.Of = logic.Noun{Is: logic.AnyOfType, Type: k.ID}
				}
			case logic.AreaEntered, logic.AreaLeft, logic.AreaStayed:
				m.Thing = one(r, of.Areas)
			case logic.MapBegins, logic.MapLeft:
				m.Thing = one(r, of.Maps)
			case logic.FactChanged, logic.FactReached:
				m.Thing = one(r, of.Facts)
			case logic.ItemHad, logic.ItemUsedUp, logic.ItemUsed:
				m.Thing = one(r, of.Items)
			case logic.CrossingTaken:
				m.Thing = one(r, of.Crossings)
			}
		} else {
			k := one(r, kinds(of))
			if k == nil {
				continue
			}
			moments := known(of, k.Moments, newestMoment)
			if len(moments) == 0 {
				continue
			}
			m.Is = one(r, moments).Number
			m.Of = logic.Noun{Is: logic.AnyOfType, Type: k.ID}
			if r.IntN(2) == 0 {
				m.Of = logic.Noun{Is: logic.Piece, Thing: one(r, of.Pieces)}
			}
		}
		// What does not count of a moment is not stored.
		p, err := logic.DecodePart(1, logic.Part{Begins: m}.Encode())
		if err == nil && p.CheckPart() == nil {
			return p.Begins
		}
	}
}

// Action draws an action that logic.Part.CheckPart takes.
func Action(r *rand.Rand, of Things) logic.Action {
	for {
		last := int(logic.End)
		if of.Newest {
			last = logic.Deeds() - 1
		}
		a := logic.Action{Does: logic.Deed(1 + r.IntN(last)), Subject: noun(r, of, true), How: logic.SetBy(r.IntN(3)), Value: value(r, of, true, 1), Quiet: r.IntN(4) == 0}
		if of.Newest {
			a.Towards = noun(r, of, true)
		}
		switch a.Does {
		case logic.SetFact:
			a.Thing = one(r, of.Facts)
		case logic.Get, logic.Lose:
			a.Thing = one(r, of.Items)
		case logic.TakeTo:
			a.Thing = one(r, of.Pieces)
		case logic.AskFor:
			a.Thing = one(r, of.Rules)
		case logic.SetProperty:
			if p := one(r, changing()); p != nil {
				a.Property = p.Field
			}
		case logic.ShowPose:
			a.Is = r.IntN(len(logic.PoseWords))
		case logic.FollowTrack:
			a.Thing = one(r, of.Tracks)
		case logic.SetLayer:
			a.Thing, a.Is = one(r, of.Layers), r.IntN(3)
		case logic.TakeToDoorway:
			a.Thing, a.Is = one(r, of.Crossings), r.IntN(2)
		case logic.SetCells:
			a.Thing, a.Is, a.Other = one(r, of.Areas), r.IntN(len(logic.CellWords)), one(r, of.Patches)
		case logic.SetForces:
			a.Thing, a.Is = one(r, of.Areas), r.IntN(2)
		case logic.SetPresence:
			a.Is = r.IntN(3)
		case logic.SetPower:
			a.Is = r.IntN(2)
		case logic.Become:
			a.Thing = one(r, of.Characters)
		case logic.CanDo, logic.CannotDo:
			a.Is = r.IntN(len(logic.AbilityWords))
		case logic.SetState:
			if a.Is = 1; len(states()) > 0 {
				a.Is = one(r, states()).Number
			}
		case logic.Say, logic.Question, logic.Choice:
			a.Text = words.Text{{Letters: "So many: "}, {Fact: one(r, of.Facts)}}
		case logic.If:
			a.If = condition(r, of, true, 2)
		case logic.End:
			a.Name = "at last"
		}
		a.Number = 1 + r.IntN(40)
		if a.Does == logic.Until {
			continue // it waits for a moment, which stands beside the action
		}
		p, err := logic.DecodePart(1, logic.Part{Action: a}.Encode())
		if err == nil && p.CheckPart() == nil {
			return p.Action
		}
	}
}
