package play_test

import (
	"bytes"
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

const emil = world.ID(710)

func walksTo(who, to logic.Noun) logic.Action {
	return logic.Action{Does: logic.WalkTo, Subject: who, Towards: to}
}

var (
	player  = logic.Noun{Is: logic.Player}
	theSpot = logic.Noun{Is: logic.Piece, Thing: spot}
	isEmil  = logic.Noun{Is: logic.Piece, Thing: emil}
)

// scened is a corridor in which Emil stands in column 8 while a rule of the plate goes.
func scened(t *testing.T, view world.View, actions ...logic.Action) *world.Document {
	t.Helper()
	return ruledWith(t, view, []corridor.Piece{{ID: emil, Column: 8, Type: kind.Named("person").ID}}, newRule(1, kind.NoThing, 0, pressed(plate)).do(actions...))
}

// Somebody walks to a mark, looks at the player, comes to them and stops beside them; what stands after that is done then, and not before. In between they are in nobody's way, and
// afterwards they are again. Gone back to, each tick is as it was; a state that is read goes on as the one that was written.
func TestWalksTo(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := scened(t, view, walksTo(isEmil, theSpot), up(labels, 1), logic.Action{Does: logic.LookAt, Subject: isEmil, Towards: player}, wait(30), walksTo(isEmil, player), up(labels, 1))
		walk := corridor.Begin(t, d, 3, emil)
		rec := play.Record(walk.Game)
		l := d.Project.Lattice()
		column := func() int { return play.PlaceOf(rec.Game(), emil).Cell(l).X }
		var states [][]byte
		there, back := 0, 0
		for tick := range 900 {
			states = append(states, rec.Game().Snapshot())
			in := play.Input(0)
			if rec.Game().Status().Place.Cell(l).X < 5 && there == 0 {
				in = play.Right
			}
			rec.Tick(in)
			switch n, _ := rec.Game().Known(d.Fact(labels)); {
			case n.Value == 1 && there == 0:
				if there = tick; column() != 12 {
					t.Fatalf("Emil counts as there in column %d", column())
				}
				if g, err := play.Reread(rec.Game()); err != nil || !bytes.Equal(append(g, rec.Game().Snapshot()[len(g):]...), rec.Game().Snapshot()) {
					t.Errorf("the state on the way does not come back: %v", err)
				}
			case n.Value == 2 && back == 0:
				if back = tick; column() != 6 {
					t.Errorf("Emil stops in column %d, the player is in column %d", column(), rec.Game().Status().Place.Cell(l).X)
				}
			}
		}
		if there == 0 || back == 0 {
			t.Fatalf("Emil is at the mark in tick %d and with the player in tick %d, in column %d", there, back, column())
		}
		for _, tick := range []int{there - 40, there + 10, there + 70, back + 20, 20} {
			if err := rec.Go(tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), states[tick]) {
				t.Errorf("gone back to, tick %d is another: %v", tick, err)
			}
		}
		if view == world.TopDown {
			// Emil is in the way again.
			if err := rec.Go(rec.Last()); err != nil {
				t.Fatal(err)
			}
			for range 200 {
				rec.Game().Tick(play.Right)
			}
			if at := rec.Game().Status().Place.Cell(l).X; at > 6 {
				t.Errorf("the player walks through Emil to column %d", at)
			}
		}
	})
}

// The player walks to a mark by themselves, whatever is held down. Where there is no way, or what is walked to is gone, the rule goes on.
func TestPlayerWalksTo(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruled(t, view, newRule(1, kind.NoThing, 0, pressed(plate)).do(walksTo(player, theSpot), up(labels, 1)))
		w := corridor.Begin(t, d, 3, plate)
		w.To(t, 5)
		for range 300 {
			if w.Tick(play.Left); factOf(w, d, labels) == 1 {
				break
			}
		}
		if w.Column() != 12 {
			t.Errorf("the player is in column %d once the rule goes on", w.Column())
		}
		for name, to := range map[string]logic.Noun{"behind a door": {Is: logic.Piece, Thing: 720}, "gone": {Is: logic.Piece, Thing: 999}, "the same": player} {
			d := ruledWith(t, view, []corridor.Piece{{ID: 720, Column: 17, Type: world.Mark}}, newRule(1, kind.NoThing, 0, pressed(plate)).do(walksTo(player, to), up(labels, 1)))
			w := corridor.Begin(t, d, 3, plate)
			w.To(t, 5)
			if w.Wait(1500); factOf(w, d, labels) != 1 {
				t.Errorf("with what is %s, the rule went on %d times", name, factOf(w, d, labels))
			}
		}
		// A rule that is taken away lets the player go.
		w = corridor.Begin(t, d, 3, plate)
		w.To(t, 5)
		w.Wait(5)
		if err := w.SetDocument(apply(t, d, edit.Remove{Ref: world.RuleRef(1)})); err != nil {
			t.Fatal(err)
		}
		if w.Hold(play.Left, 60, nil); w.Column() >= 5 {
			t.Errorf("without the rule the player is in column %d", w.Column())
		}
	})
}

// The camera goes to what a rule says in as many ticks as it says, stays there while the player moves, and comes back; it shakes for so long.
func TestCameraGoes(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruledWith(t, view, []corridor.Piece{{ID: 720, Column: 17, Type: world.Mark}}, newRule(1, kind.NoThing, 0, pressed(plate)).do(
			logic.Action{Does: logic.CameraTo, Towards: logic.Noun{Is: logic.Piece, Thing: 720}, Number: 60}, up(labels, 1), wait(30),
			logic.Action{Does: logic.Shake, Number: 20}, logic.Action{Does: logic.CameraBack, Number: 30}, up(labels, 1)))
		next := d.Project
		next.SeenW = 8
		d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortProject}, d.Project.Values(), next.Values())...)
		w := corridor.Begin(t, d, 3, plate)
		w.To(t, 5)
		w.Wait(1)
		middle := func() int { c := w.Camera(); return c.X + c.W/2 }
		first := middle()
		w.Wait(30)
		if half := middle(); half <= first+16 || half >= 17*16 {
			t.Errorf("half way, the camera is at %d, and was at %d", half, first)
		}
		if w.Wait(35); factOf(w, d, labels) != 1 || middle() < 17*16-64 {
			t.Errorf("the camera is at %d, and the number %d", middle(), factOf(w, d, labels))
		}
		if w.Hold(play.Left, 20, nil); middle() < 17*16-64 {
			t.Errorf("while the player walks, the camera is at %d", middle())
		}
		shaken := 0
		for range 90 {
			if w.Wait(1); w.Shaking().X != 0 {
				shaken++
			}
		}
		if shaken < 4 || shaken > 20 {
			t.Errorf("the camera is shaken in %d ticks", shaken)
		}
		if factOf(w, d, labels) != 2 || middle() > first {
			t.Errorf("come back, the camera is at %d, at first at %d, and the number %d", middle(), first, factOf(w, d, labels))
		}
	})
}

// The player gets and loses what they can do by rules, until a rule says otherwise, also once the state is written and read and gone back to; what a map bars stays barred.
func TestAbilities(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		ability := func(does logic.Deed, word string) logic.Action {
			return logic.Action{Does: does, Is: slices.Index(logic.AbilityWords, word)}
		}
		for _, c := range []struct {
			do      []logic.Action
			barred  world.Arm
			strikes bool
		}{
			{nil, 0, false}, {[]logic.Action{ability(logic.CanDo, "strike")}, 0, true}, {[]logic.Action{ability(logic.CanDo, "shoot")}, 0, false},
			{[]logic.Action{ability(logic.CanDo, "strike"), ability(logic.CannotDo, "strike")}, 0, false}, {[]logic.Action{ability(logic.CanDo, "strike")}, world.Striking, false},
		} {
			d := ruled(t, view, newRule(1, kind.NoThing, 0, pressed(plate)).do(c.do...))
			next := *d.Maps[0]
			next.BarredArms = c.barred
			d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortMap, ID: next.ID}, d.Maps[0].Values(), next.Values())...)
			w := corridor.Begin(t, d, 3, plate)
			w.To(t, 5)
			rec := play.Record(w.Game)
			for range 30 {
				rec.Tick(0)
			}
			if err := rec.Go(rec.First() + 10); err != nil {
				t.Fatal(err)
			}
			if rec.Game().Tick(play.Strike); rec.Game().Status().Striking > 0 != c.strikes {
				t.Errorf("after %v, with %d barred, the player strikes: %t", c.do, c.barred, !c.strikes)
			}
		}
		for _, word := range []string{"push", "swim"} {
			d := ruledWith(t, view, []corridor.Piece{{ID: 720, Column: 8, Type: world.Pushable}}, newRule(1, kind.NoThing, 0, pressed(plate)).do(ability(logic.CannotDo, word)))
			w := corridor.Begin(t, d, 3, plate)
			w.To(t, 5)
			if w.Hold(play.Right, 200, nil); (w.Column() > 8) != (word == "swim") {
				t.Errorf("without being able to %s the player comes to column %d", word, w.Column())
			}
		}
	})
}
