package exchange_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/exchange"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/switches"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// Wires come back from a bundle as they were, those of what is gone do not; where one is what it can't be, the bundle
// is refused, and it is said what and where.
func TestWiresInABundle(t *testing.T) {
	d, err := generate.World(3)
	if err != nil {
		t.Fatal(err)
	}
	const lever, sluice = world.ID(54 << 32), world.ID(55 << 32)
	var parts []edit.Part
	for _, m := range d.Maps {
		parts = append(parts, edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.Value{Field: world.FieldAnew}})
	}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			for f := range p.Props.All() {
				if prop := kind.PropOf(f); prop != nil && prop.Sort == kind.Picture {
					parts = append(parts, edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, Value: world.Value{Field: f}})
				}
			}
		}
	}
	for _, w := range d.Wires {
		parts = append(parts, edit.Remove{Ref: edit.WireRef(w.ID)})
	}
	for i, id := range []world.ID{lever, sluice} {
		m := d.Maps[i]
		p := &world.Piece{Type: []kind.ID{switches.Kind.ID, door.Kind.ID}[i], Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(generate.Cell(rand.New(rand.NewPCG(1, 1)), m))}
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()})
	}
	wire := world.Wire{Name: "Feed", From: lever, To: sluice, Works: world.WorksPower, Does: world.ChangesOver, After: 717, Of: 3}
	gone := world.Wire{From: lever, To: 99}
	parts = append(parts, edit.Put{Ref: edit.WireRef(61 << 32), Values: wire.Values()})
	shade := world.Wire{From: lever, To: d.Maps[0].Layers[0].ID, Does: world.TurnsOff}
	parts = append(parts, edit.Put{Ref: edit.WireRef(61<<32 | 1), Values: shade.Values()})
	res, err := edit.Apply(d, edit.Edit{Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	more, err := edit.Apply(res.Document, edit.Edit{Parts: []edit.Part{edit.Put{Ref: edit.WireRef(62 << 32), Values: gone.Values()}}})
	if err != nil {
		t.Fatal(err)
	}
	whole := written(t, more.Document, library{})
	back, err := exchange.Read(bytes.NewReader(whole), int64(len(whole)), nil)
	if err != nil {
		t.Fatal(err)
	}
	same(t, res.Document, back.Document)
	refused(t, whole, []altered{
		{"bundle.json", `"from": "54.0"`, `"from": "77.0"`, "wire 1: from: there is no piece 77.0"},
		{"bundle.json", `"to": "55.0"`, `"to": "54.0"`, "end it at another piece"},
		{"bundle.json", `"to": "55.0"`, `"to": "77.0"`, "wire 1: to: there is no piece, area or layer 77.0"},
		{"bundle.json", `"works": "power"`, `"works": "moss"`, "wire 1: works"},
		{"bundle.json", `"does": "over"`, `"does": "under"`, "wire 1: does"},
		{"bundle.json", `"after": 717`, `"after": -7`, "after 0 to"},
		{"bundle.json", `"of": 3`, `"of": -2`, "must be on"},
		{"bundle.json", `"version": 4`, `"version": 99`, "newer"},
	})
}
