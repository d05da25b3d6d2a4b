package play_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/random"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/talk"
	"azzel/core/words"
	"azzel/core/world"
)

// idle are properties that change nothing in play, or nothing from above, each with its reason.
var idle = map[string]string{
	"emitter/reach":                 "what comes out of an emitter does not shoot",
	"emitter/shot":                  "the same",
	"spring/power/from above":       "the same",
	"spring/presence/from above":    "the same",
	"spring/while/from above":       "from above a spring does nothing, so that it does not matter whether it is there",
	"spring/while-fact/from above":  "the same",
	"spring/while-item/from above":  "the same",
	"spring/while-least/from above": "the same",
	"spring/while-not/from above":   "the same",
}

// Whatever can be set of a piece changes what happens, in each view: of random pieces of each kind, with a player who
// walks, jumps, strikes, shoots and waits beside them, there is one that goes otherwise from least to most.
func TestEachPropertyCounts(t *testing.T) {
	const places, item, fact, somebody = 600, 610, 620, 630
	refers := map[kind.Thing][2]kind.ID{kind.Track: {0, places}, kind.Area: {0, places + 1}, kind.Item: {0, item}, kind.Fact: {0, fact}, kind.Character: {0, somebody}}
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		hero := &world.Character{Name: "Gardener", Movement: world.Movement{Health: 9, Arms: world.Striking | world.Shooting}, Begins: []world.Stock{{Item: item, Count: 1}}}
		tall := &world.Character{Name: "Night porter", Movement: world.Movement{BodyW: 30, BodyH: 40, AboveW: 30, AboveH: 30}}
		d = apply(t, d, track(d, places, false, grid.Point{X: 12, Y: 9}, grid.Point{X: 9, Y: 7}), area(d, places+1, grid.Rect{X: 8, Y: 8, W: 3, H: 3}, func(*world.Area) {}),
			edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: item}, Values: (&world.Item{Name: "Fuse"}).Values()}, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: fact}, Values: (&world.Fact{Name: "Lit", Counts: true}).Values()},
			edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: somebody}, Values: tall.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: somebody + 1}, Values: hero.Values()},
			edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, somebody+1)})
		for _, k := range kind.All() {
			for _, h := range k.Props {
				if h.Seen || h.Sort == kind.Picture {
					continue // TestPicturesOfAPage, TestDecoration
				}
				if h.Prop == props.OnReturn || h.Prop == props.AfterHarm || h.Prop == props.OwnType {
					continue // TestBeginsAnew, TestPiecesOfTypes
				}
				name := k.Word + "/" + h.Word
				want := h.Only == kind.EitherView || (h.Only == kind.FromAbove) == (view == world.TopDown)
				// Whether what is there to be seen alone is there changes nothing in play.
				if k.Adorns() || idle[name] != "" || view == world.TopDown && idle[name+"/from above"] != "" {
					want = false
				}
				if got := counts(t, d, k, h, refers, map[bool]uint64{true: 200, false: 30}[want]); got != want {
					t.Errorf("%s of a %s changes something: %t", h.Word, k.Word, got)
				}
			}
		}
	})
}

// counts reports whether pieces of a kind go otherwise with the most of a property than with the least.
func counts(t *testing.T, d *world.Document, k *kind.Kind, h kind.Has, refers map[kind.Thing][2]kind.ID, seeds uint64) bool {
	t.Helper()
	for seed := range seeds {
		r := rand.New(rand.NewPCG(seed, 5))
		odds := make([]int, props.Odds.Size())
		odds[r.IntN(len(odds))] = 1
		base := random.Values(r, k).With(props.Every.Is(20), props.Bears.Is(1+r.IntN(3)), props.Does.Is(int(seed)%5), props.Odds.Is(odds...))
		for _, o := range k.Props {
			if o.Sort == kind.Reference && r.IntN(4) == 0 {
				base = base.With(o.Refer(refers[o.To][1]))
			}
		}
		if h.Prop == props.Amount {
			base = base.With(props.Item.Refer(refers[kind.Item][1]))
		}
		if h.Prop == props.SetsBy || h.Prop == props.WhileLeast || h.Prop == props.WhileNot {
			base = base.With(props.Sets.Refer(refers[kind.Fact][1]), props.WhileItem.Refer(refers[kind.Item][1]), props.WhileFact.Unset())
		}
		if h.Prop == props.UsesUp {
			had := logic.Needs(logic.ItemCount, refers[kind.Item][1], logic.AtLeast, 1)
			base = base.With(had.Set(props.Needs), props.Own.Unset())
		}
		few, much := h.Refer(refers[h.To][0]), h.Refer(refers[h.To][1])
		switch h.Sort {
		case kind.Reference:
		case kind.OwnState:
			base = base.With(props.Needs.Unset())
			few, much = h.Unset(), h.Is(k.States[r.IntN(len(k.States))].Number)
		case kind.Condition:
			lacking := logic.Needs(logic.ItemCount, refers[kind.Item][1], logic.AtLeast, 9)
			few, much = h.Unset(), lacking.Set(h.Prop)
		case kind.Sayings:
			few, much = h.Unset(), talk.List{{ID: 1, Text: words.Plain("To be heard.")}}.Set(h.Prop)
		case kind.Words:
			few, much = h.Unset(), words.Plain("To be read.").Set(h.Prop)
		default:
			few, much = h.Is(numbers(r, h, 0)...), h.Is(numbers(r, h, 1+int(seed)%2)...)
		}
		if !slices.Equal(trace(t, d, k, base.With(few), seed), trace(t, d, k, base.With(much), seed)) {
			return true
		}
	}
	return false
}

// numbers are the least of a property, the most, or random ones.
func numbers(r *rand.Rand, h kind.Has, how int) (list []int) {
	for i := range h.Size() {
		least, most := h.Ranges(i)
		least = max(least, h.Least)
		list = append(list, []int{least, most, least + r.IntN(min(most-least, 40)+1)}[how])
	}
	if h.Sort == kind.Weights && how == 0 {
		list[r.IntN(len(list))] = 1
	}
	return list
}

// trace is how the game stands after a player has waited, walked and jumped beside a piece.

func trace(t *testing.T, d *world.Document, k *kind.Kind, set kind.Values, seed uint64) (sum []uint64) {
	t.Helper()
	d = apply(t, d, put(d, 700, k.ID, 8, 9, k.Keeps(set)))
	if k.Worked && len(k.Moments) > 0 && k.ID != switches.Kind.ID {
		// The player walks over a switch that works it, and is under it by the time that it goes back.
		d = apply(t, d, put(d, 710, switches.Kind.ID, 6, 9, kind.Set(switches.For.Is(int(seed%5)*15))), edit.Put{Ref: edit.WireRef(711), Values: (&world.Wire{From: 710, To: 700, After: int(seed % 3)}).Values()})
	}
	for script := range 3 {
		g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: 5, Y: 9}, Chance: seed})
		if err != nil {
			t.Fatal(err)
		}
		for tick := range 240 {
			in := play.Input(0)
			switch {
			case script == 1:
				in = play.Right
			case script == 2 && tick%40 < 20:
				in = play.Right | play.Jump
			}
			if script > 0 && tick%30 == 0 {
				in |= play.Strike
			} else if tick%30 == 15 {
				in |= play.Shoot
			}
			g.Tick(in)
			sum = append(sum, g.Hash())
		}
	}
	return sum
}
