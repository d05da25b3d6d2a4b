package play_test

import (
	"errors"
	"slices"
	"strings"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/words"
	"azzel/core/world"
)

// fact puts a fact into a project.
func fact(f world.Fact) edit.Part {
	return edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: f.ID}, Values: f.Values()}
}

// What sets a fact does so when it was taken, reached, broken or defeated, once each; what is there
// only while a fact or an item is as it says is neither solid nor met nor taken otherwise, in both
// views. Who stands where something solid appears is set down beside it.
func TestFacts(t *testing.T) {
	const lit, caught, fuse = world.ID(801), world.ID(802), world.ID(803)
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		sets := func(f world.ID, how world.Setting, by int) kind.Values {
			return kind.Values("").With(world.Change{Fact: f, How: how, By: by}.Props()...)
		}
		while := func(c world.Single) kind.Values { return kind.Values("").With(c.Props()...) }
		d = apply(t, d, append(as(d, world.Movement{Arms: world.Striking}), fact(world.Fact{ID: lit, Name: "Lamps lit"}), fact(world.Fact{ID: caught, Name: "Moths caught", Counts: true, Start: 1}),
			edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: fuse}, Values: (&world.Item{Name: "Fuse"}).Values()},
			put(d, 700, world.Collectible, 5, 9, kind.Set(props.Item.Refer(fuse)).With(world.Change{Fact: lit}.Props()...)),
			put(d, 701, world.Breakable, 8, 9, while(world.Single{Fact: lit, Not: true})),
			put(d, 702, world.Collectible, 6, 9, while(world.Single{Item: fuse, Least: 2})),
			put(d, 703, world.Breakable, 11, 9, sets(caught, world.Raises, 4)),
			put(d, 704, world.Checkpoint, 13, 9, sets(lit, world.Lowers, 0)),
			put(d, 705, world.Exit, 15, 9, while(world.Single{Fact: caught, Least: 6})),
			put(d, 706, world.Hazard, 3, 9, while(world.Single{Fact: caught, Least: 5})))...)
		g := begin(t, d, 3, 9)
		says := func(when string, isLit, isCaught int, here ...world.ID) {
			t.Helper()
			for id, want := range map[world.ID]int{lit: isLit, caught: isCaught} {
				if is, _ := g.Known(d.Fact(id)); is.Value != want {
					t.Errorf("%s: %s is %d, not %d", when, d.Fact(id).Name, is.Value, want)
				}
			}
			for id := world.ID(700); id <= 706; id++ {
				if g.Here(id) != slices.Contains(here, id) {
					t.Errorf("%s: piece %d is there: %t", when, id, g.Here(id))
				}
			}
		}
		says("at first", 0, 1, 700, 701, 703, 704)
		// The hazard is not there, the label is taken at once, and with it the pane before the next is
		// gone.
		events := walk(g, play.Right, 90)
		if s := g.Status(); s.Health != s.Most || s.Taken != 1 || s.Place.Cell(d.Project.Lattice()).X != 10 {
			t.Errorf("come to %v with %d taken and health %d", s.Place.Cell(d.Project.Lattice()), s.Taken, s.Health)
		}
		says("with the fuse", 1, 1, 700, 703, 704)
		if is, set := g.Known(d.Fact(lit)); !set || is.By != 700 || is.Tick == 0 || is.Tick >= 90 {
			t.Errorf("lit is known as %+v", is)
		}
		walk(g, play.Right|play.Strike, 20)
		says("the second pane broken", 1, 5, 700, 703, 704, 706)
		if events = append(events, walk(g, play.Right, 60)...); count(events, props.Reached) != 1 || g.Status().Finished {
			t.Errorf("reached %d times, finished %t: an exit that is not there lets nobody out", count(events, props.Reached), g.Status().Finished)
		}
		says("the checkpoint reached", 0, 5, 700, 701, 703, 704, 706)
		// By hand, and with all items: things come and go, the player beside them.
		rec := play.Record(begin(t, d, 4, 9))
		if err := rec.SetFact(lit, 1); err != nil {
			t.Fatal(err)
		}
		for rec.Game().Status().Place.X < 8*cell+cell/2 {
			rec.Tick(play.Right)
		}
		if err := rec.SetFact(lit, 0); err != nil || !rec.Game().Fits() || rec.Game().Here(701) == false {
			t.Errorf("%v: in what has appeared: %t", err, !rec.Game().Fits())
		}
		if rec.Tick(play.Laden); !rec.Game().Here(702) {
			t.Error("laden, what is there with two fuses is not there")
		}
		if rec.Tick(0); rec.Game().Here(702) {
			t.Error("no longer laden, it is still there")
		}
		if _, err := rec.Kept("By hand"); !errors.Is(err, play.ErrHelped) {
			t.Errorf("kept although a fact was set by hand: %v", err)
		}
		if rec.SetFact(lit, 2) == nil || rec.SetFact(999, 1) == nil {
			t.Error("a fact is what it can't be, or one that is not there is set")
		}
	})
}

// Over random worlds, whose pieces set facts and are there only while something holds: what is there
// is what ought to be, what is not there is not met and does nothing, and facts are set by nothing but
// what can, was there and says so.
func TestFactsHold(t *testing.T) {
	came, set, asked, apart := 0, 0, 0, 0
	for seed := range uint64(170) {
		d, g := begun(t, seed)
		last := play.Input(0)
		conditional := map[world.ID]*world.Piece{}
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				if world.HasWhile(p) && p.Int(props.Own) == 0 {
					conditional[p.ID] = p
				}
			}
		}
		for tick, in := range generate.Inputs(seed, 600) {
			if tick%97 < 40 && seed%4 == 0 {
				in |= play.Laden
			}
			helped := (in|last)&play.Laden != 0
			last = in
			before := map[world.ID]bool{}
			for id := range conditional {
				before[id] = g.Here(id)
			}
			taken := slices.Clone(g.TakenIDs())
			g.Tick(in)
			for id, p := range conditional {
				asks := p.While()
				if asked++; g.Here(id) != g.Holds(id, asks) {
					if apart++; asksOfPieces(&asks) {
						continue // two may ask for one another
					}
					t.Fatalf("world %d, tick %d: %d is there: %t", seed, tick, id, g.Here(id))
				}
				if g.Here(id) != before[id] {
					came++
				}
				// What is asked for is asked before a tick, so that only a help can let something come in it.
				if g.Taken(id) && !slices.Contains(taken, id) && !before[id] && !helped {
					t.Fatalf("world %d, tick %d: %d was taken without being there", seed, tick, id)
				}
			}
			g.Things(func(thing play.Thing, _ int, _ body.Size) {
				if !g.Here(thing.ID) {
					t.Fatalf("world %d, tick %d: %d is met without being there", seed, tick, thing.ID)
				}
			})
			for _, f := range d.Facts {
				is, ever := g.Known(f)
				if !ever || is.Tick != tick+1 {
					continue
				}
				set++
				_, by := d.Piece(is.By)
				if by == nil || !world.Sets(by.Type) || by.Sets().Fact != f.ID || is.Value != f.Bound(is.Value) || conditional[is.By] != nil && !before[is.By] && !helped {
					t.Fatalf("world %d, tick %d: %s is %d by %+v", seed, tick, f.Name, is.Value, by)
				}
			}
		}
	}
	if apart*50 > asked {
		t.Errorf("%d of %d times something was there or not, against what it asks for", apart, asked)
	}
	if came < 100 || set < 100 {
		t.Errorf("only %d times something came or went, %d times a fact was set, so that this shows little", came, set)
	}
}

// How facts are set, in numbers and in yes and no.
func TestSettings(t *testing.T) {
	// In play a piece sets by as much as it says.
	for _, c := range []struct {
		how         world.Setting
		by, becomes int
	}{{world.Raises, 3, 10}, {world.Raises, 0, 8}, {world.Lowers, 5, 2}, {world.Becomes, 4, 4}, {world.Becomes, 0, 0}} {
		d := bare(t, world.TopDown)
		f := world.Fact{ID: 850, Name: "Moths", Counts: true, Start: 7}
		d = apply(t, d, fact(f), put(d, 700, world.Collectible, 5, 9, kind.Values("").With(world.Change{Fact: f.ID, How: c.how, By: c.by}.Props()...)))
		g := begin(t, d, 3, 9)
		walk(g, play.Right, 60)
		if is, set := g.Known(d.Fact(f.ID)); !set || is.Value != c.becomes || is.By != 700 {
			t.Errorf("7, set in way %d by %d, becomes %d (set %t, by %d), not %d", c.how, c.by, is.Value, set, is.By, c.becomes)
		}
	}

	number, truth := &world.Fact{Counts: true}, &world.Fact{}
	for _, c := range []struct {
		f          *world.Fact
		how        world.Setting
		is, by, to int
	}{
		{number, world.Raises, 3, 2, 5}, {number, world.Lowers, 3, 5, 0}, {number, world.Becomes, 3, 0, 0}, {number, world.Raises, 999_999, 1, 999_999},
		{truth, world.Raises, 0, 7, 1}, {truth, world.Raises, 1, 1, 1}, {truth, world.Lowers, 1, 7, 0}, {truth, world.Becomes, 0, 1, 1},
	} {
		if to := c.how.After(c.f, c.is, c.by); to != c.to {
			t.Errorf("%d, set in way %d by %d, becomes %d, not %d", c.is, c.how, c.by, to, c.to)
		}
	}
}

func asksOfPieces(c *logic.Condition) bool {
	for t := range c.Each() {
		if !t.Groups() && (t.Ask != logic.Compares || t.Left.OfPieces() || t.Right.OfPieces()) {
			return true
		}
	}
	return false
}

// A crossing taken in the tick in which a fact is set leads to a map on which what that brings is
// there, whether that map was known before or not.
func TestFactSetOnTheWay(t *testing.T) {
	for _, known := range []bool{false, true} {
		d := room(t)
		m := d.Maps[0]
		far, layers := world.NewMap("Far", grid.Point{X: 100}, grid.Rect{W: 8, H: 8}, &world.Counter{Prefix: 9})
		d = apply(t, d, append(edit.PutMap(far, layers), fact(world.Fact{ID: 801, Name: "Open"}))...)
		at := func(m *world.Map, id, of world.ID, x, y int, a kind.Values) edit.Part {
			p := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: x, Y: y}), Props: a}
			return edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}
		}
		way := &world.Crossing{BothWays: true, Ends: [2]world.End{{Map: m.ID, Cells: grid.Rect{X: 6, Y: 4, W: 1, H: 1}}, {Map: far.ID, Cells: grid.Rect{X: 3, Y: 3, W: 1, H: 1}}}}
		d = apply(t, d, at(m, 701, world.Collectible, 6, 4, kind.Values("").With(world.Change{Fact: 801}.Props()...)),
			at(far, 702, world.Breakable, 3, 4, kind.Values("").With(world.Single{Fact: 801}.Props()...)),
			edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: 703}, Values: way.Values()})
		g := begin(t, d, 4, 4)
		if known {
			if _, err := g.WalkTo(far.ID, grid.Point{X: 5, Y: 5}); err != nil {
				t.Fatal(err)
			}
		}
		walk(g, play.Right, 40)
		if s := g.Status(); s.Map != far.ID || !g.Here(702) || !g.Fits() {
			t.Errorf("map known before: %t: on the other map: %t, it is there: %t, beside it: %t", known, s.Map == far.ID, g.Here(702), g.Fits())
		}
	}
}

// A fact that is a short text becomes what a rule says, is said to the player, asked for, and gone back over; what it can't be is none.
func TestShortText(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		const note = 700
		fact := world.Fact{Name: "Last entry", Counts: true, Text: true}
		for _, text := range []string{"Fog", "Dew at 2 o’clock"} {
			n, _ := fact.NumberOf(text)
			fact.Texts = append(fact.Texts, world.FactText{Number: n, Text: text})
		}
		slices.SortFunc(fact.Texts, func(a, b world.FactText) int { return a.Number - b.Number })
		fact.Start, _ = fact.NumberOf("Fog")
		dew, _ := fact.NumberOf("Dew at 2 o’clock")
		becomes := func(n int) logic.Action {
			return logic.Action{Does: logic.SetFact, Thing: note, Value: logic.Value{Number: n}}
		}
		says := logic.Action{Does: logic.Say, Text: words.Text{{Letters: "Entry: "}, {Fact: note}}, Subject: logic.Noun{Is: logic.Player}}
		r := newRule(1, kind.NoThing, 0, pressed(plate)).do(says, becomes(dew), says)
		then := newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.FactReached.Number, Thing: note, Number: dew}).do(up(labels, 1))
		asks := newRule(3, kind.NoThing, 0)
		asks.Begins, asks.If = logic.While, logic.Needs(logic.FactValue, note, logic.Equals, dew)
		asks.do(opens(sluice, "open"))
		d := apply(t, ruled(t, view, r, then, asks), edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: note}, Values: fact.Values()})
		w := corridor.Begin(t, d, 3, sluice)
		var said []string
		for n := 0; n < 300; n++ {
			if p, _, reads := w.Page(); reads {
				said = append(said, strings.Join(p.Lines, "/"))
				w.Hold(play.Jump, 1, nil)
				w.Wait(3)
			}
			if len(said) == 0 {
				w.Tick(play.Right)
			} else {
				w.Tick(0)
			}
		}
		if got := strings.Join(said, "; "); got != "Entry: Fog; Entry: Dew at 2 o’clock" {
			t.Errorf("the player reads %q", got)
		}
		if factOf(w, d, labels) != 1 || w.State() != "open" {
			t.Errorf("it came to be the text %d times, and the sluice is %s", factOf(w, d, labels), w.State())
		}
		d = apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortFact, ID: note}, Value: world.Value{Field: world.FactText{Number: dew}.Value().Field}})
		if f := d.Fact(note); f.Says(dew) != "" || len(f.Texts) != 1 {
			t.Errorf("the text that was taken away is %q, of %d", f.Says(dew), len(f.Texts))
		}
	})
}
