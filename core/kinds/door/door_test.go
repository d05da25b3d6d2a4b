package door_test

import (
	"testing"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

const theDoor, fuse = world.ID(700), world.ID(801)

// shed is a corridor with a door in its sixth column and what else is told; the player begins with two fuses.
func shed(t *testing.T, view world.View, set kind.Values, more ...corridor.Piece) *world.Document {
	t.Helper()
	who := &world.Character{Name: "Gardener", Begins: []world.Stock{{Item: fuse, Count: 2}}}
	return corridor.New(t, view, append([]corridor.Piece{{ID: theDoor, Column: 6, Type: door.Kind.ID, Set: set}}, more...),
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: fuse}, Values: (&world.Item{Name: "Fuse"}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 900}, Values: who.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 900)})
}

// A door stops the player until it is opened, by walking against it or by using it, and not otherwise.
func TestOpening(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		touched := corridor.Begin(t, shed(t, view, ""), 2, theDoor)
		if n := touched.Hold(play.Right, 150, props.Opened); n != 1 || touched.Column() < 9 || touched.State() != "open" {
			t.Errorf("walked against, it was opened %d times, the player stands in column %d, it is %s", n, touched.Column(), touched.State())
		}
		used := corridor.Begin(t, shed(t, view, kind.Set(props.Opens.Is(1))), 2, theDoor)
		if n := used.Hold(play.Right, 150, props.Opened); n != 0 || used.Column() != 5 || used.State() != "closed" {
			t.Errorf("walked against, one that is to be used was opened %d times, the player stands in column %d", n, used.Column())
		}
		if n := used.Hold(play.Use, 1, props.Opened); n != 1 || used.State() != "open" {
			t.Errorf("used, it was opened %d times and is %s", n, used.State())
		}
		if used.Hold(play.Right, 120, props.Opened); used.Column() < 9 {
			t.Errorf("once it is open the player comes to column %d", used.Column())
		}
		far := corridor.Begin(t, shed(t, view, kind.Set(props.Opens.Is(1))), 2, theDoor)
		if n := far.Hold(play.Use, 1, props.Opened); n != 0 {
			t.Error("it was used from three cells away")
		}
		off := corridor.Begin(t, shed(t, view, kind.Set(props.Power.Is(kind.Off))), 2, theDoor)
		if n := off.Hold(play.Right, 150, props.Opened); n != 0 || off.Column() != 5 {
			t.Errorf("switched off, it was opened %d times", n)
		}
	})
}

// What it needs keeps it locked; the player is told once, loses the item if it is used up, and finds it unlocked afterwards.
func TestLocked(t *testing.T) {
	needs := func(n int) kind.Value { return logic.Needs(logic.ItemCount, fuse, logic.AtLeast, n).Set(props.Needs) }
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		lacking := corridor.Begin(t, shed(t, view, kind.Set(needs(3))), 2, theDoor)
		if n := lacking.Hold(play.Right, 150, props.Refused); n != 1 || lacking.Column() != 5 || lacking.State() != "locked" {
			t.Errorf("with too few, it refused %d times, the player stands in column %d, it is %s", n, lacking.Column(), lacking.State())
		}
		for _, c := range []struct{ usesUp, left int }{{0, 2}, {1, 1}} {
			d := shed(t, view, kind.Set(needs(1), props.UsesUp.Is(c.usesUp), props.ShutsAfter.Is(30)))
			w := corridor.Begin(t, d, 2, theDoor)
			if n := w.Hold(play.Right, 150, props.Opened); n != 1 || w.Column() < 9 {
				t.Errorf("with what it needs, it was opened %d times, the player stands in column %d", n, w.Column())
			}
			if had := w.Has(d.Item(fuse)); had != c.left {
				t.Errorf("with used up %d, %d fuses are left, not %d", c.usesUp, had, c.left)
			}
			if w.Hold(0, 60, props.Shut); w.State() != "closed" {
				t.Errorf("shut again it is %s", w.State())
			}
		}
	})
}

// It shuts by itself, and never on anybody or anything: who stands in it keeps it open.
func TestShutting(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := shed(t, view, kind.Set(props.ShutsAfter.Is(40)))
		w := corridor.Begin(t, d, 2, theDoor)
		if w.Hold(play.Right, 150, props.Shut) != 1 || w.State() != "closed" {
			t.Errorf("after the player went through, it is %s", w.State())
		}
		in := corridor.Begin(t, d, 2, theDoor)
		for in.Column() < 6 {
			in.Tick(play.Right)
		}
		if n := in.Hold(0, 200, props.Shut); n != 0 || in.State() != "open" {
			t.Errorf("with the player in it, it shut %d times", n)
		}
		if n := in.Hold(play.Right, 60, props.Shut); n != 1 {
			t.Errorf("once the player is out, it shut %d times", n)
		}
		crate := shed(t, view, kind.Set(props.ShutsAfter.Is(40), props.Own.Is(10)), corridor.Piece{ID: theDoor + 1, Column: 6, Type: world.Pushable})
		if c := corridor.Begin(t, crate, 2, theDoor); c.Hold(0, 200, props.Shut) != 0 {
			t.Error("it shut on a crate")
		}
	})
}

// Gone back to, a moment at which it was shut is as it was; a document in which it starts open lets it be open.
func TestRewound(t *testing.T) {
	d := shed(t, world.TopDown, "")
	w := corridor.Begin(t, d, 2, theDoor)
	r := play.Record(w.Game)
	for range 150 {
		r.Tick(play.Right)
	}
	hash := r.Game().Hash()
	if err := r.Go(10); err != nil {
		t.Fatal(err)
	}
	if is := corridor.StateOf(r.Game(), theDoor); is != "closed" {
		t.Errorf("gone back to before, it is %s", is)
	}
	if err := r.Go(r.Last()); err != nil || r.Game().Hash() != hash {
		t.Errorf("gone forward again, it is another play: %v", err)
	}
	open := corridor.Begin(t, shed(t, world.TopDown, kind.Set(props.Own.Is(10))), 2, theDoor)
	if n := open.Hold(play.Right, 150, props.Opened); n != 0 || open.Column() < 9 {
		t.Errorf("one that starts open was opened %d times", n)
	}
}
