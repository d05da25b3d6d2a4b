package sign_test

import (
	"strings"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/kinds/sign"
	"azzel/core/kinds/switches"
	"azzel/core/play"
	"azzel/core/words"
	"azzel/core/world"
)

const board, count, moth, lever = world.ID(700), world.ID(801), world.ID(702), world.ID(703)

// hall is a corridor with a sign in its sixth column that has two pages, and counts how often it was read for the first time; a lever is before it, and far off
// something goes to and fro.
func hall(t *testing.T, view world.View, set ...kind.Value) *world.Document {
	t.Helper()
	says := words.Text{{Letters: "Read for the first time: "}, {Fact: count}, {Letters: ".\n\nPlease dim the lamp."}}
	has := kind.Set(says.Set(props.Says)).With(world.Change{Fact: count}.Props()...).With(set...)
	return corridor.New(t, view, []corridor.Piece{{ID: lever, Column: 5, Type: switches.Kind.ID, Set: kind.Set(switches.By.Is(switches.ByUse), switches.Then.Is(switches.Stays))}, {ID: board, Column: 6, Type: sign.Kind.ID, Set: has}, {ID: moth, Column: 20, Type: world.Foe, Set: ""}},
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: count}, Values: (&world.Fact{Name: "Boards read", Counts: true}).Values()})
}

func shown(w corridor.Walk) string {
	p, _, _ := w.Page()
	return strings.Join(p.Lines, "/")
}

// A sign is read page by page, each by a key that is pressed anew, while nothing else moves; then it was read, sets its fact once,
// and can be read again.
func TestReading(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := hall(t, view)
		w := corridor.Begin(t, d, 2, board)
		w.Hold(play.Right, 200, nil)
		if at := w.Column(); view == world.TopDown && at != 5 || view == world.SideView && at <= 6 {
			t.Errorf("the player comes to column %d", at)
		}
		w.To(t, map[world.View]int{world.TopDown: 5, world.SideView: 6}[view])
		if view == world.TopDown {
			w.Tick(play.Right)
		}
		w.Wait(30)
		if n := w.Hold(play.Use, 3, props.Read); n != 0 || shown(w) != "Read for the first time: 0." || w.State() != "unread" {
			t.Fatalf("used, it says %q, was read %d times and is %s", shown(w), n, w.State())
		}
		at, far := w.Status().Place, placeOf(w, moth)
		w.Hold(play.Use|play.Left, 60, props.Read)
		w.Hold(play.Left, 60, props.Read)
		if shown(w) != "Read for the first time: 0." || w.Status().Place != at || placeOf(w, moth) != far {
			t.Errorf("while it is read, the player went from %v to %v, the moth from %v to %v, and it says %q", at, w.Status().Place, far, placeOf(w, moth), shown(w))
		}
		w.Hold(play.Jump, 1, nil)
		if shown(w) != "Please dim the lamp." {
			t.Errorf("the second page is %q", shown(w))
		}
		w.Wait(1)
		if n := w.Hold(play.Use, 5, props.Read); n != 1 || w.Reads() || w.State() != "read" {
			t.Errorf("read to its end, it was read %d times, is %s, and is read still: %t", n, w.State(), w.Reads())
		}
		if is, _ := w.Known(d.Fact(count)); is.Value != 1 {
			t.Errorf("read once, its fact is %d", is.Value)
		}
		w.Wait(30)
		if placeOf(w, moth) == far {
			t.Error("the moth stands still after it was read")
		}
		w.Hold(play.Use, 2, nil)
		if shown(w) != "Read for the first time: 1." {
			t.Errorf("read again, it says %q", shown(w))
		}
		w.Wait(2)
		w.Hold(play.Use, 2, nil)
		w.Wait(2)
		w.Hold(play.Use, 2, nil)
		if is, _ := w.Known(d.Fact(count)); is.Value != 1 || w.Reads() {
			t.Errorf("read twice, its fact is %d", is.Value)
		}
	})
}

// One that is read by walking against it is read once until the player went away; one that is off, or says nothing, opens no box.
func TestReadByTouch(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := hall(t, view, props.SaysBy.Is(props.SaysWhenTouched))
		w := corridor.Begin(t, d, 2, board)
		for range 200 {
			if w.Tick(play.Right); w.Reads() {
				break
			}
		}
		w.Wait(1)
		w.Hold(play.Use, 1, nil)
		w.Wait(1)
		// The key that shuts it does nothing else while it is held.
		if w.Hold(play.Use, 3, nil); corridor.StateOf(w.Game, lever) != "released" {
			t.Error("the key that turned the last page has pressed a lever too")
		}
		if n := w.Hold(0, 30, props.Read) + w.Hold(play.Use, 5, props.Read); n != 0 || w.Reads() || w.State() != "read" {
			t.Errorf("read by touch and left, it is read again at once, or was not read: %d, %s", n, w.State())
		}
		w.To(t, 2)
		for range 200 {
			if w.Tick(play.Right); w.Reads() {
				return
			}
		}
		t.Error("come to again, it is not read")
	})
	for name, set := range map[string]kind.Value{"off": props.Power.Is(kind.Off), "empty": props.Says.Unset()} {
		w := corridor.Begin(t, hall(t, world.TopDown, set), 2, board)
		w.Hold(play.Right, 200, nil)
		n := w.Hold(play.Use, 1, props.Read)
		if is := w.State(); w.Reads() || (name == "empty") != (n == 1 && is == "read") {
			t.Errorf("one that is %s is read %d times and is %s", name, n, is)
		}
	}
}

// What is read ends with what says it, and with its words, whatever page is shown; nothing comes of it then.
func TestReadWhileChanged(t *testing.T) {
	for name, part := range map[string]edit.Part{
		"deleted": edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: 0, ID: board}},
		"emptied": edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: 0, ID: board}, Value: world.Value{Field: props.Says.Field}},
	} {
		d := hall(t, world.TopDown)
		w := corridor.Begin(t, d, 2, board)
		w.Hold(play.Right, 200, nil)
		w.Hold(play.Use, 1, nil)
		ref := world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: board}
		switch p := part.(type) {
		case edit.Remove:
			p.Ref = ref
			part = p
		case edit.Change:
			p.Ref = ref
			part = p
		}
		res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{part}})
		if err != nil {
			t.Fatal(err)
		}
		if err := w.SetDocument(res.Document); err != nil {
			t.Fatal(err)
		}
		w.Wait(2)
		if w.Reads() {
			t.Errorf("%s, it is read still", name)
		}
	}
}

// A player who is brought elsewhere while they read has not read it.
func TestBroughtWhileReading(t *testing.T) {
	const mark = world.ID(705)
	d := hall(t, world.TopDown)
	m := d.Maps[0]
	away := world.Piece{Type: world.Mark, Layer: m.PlayerLayer, Foot: m.FootOf(d.Project.Lattice(), world.Mark, grid.Point{X: 12, Y: corridor.Row})}
	res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: mark}, Values: away.Values()}}})
	if err != nil {
		t.Fatal(err)
	}
	w := corridor.Begin(t, res.Document, 5, board)
	r := play.Record(w.Game)
	r.Tick(play.Right)
	r.Tick(play.Use)
	if !r.Game().Reads() {
		t.Fatal("nothing is read")
	}
	if err := r.Bring(mark); err != nil {
		t.Fatal(err)
	}
	r.Tick(0)
	if is := corridor.StateOf(r.Game(), board); r.Game().Reads() || is != "unread" {
		t.Errorf("brought elsewhere, the player reads: %t, and it is %s", r.Game().Reads(), is)
	}
}

// placeOf is where something is by now.
func placeOf(w corridor.Walk, id world.ID) (at [2]int) {
	w.Things(func(t play.Thing, _ int, _ body.Size) {
		if t.ID == id {
			at = [2]int{t.Place.X, t.Place.Y}
		}
	})
	return at
}
