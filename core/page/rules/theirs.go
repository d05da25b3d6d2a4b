package rules

import (
	"slices"

	"azzel/core/edit"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// theirs are the changes of a rule that others made just before this page made others of the same.
func theirs(p *page.Page, rule world.ID) []TheirsView {
	list := []TheirsView{}
	for _, c := range p.Overruled {
		if c.Ref != world.RuleRef(rule) {
			continue
		}
		if says := theirsSays(p.Doc(), c); says != "" {
			list = append(list, TheirsView{page.FormatID(world.PartOf(c.Value.Field)), says})
		}
	}
	return list
}

// theirsSays is what a change makes of a part of a rule, or of what it asks; nothing for what else can be set of one.
func theirsSays(d *world.Document, c edit.Change) string {
	r := d.Rule(c.Ref.ID)
	if r == nil {
		return ""
	}
	id := world.PartOf(c.Value.Field)
	switch {
	case c.Value.Field == world.FieldRuleAsks:
		asks, err := logic.Decode(pack.NewReader(c.Value.Bytes).Blob(limit.TextBytes))
		if err != nil || asks.Empty() {
			return "nothing need hold"
		}
		return "if " + wording.ConditionWords(d, &r.Rule, &asks)
	case id == 0:
		return ""
	case len(c.Value.Bytes) == 0:
		return "it is taken away"
	}
	part, err := logic.DecodePart(id, c.Value.Bytes)
	if err != nil {
		return ""
	}
	if part.Does == logic.Nothing {
		return wording.Joined(wording.Moment(d, &r.Rule, &part.Begins))
	}
	return wording.Joined(wording.Action(d, &r.Rule, &part))
}

// SettleTheirs takes what somebody else made of a part of a rule, or of what it asks for part 0, in the place of one's own; or leaves it.
type SettleTheirs struct {
	Rule page.ID `json:"rule"`
	Part page.ID `json:"part"`
	Take bool    `json:"take"`
}

// Do implements Order.
func (o SettleTheirs) Do(p *page.Page) page.Changed {
	i := slices.IndexFunc(p.Overruled, func(c edit.Change) bool {
		id := world.PartOf(c.Value.Field)
		return c.Ref == world.RuleRef(world.ID(o.Rule)) && id == world.ID(o.Part) && (id != 0 || c.Value.Field == world.FieldRuleAsks)
	})
	r := p.Doc().Rule(world.ID(o.Rule))
	if i < 0 || r == nil {
		return p.Fail(world.ErrGone)
	}
	c := p.Overruled[i]
	p.Overruled = slices.Delete(slices.Clone(p.Overruled), i, i+1)
	if !o.Take {
		return page.StateChanged
	}
	return Change(p, r, []edit.Part{c}) | page.StateChanged
}
