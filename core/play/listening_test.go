package play_test

import (
	"testing"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// The worlds in which play is held to be the same everywhere (tests/trace) reach every moment, condition and action of rules at least a hundred times.
func TestListeningReachesAll(t *testing.T) {
	worlds, least := uint64(1000), 100
	if testing.Short() {
		worlds, least = 80, 1
	}
	deeds, moments, asks := map[logic.Deed]int{}, map[int]int{}, map[logic.Ask]int{}
	for seed := uint64(0); seed < worlds; seed += 2 {
		d, err := generate.Listening(seed)
		if err != nil {
			t.Fatal(err)
		}
		g, err := play.New(d, play.Start{})
		if err != nil {
			t.Fatal(err)
		}
		play.Told(g, func(rule, part world.ID) {
			if is := d.Rule(rule).Part(part); is != nil {
				deeds[is.Does]++
				for c := range is.If.Each() {
					asks[c.Ask]++
				}
			}
		})
		play.Tried(g, func(tr logic.Trial) {
			r := d.Rule(tr.Rule)
			if p := r.Part(tr.By); p != nil {
				moments[p.Begins.Is]++
			} else if r.Begins == logic.When {
				moments[logic.AskedFor.Number]++
			}
			for c := range r.If.Each() {
				asks[c.Ask]++
			}
		})
		for _, in := range generate.Inputs(seed, 600) {
			g.Tick(in)
		}
	}
	for deed := logic.SetFact; int(deed) < logic.Deeds(); deed++ {
		// An answer is chosen, and a case done, as part of what they stand in.
		if deeds[deed] < least && deed != logic.Choice && deed != logic.Case {
			t.Errorf("%s was done %d times", logic.DeedWords()[deed], deeds[deed])
		}
	}
	for _, m := range logic.Occasions() {
		if moments[m.Number] < least {
			t.Errorf("the moment %s came %d times to a rule", m.Word, moments[m.Number])
		}
	}
	for _, k := range kind.All() {
		for _, m := range k.Moments {
			// Where the player goes out by an exit the game is over, and no rule goes any more.
			if moments[m.Number] < least && m != props.LetOut {
				t.Errorf("the moment %s came %d times to a rule", m.Word, moments[m.Number])
			}
		}
	}
	for i, word := range logic.AskWords() {
		if asks[logic.Ask(i)] < least {
			t.Errorf("%s was asked %d times", word, asks[logic.Ask(i)])
		}
	}
}
