package play_test

import (
	"bytes"
	"fmt"
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

// What the player has is opened by a key, chosen by others, and used where a rule says so: nothing moves meanwhile, and a rewound play goes on in the
// same box.
func TestUsingItems(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		const oil, lantern = world.ID(810), world.ID(811)
		get := func(item world.ID, n int) logic.Action {
			return logic.Action{Does: logic.Get, Thing: item, Value: number(n)}
		}
		uses := newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.ItemUsed.Number, Thing: fuse}).do(
			logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(1)}, logic.Action{Does: logic.Lose, Thing: fuse, Value: number(1)})
		uses.If = logic.Condition{Ask: logic.Within, Subject: logic.Noun{Is: logic.Whoever}, Thing: bed}
		fills := newRule(3, kind.NoThing, 0, logic.Moment{Is: logic.ItemUsed.Number, Thing: oil}).do(up(labels, 1))
		d := ruled(t, view, newRule(1, kind.NoThing, 0, pressed(plate)).do(get(fuse, 2), get(oil, 1), get(lantern, 1)), uses, fills)
		for id, name := range map[world.ID]string{oil: "Oil", lantern: "Lantern"} {
			d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: id}, Values: (&world.Item{Name: name}).Values()})
		}
		w := corridor.Begin(t, d, 3, sluice)
		// tap holds keys for a tick each, nothing between them, and says what was told.
		tap := func(keys ...play.Input) (told []string) {
			for _, in := range keys {
				for _, in := range []play.Input{in, 0} {
					w.Tick(in)
					for _, e := range w.Events() {
						told = append(told, fmt.Sprint(e.Moment.Word, " ", e.Item))
					}
				}
			}
			return told
		}
		shows := func() []string { p, _, _ := w.Page(); return p.Choices }
		if told := tap(play.Items); w.Reads() || !slices.Equal(told, []string{"has-nothing 0"}) {
			t.Errorf("without anything a box is open, or it is told: %q", told)
		}
		w.To(t, 7)
		tap(play.Items)
		if want := []string{"2 × Fuse"}; !slices.Contains(shows(), want[0]) || len(shows()) != 3 {
			t.Fatalf("the box shows %q", shows())
		}
		at, before := w.Status().Place, w.Status().Steps
		tap(play.Right, play.Right|play.Strike)
		if s := w.Status(); s.Place != at || s.Steps != before {
			t.Error("the player moves while the box is open")
		}
		tap(play.Items)
		if w.Reads() {
			t.Error("the key does not shut what it opened")
		}
		// use goes to an item in the box that is opened, by one way or the other, and uses it.
		use := func(name string, by play.Input) []string {
			tap(play.Items)
			for range 4 {
				p, _, _ := w.Page()
				if p.Choices[p.Chosen] == name {
					break
				}
				tap(by)
			}
			return tap(play.Use)
		}
		if told := use("2 × Fuse", play.Down); factOf(w, d, lamps) != 0 || !slices.Contains(told, fmt.Sprint("useless ", fuse)) {
			t.Errorf("elsewhere the fuse lights the lamps, or it is told: %q", told)
		}
		if told := use("Lantern", play.Up); !slices.Contains(told, fmt.Sprint("useless ", lantern)) {
			t.Errorf("of what no rule answers to it is told: %q", told)
		}
		if told := use("Oil", play.Up); factOf(w, d, labels) != 1 || !slices.Contains(told, fmt.Sprint("item-used ", oil)) || w.Has(d.Item(oil)) != 1 {
			t.Errorf("the oil is not used, or it is told: %q", told)
		}
		w.To(t, 8)
		tap(play.Items)
		rec, from := play.Record(w.Game), w.Status().Ticks
		var states [][]byte
		for range 2 {
			for p, _, _ := rec.Game().Page(); p.Choices[p.Chosen] != "2 × Fuse"; p, _, _ = rec.Game().Page() {
				rec.Tick(play.Down)
				rec.Tick(0)
			}
			rec.Tick(play.Jump)
			w.Game = rec.Game()
			if states = append(states, w.Snapshot()); factOf(w, d, lamps) != 1 || w.Has(d.Item(fuse)) != 1 || w.Reads() {
				t.Error("in the bed the fuse does nothing")
			}
			if err := rec.Go(from); err != nil || !rec.Game().Reads() || rec.Game().Has(d.Item(fuse)) != 2 {
				t.Errorf("gone back to, the box is not open as it was: %v", err)
			}
		}
		if !bytes.Equal(states[0], states[1]) {
			t.Error("a play that was rewound to the open box goes on otherwise")
		}
	})
}
