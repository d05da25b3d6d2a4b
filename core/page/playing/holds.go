package playing

import (
	"fmt"

	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// HoldAtRule lets play be held once a rule goes, or not any more. It is the designer's own, and not stored.
type HoldAtRule struct {
	Rule page.ID `json:"rule"`
	On   bool    `json:"on"`
}

// Do implements Order.
func (o HoldAtRule) Do(p *page.Page) page.Changed {
	switch {
	case p.Doc().Rule(world.ID(o.Rule)) == nil:
		return p.Fail(world.ErrGone)
	case !o.On:
		delete(p.HoldRules, world.ID(o.Rule))
	default:
		if p.HoldRules == nil {
			p.HoldRules = map[world.ID]bool{}
		}
		p.HoldRules[world.ID(o.Rule)] = true
	}
	return page.StateChanged
}

// HoldAtFact lets play be held once a fact becomes something, or not any more. It is the designer's own, and not stored.
type HoldAtFact struct {
	Fact  page.ID `json:"fact"`
	On    bool    `json:"on"`
	Value int     `json:"value,omitempty"`
}

// Do implements Order.
func (o HoldAtFact) Do(p *page.Page) page.Changed {
	f := p.Doc().Fact(world.ID(o.Fact))
	switch {
	case f == nil:
		return p.Fail(world.ErrGone)
	case !o.On:
		delete(p.HoldFacts, f.ID)
	default:
		if p.HoldFacts == nil {
			p.HoldFacts = map[world.ID]int{}
		}
		p.HoldFacts[f.ID] = f.Bound(o.Value)
	}
	return page.StateChanged
}

// held is what is known of what play is held at.
type held struct {
	times map[world.ID]int
	facts map[world.ID]int
}

// atHolds looks at what play is held at; nothing if it is held at nothing.
func atHolds(p *page.Page) (h held) {
	if len(p.HoldRules)+len(p.HoldFacts) == 0 {
		return h
	}
	g := p.Played.Game()
	h = held{map[world.ID]int{}, map[world.ID]int{}}
	for id := range p.HoldRules {
		h.times[id], _, _ = g.RuleWent(id)
	}
	for id := range p.HoldFacts {
		if f := p.Doc().Fact(id); f != nil {
			is, _ := g.Known(f)
			h.facts[id] = is.Value
		}
	}
	return h
}

// heldSince says why play is held, if it is, by what became of what it is held at.
func heldSince(p *page.Page, before held) page.Changed {
	now := atHolds(p)
	d := p.Doc()
	for _, r := range d.Rules {
		if now.times[r.ID] > before.times[r.ID] {
			p.Events = append(p.Events, fmt.Sprintf("Held: the rule “%s” went.", wording.RuleName(d, r)))
			return page.PlayHeld
		}
	}
	for _, f := range d.Facts {
		if at, is := p.HoldFacts[f.ID]; is && now.facts[f.ID] == at && before.facts[f.ID] != at {
			p.Events = append(p.Events, fmt.Sprintf("Held: %s became %s.", f.Name, wording.FactSays(f, at)))
			return page.PlayHeld
		}
	}
	return 0
}
