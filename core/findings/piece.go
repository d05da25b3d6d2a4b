package findings

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/talk"
	"azzel/core/words"
	"azzel/core/world"
)

// atPiece looks at what is set of a piece.
func (g *glance) atPiece(ref world.Ref, p *world.Piece) *look {
	g.saw = nil
	l := &look{thing: p}
	k := p.Kind()
	found := func(of *kind.Prop) func(f Fault, sort kind.Thing, id world.ID, letters string) {
		return func(f Fault, sort kind.Thing, id world.ID, letters string) {
			l.list = append(l.list, Finding{Fault: f, Of: ref, Property: of.Field, Sort: sort, Thing: id, Letters: letters})
		}
	}
	is := func(sort kind.Thing, id world.ID, how used) {
		if id != 0 && (sort == kind.Fact || sort == kind.Item) {
			l.uses = append(l.uses, use{sort, id, how})
		}
	}
	condition := func(of *kind.Prop, c logic.Condition) {
		if c.Empty() {
			return
		}
		gone := false
		c.Refers(func(sort kind.Thing, id world.ID) {
			is(sort, id, asks)
			if sort != kind.NoThing && g.of(sort, id) == nil {
				gone = true
				found(of)(Gone, sort, id, "")
			}
		})
		if !gone && !g.possible(&c, p) {
			found(of)(NeverHolds, 0, 0, "")
		}
	}
	for field := range p.Props.All() {
		prop := kind.PropOf(field)
		if prop == nil {
			continue
		}
		if _, has := k.Has(prop); !has {
			continue
		}
		switch prop.Sort {
		case kind.Reference:
			id := p.Refers(prop)
			if id != 0 && g.of(prop.To, id) == nil {
				found(prop)(Gone, prop.To, id, "")
			}
		case kind.Words:
			t := words.Of(p.Props, prop)
			t.Refers(func(sort kind.Thing, id world.ID) { is(sort, id, shows) })
			g.said(t, false, found(prop))
		case kind.Sayings:
			for _, s := range talk.Of(p.Props, prop) {
				s.Text.Refers(func(sort kind.Thing, id world.ID) { is(sort, id, shows) })
				condition(prop, s.While)
				g.said(s.Text, false, found(prop))
			}
		}
	}
	g.atPictures(ref, p, func(f Finding) { l.list = append(l.list, f) })
	condition(props.While, p.While())
	condition(props.Needs, p.Needs())
	if world.Gives(p.Type) {
		is(kind.Item, p.Refers(props.Item), sets)
	}
	is(kind.Fact, p.Refers(props.Sets), sets)
	if _, opens := k.Has(props.Opens); opens && p.Int(props.Opens) == props.OpensWhenWorked && p.Int(props.Own) == 0 {
		l.shut, l.where = true, ref
	}
	l.saw = g.saw
	return l
}
