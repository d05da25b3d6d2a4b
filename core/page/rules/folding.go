package rules

import (
	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/world"
)

// OpenWire puts a rule that does what a wire does in its place, and in that of those which count together with it.
type OpenWire struct {
	Wire page.ID `json:"wire"`
}

// Do implements Order.
func (o OpenWire) Do(p *page.Page) page.Changed {
	d := p.Doc()
	w := d.Wire(world.ID(o.Wire))
	if w == nil {
		return p.Fail(world.ErrGone)
	}
	r, wires, err := d.Opened(w, p.IDs.NewID)
	if err != nil {
		return p.Fail(err)
	}
	e := edit.Edit{Label: "open a wire into a rule"}
	for _, w := range wires {
		e.Parts = append(e.Parts, edit.Remove{Ref: edit.WireRef(w.ID)})
	}
	e.Parts = append(e.Parts, edit.Put{Ref: world.RuleRef(p.IDs.NewID()), Values: r.Values()})
	return p.Do(e)
}

// FoldRule puts wires that do what a rule does in its place, if it is no more than that.
type FoldRule struct {
	Rule page.ID `json:"rule"`
}

// Do implements Order.
func (o FoldRule) Do(p *page.Page) page.Changed {
	d := p.Doc()
	r := d.Rule(world.ID(o.Rule))
	if r == nil {
		return p.Fail(world.ErrGone)
	}
	wires, err := d.Folded(r)
	if err != nil {
		return p.Fail(err)
	}
	e := edit.Edit{Label: "fold a rule into a wire", Parts: []edit.Part{edit.Remove{Ref: world.RuleRef(r.ID)}}}
	for _, w := range wires {
		e.Parts = append(e.Parts, edit.Put{Ref: edit.WireRef(p.IDs.NewID()), Values: w.Values()})
	}
	return p.Do(e)
}
