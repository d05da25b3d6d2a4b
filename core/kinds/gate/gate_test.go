package gate_test

import (
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/container"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/gate"
	"azzel/core/kinds/person"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/play"
	"azzel/core/world"
)

const bars, lever, crate = world.ID(700), world.ID(701), world.ID(702)

// way is a corridor with a gate in its tenth column that a lever in another works, and perhaps more in it.
func way(t *testing.T, view world.View, column int, more []corridor.Piece, set ...kind.Value) *world.Document {
	t.Helper()
	w := world.Wire{From: lever, To: bars}
	return corridor.New(t, view, append([]corridor.Piece{{ID: bars, Column: 10, Type: gate.Kind.ID, Set: kind.Set(set...)},
		{ID: lever, Column: column, Type: switches.Kind.ID, Set: kind.Set(switches.By.Is(switches.ByUse), switches.Then.Is(switches.Toggles))}}, more...),
		edit.Put{Ref: edit.WireRef(750), Values: w.Values()})
}

// far is how far something is from where it stands, in pixels to the right and down.
func far(w corridor.Walk, d *world.Document, id world.ID) (x, y int) {
	_, p := d.Piece(id)
	w.Things(func(is play.Thing, _ int, _ body.Size) {
		if is.ID == id {
			x, y = is.Place.X/body.Unit-p.Foot.X, is.Place.Y/body.Unit-p.Foot.Y-1
		}
	})
	return x, y
}

// pull lets the player in the fifth column use the lever.
func pull(w corridor.Walk) {
	w.Hold(play.Use, 1, nil)
	w.Wait(1)
}

// A gate is in the way until it is worked; then it goes as far as it says in the time that it says, and back; it is there at once where
// it starts so, and gone back to it is where it was.
func TestGoing(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		for n, c := range []struct{ way, far, ticks, dx, dy int }{{0, 1, 30, 0, -16}, {1, 2, 60, 0, 32}, {2, 3, 90, -48, 0}, {3, 2, 7, 32, 0}} {
			d := way(t, view, 5, nil, gate.Way.Is(c.way), gate.Far.Is(c.far), gate.In.Is(c.ticks))
			w := corridor.Begin(t, d, 5, bars)
			if n := w.Hold(play.Use, 1, props.Opened); n != 1 {
				t.Fatalf("pulled, the gate was opened %d times", n)
			}
			w.Wait(c.ticks / 2)
			if x, y := far(w, d, bars); max(x, -x, y, -y) == 0 || x == c.dx && y == c.dy {
				t.Errorf("%d: after half the time it is %d, %d away", n, x, y)
			}
			w.Wait(c.ticks/2 + 4)
			if x, y := far(w, d, bars); x != c.dx || y != c.dy || w.State() != "gate-open" {
				t.Errorf("%d: opened it is %d, %d away, want %d, %d", n, x, y, c.dx, c.dy)
			}
			pull(w)
			w.Wait(c.ticks + 4)
			if x, y := far(w, d, bars); x != 0 || y != 0 || w.State() != "gate-shut" {
				t.Errorf("%d: shut it is %d, %d away", n, x, y)
			}
		}
		shut := corridor.Begin(t, way(t, view, 5, nil), 6, bars)
		if shut.Hold(play.Right, 200, nil); shut.Column() != 9 {
			t.Errorf("past a gate that is shut the player comes to column %d", shut.Column())
		}
		d := way(t, view, 5, nil, props.Own.Is(gate.Kind.States[1].Number), gate.Way.Is(1))
		// A wire that is on while held would shut it as play begins.
		res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Remove{Ref: edit.WireRef(750)}}})
		if err != nil {
			t.Fatal(err)
		}
		d = res.Document
		open := corridor.Begin(t, d, 6, bars)
		open.Wait(1)
		if x, y := far(open, d, bars); x != 0 || y != 16 {
			t.Errorf("one that starts open is %d, %d away after a tick", x, y)
		}
		if open.Hold(play.Right, 200, nil); open.Column() <= 10 {
			t.Errorf("past a gate that is open the player comes to column %d", open.Column())
		}
	})
}

// Who is in its way stops it, is pushed, or is crushed, as it says; a gate that is stopped goes on once its way is free. A crate is
// pushed like a player, and what stands on a gate that rises is carried.
func TestInItsWay(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		for how, c := range []struct {
			free, caught int // how far it gets, in pixels
			crushed      bool
		}{{0, 0, false}, {-32, 0, false}, {-32, -32, true}} {
			for _, caught := range []bool{false, true} {
				more := []corridor.Piece{}
				if caught {
					more = append(more, corridor.Piece{ID: crate, Column: 8, Type: container.Kind.ID})
				}
				// It opens to the left over the column in which the player stands, who works it.
				d := way(t, view, 9, more, gate.Way.Is(2), gate.Far.Is(2), gate.In.Is(32), gate.Meets.Is(how))
				w := corridor.Begin(t, d, 9, bars)
				w.Hold(play.Right, 4, nil)
				w.Hold(play.Use, 1, nil)
				crushed := 0
				for range 60 {
					w.Tick(0)
					if play.Happened(w.Events(), play.Crushed) {
						crushed++
					}
				}
				want := c.free
				if caught {
					want = c.caught
				}
				x, _ := far(w, d, bars)
				if near := x-want > -3 && x-want < 3 || want == 0 && x > -12; !near || (crushed > 0) != (c.crushed && caught) {
					t.Errorf("%d, with a wall behind: %t: it is %d away, and the player was crushed %d times", how, caught, x, crushed)
				}
				if how == 0 && !caught {
					w.To(t, 6)
					w.Wait(60)
					if x, _ := far(w, d, bars); x != -32 {
						t.Errorf("with its way free again it is %d away", x)
					}
				}
			}
		}
	})
	// One of two cells fills what is two cells high, and no more.
	d := way(t, world.SideView, 9, nil, gate.Way.Is(1), gate.Far.Is(1), gate.In.Is(20), props.Height.Is(2))
	if w := corridor.Begin(t, d, 6, bars); w.Hold(play.Right, 100, nil) != 0 || w.Column() != 9 {
		t.Errorf("before one of two cells the player comes to column %d", w.Column())
	}
}

// A gate goes back though the player leans against it. Who is crushed by one is gone, and does not count as spoken to.
func TestShutBesideThePlayer(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := way(t, view, 8, nil, gate.Way.Is(2), gate.Far.Is(1), gate.In.Is(10))
		w := corridor.Begin(t, d, 8, bars)
		w.Hold(play.Use, 1, nil)
		w.Wait(30)
		w.Hold(play.Right, 30, nil)
		if x, _ := far(w, d, bars); x != -16 {
			t.Fatalf("opened over the cell beside the player it is %d away", x)
		}
		w.Hold(play.Use|play.Right, 1, nil)
		w.Wait(30)
		if x, _ := far(w, d, bars); x != 0 {
			t.Errorf("with the player beside it, shut it is %d away", x)
		}

		const keeper, met = world.ID(703), world.ID(801)
		has := kind.Set(world.Change{Fact: met, By: 1}.Props()...)
		d = way(t, view, 5, []corridor.Piece{{ID: keeper, Column: 9, Type: person.Kind.ID, Set: has}, {ID: crate, Column: 8, Type: container.Kind.ID}}, gate.Way.Is(2), gate.Far.Is(2), gate.In.Is(20), gate.Meets.Is(2))
		res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: met}, Values: (&world.Fact{Name: "Met", Counts: true}).Values()}}})
		if err != nil {
			t.Fatal(err)
		}
		w = corridor.Begin(t, res.Document, 5, bars)
		pull(w)
		w.Wait(40)
		gone := false
		w.Things(func(is play.Thing, _ int, _ body.Size) { gone = gone || is.ID == keeper && is.Gone })
		if is, _ := w.Known(res.Document.Fact(met)); !gone || is.Value != 0 {
			t.Errorf("the keeper is gone: %t, and the fact that they set is %d", gone, is.Value)
		}
	})
}
