package container_test

import (
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/container"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

const cabinet, fuse, key, found = world.ID(700), world.ID(801), world.ID(802), world.ID(803)

// shed is a corridor with a container in its sixth column that gives two fuses; the player begins with a key, and can have five
// fuses.
func shed(t *testing.T, view world.View, set kind.Values) *world.Document {
	t.Helper()
	who := &world.Character{Name: "Gardener", Begins: []world.Stock{{Item: key, Count: 1}}}
	set = set.With(props.Item.Refer(fuse), props.Amount.Is(2)).With(world.Change{Fact: found}.Props()...)
	return corridor.New(t, view, []corridor.Piece{{ID: cabinet, Column: 6, Type: container.Kind.ID, Set: set}},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: fuse}, Values: (&world.Item{Name: "Fuse", Most: 5}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: key}, Values: (&world.Item{Name: "Key"}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: found}, Values: (&world.Fact{Name: "Cabinets opened", Counts: true}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 900}, Values: who.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 900)})
}

// A container gives what is in it once, to the player who opens it in the way that is said, and stops them all the same.
func TestGiving(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := shed(t, view, "")
		has := func(w corridor.Walk, id world.ID) int { return w.Has(d.Item(id)) }
		w := corridor.Begin(t, d, 2, cabinet)
		if n := w.Hold(play.Right, 200, props.Emptied); n != 1 || has(w, fuse) != 2 || w.State() != "empty" || w.Column() != 5 {
			t.Errorf("walked against, it was opened %d times and is %s, the player has %d fuses and stands in column %d", n, w.State(), has(w, fuse), w.Column())
		}
		if is, _ := w.Known(d.Fact(found)); is.Value != 1 || is.By != cabinet {
			t.Errorf("opened, it has set its fact to %d by piece %d", is.Value, is.By)
		}
		used := corridor.Begin(t, shed(t, view, kind.Set(container.By.Is(1))), 2, cabinet)
		if n := used.Hold(play.Right, 200, props.Emptied); n != 0 || has(used, fuse) != 0 {
			t.Errorf("one that is to be used was opened %d times by walking against it", n)
		}
		if n := used.Hold(play.Use, 1, props.Emptied); n != 1 || has(used, fuse) != 2 {
			t.Errorf("used, it was opened %d times, the player has %d fuses", n, has(used, fuse))
		}
	})
}

// What it needs keeps it full, and is used up if it says so; what the player has no room for stays in it.
func TestNeedsAndRoom(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		for _, c := range []struct{ keys, usesUp, emptied, left int }{{2, 1, 0, 1}, {1, 0, 1, 1}, {1, 1, 1, 0}} {
			d := shed(t, view, kind.Set(logic.Needs(logic.ItemCount, key, logic.AtLeast, c.keys).Set(props.Needs), props.UsesUp.Is(c.usesUp)))
			w := corridor.Begin(t, d, 2, cabinet)
			if n := w.Hold(play.Right, 200, props.Emptied); n != c.emptied || w.Has(d.Item(key)) != c.left {
				t.Errorf("%+v: it was opened %d times, %d keys are left", c, n, w.Has(d.Item(key)))
			}
		}
		d := shed(t, view, kind.Set(props.FillsAfter.Is(30)))
		w := corridor.Begin(t, d, 2, cabinet)
		for i, c := range []struct{ emptied, has, refused int }{{1, 2, 0}, {1, 4, 0}, {0, 4, 1}} {
			emptied, refused := 0, 0
			for range 120 {
				w.Tick(play.Right)
				for _, e := range w.Events() {
					switch e.Moment {
					case props.Emptied:
						emptied++
					case props.Full:
						refused++
					}
				}
			}
			if emptied != c.emptied || refused != c.refused || w.Has(d.Item(fuse)) != c.has {
				t.Errorf("come to the %d. time, it was opened %d times and refused %d times, the player has %d fuses", i+1, emptied, refused, w.Has(d.Item(fuse)))
			}
			w.To(t, 2)
			if w.Wait(60); w.State() != "full" {
				t.Errorf("a while later it is %s", w.State())
			}
		}
	})
}

// Opened, it lets out as many as it says, beside it and not onto the player, and once; the item lies in the collectibles that come out.
func TestLettingOut(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		out := func(w corridor.Walk) (n int) {
			is := w.Status()
			w.Things(func(th play.Thing, _ int, size body.Size) {
				if th.From != cabinet || th.Gone {
					return
				}
				if n++; size.Box(th.Place).Meets(is.Size.Box(is.Place)) {
					t.Error("something came out onto the player")
				}
			})
			return n
		}
		still := []kind.Value{props.Most.Is(2), props.Does.Is(props.Stands)}
		d := shed(t, view, kind.Set(append(still, world.Odds{world.OddsFoe: 1}.Prop(), props.FillsAfter.Is(30))...))
		w := corridor.Begin(t, d, 2, cabinet)
		if w.Hold(play.Right|play.Unhurt, 100, nil); out(w) != 2 || w.Has(d.Item(fuse)) != 2 || w.State() != "empty" {
			t.Errorf("opened, it let out %d, the player has %d fuses, it is %s", out(w), w.Has(d.Item(fuse)), w.State())
		}
		w.To(t, 2)
		w.Wait(60)
		if w.Hold(play.Right|play.Unhurt, 100, props.Emptied); out(w) != 2 {
			t.Errorf("opened again, there are %d of two at most", out(w))
		}
		d = shed(t, view, kind.Set(append(still, world.Odds{world.OddsCollectible: 1}.Prop())...))
		w = corridor.Begin(t, d, 2, cabinet)
		if n := w.Hold(play.Right, 100, props.Emptied); n != 1 || out(w)*2+w.Has(d.Item(fuse)) != 4 {
			t.Errorf("opened %d times, %d lie there and the player has %d fuses, of two that give two", n, out(w), w.Has(d.Item(fuse)))
		}
	})
}
