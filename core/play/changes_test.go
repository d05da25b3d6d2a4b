package play_test

import (
	"slices"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// Over random worlds and edits of none, each time the own state of a piece changes its kind declares that it goes so, and
// the moment at which it does happened to the piece in that tick. Each change that is declared is seen, each moment raised.
func TestChangesAreDeclared(t *testing.T) {
	type change struct {
		from, to *kind.State
		by       *kind.Moment
		view     world.View
	}
	type raising struct {
		moment *kind.Moment
		view   world.View
	}
	seen, raised := map[change]int{}, map[raising]int{}
	for seed := range uint64(960) {
		d, g := begun(t, seed)
		own := func(p *world.Piece) *kind.State {
			n, _ := g.Asked(0).State(p.ID)
			return kind.StateOf(n)
		}
		was := map[*world.Piece]*kind.State{}
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				was[p] = own(p)
			}
		}
		for tick, in := range generate.Inputs(seed, 500) {
			view := d.Map(g.Status().Map).View
			g.Tick(in)
			for _, e := range g.Events() {
				if raised[raising{e.Moment, view}]++; e.Tick != tick+1 {
					t.Fatalf("world %d: %s in tick %d is said to be of tick %d", seed, e.Moment.Word, tick+1, e.Tick)
				}
			}
			for _, m := range d.Maps {
				for _, p := range m.Pieces {
					is := own(p)
					if is == was[p] {
						continue
					}
					k := p.Kind()
					if k.Drawn {
						k = kindOf(is)
					}
					n := slices.IndexFunc(k.Changes, func(c kind.Change) bool {
						return c.From == was[p] && c.To == is && slices.ContainsFunc(g.Events(), func(e play.Event) bool { return e.Moment == c.By && e.Piece == p.ID })
					})
					if n < 0 && (m.BeginsAnew(p, world.AnewOnReturn) || m.BeginsAnew(p, world.AnewAfterHarm)) {
						// What becomes of it then is in TestBeginsAnew.
						was[p] = is
						continue
					}
					if n < 0 {
						t.Fatalf("world %d, tick %d: a %s goes from %s to %s, which nothing explains: %v", seed, tick+1, k.Word, was[p].Word, is.Word, toldTo(d, g.Events()))
					}
					c := k.Changes[n]
					seen[change{c.From, c.To, c.By, view}]++
					was[p] = is
				}
			}
		}
	}
	for _, k := range kind.All() {
		for _, c := range k.Changes {
			if !slices.Contains(k.States, c.From) || !slices.Contains(k.States, c.To) || !slices.Contains(k.Moments, c.By) {
				t.Errorf("a %s changes by what it does not declare: %s", k.Word, c.By.Word)
			}
		}
		for _, view := range []world.View{world.TopDown, world.SideView} {
			for _, c := range k.Changes {
				if rareFromAbove[c.By] != "" && view == world.TopDown {
					continue
				}
				if want := fromTheSideAlone[c.By] == "" || view == world.SideView; (seen[change{c.From, c.To, c.By, view}] > 0) != want {
					t.Errorf("in view %d a %s was seen %d times to go from %s to %s by being %s", view, k.Word, seen[change{c.From, c.To, c.By, view}], c.From.Word, c.To.Word, c.By.Name)
				}
			}
			for _, m := range k.Moments {
				if m == props.SwitchedOn || m == props.SwitchedOff {
					continue // which comes by wires and rules, not by what a piece does: TestOpenedWiresPlayAlike
				}
				if rareFromAbove[m] != "" && view == world.TopDown {
					continue
				}
				if want := fromTheSideAlone[m] == "" || view == world.SideView; (raised[raising{m, view}] > 0) != want {
					t.Errorf("in view %d something was %d times %s", view, raised[raising{m, view}], m.Name)
				}
			}
		}
	}
}

// fromTheSideAlone are the moments that never come from above, each with its reason.
var fromTheSideAlone = map[*kind.Moment]string{
	props.Stomped: "from above nobody jumps", props.Threw: "from above nobody jumps",
}

// rareFromAbove are the moments that come from above so seldom that random play need not show them, each with its reason.
var rareFromAbove = map[*kind.Moment]string{props.Lost: "only what a platform carries over the edge of a map is lost"}

// kindOf is the kind that has a state.
func kindOf(s *kind.State) *kind.Kind {
	return kind.First(func(k *kind.Kind) bool { return slices.Contains(k.States, s) })
}

// A condition asks for what became of a piece: it is there once another was broken, in the same tick.
func TestStatesAreAsked(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		broken := logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: 700}, Is: 2}
		label := &world.Piece{Type: world.Collectible}
		label.SetWhile(broken)
		d = apply(t, d, put(d, 700, world.Breakable, 6, 9, ""), put(d, 701, world.Collectible, 12, 9, label.Props))
		d = apply(t, d, as(d, world.Movement{Arms: world.Striking})...)
		g := begin(t, d, 5, 9)
		walk(g, play.Right, 4)
		if g.Here(701) {
			t.Error("it is there before the other one was broken")
		}
		for range 60 {
			if g.Tick(play.Strike); where(g, 700).Gone != g.Here(701) {
				t.Fatal("it is not there in the tick in which the other one was broken")
			}
		}
		if !g.Here(701) {
			t.Error("nothing was broken, so that this shows nothing")
		}
	})
}

// All foes that are one character are defeated with it, wherever they stand: each is told of.
func TestCharacterIsGoneEverywhere(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d, left, right, further := besideEachOther(t, view)
		moth := &world.Character{Name: "Moth"}
		at := func(m *world.Map, id world.ID, x int) edit.Part {
			p := &world.Piece{Type: world.Foe, Layer: m.PlayerLayer, Foot: m.FootOf(d.Project.Lattice(), world.Foe, grid.Point{X: x, Y: 9}), Props: kind.Set(props.Who.Refer(640), props.Does.Is(props.Stands))}
			return edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}
		}
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 640}, Values: moth.Values()}, at(left, 700, left.Bounds.X+6), at(right, 701, 8), at(further, 702, 8))
		d = apply(t, d, as(d, world.Movement{Arms: world.Striking})...)
		g, err := play.New(d, play.Start{Map: left.ID, Cell: grid.Point{X: left.Bounds.X + 5, Y: 9}})
		if err != nil {
			t.Fatal(err)
		}
		walk(g, play.Right, 2)
		var told []world.ID
		for _, e := range walk(g, play.Strike, 60) {
			if e.Moment == props.Defeated {
				told = append(told, e.Piece)
			}
		}
		if !slices.Equal(told, []world.ID{700, 701, 702}) {
			t.Errorf("told of are %v", told)
		}
		for _, id := range []world.ID{700, 701, 702} {
			if is, _ := g.Asked(0).State(id); kind.StateOf(is).Word != "defeated" {
				t.Errorf("%d is %s", id, kind.StateOf(is).Word)
			}
		}
	})
}

// What is off does nothing: it does not hurt, throw, come, go, shoot, let anything come or out; on, it does. What is hidden
// does all of it and is not seen, what is absent or starts broken, taken or defeated is not there; conditions say so.
func TestHowPiecesStart(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		d = apply(t, d, as(d, world.Movement{Health: 9})...)
		for _, of := range []struct {
			name string
			kind world.ID
			set  kind.Values
			does func(g *play.Game, events []play.Event) bool
		}{
			{"hazard", world.Hazard, "", func(_ *play.Game, events []play.Event) bool { return play.Happened(events, play.Hurt) }},
			{"foe", world.Foe, kind.Set(props.Does.Is(props.Stands)), func(_ *play.Game, events []play.Event) bool { return play.Happened(events, play.Hurt) }},
			{"shooting foe", world.Foe, kind.Set(props.Does.Is(props.Stands), props.Every.Is(10), props.Harm.Is(1)), func(_ *play.Game, events []play.Event) bool { return play.Happened(events, play.Hurt) }},
			{"emitter", world.Emitter, kind.Set(props.Every.Is(20)), func(g *play.Game, _ []play.Event) bool {
				n := 0
				g.Things(func(play.Thing, int, body.Size) { n++ })
				return n > 1
			}},
			{"checkpoint", world.Checkpoint, "", func(g *play.Game, _ []play.Event) bool { return g.Status().Checkpoint == 700 }},
			{"exit", world.Exit, "", func(g *play.Game, _ []play.Event) bool { return g.Status().Finished }},
			{"platform", world.MovingPlatform, kind.Set(props.To.Is(0, -64)), nil},
		} {
			for _, start := range []struct {
				name string
				set  kind.Value
				does bool
			}{
				{"as usual", kind.Value{}, true}, {"off", props.Power.Is(kind.Off), false}, {"on", props.Power.Is(kind.On), true},
				{"hidden", props.Starts.Is(kind.Hidden), true}, {"absent", props.Starts.Is(kind.Absent), false},
			} {
				set := of.set
				if start.set.Field != 0 {
					set = set.With(start.set)
				}
				g := begin(t, apply(t, d, put(d, 700, of.kind, 7, 9, set)), 5, 9)
				before := play.PlaceOf(g, 700)
				events := walk(g, play.Right, 90)
				does := play.PlaceOf(g, 700) != before
				if of.does != nil {
					does = of.does(g, events)
				}
				if does != start.does {
					t.Errorf("a %s that starts %s does what it is for: %t", of.name, start.name, does)
				}
				presence, _ := g.Asked(0).Presence(700)
				if want := map[string]int{"hidden": kind.Hidden, "absent": kind.Absent}[start.name]; presence != want {
					t.Errorf("a %s that starts %s is %s", of.name, start.name, kind.Presences[presence])
				}
				if power, has := g.Asked(0).Power(700); !has || (power == kind.Off) != (start.name == "off") {
					t.Errorf("a %s that starts %s has the power %d: %t", of.name, start.name, power, has)
				}
			}
		}
		for of, own := range map[world.ID]string{world.Breakable: "broken", world.Collectible: "taken", world.Foe: "defeated"} {
			g := begin(t, apply(t, d, put(d, 700, of, 7, 9, kind.Set(props.Own.Is(kind.StateNamed(own).Number)))), 5, 9)
			events := walk(g, play.Right, 60)
			if is, _ := g.Asked(0).State(700); g.Here(700) || kind.StateOf(is).Word != own || play.Happened(events, props.Taken) || play.Happened(events, play.Hurt) {
				t.Errorf("what starts %s is %s, and there: %t", own, kind.StateOf(is).Word, g.Here(700))
			}
		}
	})
}
