package rules

import (
	"strings"

	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// moments offers when a rule can begin.
func (o *offers) moments(r *world.Rule) {
	begins := func(is *kind.Moment, says string, m logic.Moment) {
		m.Is = is.Number
		p := logic.Part{Begins: m}
		if o.until {
			p.Does = logic.Until
		}
		o.is(says, p)
	}
	if k := o.homeKind(r); k != nil && o.of("this "+wording.HomeName(o.d, r.HomeSort, r.Home)) {
		for _, m := range k.Moments {
			begins(m, "is "+m.Name, logic.Moment{Of: logic.Noun{Is: logic.This}})
		}
	}
	if r.HomeSort == kind.Character && o.of("this "+wording.HomeName(o.d, r.HomeSort, r.Home)) {
		seen := map[*kind.Moment]bool{}
		for _, k := range kind.All() {
			for _, m := range k.Moments {
				if k.Figure && !seen[m] {
					seen[m] = true
					begins(m, "is "+m.Name, logic.Moment{Of: logic.Noun{Is: logic.This}})
				}
			}
		}
	}
	for _, a := range o.d.Areas {
		if o.of(hand.Name(o.d, world.Ref{Sort: world.SortArea, ID: a.ID})) {
			begins(logic.AreaEntered, logic.AreaEntered.Name, logic.Moment{Thing: a.ID})
			begins(logic.AreaLeft, logic.AreaLeft.Name, logic.Moment{Thing: a.ID})
			begins(logic.AreaStayed, logic.AreaStayed.Name, logic.Moment{Thing: a.ID, Number: 120})
		}
	}
	o.comings(r, begins)
	for _, m := range o.d.Maps {
		if o.of(m.Name) {
			begins(logic.MapBegins, logic.MapBegins.Name, logic.Moment{Thing: m.ID})
			begins(logic.MapLeft, logic.MapLeft.Name, logic.Moment{Thing: m.ID})
		}
	}
	for _, f := range o.d.Facts {
		if o.of(f.Name) {
			reached := logic.Moment{Thing: f.ID, Number: 1}
			if f.Text {
				reached.Number = f.Start
			}
			begins(logic.FactReached, "becomes yes no", reached)
			begins(logic.FactChanged, "changes", logic.Moment{Thing: f.ID})
		}
	}
	o.nearFirst(r, func(p *world.Piece, name string) {
		if (r.HomeSort != kind.Piece || r.Home != p.ID) && o.of(name) {
			for _, m := range p.Kind().Moments {
				begins(m, "is "+m.Name, logic.Moment{Of: logic.Noun{Is: logic.Piece, Thing: p.ID}})
			}
		}
	})
	for _, i := range o.d.Items {
		if o.of(i.Name) {
			begins(logic.ItemHad, logic.ItemHad.Name, logic.Moment{Thing: i.ID})
			begins(logic.ItemUsedUp, logic.ItemUsedUp.Name, logic.Moment{Thing: i.ID})
			begins(logic.ItemUsed, logic.ItemUsed.Name, logic.Moment{Thing: i.ID})
		}
	}
	for _, c := range o.d.Crossings {
		if o.of(hand.CrossingName(o.d, c)) {
			begins(logic.CrossingTaken, logic.CrossingTaken.Name, logic.Moment{Thing: c.ID})
		}
	}
	for _, m := range []*kind.Moment{logic.PlayBegins, logic.PlayerHurt, logic.PlayerHarmed, logic.PlayerFell, logic.PlayerBack, logic.AskedFor} {
		if o.of("") && !(o.until && m == logic.PlayBegins) {
			begins(m, m.Name, logic.Moment{})
		}
	}
	if o.of("") {
		begins(logic.TimePassed, "another seconds have passed", logic.Moment{Number: 600})
		begins(logic.StepsPassed, "the player has gone another steps", logic.Moment{Number: 10})
	}
	for _, k := range o.d.Kit() {
		if o.of("any " + k.Name) {
			for _, m := range k.Moments {
				begins(m, "is "+m.Name, logic.Moment{Of: logic.Noun{Is: logic.AnyOfType, Type: k.Type}})
			}
		}
	}
}

// comings offers, once something is typed, that what moves comes into an area of its map, or goes out of one.
func (o *offers) comings(r *world.Rule, begins func(*kind.Moment, string, logic.Moment)) {
	if len(o.tokens) == 0 {
		return
	}
	for _, a := range o.d.Areas {
		area := hand.Name(o.d, world.Ref{Sort: world.SortArea, ID: a.ID})
		each := func(n logic.Noun, name string) {
			if o.of(name + " " + area) {
				begins(logic.ComesInto, logic.ComesInto.Name, logic.Moment{Of: n, Thing: a.ID})
				begins(logic.GoesOutOf, logic.GoesOutOf.Name, logic.Moment{Of: n, Thing: a.ID})
			}
		}
		if k := o.homeKind(r); r.HomeSort == kind.Character || k != nil && (k.Goes || k.Ridden) {
			each(logic.Noun{Is: logic.This}, "this "+wording.HomeName(o.d, r.HomeSort, r.Home))
		}
		if m := o.d.Map(a.Map); m != nil {
			for _, p := range m.Pieces {
				if k := p.Kind(); k.Goes || k.Ridden {
					each(logic.Noun{Is: logic.Piece, Thing: p.ID}, hand.PieceName(o.d, p))
				}
			}
		}
		for _, k := range o.d.Kit() {
			if k.Goes || k.Ridden {
				each(logic.Noun{Is: logic.AnyOfType, Type: k.Type}, "any "+k.Name)
			}
		}
	}
}

// untilWhen are the tokens after those that say that a rule waits until a moment comes; false if they do not say that.
func untilWhen(tokens []string) (rest []string, is bool) {
	if len(tokens) > 1 && tokens[0] == "wait" {
		tokens = tokens[1:]
	}
	if len(tokens) == 0 || len(tokens[0]) < 2 || !strings.HasPrefix("until", tokens[0]) {
		return nil, false
	}
	return tokens[1:], true
}
