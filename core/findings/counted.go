package findings

import (
	"slices"

	"azzel/core/world"
)

// counted finds of which types of the designer's own there are more pieces than there may be, by the last one of them, or none where there is to be one.
func counted(d *world.Document) (list []Finding) {
	if !slices.ContainsFunc(d.Types, func(t *world.Type) bool { return t.May != world.AnyNumber }) {
		return nil
	}
	type last struct {
		on *world.Map
		is *world.Piece
	}
	all := map[*world.Type]int{}
	newest := map[*world.Type]last{}
	tooMany := func(at last) {
		list = append(list, Finding{Fault: TooMany, Of: world.Ref{Sort: world.SortPiece, Map: at.on.ID, ID: at.is.ID}})
	}
	for _, m := range d.Maps {
		here := map[*world.Type]int{}
		for _, p := range m.Pieces {
			t := p.Own()
			if t == nil || t.May == world.AnyNumber {
				continue
			}
			all[t]++
			if n := newest[t]; n.is == nil || p.Number > n.is.Number {
				newest[t] = last{m, p}
			}
			if here[t]++; t.May == world.MostOnMap && here[t] == t.Most+1 {
				tooMany(last{m, p})
			}
		}
	}
	for _, t := range d.Types {
		switch n := all[t]; {
		case t.May == world.ExactlyOne && n == 0:
			list = append(list, Finding{Fault: NoneThere, Of: world.TypeRef(t.ID)})
		case t.May == world.ExactlyOne && n > 1, t.May == world.MostInProject && n > t.Most:
			tooMany(newest[t])
		}
	}
	return list
}
