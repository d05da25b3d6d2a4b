package edit

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// RemoveRules are the parts that remove the rules which belong to something, to stand before those that remove it: undone, a rule comes back after its home.
func RemoveRules(d *world.Document, sort kind.Thing, homes ...world.ID) []Part {
	if len(d.Rules) == 0 {
		return nil
	}
	gone := make(map[world.ID]bool, len(homes))
	for _, id := range homes {
		gone[id] = true
	}
	var parts []Part
	for _, r := range d.Rules {
		if r.HomeSort == sort && gone[r.Home] {
			parts = append(parts, Remove{Ref: world.RuleRef(r.ID)})
		}
	}
	return parts
}

// RemoveWith are the parts that remove what goes with some pieces: their rules, and the wires that begin or end there.
func RemoveWith(d *world.Document, pieces ...*world.Piece) []Part {
	ids := make([]world.ID, len(pieces))
	for i, p := range pieces {
		ids[i] = p.ID
	}
	return append(RemoveRules(d, kind.Piece, ids...), RemoveWires(d, ids...)...)
}

// RemoveWithMap are the parts that remove what goes with a map: its rules and those of what is on it, the wires that begin or end there, and its facts.
func RemoveWithMap(d *world.Document, m *world.Map) []Part {
	var areas, layers, crossings []world.ID
	for _, c := range d.CrossingsOf(m.ID) {
		crossings = append(crossings, c.ID)
	}
	for _, a := range d.Areas {
		if a.Map == m.ID {
			areas = append(areas, a.ID)
		}
	}
	for _, l := range m.Layers {
		layers = append(layers, l.ID)
	}
	var ids []world.ID
	for _, p := range m.Pieces {
		ids = append(ids, p.ID)
	}
	var facts []Part
	for _, f := range d.Facts {
		if f.Map == m.ID {
			facts = append(facts, Remove{Ref: world.Ref{Sort: world.SortFact, ID: f.ID}})
		}
	}
	return slices.Concat(RemoveRules(d, kind.Map, m.ID), RemoveRules(d, kind.Area, areas...), RemoveRules(d, kind.Piece, ids...), RemoveRules(d, kind.Crossing, crossings...),
		RemoveWires(d, slices.Concat(areas, layers, ids)...), facts)
}

// CopyRule is the part that puts a copy of a rule, which belongs to and names other things: those that to gives.
func CopyRule(r *world.Rule, ids world.Allocator, to func(kind.Thing, world.ID) world.ID) Part {
	next := r.Refer(to)
	next.Rule = next.Rule.Copy(ids.NewID)
	next.Number = 0
	return Put{Ref: world.RuleRef(ids.NewID()), Values: next.Values()}
}

// PartChange is the part that gives a rule a part, or changes it.
func PartChange(rule world.ID, p logic.Part) Part {
	return Change{Ref: world.RuleRef(rule), Value: world.PartValue(p)}
}

// PartGone is the part that takes a part from a rule.
func PartGone(rule, part world.ID) Part {
	return Change{Ref: world.RuleRef(rule), Value: world.NoPart(part)}
}
