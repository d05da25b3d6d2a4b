package told

import "azzel/core/world"

func blockValues(p world.BlockPiece) []world.Value {
	p.Track, p.Area, p.Who = 0, 0, 0
	return (&world.Piece{Type: p.Type, Acting: p.Acting}).Values()
}

// Clean is the document without what pieces set that their types do not have.
func Clean(d *world.Document) *world.Document {
	draft := d.Draft()
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			for _, v := range (&world.Piece{}).Values() {
				if v.Field > 7 && !has(p.Type, v.Field) {
					if err := draft.Change(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, v); err != nil {
						panic(err)
					}
				}
			}
		}
	}
	d, err := draft.Done()
	if err != nil {
		panic(err)
	}
	return d
}

// has also knows the track of an emitter, which what comes out of it follows.
func has(of world.ID, f world.Field) bool {
	for _, is := range fields[of] {
		if is == f {
			return true
		}
	}
	return of == 11 && f == 18
}

// Stored are the properties of a piece as they were stored long ago: those that every piece has, but for the type, and
// the fields of its type, but for the two with several meanings.
func Stored(p *world.Piece) (list []world.Value) {
	for _, v := range p.Values() {
		if v.Field != world.FieldType && v.Field != 10 && v.Field != 11 && (v.Field <= 7 || has(p.Type, v.Field)) {
			list = append(list, v)
		}
	}
	return list
}
