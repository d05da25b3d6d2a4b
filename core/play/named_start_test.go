package play_test

import (
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// A game that begins as another one stands has the place, the items, the facts and the states of that, and nothing has happened in it. What
// a start names that is gone counts for nothing.
func TestNamedStart(t *testing.T) {
	states, facts, items := 0, 0, 0
	for seed := range uint64(150) {
		d, g := begun(t, seed)
		for _, in := range generate.Inputs(seed, 300) {
			g.Tick(in)
		}
		s := g.AsIf()
		s.Name = "Boiler lit"
		if g.Status().Finished {
			continue
		}
		d = apply(t, d, edit.Put{Ref: world.StartRef(77 << 32), Values: s.Values()})
		again, err := play.New(d, play.Start{As: 77 << 32})
		if err != nil {
			t.Fatal(err)
		}
		if is, was := again.Status(), g.Status(); is.Map != was.Map || !slices.Equal(again.Items(), g.Items()) {
			t.Fatalf("seed %d: it begins on map %d with %v, not on %d with %v", seed, is.Map, again.Items(), was.Map, g.Items())
		}
		for _, f := range d.Facts {
			is, _ := again.Known(f)
			if was, _ := g.Known(f); is.Value != was.Value {
				t.Fatalf("seed %d: %s is %d, not %d", seed, f.Name, is.Value, was.Value)
			}
		}
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				if len(d.WiresOf(p.ID)) > 0 || p.Kind().Starts {
					continue // wires keep it as their beginnings are, and where the player comes back to is the start
				}
				is, _ := again.Asked(0).State(p.ID)
				if was, _ := g.Asked(0).State(p.ID); is != was {
					t.Fatalf("seed %d: a %s is in state %d, not %d", seed, p.Kind().Word, is, was)
				}
			}
		}
		states, facts, items = states+len(s.States), facts+len(s.Facts), items+len(s.Items)
		again.Tick(0)

		gone := world.NamedStart{Name: "Gone", Map: 99, Items: []world.Stock{{Item: 98, Count: 1}}, Facts: []world.FactIs{{Fact: 97, Value: 3}}, States: []world.StateIs{{Piece: 96, State: 8}}}
		d = apply(t, d, edit.Put{Ref: world.StartRef(78 << 32), Values: gone.Values()})
		plain, err := play.New(d, play.Start{As: 78 << 32})
		if err != nil {
			t.Fatal(err)
		}
		if is := plain.AsIf(); len(is.Items)+len(is.Facts) > 0 || d.Map(is.Map) == nil {
			t.Fatalf("seed %d: what is gone counts: %+v", seed, is)
		}
	}
	if states < 100 || facts < 20 || items < 20 {
		t.Errorf("only %d states, %d facts and %d items were so", states, facts, items)
	}
}
