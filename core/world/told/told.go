// Package told tells tests what a document holds in an order that does not depend on how pieces are stored, so that what
// was summed up before they were stored otherwise still holds.
package told

import (
	"bytes"
	"cmp"
	"slices"

	"azzel/core/edit"
	"azzel/core/lists"
	"azzel/core/pack"
	"azzel/core/pack/stored"
	"azzel/core/world"
)

// fields are, for each type of piece, those of the fields of long ago that it has.
var fields = map[world.ID][]world.Field{
	2: {22, 23, 26, 27, 28, 29}, 3: {22, 23, 24, 25, 26, 27, 28, 29}, 4: {24, 25, 26, 27, 28, 29}, 5: {9, 10, 12, 18, 20, 26, 27, 28, 29},
	6: {8, 9, 10, 11, 13, 15, 16, 18, 19, 21, 24, 25, 26, 27, 28, 29, 30}, 7: {11, 26, 27, 28, 29}, 8: {11, 26, 27, 28, 29}, 9: {26, 27, 28, 29}, 10: {15, 24, 25, 26, 27, 28, 29},
	11: {8, 9, 10, 11, 13, 14, 15, 16, 17, 19, 21, 22, 23, 26, 27, 28, 29, 30}, 12: {8, 9, 10, 11, 13, 15, 16, 17, 18, 19, 21, 22, 23, 24, 25, 26, 27, 28, 29, 30},
}

// Document tells what a document holds.
func Document(w stored.Teller, d *world.Document) {
	draft := d.Draft()
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			Piece(w, p)
			if err := draft.Remove(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}); err != nil {
				panic(err)
			}
		}
	}
	for _, p := range d.Patches {
		w.Tell(p.ID, p.Name, p.Number)
		Block(w, &p.Block)
		if err := draft.Remove(world.Ref{Sort: world.SortPatch, ID: p.ID}); err != nil {
			panic(err)
		}
	}
	w.Tell(draft.Document().Encode())
}

// Piece tells what a piece is.
func Piece(w stored.Teller, p *world.Piece) {
	w.Tell(p.ID, p.Name, p.Number, p.Type, p.Layer, p.Foot)
	Values(w, p.Type, p.Values())
}

// Block tells what a block holds. What its pieces refer to of their map is not kept in it.
func Block(w stored.Teller, b *world.Block) {
	w.Tell(b.W, b.H)
	for _, l := range b.Layers {
		g := l.Cells.Filled()
		w.Tell(l.Name, l.Depth, l.Counts, g, l.Cells.Read(g), l.Loose)
	}
	for _, p := range b.Pieces {
		w.Tell(p.Type, p.Name, p.Foot)
		Values(w, p.Type, (&world.Piece{Type: p.Type, Props: p.Props.Kept()}).Values())
	}
	for i := range b.Wires {
		w.Tell(b.Wires[i])
	}
	for i := range b.Rules {
		Values(w, 0, b.Rules[i].Values())
	}
}

// Values tells what a piece of a type sets, by the fields of long ago.
func Values(w stored.Teller, of world.ID, values []world.Value) {
	for _, v := range kept(of, values) {
		w.Tell(int(v.Field), string(v.Bytes))
	}
}

// kept are the values that pieces of a type have, in the order of their fields.
func kept(of world.ID, values []world.Value) []world.Value {
	values = slices.Clone(values)
	for i := range values {
		// Two fields had several meanings, and are told by their old numbers.
		switch values[i].Field {
		case 31, 34:
			values[i].Field = 10
		case 35, 36:
			values[i].Field = 11
		}
	}
	values = lists.Without(values, func(v world.Value) bool {
		return !slices.Contains(fields[of], v.Field) || len(bytes.Trim(v.Bytes, "\x00")) == 0
	})
	slices.SortStableFunc(values, func(a, b world.Value) int { return cmp.Compare(a.Field, b.Field) })
	return values
}

// Parts tells what the parts of an edit of a document do: what a piece is given one after the other in the order of its
// fields.
func Parts(w stored.Teller, d *world.Document, parts []edit.Part) {
	for i := 0; i < len(parts); i++ {
		switch p := parts[i].(type) {
		case edit.Put:
			if p.Ref.Sort == world.SortPiece {
				w.Tell("put", p.Ref.Map, p.Ref.ID)
				Piece(w, pieceOf(p.Values))
				continue
			}
			if p.Ref.Sort == world.SortPatch {
				w.Tell("put", p.Ref.ID)
				Block(w, patchOf(p.Values))
				continue
			}
		case edit.Remove:
			if p.Ref.Sort == world.SortPiece || p.Ref.Sort == world.SortPatch {
				w.Tell("remove", p.Ref.Map, p.Ref.ID, p.Expect != nil)
				continue
			}
		case edit.Change:
			_, piece := d.Piece(p.Ref.ID)
			if p.Ref.Sort != world.SortPiece || piece == nil || p.Value.Field <= 7 {
				break
			}
			var values []world.Value
			for ; i < len(parts); i++ {
				next, is := parts[i].(edit.Change)
				if !is || next.Ref != p.Ref || next.Value.Field <= 7 {
					break
				}
				values = append(values, next.Value)
			}
			i--
			if len(kept(piece.Type, values)) > 0 {
				w.Tell("change", p.Ref.Map, p.Ref.ID)
				Values(w, piece.Type, values)
			}
			continue
		}
		w.Tell(edit.EncodeParts([]edit.Part{parts[i]}))
	}
}

// pieceOf is a piece with stored values, or one that is called as what is wrong with them.
func pieceOf(values []world.Value) *world.Piece {
	draft, m := somewhere()
	if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m, ID: 900}, values); err != nil {
		return &world.Piece{Name: err.Error()}
	}
	p := draft.Document().Map(m).Piece(900)
	p.Number = 0
	return p
}

// patchOf is the block of a patch with stored values, an empty one if something is wrong with them.
func patchOf(values []world.Value) *world.Block {
	draft, _ := somewhere()
	if err := draft.Put(world.Ref{Sort: world.SortPatch, ID: 900}, values); err != nil {
		return &world.Block{}
	}
	return &draft.Document().Patch(900).Block
}

func somewhere() (draft *world.Draft, m world.ID) {
	d, err := world.Start(world.Project{Name: "Told", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &world.Counter{Prefix: 1})
	if err != nil {
		panic(err)
	}
	return d.Draft(), d.Maps[0].ID
}

// Stored are the properties of a piece as they were stored long ago: those that every piece has, but for the type, and
// the fields of its type, but for the two with several meanings. What was not set was stored as zeros.
func Stored(p *world.Piece) (list []world.Value) {
	values := p.Values()
	for _, v := range values {
		if v.Field <= 7 && v.Field != world.FieldType {
			list = append(list, v)
		}
	}
	for f := world.Field(8); f <= 30; f++ {
		if f == 10 || f == 11 || !has(p.Type, f) {
			continue
		}
		v := world.Value{Field: f, Bytes: make([]byte, map[world.Field]int{12: 2, 17: 5, 25: 2}[f])}
		if len(v.Bytes) == 0 {
			v.Bytes = []byte{0}
		}
		for _, set := range values {
			if set.Field == f {
				v.Bytes = set.Bytes
			}
		}
		list = append(list, v)
	}
	return list
}

// CleanParts are the parts of an edit of a document without what they set of pieces that their types do not have.
func CleanParts(d *world.Document, parts []edit.Part) (clean []edit.Part) {
	types := map[world.ID]world.ID{}
	for _, part := range parts {
		switch p := part.(type) {
		case edit.Put:
			if p.Ref.Sort == world.SortPiece {
				of := typeOf(p.Values)
				types[p.Ref.ID] = of
				p.Values = lists.Without(slices.Clone(p.Values), func(v world.Value) bool { return v.Field > 7 && !has(of, v.Field) })
				part = p
			}
		case edit.Change:
			of := types[p.Ref.ID]
			if _, piece := d.Piece(p.Ref.ID); piece != nil {
				of = piece.Type
			}
			if p.Ref.Sort == world.SortPiece && p.Value.Field > 7 && !has(of, p.Value.Field) {
				continue
			}
		}
		clean = append(clean, part)
	}
	return clean
}

// typeOf is the type of a piece with stored values.
func typeOf(values []world.Value) world.ID {
	for _, v := range values {
		if v.Field == world.FieldType {
			return world.ID(pack.NewReader(v.Bytes).Uint())
		}
	}
	return 0
}

// has also knows the track of an emitter, which what comes out of it follows.
func has(of world.ID, f world.Field) bool {
	return slices.Contains(fields[of], f) || of == 11 && f == 18
}
