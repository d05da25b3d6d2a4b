package edit_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/world"
)

// Going back to any earlier state gives just that state, and undoing it the one that
// one came from.
func TestRestore(t *testing.T) {
	for seed := range uint64(6) {
		a := generate.Author{Rand: rand.New(rand.NewPCG(seed, 77)), IDs: &world.Counter{Prefix: 3}}
		now := newDocument(t)
		kept := []*world.Document{now}
		for step := range 240 {
			if res, err := edit.Apply(now, a.Edit(now)); err == nil {
				now = res.Document
			}
			if step%20 == 0 {
				kept = append(kept, now)
			}
			if step%15 != 0 {
				continue
			}
			to := kept[a.Rand.IntN(len(kept))]
			res, err := edit.Apply(now, edit.Restore(nil, now, to, "go back"))
			if err != nil {
				t.Fatalf("seed %d, step %d: %v", seed, step, err)
			}
			if !sameBut(res.Document.Encode(), to.Encode()) {
				t.Fatalf("seed %d, step %d: going back gave another state", seed, step)
			}
			back, err := edit.Apply(res.Document, edit.Edit{Label: "undo", Undoes: 1, Parts: res.Inverse})
			if err != nil || back.Left > 0 {
				t.Fatalf("seed %d, step %d: undoing left %d: %v", seed, step, back.Left, err)
			}
			if !sameBut(back.Document.Encode(), now.Encode()) {
				t.Fatalf("seed %d, step %d: undoing gave another state", seed, step)
			}
		}
	}
	d := newDocument(t)
	if e := edit.Restore(nil, d, d, "go back"); len(e.Parts) != 0 {
		t.Errorf("going back to where one is takes %d parts", len(e.Parts))
	}
}
