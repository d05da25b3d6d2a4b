package findings

import (
	"azzel/core/kind"
	"azzel/core/world"
)

// atStarts finds what is wrong with named starts: what they name is gone, or can't be so any more. There are few of them, so that they
// are looked at each time.
func (g *glance) atStarts() (list []Finding) {
	for _, s := range g.d.Starts {
		found := func(f Fault, sort kind.Thing, id world.ID) {
			list = append(list, Finding{Fault: f, Of: world.StartRef(s.ID), Sort: sort, Thing: id})
		}
		switch m := g.d.Map(s.Map); {
		case m == nil:
			found(Gone, kind.Map, s.Map)
		case !m.Bounds.Has(s.Cell):
			found(OffMap, kind.Map, s.Map)
		}
		for _, i := range s.Items {
			if g.d.Item(i.Item) == nil {
				found(Gone, kind.Item, i.Item)
			}
		}
		for _, f := range s.Facts {
			switch is := g.d.Fact(f.Fact); {
			case is == nil:
				found(Gone, kind.Fact, f.Fact)
			case !f.Fits(is):
				found(CannotBe, kind.Fact, f.Fact)
			}
		}
		for _, is := range s.States {
			switch p := g.placed[is.Piece]; {
			case p == nil:
				found(Gone, kind.Piece, is.Piece)
			case !is.Fits(p):
				found(CannotBe, kind.Piece, is.Piece)
			}
		}
	}
	return list
}
