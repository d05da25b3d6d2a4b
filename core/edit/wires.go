package edit

import "azzel/core/world"

// WireRef is a wire as a reference.
func WireRef(id world.ID) world.Ref { return world.Ref{Sort: world.SortWire, ID: id} }

// RemoveWires are the parts that remove the wires which begin or end at some pieces, to stand before those that remove the
// pieces: undone, a wire comes back after its pieces.
func RemoveWires(d *world.Document, pieces ...*world.Piece) []Part {
	if len(d.Wires) == 0 {
		return nil
	}
	gone := make(map[world.ID]bool, len(pieces))
	for _, p := range pieces {
		gone[p.ID] = true
	}
	var parts []Part
	for _, w := range d.Wires {
		if gone[w.From] || gone[w.To] {
			parts = append(parts, Remove{Ref: WireRef(w.ID)})
		}
	}
	return parts
}
