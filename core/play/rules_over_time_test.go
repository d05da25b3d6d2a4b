package play_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/words"
	"azzel/core/world"
)

// A rule that is made while it is played does not take for news where the player is, and nothing shuts on anybody: the action waits.
func TestRulesMeanwhile(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruled(t, view)
		w := corridor.Begin(t, d, 8, sluice)
		w.Wait(10)
		r := newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.AreaEntered.Number, Thing: bed}, logic.Moment{Is: logic.PlayBegins.Number}, logic.Moment{Is: logic.MapBegins.Number, Thing: d.Maps[0].ID}).do(up(labels, 1))
		if err := w.SetDocument(apply(t, d, r.part())); err != nil {
			t.Fatal(err)
		}
		w.Wait(10)
		if n := factOf(w, d, labels); n != 0 {
			t.Errorf("a rule that was made meanwhile went %d times", n)
		}
		w.To(t, 6)
		w.To(t, 9)
		if n := factOf(w, d, labels); n != 1 {
			t.Errorf("entered then, it went %d times", n)
		}
		shuts := newRule(1, kind.NoThing, 0, pressed(plate)).do(opens(sluice, "open"), wait(240), opens(sluice, "closed"), up(labels, 1))
		d = ruled(t, view, shuts)
		w = corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.To(t, 14)
		w.Wait(300)
		if w.State() != "open" || factOf(w, d, labels) != 0 {
			t.Errorf("with the player in it the door is %s, and the rule went on: %d", w.State(), factOf(w, d, labels))
		}
		w.To(t, 11)
		w.Wait(5)
		if w.State() != "closed" || factOf(w, d, labels) != 1 {
			t.Errorf("once the player is out of it the door is %s: %d", w.State(), factOf(w, d, labels))
		}
	})
}

// Rewound to any tick, also in the middle of rules and of what is asked, a game goes on as it did; and what a replay begins with says all of it.
func TestRulesRewound(t *testing.T) {
	for seed := range uint64(30) {
		rnd := rand.New(rand.NewPCG(seed, 14))
		view := world.View(seed % 2)
		r := newRule(1, kind.NoThing, 0, pressed(plate))
		cases := r.in(0, logic.Then, logic.Action{Does: logic.OneOf})
		for i := range 3 {
			c := r.in(cases, logic.Then, logic.Action{Does: logic.Case, Number: 1})
			r.in(c, logic.Then, up(labels, i+1))
			r.in(c, logic.Then, wait(rnd.IntN(40)))
			r.in(c, logic.Then, logic.Action{Does: logic.Say, Text: words.Plain("Drip."), Subject: logic.Noun{Is: logic.Player}})
		}
		ask := r.in(0, logic.Then, logic.Action{Does: logic.Question, Text: words.Plain("More?"), Subject: logic.Noun{Is: logic.Player}})
		for i := range 2 {
			c := r.in(ask, logic.Then, logic.Action{Does: logic.Choice, Text: words.Plain("So")})
			r.in(c, logic.Then, wait(30*i))
			r.in(c, logic.Then, opens(sluice, []string{"open", "closed"}[i]))
		}
		r.Busy = logic.Busy(rnd.IntN(3))
		d := ruled(t, view, r, newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.AreaStayed.Number, Thing: bed, Number: 20}).do(up(labels, 50)))
		g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: 4, Y: corridor.Row}, Chance: seed})
		if err != nil {
			t.Fatal(err)
		}
		rec := play.Record(g)
		var states [][]byte
		in := play.Right
		for range 600 {
			switch rnd.IntN(24) {
			case 0:
				in = []play.Input{play.Left, play.Right, play.Right, play.Down, play.Up}[rnd.IntN(5)]
			case 1:
				in ^= play.Use
			}
			rec.Tick(in)
			states = append(states, rec.Game().Snapshot())
		}
		for range 40 {
			tick := 1 + rnd.IntN(len(states))
			if err := rec.Go(tick); err != nil {
				t.Fatal(err)
			}
			if !bytes.Equal(rec.Game().Snapshot(), states[tick-1]) {
				t.Fatalf("seed %d: rewound to tick %d it is another game", seed, tick)
			}
		}
	}
}

// In random worlds with random rules play goes on whatever comes, is the same each time that it is played and from any state of it, and rules do all that there is to do.
func TestRandomRules(t *testing.T) {
	const ticks = 500
	worlds := uint64(700)
	if testing.Short() {
		worlds = 60
	}
	deeds, moments := map[logic.Deed]int{}, map[int]int{}
	for seed := range worlds {
		d, err := generate.Ruled(seed)
		if err != nil {
			t.Fatal(err)
		}
		inputs := generate.Inputs(seed, ticks)
		run := func(watched bool) []byte {
			g, err := play.New(d, play.Start{Chance: seed})
			if err != nil {
				t.Fatal(err)
			}
			if watched {
				play.Told(g, func(rule, part world.ID) {
					if is := d.Rule(rule).Part(part); is != nil {
						deeds[is.Does]++
						return
					}
					for _, m := range d.Rule(rule).Moments() {
						moments[m.Begins.Is]++
					}
				})
			}
			rec := play.Record(g)
			for tick, in := range inputs {
				if rec.Tick(in); g.Jam() == 0 && !g.Status().Finished && !g.Fits() {
					t.Fatalf("world %d, tick %d: the player is in what is solid", seed, tick)
				}
			}
			last := g.Snapshot()
			// Back to somewhere in the middle, and on from there.
			if now := rec.Now(); now > 300 {
				if err := rec.Go(now - 217); err != nil {
					t.Fatal(err)
				}
				if err := rec.Go(now); err != nil {
					t.Fatal(err)
				}
				if !bytes.Equal(rec.Game().Snapshot(), last) {
					t.Fatalf("world %d: rewound and back it is another game", seed)
				}
			}
			return last
		}
		if !bytes.Equal(run(true), run(false)) {
			t.Fatalf("world %d: played twice, it is another game", seed)
		}
	}
	if testing.Short() {
		return
	}
	for deed := logic.SetFact; int(deed) < logic.Deeds(); deed++ {
		if deeds[deed] < 60 && deed != logic.Choice && deed != logic.Case {
			t.Errorf("deed %d was done %d times", deed, deeds[deed])
		}
	}
	for _, m := range logic.Occasions() {
		if moments[m.Number] < 20 {
			t.Errorf("the moment %s let rules begin %d times", m.Word, moments[m.Number])
		}
	}
}

// Over two maps: once a visit is once for each time that the player comes to a map, what belongs to a map rests while the player is on another one unless it goes on elsewhere, and nothing
// counts down while the player reads. What is switched off is passed over.
func TestRulesOverMaps(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		const there = world.ID(790)
		house, layers := world.NewMap("Boiler room", grid.Point{X: 300}, grid.Rect{W: 9, H: 5}, &world.Counter{Prefix: 8})
		house.SeenAs(view)
		bounds := grid.BoxRegion(grid.Rect{X: house.Bounds.X, Y: house.Bounds.Y + 4, W: 9, H: 1})
		beyond := &world.Piece{Type: world.Mark, Layer: house.PlayerLayer, Foot: grid.Point{X: 4*16 + 8, Y: 3*16 + 15}}
		away := []edit.Part{edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: bounds, Cells: grid.Runs{{N: bounds.Len(), Cell: grid.Cell(tiles.Wall)}}},
			edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: house.ID, ID: there}, Values: beyond.Values()}}
		first := ruled(t, view).Maps[0].ID
		goes := newRule(1, kind.Piece, plate, logic.Moment{Is: props.Pressed.Number}).do(logic.Action{Does: logic.TakeTo, Thing: there})
		goes.Elsewhere = true
		goes.do(wait(120), logic.Action{Does: logic.TakeTo, Thing: spot})
		rests := newRule(2, kind.Map, first, pressed(plate)).do(wait(30), up(labels, 1))
		visits := newRule(3, kind.NoThing, 0, pressed(plate)).do(up(labels, 100))
		visits.Repeats = logic.OnceAVisit
		off := newRule(4, kind.NoThing, 0, pressed(plate))
		off.put(logic.Part{Off: true, Action: up(labels, 5000)})
		in := off.put(logic.Part{Off: true, Action: logic.Action{Does: logic.Again, Number: 3}})
		off.in(in, logic.Then, up(labels, 7000))
		d := apply(t, ruled(t, view, goes, rests, visits, off), append(edit.PutMap(house, layers), away...)...)
		w := corridor.Begin(t, d, 3, sluice)
		w.To(t, 4)
		for n := 0; n < 60 && w.Status().Map == first; n++ {
			w.Tick(play.Right)
		}
		w.Wait(90)
		if w.Status().Map != house.ID || factOf(w, d, labels) != 100 {
			t.Fatalf("taken to the other map: %t, and the number is %d", w.Status().Map == house.ID, factOf(w, d, labels))
		}
		w.Wait(45)
		if w.Status().Map != first || w.Column() != 12 {
			t.Fatalf("back: %t, in column %d", w.Status().Map == first, w.Column())
		}
		if w.Wait(40); factOf(w, d, labels) != 101 {
			t.Errorf("back on its map the rule went on: %d", factOf(w, d, labels))
		}
		w.To(t, 6)
		for n := 0; n < 60 && w.Status().Map == first; n++ {
			w.Tick(play.Left)
		}
		if w.Wait(5); factOf(w, d, labels) != 201 {
			t.Errorf("on another visit it went again: %d", factOf(w, d, labels))
		}

		// Ticks in which the player reads do not count, to the tick.
		waits := newRule(1, kind.NoThing, 0, pressed(plate)).do(wait(30), up(labels, 1))
		reads := newRule(2, kind.NoThing, 0, pressed(plate)).do(wait(10), logic.Action{Does: logic.Say, Text: words.Plain("Drip."), Subject: logic.Noun{Is: logic.Player}})
		took := func(rules ...*ruling) (ticks, read int) {
			d := ruled(t, view, rules...)
			w := corridor.Begin(t, d, 3, sluice)
			in := play.Right
			for n := range 400 {
				if factOf(w, d, labels) == 1 {
					break
				}
				if corridor.StateOf(w.Game, plate) == "pressed" {
					in = 0
				}
				if w.Reads() {
					read++
					// Read to the end after a while.
					if in = 0; read%50 == 49 {
						in = play.Use
					}
				} else if in != play.Right {
					ticks++
				}
				if w.Tick(in); n == 399 {
					t.Fatal("the rule does not go on")
				}
			}
			return ticks, read
		}
		alone, _ := took(waits)
		if beside, read := took(waits, reads); beside != alone || read < 40 {
			t.Errorf("it takes %d ticks, and %d beside what is read for %d", alone, beside, read)
		}
	})
}
