package edit

import "azzel/core/world"

// WireRef is a wire as a reference.
func WireRef(id world.ID) world.Ref { return world.Ref{Sort: world.SortWire, ID: id} }

// RemoveWires are the parts that remove the wires which begin or end at some things, to stand before those that remove the
// things: undone, a wire comes back after its ends.
func RemoveWires(d *world.Document, things ...world.ID) []Part {
	if len(d.Wires) == 0 {
		return nil
	}
	gone := make(map[world.ID]bool, len(things))
	for _, id := range things {
		gone[id] = true
	}
	var parts []Part
	for _, w := range d.Wires {
		if gone[w.From] || gone[w.To] {
			parts = append(parts, Remove{Ref: WireRef(w.ID)})
		}
	}
	return parts
}
