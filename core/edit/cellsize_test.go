package edit_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/world"
)

// Whatever a project holds, cells twice as large and back again leave it as it was; meanwhile every piece stands in the same
// cell. What would be beyond its range then is refused, and nothing is changed.
func TestCellSize(t *testing.T) {
	scaled := 0
	for seed := range uint64(40) {
		r := rand.New(rand.NewPCG(seed, 7))
		d := generate.Author{Rand: r, IDs: &world.Counter{Prefix: 9}}.Changed(newDocument(t), 150)
		apply := func(w, h int) *world.Document {
			t.Helper()
			e, err := edit.CellSize{W: w, H: h}.Edit(d)
			if err != nil {
				t.Fatalf("seed %d: %v", seed, err)
			}
			done, err := edit.Apply(d, e)
			if err != nil {
				return nil
			}
			back, err := edit.Apply(done.Document, edit.Edit{Undoes: 1, Parts: done.Inverse})
			if err != nil || !sameBut(back.Document.Encode(), d.Encode()) {
				t.Fatalf("seed %d: it can't be taken back: %v", seed, err)
			}
			return done.Document
		}
		before, w, h := d, d.Project.CellW, d.Project.CellH
		if d = apply(2*w, 2*h); d == nil {
			continue
		}
		scaled++
		for i, m := range before.Maps {
			for j, p := range m.Pieces {
				was, is := before.Project.Lattice().CellAt(p.Foot), d.Project.Lattice().CellAt(d.Maps[i].Pieces[j].Foot)
				if was != is {
					t.Fatalf("seed %d: a piece of cell %v stands in %v", seed, was, is)
				}
			}
		}
		d = apply(w, h)
		for _, p := range world.Diff(before, d).Put {
			if was, _ := before.Draft().Values(p.Ref); !world.SameValues(was, p.Values) {
				t.Errorf("seed %d: there and back %v was %v and is %v", seed, p.Ref, was, p.Values)
			}
		}
	}
	if scaled < 30 {
		t.Errorf("only %d projects could be scaled", scaled)
	}
}
