package door_test

import (
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

const theDoor, fuse = world.ID(700), world.ID(801)

// corridor is a map that is a wall but for one row, with a door in the sixth column of that and what else is told; the player
// begins with two fuses.
func corridor(t *testing.T, view world.View, set kind.Values, more ...world.Piece) *world.Document {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 16, SeenH: 5, View: view}, &world.Counter{Prefix: 2})
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	all := grid.BoxRegion(m.Bounds)
	free := grid.BoxRegion(grid.Rect{X: m.Bounds.X, Y: 2, W: m.Bounds.W, H: 1})
	who := &world.Character{Name: "Gardener", Begins: []world.Stock{{Item: fuse, Count: 2}}}
	parts := []edit.Part{
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: all, Cells: grid.Runs{{N: all.Len(), Cell: grid.Cell(tiles.Wall)}}},
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: free, Cells: grid.Runs{{N: free.Len()}}},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: fuse}, Values: (&world.Item{Name: "Fuse"}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 900}, Values: who.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 900)},
	}
	for i, p := range append([]world.Piece{{Type: door.Kind.ID, Props: set}}, more...) {
		p.Layer, p.Foot = m.PlayerLayer, m.FootOf(d.Project.Lattice(), p.Type, grid.Point{X: 6, Y: 2})
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: theDoor + world.ID(i)}, Values: p.Values()})
	}
	res, err := edit.Apply(d, edit.Edit{Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// A walk is a game in the corridor.
type walk struct {
	*play.Game
	d *world.Document
}

func begin(t *testing.T, d *world.Document, x int) walk {
	t.Helper()
	g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: x, Y: 2}})
	if err != nil {
		t.Fatal(err)
	}
	return walk{g, d}
}

// holds lets ticks pass with something held, and counts a moment.
func (w walk) holds(in play.Input, ticks int, m *kind.Moment) (n int) {
	for range ticks {
		w.Tick(in)
		for _, e := range w.Events() {
			if e.Moment == m && e.Piece == theDoor {
				n++
			}
		}
	}
	return n
}

func (w walk) column() int { return w.Status().Place.Cell(w.d.Project.Lattice()).X }

func (w walk) state() string {
	n, _ := w.Asked(0).State(theDoor)
	return kind.StateOf(n).Word
}

func eitherWay(t *testing.T, run func(t *testing.T, view world.View)) {
	t.Run("from the side", func(t *testing.T) { run(t, world.SideView) })
	t.Run("from above", func(t *testing.T) { run(t, world.TopDown) })
}

// A door stops the player until it is opened, by walking against it or by using it, and not otherwise.
func TestOpening(t *testing.T) {
	eitherWay(t, func(t *testing.T, view world.View) {
		touched := begin(t, corridor(t, view, ""), 2)
		if n := touched.holds(play.Right, 150, props.Opened); n != 1 || touched.column() < 9 || touched.state() != "open" {
			t.Errorf("walked against, it was opened %d times, the player stands in column %d, it is %s", n, touched.column(), touched.state())
		}
		used := begin(t, corridor(t, view, kind.Set(props.Opens.Is(1))), 2)
		if n := used.holds(play.Right, 150, props.Opened); n != 0 || used.column() != 5 || used.state() != "closed" {
			t.Errorf("walked against, one that is to be used was opened %d times, the player stands in column %d", n, used.column())
		}
		if n := used.holds(play.Use, 1, props.Opened); n != 1 || used.state() != "open" {
			t.Errorf("used, it was opened %d times and is %s", n, used.state())
		}
		if used.holds(play.Right, 120, props.Opened); used.column() < 9 {
			t.Errorf("once it is open the player comes to column %d", used.column())
		}
		far := begin(t, corridor(t, view, kind.Set(props.Opens.Is(1))), 2)
		if n := far.holds(play.Use, 1, props.Opened); n != 0 {
			t.Error("it was used from three cells away")
		}
		off := begin(t, corridor(t, view, kind.Set(props.Power.Is(kind.Off))), 2)
		if n := off.holds(play.Right, 150, props.Opened); n != 0 || off.column() != 5 {
			t.Errorf("switched off, it was opened %d times", n)
		}
	})
}

// What it needs keeps it locked; the player is told once, loses the item if it is used up, and finds it unlocked afterwards.
func TestLocked(t *testing.T) {
	needs := func(n int) kind.Value { return logic.Needs(logic.ItemCount, fuse, logic.AtLeast, n).Set(props.Needs) }
	eitherWay(t, func(t *testing.T, view world.View) {
		lacking := begin(t, corridor(t, view, kind.Set(needs(3))), 2)
		if n := lacking.holds(play.Right, 150, props.Refused); n != 1 || lacking.column() != 5 || lacking.state() != "locked" {
			t.Errorf("with too few, it refused %d times, the player stands in column %d, it is %s", n, lacking.column(), lacking.state())
		}
		for _, c := range []struct{ usesUp, left int }{{0, 2}, {1, 1}} {
			w := begin(t, corridor(t, view, kind.Set(needs(1), props.UsesUp.Is(c.usesUp), props.ShutsAfter.Is(30))), 2)
			if n := w.holds(play.Right, 150, props.Opened); n != 1 || w.column() < 9 {
				t.Errorf("with what it needs, it was opened %d times, the player stands in column %d", n, w.column())
			}
			if had := w.Has(w.d.Item(fuse)); had != c.left {
				t.Errorf("with used up %d, %d fuses are left, not %d", c.usesUp, had, c.left)
			}
			if w.holds(0, 60, props.Shut); w.state() != "closed" {
				t.Errorf("shut again it is %s", w.state())
			}
		}
	})
}

// It shuts by itself, and never on anybody or anything: who stands in it keeps it open.
func TestShutting(t *testing.T) {
	eitherWay(t, func(t *testing.T, view world.View) {
		d := corridor(t, view, kind.Set(props.ShutsAfter.Is(40)))
		w := begin(t, d, 2)
		if w.holds(play.Right, 150, props.Shut) != 1 || w.state() != "closed" {
			t.Errorf("after the player went through, it is %s", w.state())
		}
		in := begin(t, d, 2)
		for in.column() < 6 {
			in.Tick(play.Right)
		}
		if n := in.holds(0, 200, props.Shut); n != 0 || in.state() != "open" {
			t.Errorf("with the player in it, it shut %d times", n)
		}
		if n := in.holds(play.Right, 60, props.Shut); n != 1 {
			t.Errorf("once the player is out, it shut %d times", n)
		}
		crate := corridor(t, view, kind.Set(props.ShutsAfter.Is(40), props.Own.Is(10)), world.Piece{Type: world.Pushable})
		if c := begin(t, crate, 2); c.holds(0, 200, props.Shut) != 0 {
			t.Error("it shut on a crate")
		}
	})
}

// Gone back to, a moment at which it was shut is as it was; a document in which it starts open lets it be open.
func TestRewound(t *testing.T) {
	d := corridor(t, world.TopDown, "")
	w := begin(t, d, 2)
	r := play.Record(w.Game)
	for range 150 {
		r.Tick(play.Right)
	}
	hash := r.Game().Hash()
	if err := r.Go(10); err != nil {
		t.Fatal(err)
	}
	back := walk{r.Game(), d}
	if back.state() != "closed" {
		t.Errorf("gone back to before, it is %s", back.state())
	}
	if err := r.Go(r.Last()); err != nil || r.Game().Hash() != hash {
		t.Errorf("gone forward again, it is another play: %v", err)
	}
	open := begin(t, corridor(t, world.TopDown, kind.Set(props.Own.Is(10))), 2)
	if n := open.holds(play.Right, 150, props.Opened); n != 0 || open.column() < 9 {
		t.Errorf("one that starts open was opened %d times", n)
	}
}
