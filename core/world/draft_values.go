package world

import (
	"bytes"
	"slices"

	"azzel/core/kind"
	"azzel/core/pack"
)

// Values are the properties of what r points at, and whether it is there.
func (d *Draft) Values(r Ref) ([]Value, bool) {
	if c := collectionOf(r.Sort); c != nil {
		return c.values(d.doc, r.ID)
	}
	switch r.Sort {
	case SortProject:
		return d.doc.Project.Values(), true
	case SortMap:
		if m := d.doc.Map(r.ID); m != nil {
			return m.Values(), true
		}
	case SortLayer, SortPiece:
		m := d.doc.Map(r.Map)
		if m == nil {
			return nil, false
		}
		if l := m.Layer(r.ID); l != nil && r.Sort == SortLayer {
			return l.Values(), true
		}
		if p := m.Piece(r.ID); p != nil && r.Sort == SortPiece {
			return p.Values(), true
		}
	}
	return nil, false
}

// Value is one property of what r points at, and whether it is there.
func (d *Draft) Value(r Ref, f Field) (Value, bool) {
	if r.Sort == SortTileset && f >= TileField {
		t := d.doc.Tileset(r.ID)
		if i, property := tileField(f); t != nil && i < len(t.Tiles) && property != nil {
			p := t.Tile(i)
			return Value{Field: f, Bytes: encodeField(&p, *property)}, true
		}
		return Value{}, false
	}
	values, there := d.Values(r)
	for _, v := range values {
		if v.Field == f {
			return v, true
		}
	}
	if there && isOptional(r.Sort, f) && (r.Sort != SortPiece || kind.PropOf(f) != nil || f >= kind.FirstOwnField) {
		return Value{Field: f}, true
	}
	return Value{}, false
}

// Resolve gives the properties that a stored one stands for, of what r points at as it is now: mostly itself. One that
// was stored long ago may stand for several of a piece, or for none.
func (d *Draft) Resolve(r Ref, v Value) ([]Value, error) {
	switch {
	case r.Sort == SortPiece && !isBase(v.Field):
		if m := d.doc.Map(r.Map); m != nil {
			if p := m.Piece(r.ID); p != nil {
				return ownValues(p.Kind(), v)
			}
		}
	case r.Sort == SortPatch && v.Field == FieldTiles:
		in := pack.NewReader(v.Bytes)
		b := decodeBlock(in)
		if in.Done() == nil {
			var w pack.Writer
			encodeBlock(&b, &w)
			return []Value{{Field: v.Field, Bytes: w.Bytes}}, nil
		}
	}
	return []Value{v}, nil
}

// Holds reports whether what r points at still has the properties that it once had, and sets no other. Values that were
// stored before a property was known lack it.
func (d *Draft) Holds(r Ref, want []Value) bool {
	values, there := d.Values(r)
	if !there {
		return false
	}
	var is []Value
	for _, v := range want {
		own, err := d.Resolve(r, v)
		if err != nil {
			return false
		}
		is = append(is, own...)
	}
	for _, v := range values {
		if isOptional(r.Sort, v.Field) && !slices.ContainsFunc(is, func(w Value) bool { return w.Field == v.Field }) {
			return false
		}
	}
	return !slices.ContainsFunc(is, func(w Value) bool {
		i := slices.IndexFunc(values, func(v Value) bool { return v.Field == w.Field })
		return i < 0 && len(w.Bytes) > 0 || i >= 0 && !bytes.Equal(values[i].Bytes, w.Bytes)
	})
}

// isOptional reports whether a field of things of a sort is stored only where it is set: no bytes stand for what is not.
func isOptional(sort Sort, f Field) bool {
	switch sort {
	case SortPiece:
		return !isBase(f)
	case SortRule:
		return isRulePart(f)
	case SortType:
		return typeUsual.is(f)
	case SortMap:
		return f == FieldAnew
	case SortFact:
		return factRange.is(f)
	}
	return false
}
