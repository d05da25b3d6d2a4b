package play_test

import (
	"bytes"
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// What was recorded is played again as it was: each time that a rule was to begin, with what came of it, between any two ticks, over changes of the document and bringing the player
// elsewhere; what is shown stays as it is.
func TestAgain(t *testing.T) {
	worlds := uint64(60)
	if testing.Short() {
		worlds = 10
	}
	for seed := range worlds {
		d, err := generate.Ruled(seed)
		if err != nil {
			t.Fatal(err)
		}
		g, err := play.New(d, play.Start{Chance: seed})
		if err != nil {
			t.Fatal(err)
		}
		rnd := rand.New(rand.NewPCG(seed, 8))
		rec := play.Record(g)
		var live []play.Trial
		play.Tried(g, func(trial logic.Trial) { live = append(live, play.Trial{Tick: rec.Now(), Trial: trial}) })
		for n, in := range generate.Inputs(seed, 500) {
			if n%170 == 169 {
				// One rule is switched, while it is played or after going back.
				back := max(rec.First(), rec.Now()-40*rnd.IntN(3))
				live = slices.DeleteFunc(live, func(t play.Trial) bool { return t.Tick > back })
				before := len(live)
				if err := rec.Go(back); err != nil {
					t.Fatal(err)
				}
				live = live[:before]
				draft := rec.Game().Document().Draft()
				r := d.Rules[rnd.IntN(len(d.Rules))]
				if err := draft.Change(world.RuleRef(r.ID), world.NoPart(r.Parts[rnd.IntN(len(r.Parts))].ID)); err != nil {
					t.Fatal(err)
				}
				if err := rec.SetDocument(draft.Document()); err != nil {
					t.Fatal(err)
				}
			}
			rec.Tick(in)
		}
		play.Tried(g, nil)
		shown := rec.Game().Snapshot()
		for range 12 {
			from := rec.First() + rnd.IntN(rec.Last()-rec.First()+1)
			to := from + rnd.IntN(rec.Last()-from+1)
			var again, want []play.Trial
			for _, trial := range live {
				if trial.Tick > from && trial.Tick <= to {
					want = append(want, trial)
				}
			}
			if err := rec.Again(from, to, play.Watch{Tried: func(trial play.Trial, asked logic.Happening, d *world.Document) {
				again = append(again, trial)
				if r := d.Rule(trial.Rule); trial.Outcome == logic.NotSo && r.If.Holds(asked) {
					t.Errorf("seed %d: what must hold for %d did, and it did not go for that", seed, r.ID)
				}
			}}); err != nil {
				t.Fatal(err)
			}
			if !slices.Equal(again, want) {
				t.Fatalf("seed %d: from %d to %d again %v, as it was played %v", seed, from, to, again, want)
			}
			if !bytes.Equal(rec.Game().Snapshot(), shown) {
				t.Fatalf("seed %d: it is shown otherwise since it was played again", seed)
			}
		}
	}
}
