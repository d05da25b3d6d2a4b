package world

import (
	"slices"

	"azzel/core/appearance"
	"azzel/core/kind"
)

// Pictured reports whether any piece is seen otherwise than it comes: on a map, by its type, or in a patch. It looks at every piece.
func (d *Document) Pictured() bool {
	return slices.ContainsFunc(d.Types, func(t *Type) bool { return appearance.Has(t.Usual) }) ||
		slices.ContainsFunc(d.Maps, func(m *Map) bool {
			return slices.ContainsFunc(m.Pieces, func(p *Piece) bool { return appearance.Has(p.Props) })
		}) ||
		slices.ContainsFunc(d.Patches, func(p *Patch) bool {
			return slices.ContainsFunc(p.Pieces, func(p BlockPiece) bool { return appearance.Has(p.Props) })
		})
}

// Seen is the picture of the piece in a state, by its number, that is on or off and looks to a side from 1 on, or kind.AnySide, as it is stored; see appearance.Find.
func (p *Piece) Seen(state int, off bool, side int) (stored []byte, mirrored, has bool) {
	return appearance.Find(p.All(), p.Kind(), state, off, side)
}

// Shows are the values of pieces and types that are pictures, with the tiles that becomes gives in the place of theirs; nil if they show none of those.
func Shows(v kind.Values, becomes func(tile int) int) []kind.Value {
	next := v.Refer(func(p *kind.Prop, sort kind.Thing, id kind.ID) kind.ID {
		if sort == kind.Tile {
			return kind.ID(becomes(int(id)))
		}
		return id
	})
	if next == v {
		return nil
	}
	var list []kind.Value
	for f := range v.All() {
		if p := kind.PropOf(f); p != nil && p.Sort == kind.Picture {
			list = append(list, kind.Value{Field: f, Bytes: next.Get(f)})
		}
	}
	return list
}
