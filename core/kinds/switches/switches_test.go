package switches_test

import (
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

const theSwitch, theDoor, crate = world.ID(700), world.ID(701), world.ID(702)

// corridor is a map that is a wall but for one row, with a switch in its sixth column and what else is told, each in a column.
func corridor(t *testing.T, view world.View, set kind.Values, more map[int]world.Piece) *world.Document {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 16, SeenH: 5, View: view}, &world.Counter{Prefix: 2})
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	all := grid.BoxRegion(m.Bounds)
	free := grid.BoxRegion(grid.Rect{X: m.Bounds.X, Y: 2, W: m.Bounds.W, H: 1})
	parts := []edit.Part{
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: all, Cells: grid.Runs{{N: all.Len(), Cell: grid.Cell(tiles.Wall)}}},
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: free, Cells: grid.Runs{{N: free.Len()}}},
	}
	put := func(id world.ID, x int, p world.Piece) {
		p.Layer, p.Foot = m.PlayerLayer, m.FootOf(d.Project.Lattice(), p.Type, grid.Point{X: x, Y: 2})
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()})
	}
	put(theSwitch, 6, world.Piece{Type: switches.Kind.ID, Props: set})
	for x, p := range more {
		id := theDoor
		if p.Type == world.Pushable {
			id = crate
		}
		put(id, x, p)
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
			if e.Moment == m && e.Piece == theSwitch {
				n++
			}
		}
	}
	return n
}

func (w walk) column() int { return w.Status().Place.Cell(w.d.Project.Lattice()).X }

func (w walk) state() string {
	n, _ := w.Asked(0).State(theSwitch)
	return kind.StateOf(n).Word
}

func eitherWay(t *testing.T, run func(t *testing.T, view world.View)) {
	t.Run("from the side", func(t *testing.T) { run(t, world.SideView) })
	t.Run("from above", func(t *testing.T) { run(t, world.TopDown) })
}

// to lets the player walk until they stand in a column.
func (w walk) to(t *testing.T, column int) {
	t.Helper()
	in := play.Right
	if w.column() > column {
		in = play.Left
	}
	for range 400 {
		if w.column() == column {
			return
		}
		w.Tick(in)
	}
	t.Fatalf("the player comes to column %d, not to %d", w.column(), column)
}

// Who steps on a switch presses it; what comes of that when they leave is as it says.
func TestStepping(t *testing.T) {
	eitherWay(t, func(t *testing.T, view world.View) {
		for _, c := range []struct {
			name         string
			set          kind.Values
			left, again  string
			after, later string
		}{
			{"springs back", "", "released", "pressed", "released", "released"},
			{"springs back after a second", kind.Set(switches.For.Is(60)), "pressed", "pressed", "released", "released"},
			{"stays", kind.Set(switches.Then.Is(1)), "pressed", "pressed", "pressed", "pressed"},
			{"stays for a second", kind.Set(switches.Then.Is(1), switches.For.Is(60)), "pressed", "pressed", "released", "released"},
			{"changes over", kind.Set(switches.Then.Is(2)), "pressed", "released", "pressed", "released"},
		} {
			w := begin(t, corridor(t, view, c.set, nil), 2)
			if w.to(t, 5); w.state() != "released" {
				t.Errorf("%s: beside it, it is %s", c.name, w.state())
			}
			if w.to(t, 6); w.holds(0, 3, nil) != 0 || w.state() != "pressed" {
				t.Errorf("%s: stepped on, it is %s", c.name, w.state())
			}
			w.to(t, 8)
			if w.state() != c.left {
				t.Errorf("%s: left, it is %s, not %s", c.name, w.state(), c.left)
			}
			if w.holds(0, 90, nil); w.state() != c.after {
				t.Errorf("%s: a while later it is %s, not %s", c.name, w.state(), c.after)
			}
			w.to(t, 6)
			if w.holds(0, 3, nil); w.state() != c.again {
				t.Errorf("%s: stepped on again, it is %s, not %s", c.name, w.state(), c.again)
			}
			w.to(t, 3)
			if w.holds(0, 90, nil); w.state() != c.later {
				t.Errorf("%s: left again, it is %s, not %s", c.name, w.state(), c.later)
			}
		}
	})
}

// A switch for things is pressed by a crate and not by the player, one that is to be used by using it alone, one that is off by
// nothing.
func TestPressedBy(t *testing.T) {
	eitherWay(t, func(t *testing.T, view world.View) {
		things := corridor(t, view, kind.Set(switches.By.Is(1)), map[int]world.Piece{4: {Type: world.Pushable}})
		w := begin(t, things, 2)
		if n := w.holds(play.Right, 200, props.Pressed); n != 1 {
			t.Errorf("a crate that was pushed over it pressed it %d times", n)
		}
		bare := begin(t, corridor(t, view, kind.Set(switches.By.Is(1)), nil), 2)
		if n := bare.holds(play.Right, 200, props.Pressed); n != 0 {
			t.Errorf("the player pressed one for things %d times", n)
		}
		used := begin(t, corridor(t, view, kind.Set(switches.By.Is(2), switches.Then.Is(2)), nil), 2)
		used.to(t, 6)
		if used.state() != "released" {
			t.Error("one that is to be used was pressed by stepping on it")
		}
		for i, want := range []string{"pressed", "released", "pressed"} {
			used.holds(play.Use, 1, nil)
			if used.holds(0, 5, nil); used.state() != want {
				t.Errorf("used %d times it is %s", i+1, used.state())
			}
		}
		off := begin(t, corridor(t, view, kind.Set(props.Power.Is(kind.Off)), nil), 2)
		if n := off.holds(play.Right, 200, props.Pressed); n != 0 {
			t.Errorf("switched off, it was pressed %d times", n)
		}
	})
}

// A door that needs a switch to be pressed opens once it is, wherever that lies.
func TestDoorOfASwitch(t *testing.T) {
	eitherWay(t, func(t *testing.T, view world.View) {
		isPressed := logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: theSwitch}, Is: switches.Kind.States[1].Number}
		shut := world.Piece{Type: door.Kind.ID, Props: kind.Set(isPressed.Set(props.Needs))}
		for _, c := range []struct {
			set  kind.Values
			want int
		}{{kind.Set(switches.Then.Is(1)), 12}, {"", 9}} {
			w := begin(t, corridor(t, view, c.set, map[int]world.Piece{10: shut}), 2)
			if w.holds(play.Right, 240, nil); w.column() < c.want || c.want < 10 && w.column() > 9 {
				t.Errorf("past the switch, the player comes to column %d, want %d", w.column(), c.want)
			}
		}
	})
}
