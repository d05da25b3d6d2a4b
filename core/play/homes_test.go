package play_test

import (
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

// A rule of a character goes for each piece that is them by what happens to it, and by what happens to no such piece while they are played; a while holds
// for each of them.
func TestRulesOfCharacters(t *testing.T) {
	const porter, gardener, first, second = world.ID(850), world.ID(851), world.ID(740), world.ID(741)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		this := logic.Noun{Is: logic.This}
		away := logic.Action{Does: logic.SetPresence, Subject: this, Is: kind.Absent}
		set := kind.Set(props.Who.Refer(porter), props.Does.Is(props.Stands))
		make := func(home world.ID) *world.Document {
			d := ruledWith(t, view, []corridor.Piece{{ID: first, Column: 11, Type: world.Foe, Set: set}, {ID: second, Column: 13, Type: world.Foe, Set: set}},
				newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.SetPower, Subject: logic.Noun{Is: logic.Piece, Thing: second}, Is: kind.Off}),
				newRule(2, kind.Character, porter, logic.Moment{Is: props.SwitchedOff.Number, Of: this}).do(away, up(labels, 1)),
				newRule(3, kind.Character, home, logic.Moment{Is: logic.AreaEntered.Number, Thing: bed}).do(up(labels, 10), logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(1)}))
			while := newRule(4, kind.Character, porter)
			while.Begins, while.If = logic.While, lit(logic.AtLeast)
			parts := []edit.Part{while.do(away, up(labels, 100)).part(), edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, gardener)}}
			for id, name := range map[world.ID]string{porter: "Night porter", gardener: "Gardener"} {
				parts = append([]edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: id}, Values: (&world.Character{Name: name}).Values()}}, parts...)
			}
			return apply(t, d, parts...)
		}
		d := make(gardener)
		w := corridor.Begin(t, d, 3, sluice)
		w.To(t, 6)
		w.Wait(3)
		if got := factOf(w, d, labels); got != 1 || !w.Here(first) || w.Here(second) {
			t.Errorf("switched off one of two, it went by %d; they are there: %t, %t", got, w.Here(first), w.Here(second))
		}
		w.To(t, 9)
		w.Wait(3)
		if got := factOf(w, d, labels); got != 211 || w.Here(first) {
			t.Errorf("entered by the gardener, the rules went by %d; the first is there: %t", got, w.Here(first))
		}
		d = make(porter)
		w = corridor.Begin(t, d, 3, sluice)
		w.To(t, 9)
		w.Wait(3)
		if got := factOf(w, d, labels); got != 1 {
			t.Errorf("entered by the gardener, rules of the porter went by %d", got)
		}
		// As soon as the player becomes the porter, what is so while the lamps are lit is so for them too, and no more once they are the gardener again.
		become := func(who world.ID) logic.Action { return logic.Action{Does: logic.Become, Thing: who} }
		so := newRule(5, kind.Character, porter)
		so.Begins, so.If = logic.While, logic.Condition{}
		so.do(logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(1)})
		so.put(logic.Part{Branch: logic.Otherwise, Action: logic.Action{Does: logic.SetFact, Thing: lamps}})
		bare := make(gardener)
		drain := world.Piece{Type: world.Emitter, Layer: bare.Maps[0].PlayerLayer, Foot: bare.Project.Lattice().Foot(grid.Point{X: 16, Y: corridor.Row}), Props: kind.Set(props.Who.Refer(porter), props.Power.Is(kind.Off))}
		bare = apply(t, bare, edit.Remove{Ref: world.RuleRef(2)}, edit.Remove{Ref: world.RuleRef(3)}, edit.Remove{Ref: world.RuleRef(4)}, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: first}},
			edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: second}}, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: bare.Maps[0].ID, ID: 745}, Values: drain.Values()}, so.part(),
			newRule(6, kind.NoThing, 0, pressed(plate)).do(become(porter), wait(30), become(gardener)).part())
		w = corridor.Begin(t, bare, 3, sluice)
		if w.Wait(5); factOf(w, bare, lamps) != 0 {
			t.Error("it is so of the porter while nobody is one but what lets some out")
		}
		w.To(t, 5)
		if w.Wait(15); factOf(w, bare, lamps) != 1 {
			t.Error("it is not so of a player who has become the porter")
		}
		if w.Wait(40); factOf(w, bare, lamps) != 0 {
			t.Error("it is so still of a player who is the gardener again")
		}
		gone := apply(t, d, edit.RemoveRules(d, kind.Character, porter)...)
		if len(gone.Rules) != 1 {
			t.Errorf("without the character there are %d rules", len(gone.Rules))
		}
	})
}

// A rule of a crossing goes as it is taken, and goes on where it leads.
func TestRulesOfCrossings(t *testing.T) {
	const way = world.ID(860)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruled(t, view, newRule(1, kind.Crossing, way, logic.Moment{Is: logic.CrossingTaken.Number, Thing: way}).do(up(labels, 1), wait(10), up(labels, 1)))
		shed, layers := world.NewMap("Tool shed", grid.Point{X: 300}, grid.Rect{W: 9, H: 3}, &world.Counter{Prefix: 8})
		is := &world.Crossing{BothWays: true, Ends: [2]world.End{{Map: d.Maps[0].ID, Cells: grid.Rect{X: 7, Y: corridor.Row, W: 1, H: 1}}, {Map: shed.ID, Cells: grid.Rect{X: 3, Y: 1, W: 1, H: 1}}}}
		d = apply(t, d, append(edit.PutMap(shed, layers), edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: way}, Values: is.Values()})...)
		w := corridor.Begin(t, d, 3, sluice)
		for range 200 {
			if w.Tick(play.Right); w.Status().Map == shed.ID {
				break
			}
		}
		if w.Wait(1); factOf(w, d, labels) != 1 {
			t.Errorf("taken, it went %d times", factOf(w, d, labels))
		}
		if w.Wait(15); factOf(w, d, labels) != 2 {
			t.Errorf("on the other map it did not go on")
		}
		copied, _, err := edit.CopyMap(d, d.Maps[0].ID, grid.Point{X: 600}, true, &world.Counter{Prefix: 9})
		if err != nil {
			t.Fatal(err)
		}
		both := apply(t, d, copied.Parts...)
		if len(both.Rules) != 2 || both.Rules[1].Home != both.Crossings[1].ID || both.Rules[1].Parts[0].Begins.Thing != both.Crossings[1].ID {
			t.Errorf("copied with the map, the rule belongs to %+v", both.Rules[len(both.Rules)-1].Rule)
		}
		if left := apply(t, both, edit.RemoveWithMap(both, both.Maps[0])...); len(left.Rules) != 1 {
			t.Errorf("of two crossings, one of a map that is deleted, %d rules stay", len(left.Rules))
		}
	})
}

// What comes into an area or goes out of it lets rules begin, whatever moves it: not what is there as play begins, as rules begin to listen, or the player.
func TestComesInto(t *testing.T) {
	const crate = world.ID(740)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		of := logic.Noun{Is: logic.AnyOfType, Type: world.Pushable}
		into := func(n logic.Noun, is *kind.Moment) logic.Moment {
			return logic.Moment{Is: is.Number, Of: n, Thing: bed}
		}
		rules := []*ruling{
			newRule(1, kind.NoThing, 0, into(of, logic.ComesInto)).do(up(labels, 1), logic.Action{Does: logic.SetPower, Subject: logic.Noun{Is: logic.It}, Is: kind.Off}),
			newRule(2, kind.Type, world.Pushable, into(logic.Noun{}, logic.GoesOutOf)).do(up(labels, 10)),
			newRule(3, kind.NoThing, 0, into(logic.Noun{Is: logic.Piece, Thing: sluice}, logic.ComesInto)).do(up(labels, 100)),
		}
		listens := ruledWith(t, view, []corridor.Piece{{ID: crate, Column: 7, Type: world.Pushable}}, rules...)
		w := corridor.Begin(t, listens, 3, sluice)
		goesTo := func(column int, want int) {
			t.Helper()
			w.To(t, column)
			w.Wait(3)
			if got := factOf(w, listens, labels); got != want {
				t.Errorf("with the player in column %d, rules went by %d, not %d", column, got, want)
			}
		}
		goesTo(5, 0)
		goesTo(8, 1)
		goesTo(10, 11)
		inside := ruledWith(t, view, []corridor.Piece{{ID: crate, Column: 8, Type: world.Pushable}})
		w = corridor.Begin(t, inside, 3, sluice)
		w.Wait(5)
		for _, r := range rules {
			inside = apply(t, inside, r.part())
		}
		if err := w.SetDocument(inside); err != nil {
			t.Fatal(err)
		}
		w.Wait(5)
		goesTo(10, 10)
	})
}

// A rule lets what can follow tracks go along another one from where it is, a platform as a foe, and again as before once that begins anew; what is on
// another map stays.
func TestFollowsTrack(t *testing.T) {
	const walker, round = world.ID(740), world.ID(870)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		follow := logic.Action{Does: logic.FollowTrack, Subject: logic.Noun{Is: logic.Piece, Thing: walker}, Thing: round}
		crate := logic.Action{Does: logic.FollowTrack, Subject: logic.Noun{Is: logic.Piece, Thing: sluice}, Thing: round}
		d := ruledWith(t, view, []corridor.Piece{{ID: walker, Column: 9, Type: world.Foe, Set: kind.Set(props.Does.Is(props.Stands))}},
			newRule(1, kind.NoThing, 0, pressed(plate)).do(crate, follow))
		to := d.Project.Lattice().Foot(grid.Point{X: 12, Y: corridor.Row})
		way := world.Track{Map: d.Maps[0].ID, Points: []grid.Point{to}}
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: round}, Values: way.Values()})
		w := corridor.Begin(t, d, 3, sluice)
		column := func() (x int) {
			w.Things(func(is play.Thing, _ int, _ body.Size) {
				if is.ID == walker {
					x = is.Place.Cell(d.Project.Lattice()).X
				}
			})
			return x
		}
		if w.Wait(60); column() != 9 {
			t.Errorf("before the rule the foe is in column %d", column())
		}
		w.To(t, 5)
		far, near := 0, 99
		for range 600 {
			w.Tick(play.Unhurt)
			far, near = max(far, column()), min(near, column())
		}
		if far != 12 || near != 9 {
			t.Errorf("along its track the foe goes from column %d to %d", near, far)
		}
		back, start := play.Record(w.Game), w.Status().Ticks
		before := back.Game().Snapshot()
		back.Tick(0)
		if err := back.Go(start); err != nil || string(back.Game().Snapshot()) != string(before) {
			t.Errorf("gone back to, it is another: %v", err)
		}
		gone := apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortTrack, ID: round}})
		if err := w.SetDocument(gone); err != nil {
			t.Fatal(err)
		}
		at := column()
		if w.Wait(60); column() != at {
			t.Error("without the track the foe goes on")
		}
	})
}

// Somebody is seen doing something for as long as a rule says, which goes on then; gone back to, they are as they were.
func TestPoses(t *testing.T) {
	if len(logic.PoseWords) != len(world.ActNames) {
		t.Fatalf("there are %d words for %d acts", len(logic.PoseWords), len(world.ActNames))
	}
	const foe = world.ID(740)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		pose := func(n logic.Noun, act world.Act) logic.Action {
			return logic.Action{Does: logic.ShowPose, Subject: n, Is: int(act), Number: 30}
		}
		d := ruledWith(t, view, []corridor.Piece{{ID: foe, Column: 11, Type: world.Foe, Set: kind.Set(props.Does.Is(props.Stands))}},
			newRule(1, kind.NoThing, 0, pressed(plate)).do(pose(logic.Noun{Is: logic.Player}, world.ActJump), up(labels, 1), pose(logic.Noun{Is: logic.Piece, Thing: foe}, world.ActHurt), up(labels, 1)))
		w := corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		for w.Status().Ticks < 400 && factOf(w, d, labels) == 0 {
			before := w.Status().Ticks
			if act, is := w.Posed(0); is && act != world.ActJump {
				t.Fatalf("in tick %d the player is seen doing %d", before, act)
			}
			w.Wait(1)
		}
		_, player := w.Posed(0)
		act, is := w.Posed(foe)
		if player || !is || act != world.ActHurt {
			t.Errorf("after that the player poses: %t, the foe: %t, as %d", player, is, act)
		}
		rec, at := play.Record(w.Game), w.Status().Ticks
		before := rec.Game().Snapshot()
		for range 40 {
			rec.Tick(0)
		}
		if _, is := w.Posed(foe); is || factOf(w, d, labels) != 2 {
			t.Errorf("after its time the foe poses: %t, and the rule did %d of 2", is, factOf(w, d, labels))
		}
		if err := rec.Go(at); err != nil || string(rec.Game().Snapshot()) != string(before) {
			t.Errorf("gone back to, it is another: %v", err)
		}
	})
}
