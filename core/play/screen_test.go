package play_test

import (
	"bytes"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/words"
	"azzel/core/world"
)

// A rule waits until a moment comes, of what it names and of nothing else, and goes on in the tick in which that comes: after one that came too early it waits on.
func TestUntil(t *testing.T) {
	entered := logic.Moment{Is: logic.AreaEntered.Number, Thing: bed}
	opened := func(of logic.Noun) logic.Moment { return logic.Moment{Is: props.Opened.Number, Of: of} }
	door := logic.Noun{Is: logic.Piece, Thing: sluice}
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		for name, of := range map[string]struct {
			until logic.Moment
			home  kind.Thing
			comes int
		}{
			"an area": {entered, kind.NoThing, 8}, "another area": {logic.Moment{Is: logic.AreaEntered.Number, Thing: 1}, kind.NoThing, 0},
			"a door": {opened(door), kind.NoThing, 9}, "any door": {opened(logic.Noun{Is: logic.AnyOfType, Type: kind.Named("door").ID}), kind.NoThing, 9},
			"another piece": {opened(logic.Noun{Is: logic.Piece, Thing: plate}), kind.NoThing, 0},
			"this":          {opened(logic.Noun{Is: logic.This}), kind.Piece, 9}, "it": {opened(logic.Noun{Is: logic.It}), kind.NoThing, 0},
			"a fact": {logic.Moment{Is: logic.FactReached.Number, Thing: labels, Number: 11}, kind.NoThing, 0}, "steps": {logic.Moment{Is: logic.StepsPassed.Number, Number: 1}, kind.NoThing, 5},
		} {
			home := world.ID(0)
			if of.home == kind.Piece {
				home = sluice
			}
			r := newRule(1, of.home, home, pressed(plate)).do(up(labels, 10))
			r.put(logic.Part{Action: logic.Action{Does: logic.Until}, Begins: of.until})
			r.do(up(labels, 1), wait(5), up(labels, 1))
			r.Repeats = logic.OnceEver
			left := newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.StepsPassed.Number, Number: 6}).do(opens(sluice, "open"))
			left.Repeats = logic.OnceEver
			d := ruled(t, view, r, left)
			rec := play.Record(corridor.Begin(t, d, 3, sluice).Game)
			w := func() corridor.Walk { return corridor.Walk{Game: rec.Game()} }
			l, came := d.Project.Lattice(), 0
			var states [][]byte
			for range 240 {
				states = append(states, rec.Game().Snapshot())
				rec.Tick(play.Right)
				if came == 0 && factOf(w(), d, labels) == 11 {
					came = rec.Game().Status().Place.Cell(l).X
				}
			}
			if came != of.comes || of.comes > 0 && factOf(w(), d, labels) != 12 {
				t.Errorf("until %s: it goes on in column %d, not %d, and the number is %d", name, came, of.comes, factOf(w(), d, labels))
			}
			for _, tick := range []int{120, 60, 30} {
				if err := rec.Go(tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), states[tick]) {
					t.Errorf("until %s: gone back to, tick %d is another: %v", name, tick, err)
				}
			}
		}
		// What it waits for is taken out meanwhile: it goes on with what comes after.
		r := newRule(1, kind.NoThing, 0, pressed(plate))
		until := r.put(logic.Part{Action: logic.Action{Does: logic.Until}, Begins: logic.Moment{Is: logic.AreaEntered.Number, Thing: 1}})
		d := ruled(t, view, r.do(up(labels, 1)))
		w := corridor.Begin(t, d, 3, sluice)
		w.To(t, 6)
		w.Wait(5)
		d = apply(t, d, edit.PartGone(r.id, until))
		if err := w.SetDocument(d); err != nil || factOf(w, d, labels) != 0 {
			t.Error("it did not wait")
		}
		if w.Wait(2); factOf(w, d, labels) != 1 {
			t.Error("it waits for what is gone")
		}
	})
}

// What is done together begins at once, and what comes after it is done once all of it has ended; what stops the rule stops all of it.
func TestTogether(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		both := func(more ...logic.Action) *ruling {
			r := newRule(1, kind.NoThing, 0, pressed(plate))
			r.Repeats = logic.OnceEver
			in := r.put(logic.Part{Action: logic.Action{Does: logic.Together}})
			for _, n := range []int{10, 20, 30} {
				again := r.in(in, logic.Then, logic.Action{Does: logic.Again, Number: 2})
				r.in(again, logic.Then, wait(n))
				r.in(again, logic.Then, up(labels, 1))
			}
			for _, a := range more {
				r.in(in, logic.Then, a)
			}
			return r.do(up(labels, 100))
		}
		for name, of := range map[string]struct {
			rule *ruling
			at   map[int]int
		}{
			"all of it":   {both(), map[int]int{9: 0, 15: 1, 25: 3, 35: 4, 45: 5, 57: 5, 65: 106}},
			"with a stop": {both(logic.Action{Does: logic.Stop}), map[int]int{15: 0, 100: 0}},
			"said":        {both(logic.Action{Does: logic.Say, Text: words.Plain("Mist.")}), map[int]int{20: 0, 60: 0}},
			"nothing":     {newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.Together}, up(labels, 7)), map[int]int{1: 7}},
		} {
			d := ruled(t, view, of.rule)
			rec := play.Record(corridor.Begin(t, d, 3, sluice).Game)
			for range 60 {
				if rec.Tick(play.Right); corridor.StateOf(rec.Game(), plate) == "pressed" {
					break
				}
			}
			began := rec.Game().Status().Ticks
			var states [][]byte
			for tick := 1; tick <= 110; tick++ {
				rec.Tick(0)
				states = append(states, rec.Game().Snapshot())
				n := factOf(corridor.Walk{Game: rec.Game()}, d, labels)
				if want, is := of.at[tick]; is && n != want {
					t.Errorf("%s: after %d ticks the number is %d, not %d", name, tick, n, want)
				}
			}
			for _, tick := range []int{50, 22, 5} {
				if err := rec.Go(began + tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), states[tick-1]) {
					t.Errorf("%s: gone back to, tick %d is another: %v", name, tick, err)
				}
				if g, err := play.Reread(rec.Game()); err != nil || !bytes.HasPrefix(rec.Game().Snapshot(), g) {
					t.Errorf("%s: tick %d does not come back: %v", name, tick, err)
				}
			}
		}
	})
}

// The screen goes dark in the time that a rule says, and is seen again; what comes after that is done then.
func TestFades(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruled(t, view, newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.FadeOut, Number: 40}, up(labels, 1), wait(20), logic.Action{Does: logic.FadeIn, Number: 10}, up(labels, 1)))
		w := corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(1)
		seen := func(ticks, least, most, number int) {
			t.Helper()
			if w.Wait(ticks); w.Dark() < least || w.Dark() > most || factOf(w, d, labels) != number {
				t.Errorf("the screen is dark by %d of a hundred, and the number %d", w.Dark(), factOf(w, d, labels))
			}
		}
		seen(20, 40, 60, 0)
		seen(25, 100, 100, 1)
		seen(20, 10, 90, 1)
		seen(10, 0, 0, 2)
	})
}

// The player becomes another character, who moves as that says and is as large, and whose pictures are seen, on every map and after the document changed.
func TestBecomes(t *testing.T) {
	const slow = world.ID(730)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruled(t, view, newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.Become, Thing: slow}))
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: slow}, Values: (&world.Character{Name: "Ottilie", Movement: world.Movement{Speed: 20, Health: 7}}).Values()})
		w := corridor.Begin(t, d, 3, sluice)
		walked := func() int {
			from := w.Status().Place.X
			w.Hold(play.Right, 20, nil)
			return w.Status().Place.X - from
		}
		before := walked()
		w.To(t, 5)
		w.Wait(2)
		if who := w.Who(); who == nil || who.ID != slow || w.Status().Most != 7 {
			t.Fatalf("the player is %v, with %d of health", who, w.Status().Most)
		}
		if after := walked(); after >= before || after == 0 {
			t.Errorf("in 20 ticks they go %d, and went %d before", after, before)
		}
		next := *d.Character(slow)
		next.Movement.Health = 9
		d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortCharacter, ID: slow}, d.Character(slow).Values(), next.Values())...)
		if err := w.SetDocument(d); err != nil || w.Status().Most != 9 {
			t.Errorf("changed, they have %d of health", w.Status().Most)
		}
		d = apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortCharacter, ID: slow}})
		if err := w.SetDocument(d); err != nil || w.Who() != nil {
			t.Error("they are still who is gone")
		}
	})
}

// An emitter lets one out each time that a rule says so, as many at once as it says, also where it is off; anything else lets nothing out.
func TestLetsOut(t *testing.T) {
	const pipe = world.ID(740)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		out := logic.Action{Does: logic.LetOut, Subject: logic.Noun{Is: logic.Piece, Thing: pipe}}
		nothing := logic.Action{Does: logic.LetOut, Subject: logic.Noun{Is: logic.Piece, Thing: sluice}}
		d := ruledWith(t, view, []corridor.Piece{{ID: pipe, Column: 11, Type: world.Emitter, Set: kind.Set(props.Power.Is(kind.Off), props.Most.Is(2), world.Odds{world.OddsCollectible: 1}.Prop())}},
			newRule(1, kind.NoThing, 0, pressed(plate)).do(nothing, out, wait(10), out, wait(10), out))
		w := corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(5)
		for i, want := range []int{1, 2, 2} {
			n := 0
			w.Things(func(t play.Thing, _ int, _ body.Size) {
				if t.From == pipe && !t.Gone {
					n++
				}
			})
			if n != want {
				t.Errorf("after %d times there are %d", i+1, n)
			}
			w.Wait(10)
		}
	})
}

// A crate is put where something is, beside it where that is solid, and not while the player stands there; what can't be moved stays.
func TestIsPutAt(t *testing.T) {
	const crate = world.ID(750)
	put := func(what, where world.ID) logic.Action {
		return logic.Action{Does: logic.PutAt, Subject: logic.Noun{Is: logic.Piece, Thing: what}, Towards: logic.Noun{Is: logic.Piece, Thing: where}}
	}
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruledWith(t, view, []corridor.Piece{{ID: crate, Column: 17, Type: world.Pushable}},
			newRule(1, kind.NoThing, 0, pressed(plate)).do(put(sluice, spot), put(crate, spot), up(labels, 1), wait(20), put(crate, sluice), up(labels, 1), wait(20), put(crate, plate), up(labels, 1)))
		rec := play.Record(corridor.Begin(t, d, 3, sluice).Game)
		w := func() corridor.Walk { return corridor.Walk{Game: rec.Game()} }
		columnOf := func(id world.ID) int { return play.PlaceOf(rec.Game(), id).Cell(d.Project.Lattice()).X }
		for range 60 {
			if rec.Tick(play.Right); corridor.StateOf(rec.Game(), plate) == "pressed" {
				break
			}
		}
		wait := func(ticks int, in play.Input) {
			for range ticks {
				rec.Tick(in)
			}
		}
		if wait(2, 0); columnOf(crate) != 12 || columnOf(sluice) != 14 || factOf(w(), d, labels) != 1 {
			t.Errorf("the crate is in column %d, the door in %d", columnOf(crate), columnOf(sluice))
		}
		before := rec.Game().Snapshot()
		tick := rec.Game().Status().Ticks
		if wait(22, 0); columnOf(crate) != 13 && columnOf(crate) != 15 || factOf(w(), d, labels) != 2 {
			t.Errorf("beside the door, the crate is in column %d", columnOf(crate))
		}
		if wait(40, 0); factOf(w(), d, labels) != 2 {
			t.Errorf("the crate was put onto the player, in column %d", columnOf(crate))
		}
		if wait(60, play.Right); columnOf(crate) != 5 || factOf(w(), d, labels) != 3 {
			t.Errorf("once the player is gone, the crate is in column %d", columnOf(crate))
		}
		if err := rec.Go(tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), before) || columnOf(crate) != 12 {
			t.Errorf("gone back to, the crate is in column %d: %v", columnOf(crate), err)
		}
	})
}

// A layer that a rule lets vanish is neither seen nor solid, one that it hides is solid and not seen, also once the document changed, on a map that one
// comes back to, and when one goes back in time; where it becomes solid the player is set down beside it.
func TestLayers(t *testing.T) {
	const hedge = world.ID(760)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		layerIs := func(is int) logic.Action { return logic.Action{Does: logic.SetLayer, Thing: hedge, Is: is} }
		begins := newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.PlayBegins.Number}).do(layerIs(kind.Hidden))
		goes := newRule(1, kind.NoThing, 0, pressed(plate)).do(layerIs(kind.Absent), wait(90), layerIs(kind.There))
		d := ruled(t, view, begins, goes)
		m := d.Maps[0]
		cells := grid.BoxRegion(grid.Rect{X: 7, Y: corridor.Row, W: 2, H: 1})
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: hedge}, Values: (&world.Layer{Name: "Hedge", Counts: true, Order: 7}).Values()},
			edit.Paint{Map: m.ID, Layer: hedge, Region: cells, Cells: grid.Runs{{N: 2, Cell: grid.Cell(tiles.Wall)}}})
		rec := play.Record(corridor.Begin(t, d, 3, sluice).Game)
		column := func() int { return rec.Game().Status().Place.Cell(d.Project.Lattice()).X }
		var states [][]byte
		furthest, unseen := map[bool]int{}, 0
		for tick := range 240 {
			states = append(states, rec.Game().Snapshot())
			// It stands before the hedge, goes into it once that is gone, and waits there until it is back.
			in := play.Right
			if column() >= 8 {
				in = 0
			}
			rec.Tick(in)
			if rec.Game().LayerUnseen(hedge) {
				unseen++
			}
			pressed := corridor.StateOf(rec.Game(), plate) == "pressed" || furthest[true] > 0
			furthest[pressed] = max(furthest[pressed], column())
			if tick == 60 {
				if err := rec.SetDocument(apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortFact, ID: lamps}, Value: world.TextValue(world.FieldName, "Lamps")})); err != nil {
					t.Fatal(err)
				}
			}
		}
		if furthest[false] > 5 || furthest[true] != 8 && furthest[true] != 9 || column() == 7 || column() == 8 || unseen < 90 || unseen > 140 {
			t.Errorf("before it vanishes one comes to column %d, then to column %d, and ends in column %d; it is not seen in %d ticks", furthest[false], furthest[true], column(), unseen)
		}
		for _, tick := range []int{200, 100, 40, 2} {
			if err := rec.Go(tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), states[tick]) {
				t.Errorf("gone back to, tick %d is another: %v", tick, err)
			}
		}
	})
}

// The forces of an area are switched off by a rule, and on again.
func TestForcesOff(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		forces := func(is int) logic.Action { return logic.Action{Does: logic.SetForces, Thing: bed, Is: is} }
		d := ruled(t, view, newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.AreaEntered.Number, Thing: bed}).do(forces(kind.Off), wait(30), forces(kind.On)))
		windy := *d.Area(bed)
		windy.WindX = -20
		d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortArea, ID: bed}, d.Area(bed).Values(), windy.Values())...)
		w := corridor.Begin(t, d, 7, sluice)
		w.To(t, 8)
		w.Wait(8)
		at := w.Status().Place.X
		if w.Wait(12); w.Status().Place.X != at {
			t.Errorf("with the forces off the wind carries the player by %d", w.Status().Place.X-at)
		}
		if w.Wait(30); w.Status().Place.X >= at {
			t.Error("with the forces on again no wind carries the player")
		}
	})
}
