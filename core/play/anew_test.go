package play_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/random"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

// withAnother adds an empty map far from the first one.
func withAnother(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	far := *d.Maps[0]
	far.ID, far.Number, far.Name, far.Origin, far.PlayerLayer = 800, 0, "Boiler room", grid.Point{X: 200}, 801
	far.SeenAs(world.TopDown)
	layer := &world.Layer{ID: 801, Name: "Ground", Counts: true}
	return apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortMap, ID: far.ID}, Values: far.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: far.ID, ID: 801}, Values: layer.Values()})
}

// For random pieces of each kind of which anything can become, on maps that are left or on which the player comes back after harm: what
// became of a piece is forgotten just when map and piece say so, and stays to the last bit otherwise.
func TestBeginsAnew(t *testing.T) {
	kept, forgotten := 0, 0
	both(t, func(t *testing.T, view world.View) {
		for _, k := range kind.All() {
			if !world.Remembers(k) {
				continue
			}
			for seed := range uint64(24) {
				r := rand.New(rand.NewPCG(seed, uint64(k.ID)))
				d := withAnother(t, bare(t, view))
				own := [2]int{r.IntN(3), r.IntN(3)}
				set := random.Values(r, k).With(props.Every.Is(20), props.Power.Unset(), props.Starts.Unset(), props.OnReturn.Is(own[0]), props.AfterHarm.Is(own[1]))
				next := *d.Maps[0]
				next.Anew = world.Anew(r.IntN(4))
				d = apply(t, d, append(edit.Changes(world.Ref{Sort: world.SortMap, ID: next.ID}, d.Maps[0].Values(), next.Values()), put(d, 700, k.ID, 8, 9, k.Keeps(set)))...)
				g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: 6, Y: 9}, Chance: seed})
				if err != nil {
					t.Fatal(err)
				}
				first := play.Became(g, 700)
				for when, is := range []world.Anew{world.AnewOnReturn, world.AnewAfterHarm} {
					for tick := range 150 + r.IntN(60) {
						in := []play.Input{play.Right, play.Left, play.Right | play.Jump, play.Strike, play.Use}[(tick/20+int(seed))%5]
						g.Tick(in)
					}
					if g.Status().Lifted != 0 || g.Status().Map != d.Maps[0].ID {
						continue
					}
					was := play.Became(g, 700)
					if is == world.AnewOnReturn {
						play.SetDown(g, d.Map(800), grid.Point{X: 4, Y: 4})
						if out := play.Became(g, 700); out != was {
							t.Fatalf("%s, seed %d: left, it is %s, and was %s", k.Word, seed, out, was)
						}
						play.SetDown(g, d.Maps[0], grid.Point{X: 2, Y: 9})
					} else {
						play.ComesBack(g)
					}
					anew := own[when] == props.BeginsAnew || own[when] == props.AsItsMap && next.Anew&is != 0
					want := was
					if anew {
						want = first
					}
					if got := play.Became(g, 700); got != want {
						t.Fatalf("%s, seed %d, time %d, anew %t: it is\n%s and should be\n%s, at first\n%s", k.Word, seed, when, anew, got, want, first)
					}
					switch {
					case was != first && anew:
						forgotten++
					case was != first:
						kept++
					}
				}
			}
		}
	})
	if kept < 150 || forgotten < 150 {
		t.Errorf("something became of pieces %d times that stayed, %d times that was forgotten", kept, forgotten)
	}
}

// What began anew over two maps: a corridor with a plate, and a shed that begins anew as the player returns, with a door that the plate
// turns on, one that is open while the plate is held, one that is open while the lamps are lit, and rules. What is done from elsewhere
// after the player left stays; rules of the shed that are under way end, and let the player move; what goes once ever goes once.
func TestShedBeginsAnew(t *testing.T) {
	const turned, held, soOpen, soShut = world.ID(901), world.ID(902), world.ID(903), world.ID(904)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		shed, layers := world.NewMap("Tool shed", grid.Point{X: 300}, grid.Rect{W: 12, H: 9}, &world.Counter{Prefix: 8})
		shed.Anew = world.AnewOnReturn
		parts := edit.PutMap(shed, layers)
		for i, id := range []world.ID{turned, held, soOpen, soShut} {
			end := &world.Piece{Type: door.Kind.ID, Layer: shed.PlayerLayer, Foot: shed.FootOf(grid.Lattice{W: 16, H: 16}, door.Kind.ID, grid.Point{X: 8, Y: 2 + 2*i})}
			if id == soShut {
				end.Props = kind.Set(props.Own.Is(kind.StateNamed("open").Number))
			}
			parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: shed.ID, ID: id}, Values: end.Values()})
		}
		begins := logic.Moment{Is: logic.MapBegins.Number, Thing: shed.ID}
		once, visit := newRule(1, kind.Map, shed.ID, begins).do(up(labels, 1)), newRule(2, kind.Map, shed.ID, begins).do(up(labels, 10))
		once.Repeats, visit.Repeats = logic.OnceEver, logic.OnceAVisit
		scene := newRule(3, kind.Map, shed.ID, begins).do(logic.Action{Does: logic.HoldStill}, wait(300), logic.Action{Does: logic.LetGo}, up(labels, 1000))
		scene.Repeats = logic.OnceEver
		so := newRule(4, kind.Map, shed.ID)
		so.Begins, so.If = logic.While, lit(logic.AtLeast)
		so.do(opens(soOpen, "open"))
		// What does not hold from the beginning is otherwise from the beginning, and again where its end begins anew.
		not := newRule(5, kind.Map, shed.ID)
		not.Begins, not.If = logic.While, lit(logic.Under)
		not.do(opens(soShut, "open"))
		not.in(0, logic.Otherwise, opens(soShut, "closed"))
		d := ruled(t, view, once, visit, scene, so, not)
		d = apply(t, d, append(parts,
			edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: plate}, Value: switches.Then.Is(1)},
			edit.Change{Ref: world.Ref{Sort: world.SortFact, ID: lamps}, Value: world.IntValue(3, 1)},
			edit.Put{Ref: edit.WireRef(910), Values: (&world.Wire{From: plate, To: turned, Does: world.TurnsOn}).Values()},
			edit.Put{Ref: edit.WireRef(911), Values: (&world.Wire{From: plate, To: held}).Values()})...)
		w := corridor.Begin(t, d, 3, plate)
		check := func(when string, want ...string) {
			t.Helper()
			for i, id := range []world.ID{turned, held, soOpen, soShut} {
				if is := corridor.StateOf(w.Game, id); is != want[i] {
					t.Errorf("%s, door %d is %s, not %s", when, i+1, is, want[i])
				}
			}
		}
		go2 := func(m *world.Map, x int) {
			play.SetDown(w.Game, d.Map(m.ID), grid.Point{X: x, Y: corridor.Row})
			w.Wait(5)
		}
		w.To(t, 5)
		w.Wait(3)
		check("worked from elsewhere", "open", "open", "open", "closed")
		go2(shed, 3)
		check("come to for the first time", "open", "open", "open", "closed")
		at := w.Status().Place
		w.Hold(play.Right, 20, nil)
		if w.Status().Place != at {
			t.Error("the scene lets the player move")
		}
		go2(d.Maps[0], 3)
		go2(shed, 3)
		check("come back to", "closed", "open", "open", "closed")
		w.Hold(play.Right, 20, nil)
		if w.Status().Place.X <= at.X {
			t.Error("the scene has ended, and the player can't move")
		}
		// Pressed again while the player is elsewhere: that is not of the visit before.
		go2(d.Maps[0], 3)
		d = apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: plate}, Value: switches.Then.Is(2)})
		if err := w.SetDocument(d); err != nil {
			t.Fatal(err)
		}
		for range 3 {
			w.To(t, 3)
			w.To(t, 5)
			w.Wait(3)
		}
		go2(shed, 3)
		check("worked while the player was elsewhere", "open", corridor.StateOf(w.Game, held), "open", "closed")
		w.Wait(400)
		if n := factOf(w, d, labels); n != 31 {
			t.Errorf("the labels are %d, not 31: once ever, three visits, and a scene that was left", n)
		}
	})
}
