package play_test

import (
	"fmt"
	"testing"

	"azzel/core/pack/stored"
	"azzel/core/play"
	"azzel/core/world"
	"azzel/core/world/told"
)

// storedForms are documents as they were written in each form of long ago, from 3 to 7, forty of each and forty more of the last, with replays that
// were kept by the rules of then, 4 to 8: they are read as they were when this was stored, and each replay comes to the same. They
// were written by the programs of those days, and can't be made anew.
const storedForms = "testdata/forms.gz"

func TestStoredForms(t *testing.T) {
	replays := map[int]int{}
	stored.Hold(t, storedForms, func() []stored.Case {
		t.Fatal("these documents can't be made anew")
		return nil
	}, func(c *stored.Case) (sums []uint64) {
		if form := uint64(c.Blobs[0][1]); form != c.Seed {
			t.Fatalf("a document of form %d stands for one of form %d", form, c.Seed)
		}
		d, err := world.Decode(c.Blobs[0])
		if err != nil {
			t.Fatalf("a document of form %d: %v", c.Seed, err)
		}
		sum := func(tell func(w teller)) {
			w := teller{stored.NewTeller()}
			tell(w)
			sums = append(sums, w.Sum64())
		}
		sum(func(w teller) { told.Document(w.Teller, d) })
		for _, r := range d.Replays {
			replays[r.Rules]++
			sum(func(w teller) {
				w.rerun(d, r)
				for _, in := range r.Held {
					w.Tell(in.Ticks, in.Input)
				}
			})
		}
		return sums
	}, func(n, of int) string {
		if n == 0 {
			return "the document"
		}
		return fmt.Sprintf("replay %d of %d", n, of-1)
	})
	for rules := 4; rules < play.Rules; rules++ {
		if replays[rules] < 100 {
			t.Errorf("of rules %d there are %d replays", rules, replays[rules])
		}
	}
}
