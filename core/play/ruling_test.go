package play_test

import (
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/words"
	"azzel/core/world"
)

// The things of the corridor in which rules are tried.
const (
	plate  = world.ID(700)
	sluice = world.ID(701)
	spot   = world.ID(702)
	lamps  = world.ID(801)
	labels = world.ID(802)
	fuse   = world.ID(803)
	bed    = world.ID(804)
)

// A ruling is a rule in the making, whose parts have ids from 1,000 × its own on.
type ruling struct {
	id world.ID
	world.Rule
}

func newRule(id world.ID, home kind.Thing, of world.ID, begins ...logic.Moment) *ruling {
	r := &ruling{id: id}
	r.HomeSort, r.Home = home, of
	for _, m := range begins {
		r.put(logic.Part{Begins: m})
	}
	return r
}

// put adds a part after all others, and gives its id.
func (r *ruling) put(p logic.Part) world.ID {
	p.ID = 1000*r.id + world.ID(len(r.Parts)) + 1
	p.Order = len(r.Parts)
	r.Set(p)
	return p.ID
}

// do adds actions to the rule itself, in adds one to a branch of another.
func (r *ruling) do(actions ...logic.Action) *ruling {
	for _, a := range actions {
		r.put(logic.Part{Action: a})
	}
	return r
}

func (r *ruling) in(part world.ID, branch int, a logic.Action) world.ID {
	return r.put(logic.Part{In: part, Branch: branch, Action: a})
}

func (r *ruling) part() edit.Part {
	return edit.Put{Ref: world.RuleRef(r.id), Values: r.Values()}
}

func pressed(id world.ID) logic.Moment {
	return logic.Moment{Is: props.Pressed.Number, Of: logic.Noun{Is: logic.Piece, Thing: id}}
}

func number(n int) logic.Value { return logic.Value{Number: n} }

func up(fact world.ID, n int) logic.Action {
	return logic.Action{Does: logic.SetFact, Thing: fact, How: logic.GoesUp, Value: number(n)}
}

func wait(ticks int) logic.Action { return logic.Action{Does: logic.Wait, Number: ticks} }

func opens(id world.ID, word string) logic.Action {
	return logic.Action{Does: logic.SetState, Subject: logic.Noun{Is: logic.Piece, Thing: id}, Is: kind.StateNamed(word).Number}
}

func lit(by logic.Comparison) logic.Condition { return logic.Needs(logic.FactValue, lamps, by, 1) }

// ruled is a corridor with a plate in column 5, a door at its end, a mark in column 12, an area over columns 8 and 9, two facts and an item, and rules.
func ruled(t *testing.T, view world.View, rules ...*ruling) *world.Document {
	t.Helper()
	return ruledWith(t, view, nil, rules...)
}

func ruledWith(t *testing.T, view world.View, more []corridor.Piece, rules ...*ruling) *world.Document {
	t.Helper()
	d := corridor.New(t, view, append([]corridor.Piece{
		{ID: plate, Column: 5, Type: switches.Kind.ID}, {ID: sluice, Column: 14, Type: door.Kind.ID, Set: kind.Set(props.Opens.Is(2))}, {ID: spot, Column: 12, Type: world.Mark},
	}, more...),
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: lamps}, Values: (&world.Fact{Name: "Lamps lit"}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: labels}, Values: (&world.Fact{Name: "Labels found", Counts: true}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: fuse}, Values: (&world.Item{Name: "Fuse", Most: 3}).Values()})
	area := &world.Area{Name: "Bed", Map: d.Maps[0].ID, Cells: grid.BoxRegion(grid.Rect{X: 8, Y: corridor.Row, W: 2, H: 1})}
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: bed}, Values: area.Values()}}
	for _, r := range rules {
		parts = append(parts, r.part())
	}
	return apply(t, d, parts...)
}

func factOf(w corridor.Walk, d *world.Document, id world.ID) int {
	is, _ := w.Known(d.Fact(id))
	return is.Value
}

// The examples of docs/RULES.md on rules, by their numbers.
func TestRuleExamples(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		check := func(example int, what string, got, want any) {
			t.Helper()
			if got != want {
				t.Errorf("example %d: %s is %v, not %v", example, what, got, want)
			}
		}
		// 5: the sluice opens, and a second later it shuts.
		d := ruled(t, view, newRule(1, kind.Piece, plate, logic.Moment{Is: props.Pressed.Number}).do(opens(sluice, "open"), wait(60), opens(sluice, "closed")))
		w := corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(2)
		check(5, "the sluice", w.State(), "open")
		w.Wait(50)
		check(5, "the sluice", w.State(), "open")
		w.Wait(20)
		check(5, "the sluice, a second later,", w.State(), "closed")

		// 6: once ever, once a visit, each time, not again for a while.
		for repeats, want := range map[logic.Repeats]int{logic.EachTime: 3, logic.OnceEver: 1, logic.OnceAVisit: 1, logic.NotAgainFor: 2} {
			r := newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.AreaEntered.Number, Thing: bed}).do(up(labels, 1))
			r.Repeats, r.Pause = repeats, 150
			d := ruled(t, view, r)
			w := corridor.Begin(t, d, 6, sluice)
			for range 3 {
				w.To(t, 9)
				w.To(t, 6)
				w.Wait(60)
			}
			check(6, "how often it went", factOf(w, d, labels), want)
		}

		// 7: what is in the branch Otherwise is done where the condition does not hold; four times over, then what comes after.
		r := newRule(1, kind.NoThing, 0, pressed(plate))
		on := r.in(0, logic.Then, logic.Action{Does: logic.If, If: lit(logic.AtLeast)})
		r.in(on, logic.Then, up(labels, 100))
		four := r.in(on, logic.Otherwise, logic.Action{Does: logic.Again, Number: 4})
		r.in(four, logic.Then, up(labels, 1))
		r.in(four, logic.Then, wait(10))
		r.do(up(labels, 10))
		d = ruled(t, view, r)
		w = corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(2)
		check(7, "the number at first", factOf(w, d, labels), 1)
		w.Wait(25)
		check(7, "the number meanwhile", factOf(w, d, labels), 3)
		w.Wait(40)
		check(7, "the number at last", factOf(w, d, labels), 14)

		// 8: all wait while the player is asked, and what is chosen is done.
		r = newRule(1, kind.NoThing, 0, pressed(plate))
		ask := r.in(0, logic.Then, logic.Action{Does: logic.Question, Text: words.Plain("Light them?"), Subject: logic.Noun{Is: logic.Player}})
		yes := r.in(ask, logic.Then, logic.Action{Does: logic.Choice, Text: words.Plain("Yes")})
		r.in(yes, logic.Then, logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(1)})
		r.in(ask, logic.Then, logic.Action{Does: logic.Choice, Text: words.Plain("Never"), If: lit(logic.AtLeast)})
		no := r.in(ask, logic.Then, logic.Action{Does: logic.Choice, Text: words.Plain("Not now")})
		r.in(no, logic.Then, up(labels, 7))
		r.do(logic.Action{Does: logic.Say, Text: words.Text{{Letters: "Lit: "}, {Fact: lamps}}, Subject: logic.Noun{Is: logic.Player}}, up(labels, 1))
		d = ruled(t, view, r)
		for chosen, want := range map[int]string{0: "Lit: yes", 1: "Lit: no", 2: "Lit: yes"} {
			w = corridor.Begin(t, d, 3, sluice)
			for n := 0; n < 200 && !w.Reads(); n++ {
				w.Tick(play.Right)
			}
			p, _, _ := w.Page()
			at := w.Status().Place
			check(8, "what is asked", strings.Join(append(p.Lines, p.Choices...), "/"), "Light them?/Yes/Not now")
			w.Hold(play.Left, 20, nil)
			for range chosen {
				w.Hold(play.Down, 1, nil)
				w.Wait(1)
			}
			w.Hold(play.Use, 1, nil)
			check(8, "where the player stands meanwhile", w.Status().Place, at)
			p, _, reads := w.Page()
			check(8, "what is said then", strings.Join(p.Lines, "/"), want)
			w.Wait(3)
			w.Hold(play.Jump, 1, nil)
			_, _, still := w.Page()
			check(8, "whether it is read", reads && !still, true)
			w.Wait(2)
			check(8, "the number", factOf(w, d, labels), map[int]int{0: 1, 1: 8, 2: 1}[chosen])
		}

		// 9: what is so while the lamps are lit, and otherwise.
		r = newRule(1, kind.NoThing, 0)
		r.Begins, r.If = logic.While, lit(logic.AtLeast)
		r.do(opens(sluice, "open"))
		r.in(0, logic.Otherwise, opens(sluice, "closed"))
		toggle := newRule(2, kind.Piece, plate, logic.Moment{Is: props.Pressed.Number})
		on = toggle.in(0, logic.Then, logic.Action{Does: logic.If, If: lit(logic.AtLeast)})
		toggle.in(on, logic.Then, logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(0)})
		toggle.in(on, logic.Otherwise, logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(1)})
		d = ruled(t, view, r, toggle)
		w = corridor.Begin(t, d, 3, sluice)
		for _, want := range []string{"open", "closed", "open"} {
			w.To(t, 5)
			w.Wait(3)
			check(9, "the sluice", w.State(), want)
			w.To(t, 2)
		}

		// 10: the rules of the piece go before those of its type, of the map and of the project.
		order := func(id world.ID, home kind.Thing, of world.ID, digit int) *ruling {
			begins := pressed(plate)
			r := newRule(id, home, of, begins)
			thrice := r.in(0, logic.Then, logic.Action{Does: logic.Again, Number: 3})
			r.in(thrice, logic.Then, logic.Action{Does: logic.SetFact, Thing: labels, How: logic.GoesUp, Value: logic.Value{Is: logic.FactValue, Thing: labels}})
			r.in(0, logic.Then, up(labels, digit))
			return r
		}
		// Each time the number is doubled three times and one more is added: 3, then 3 × 8 + 2, and so on.
		m := ruled(t, view).Maps[0].ID
		d = ruled(t, view, order(1, kind.NoThing, 0, 1), order(2, kind.Type, switches.Kind.ID, 2), order(3, kind.Piece, plate, 3), order(4, kind.Map, m, 0))
		w = corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(2)
		check(10, "the number", factOf(w, d, labels), ((3*8+2)*8+0)*8+1)

		// 11: rules that set one another off go on for ever without stopping the game, as long as a thousand moments a tick are enough.
		a := newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.FactChanged.Number, Thing: labels}, pressed(plate)).do(logic.Action{Does: logic.SetFact, Thing: lamps, Value: logic.Value{Is: logic.Difference, Left: &logic.Value{Number: 1}, Right: &logic.Value{Is: logic.FactValue, Thing: lamps}}})
		b := newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.FactChanged.Number, Thing: lamps}).do(logic.Action{Does: logic.SetFact, Thing: labels, Value: logic.Value{Is: logic.Difference, Left: &logic.Value{Number: 1}, Right: &logic.Value{Is: logic.FactValue, Thing: labels}}})
		d = ruled(t, view, a, b)
		w = corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(5)
		at := w.Column()
		w.To(t, 8)
		check(11, "whether the player goes on", w.Column() != at && w.Jam() == 0, true)
		// With one more for each that is answered they are too many, and the game stands still by the rule.
		a.do(logic.Action{Does: logic.AskFor, Thing: 2}, logic.Action{Does: logic.AskFor, Thing: 1})
		d = ruled(t, view, a, b)
		w = corridor.Begin(t, d, 3, sluice)
		for range 400 {
			w.Tick(play.Right)
		}
		at = w.Column()
		w.Hold(play.Left, 60, nil)
		check(11, "whether the game stands still", w.Jam() != 0 && w.Column() == at, true)
		if err := w.SetDocument(ruled(t, view)); err != nil {
			t.Fatal(err)
		}
		w.Hold(play.Left, 60, nil)
		check(11, "whether it goes on without them", w.Jam() == 0 && w.Column() < at, true)

		// 12: a rule that is changed while it goes goes on with what comes next; one that is deleted ends.
		r = newRule(1, kind.NoThing, 0, pressed(plate)).do(wait(30), up(labels, 1), up(labels, 10))
		d = ruled(t, view, r)
		w = corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(3)
		without := apply(t, d, edit.PartGone(1, r.Parts[1].ID), edit.PartGone(1, r.Parts[2].ID))
		if err := w.SetDocument(without); err != nil {
			t.Fatal(err)
		}
		w.Wait(40)
		check(12, "the number", factOf(w, d, labels), 10)
		w = corridor.Begin(t, d, 3, sluice)
		w.To(t, 5)
		w.Wait(3)
		if err := w.SetDocument(apply(t, d, edit.Remove{Ref: world.RuleRef(1)})); err != nil {
			t.Fatal(err)
		}
		w.Wait(40)
		check(12, "the number of a rule that is gone", factOf(w, d, labels), 0)

		// 13: each time that another half second has passed, not counting what was read meanwhile; 14: each time that the player has gone another four steps.
		d = ruled(t, view, newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.TimePassed.Number, Number: 30}).do(up(labels, 1)),
			newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.TimePassed.Number, Number: 80}).do(logic.Action{Does: logic.Say, Text: words.Plain("Late."), Subject: logic.Noun{Is: logic.Player}}))
		w = corridor.Begin(t, d, 3, sluice)
		w.Wait(95)
		check(13, "the number", factOf(w, d, labels), 2)
		w.Hold(play.Use, 1, nil)
		w.Wait(12)
		check(13, "the number after the box", factOf(w, d, labels), 3)
		d = ruled(t, view, newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.StepsPassed.Number, Number: 4}).do(up(labels, 1)))
		w = corridor.Begin(t, d, 3, sluice)
		w.Wait(60)
		check(14, "the number of one who stands", factOf(w, d, labels), 0)
		w.To(t, 8)
		check(14, "the number after some steps", factOf(w, d, labels), 1)
		w.To(t, 12)
		check(14, "the number after more", factOf(w, d, labels), 2)
	})
}

// All else that rules do, and all moments that befall no piece.
func TestDeeds(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		piece := func(id world.ID) logic.Noun { return logic.Noun{Is: logic.Piece, Thing: id} }
		for name, of := range map[string]struct {
			do   []logic.Action
			want func(w corridor.Walk, d *world.Document) bool
		}{
			"hidden": {[]logic.Action{{Does: logic.SetPresence, Subject: piece(sluice), Is: kind.Hidden}}, func(w corridor.Walk, d *world.Document) bool {
				_, p := d.Piece(sluice)
				w.Hold(play.Right, 300, nil)
				return w.Hidden(p) && w.Column() == 13
			}},
			"absent": {[]logic.Action{{Does: logic.SetPresence, Subject: logic.Noun{Is: logic.AllOfType, Type: door.Kind.ID}, Is: kind.Absent}}, func(w corridor.Walk, d *world.Document) bool {
				w.Hold(play.Right, 300, nil)
				return !w.Here(sluice) && w.Column() > 14
			}},
			"there again": {[]logic.Action{{Does: logic.SetPresence, Subject: piece(sluice), Is: kind.Absent}, wait(5), {Does: logic.SetPresence, Subject: piece(sluice)}}, func(w corridor.Walk, d *world.Document) bool {
				w.Hold(play.Right, 300, nil)
				return w.Here(sluice) && w.Column() == 13
			}},
			"off": {[]logic.Action{{Does: logic.SetPower, Subject: logic.Noun{Is: logic.It}, Is: kind.Off}}, func(w corridor.Walk, d *world.Document) bool {
				return w.Switched(plate)
			}},
			"quiet": {[]logic.Action{{Does: logic.SetState, Subject: piece(sluice), Is: kind.StateNamed("open").Number, Quiet: true}}, func(w corridor.Walk, d *world.Document) bool {
				return w.State() == "open" && factOf(w, d, labels) == 0
			}},
			"not quiet": {[]logic.Action{opens(sluice, "open")}, func(w corridor.Walk, d *world.Document) bool {
				return w.State() == "open" && factOf(w, d, labels) == 1
			}},
			"items":  {[]logic.Action{{Does: logic.Get, Thing: fuse, Value: number(9)}, {Does: logic.Lose, Thing: fuse, Value: number(1)}}, func(w corridor.Walk, d *world.Document) bool { return w.Has(d.Item(fuse)) == 2 }},
			"hurt":   {[]logic.Action{{Does: logic.Hurt, Number: 1}}, func(w corridor.Walk, d *world.Document) bool { return w.Status().Health == w.Status().Most-1 }},
			"healed": {[]logic.Action{{Does: logic.Hurt, Number: 1}, {Does: logic.Heal, Number: 5}}, func(w corridor.Walk, d *world.Document) bool { return w.Status().Health == w.Status().Most }},
			"taken":  {[]logic.Action{{Does: logic.TakeTo, Thing: spot}}, func(w corridor.Walk, d *world.Document) bool { return w.Column() == 12 }},
			"still":  {[]logic.Action{{Does: logic.HoldStill}}, func(w corridor.Walk, d *world.Document) bool { w.Hold(play.Right, 60, nil); return w.Column() <= 5 }},
			"let go": {[]logic.Action{{Does: logic.HoldStill}, wait(9), {Does: logic.LetGo}}, func(w corridor.Walk, d *world.Document) bool { w.Hold(play.Right, 60, nil); return w.Column() > 5 }},
			"ended": {[]logic.Action{{Does: logic.End, Name: "Dawn"}, up(labels, 5)}, func(w corridor.Walk, d *world.Document) bool {
				is, _ := w.Ending()
				return is == "Dawn" && factOf(w, d, labels) == 0 && w.Status().Finished
			}},
			"stopped":  {[]logic.Action{up(labels, 1), {Does: logic.Stop}, up(labels, 5)}, func(w corridor.Walk, d *world.Document) bool { return factOf(w, d, labels) == 1 }},
			"asks for": {[]logic.Action{{Does: logic.AskFor, Thing: 3}}, func(w corridor.Walk, d *world.Document) bool { return factOf(w, d, labels) == 20 }},
		} {
			r := newRule(1, kind.NoThing, 0, pressed(plate)).do(of.do...)
			heard := newRule(2, kind.Type, door.Kind.ID, logic.Moment{Is: props.Opened.Number}).do(up(labels, 1))
			asked := newRule(3, kind.NoThing, 0).do(up(labels, 20))
			d := ruled(t, view, r, heard, asked)
			w := corridor.Begin(t, d, 3, sluice)
			for range 60 {
				if w.Tick(play.Right); corridor.StateOf(w.Game, plate) == "pressed" {
					break
				}
			}
			w.Wait(3)
			if !of.want(w, d) {
				t.Errorf("%s: it is not so: column %d, the door is %s, the number %d, health %d", name, w.Column(), w.State(), factOf(w, d, labels), w.Status().Health)
			}
		}
		for name, of := range map[string]struct {
			moment logic.Moment
			until  int
			want   int
		}{
			"play begins":   {logic.Moment{Is: logic.PlayBegins.Number}, 7, 1},
			"map begins":    {logic.Moment{Is: logic.MapBegins.Number, Thing: ruled(t, view).Maps[0].ID}, 7, 1},
			"area entered":  {logic.Moment{Is: logic.AreaEntered.Number, Thing: bed}, 8, 1},
			"area left":     {logic.Moment{Is: logic.AreaLeft.Number, Thing: bed}, 11, 1},
			"not yet left":  {logic.Moment{Is: logic.AreaLeft.Number, Thing: bed}, 9, 0},
			"stayed":        {logic.Moment{Is: logic.AreaStayed.Number, Thing: bed, Number: 30}, 9, 1},
			"not so long":   {logic.Moment{Is: logic.AreaStayed.Number, Thing: bed, Number: 9999}, 9, 0},
			"fact changed":  {logic.Moment{Is: logic.FactChanged.Number, Thing: lamps}, 6, 1},
			"fact reached":  {logic.Moment{Is: logic.FactReached.Number, Thing: lamps, Number: 1}, 6, 1},
			"not reached":   {logic.Moment{Is: logic.FactReached.Number, Thing: lamps, Number: 0}, 6, 0},
			"item had":      {logic.Moment{Is: logic.ItemHad.Number, Thing: fuse}, 6, 1},
			"item used up":  {logic.Moment{Is: logic.ItemUsedUp.Number, Thing: fuse}, 6, 1},
			"hurt":          {logic.Moment{Is: logic.PlayerHurt.Number}, 6, 1},
			"of its type":   {logic.Moment{Is: props.Pressed.Number, Of: logic.Noun{Is: logic.AnyOfType, Type: switches.Kind.ID}}, 6, 1},
			"of other type": {logic.Moment{Is: props.Pressed.Number, Of: logic.Noun{Is: logic.AnyOfType, Type: door.Kind.ID}}, 6, 0},
		} {
			r := newRule(1, kind.NoThing, 0, of.moment).do(up(labels, 1))
			sets := newRule(2, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(1)}, logic.Action{Does: logic.SetFact, Thing: lamps, Value: number(1)},
				logic.Action{Does: logic.Get, Thing: fuse, Value: number(1)}, logic.Action{Does: logic.Lose, Thing: fuse, Value: number(1)}, logic.Action{Does: logic.Hurt, Number: 1})
			sets.Repeats = logic.OnceEver
			d := ruled(t, view, r, sets)
			w := corridor.Begin(t, d, 3, sluice)
			w.To(t, of.until)
			w.Wait(60)
			if got := factOf(w, d, labels); got != of.want {
				t.Errorf("%s: it went %d times, not %d", name, got, of.want)
			}
		}
	})
}

// An objective that a rule gives is told and shown while it is open, and told once it is reached; what it is stays in the state like other facts.
func TestObjectives(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		const find = world.ID(809)
		is := func(n int) logic.Action {
			return logic.Action{Does: logic.SetFact, Thing: find, Value: number(n)}
		}
		d := ruled(t, view, newRule(1, kind.NoThing, 0, pressed(plate)).do(is(world.Open)),
			newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.AreaEntered.Number, Thing: bed}).do(is(world.Reached)))
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: find}, Values: (&world.Fact{Name: "Find the fuse", Counts: true, Words: world.ObjectiveWords, Objective: true}).Values()})
		w := corridor.Begin(t, d, 3, sluice)
		told := func(column int, m *kind.Moment) (n int) {
			for range 300 {
				if w.Column() == column {
					break
				}
				w.Tick(play.Right)
				for _, e := range w.Events() {
					if e.Moment == m && e.Fact == find {
						n++
					}
				}
			}
			return n
		}
		if n := told(4, play.Given); n != 0 || len(w.Objectives()) != 0 {
			t.Errorf("before it is given it is told %d times, and %d are open", n, len(w.Objectives()))
		}
		if n := told(7, play.Given); n != 1 || len(w.Objectives()) != 1 || w.Objectives()[0].Name != "Find the fuse" {
			t.Errorf("given, it is told %d times, and %d are open", n, len(w.Objectives()))
		}
		if n := told(9, play.Achieved); n != 1 || len(w.Objectives()) != 0 {
			t.Errorf("reached, it is told %d times, and %d are open", n, len(w.Objectives()))
		}
	})
}
