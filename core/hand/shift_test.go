package hand_test

import (
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A map is dragged by its name, snaps to others, never lies on one, and comes back
// where it was by undoing; all that is on it goes along.
func TestMovingMaps(t *testing.T) {
	d, ids := project(t)
	h := hand.New(ids)
	h.Near = 8
	first, grotto := d.Maps[0], d.Maps[1]
	l := d.Project.Lattice()
	name := l.Pixel(grid.Point{X: grotto.OnBoard().X, Y: grotto.OnBoard().Y}).Add(grid.Point{X: 10, Y: -14})
	drag := func(by grid.Point) hand.Outcome {
		h.Hover(d, name)
		if !strings.Contains(h.Ghost().Text, "drag to move Fern grotto") {
			t.Fatalf("over the name it says %q", h.Ghost().Text)
		}
		h.Press(d, name, false)
		to := name.Add(l.Pixel(by))
		h.Drag(d, to)
		return h.Release(d, to)
	}
	// One cell to the left of touching, it touches.
	gap := grotto.OnBoard().X - first.OnBoard().X - first.OnBoard().W
	after := run(t, d, drag(grid.Point{X: -gap + 1, Y: 0}))
	if on := after.Maps[1].OnBoard(); on.X != first.OnBoard().X+first.OnBoard().W || after.Maps[1].Bounds != grotto.Bounds {
		t.Errorf("it lies at %v beside %v", on, first.OnBoard())
	}
	// Onto the middle of the other, it goes where there is room.
	after = run(t, d, drag(grid.Point{X: -gap - 4, Y: 2}))
	if !after.Maps[1].OnBoard().Meet(first.OnBoard()).Empty() {
		t.Error("two maps lie on each other")
	}
	if after = run(t, d, drag(grid.Point{})); after != d {
		t.Error("a map that was not dragged was changed")
	}
	// By keys, a cell at a time, over what lies in the way.
	h.Selected = hand.Selection{Ref: world.Ref{Sort: world.SortMap, ID: grotto.ID}}
	after = run(t, d, h.MoveMap(d, grid.Point{X: 0, Y: 5}))
	if got := after.Maps[1].Origin; got != grotto.Origin.Add(grid.Point{Y: 5}) {
		t.Errorf("nudged to %v from %v", got, grotto.Origin)
	}
}

// A crossing drawn to the empty board makes the map it leads to; undone, both go.
func TestCrossingMakesMap(t *testing.T) {
	d, ids := project(t)
	h := hand.New(ids)
	h.Take(hand.Held{Holding: hand.Crossing})
	m := d.Maps[0]
	start := middle(d, m, grid.Point{X: 3, Y: 3})
	far := d.Project.Lattice().Pixel(grid.Point{X: 5, Y: -60})
	h.Press(d, start, false)
	h.Drag(d, far)
	if g := h.Ghost(); g.Room.Empty() || !strings.Contains(g.Text, "new map, 10 × 8 cells") {
		t.Errorf("the ghost says %q of %v", g.Text, g.Room)
	}
	after := run(t, d, h.Release(d, far))
	if len(after.Maps) != 3 || len(after.Crossings) != 1 {
		t.Fatalf("%d maps and %d crossings", len(after.Maps), len(after.Crossings))
	}
	made, c := after.Maps[2], after.Crossings[0]
	if c.Ends[1].Map != made.ID || !made.Bounds.Holds(c.Ends[1].Cells) || c.Ends[1].Cells.Y != made.Bounds.H-1 {
		t.Errorf("it leads to %+v of %v", c.Ends[1], made.Bounds)
	}
	// Over another map's cells it is an ordinary crossing, beside a map there is room.
	edge := d.Project.Lattice().Pixel(grid.Point{X: m.OnBoard().X - 1, Y: 4})
	h.Press(d, start, false)
	h.Drag(d, edge)
	for _, o := range d.Maps {
		if !o.OnBoard().Meet(h.Ghost().Room).Empty() {
			t.Errorf("the new map would lie on %s", o.Name)
		}
	}
	h.Cancel()
}

// A patch becomes a map of its own, with all its layers and pieces.
func TestMapOfPatch(t *testing.T) {
	d, ids := project(t)
	draft := d.Draft()
	p := &world.Patch{Name: "Bed of moss", Block: *block()}
	id := ids.NewID()
	if err := draft.Put(world.Ref{Sort: world.SortPatch, ID: id}, p.Values()); err != nil {
		t.Fatal(err)
	}
	d, err := draft.Done()
	if err != nil {
		t.Fatal(err)
	}
	h := hand.New(ids)
	after := run(t, d, h.MapOfPatch(d, id, grid.Point{X: 2, Y: 2}))
	made := after.Maps[len(after.Maps)-1]
	if made.Name != p.Name || made.Bounds.W != max(2, p.W) || made.Bounds.H != max(2, p.H) {
		t.Fatalf("made %s, %v", made.Name, made.Bounds)
	}
	again := after.Cut(made, grid.BoxRegion(made.Bounds), func(*world.Layer) bool { return true }, true, nil)
	cells := func(b *world.Block) (n int) {
		for _, l := range b.Layers {
			n += l.Cells.Filled().Len()
		}
		return n
	}
	// There is a spawn already, so that of the patch is left out.
	if again == nil || cells(again) != cells(&p.Block) || len(again.Pieces) != len(p.Pieces)-1 {
		t.Errorf("the map holds %+v of %+v", again, p.Block)
	}
}

// The edges and corners of the selected map are dragged, from a little within them to a little outside; in its middle
// nothing is, nor is anything of a map that is not selected.
func TestStretchedByEdges(t *testing.T) {
	ids := &world.Counter{Prefix: 3}
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 12, SeenW: 10, SeenH: 8}, ids)
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	l := d.Project.Lattice()
	box := l.Box(m.OnBoard())
	h := hand.New(ids)
	h.Near = 8
	columns := []struct{ x, by int }{{box.X - 8, -1}, {box.X + 3, -1}, {box.X + 4, 0}, {box.X + box.W/2, 0}, {box.X + box.W - 5, 0}, {box.X + box.W - 4, 1}, {box.X + box.W + 7, 1}}
	rows := []struct{ y, by int }{{box.Y - 8, -1}, {box.Y + 3, -1}, {box.Y + 4, 0}, {box.Y + box.H - 5, 0}, {box.Y + box.H - 4, 1}, {box.Y + box.H + 7, 1}}
	if near := min(h.Near/2, box.W/4, box.H/4); near != 4 {
		t.Fatalf("an edge is taken %d pixels within it", near)
	}
	for _, selected := range []bool{true, false} {
		for _, column := range columns {
			for _, row := range rows {
				if !selected && row.y < box.Y {
					continue // There lies its name, by which it is moved.
				}
				h.Selected = hand.Selection{}
				if selected {
					h.Selected.Ref = world.Ref{Sort: world.SortMap, ID: m.ID}
				}
				at := grid.Point{X: column.x, Y: row.y}
				got := m.Bounds
				h.Press(d, at, false)
				to := grid.Point{X: at.X + 2*column.by*l.W, Y: at.Y + 2*row.by*l.H}
				h.Drag(d, to)
				if g := h.Ghost(); g.Sized == m.ID {
					got = g.Room.Move(grid.Point{X: -m.Origin.X, Y: -m.Origin.Y})
				}
				h.Cancel()
				want := m.Bounds
				if selected {
					want.W, want.H = want.W+2*max(column.by, -column.by), want.H+2*max(row.by, -row.by)
					want.X, want.Y = want.X+2*min(0, column.by), want.Y+2*min(0, row.by)
				}
				if got != want {
					t.Errorf("selected %t, pressed at %v of %v: the map becomes %v, want %v", selected, at, box, got, want)
				}
			}
		}
	}
}

// What a tile does is said once.
func TestTileDoes(t *testing.T) {
	for want, is := range map[string]tiles.Properties{
		"": {}, "solid": {Solid: tiles.Whole}, "solid in part": {Solid: 1}, "solid, hurts 2": {Solid: tiles.Whole, Danger: 2},
	} {
		if got := hand.TileDoes(is); got != want {
			t.Errorf("of %+v it is said %q, want %q", is, got, want)
		}
	}
}

// What is named is named as it is shown, also once it is gone.
func TestNames(t *testing.T) {
	d, _ := project(t)
	draft := d.Draft()
	ends := [2]world.End{{Map: d.Maps[0].ID, Cells: grid.Rect{X: 1, Y: 1, W: 1, H: 1}}, {Map: d.Maps[1].ID, Cells: grid.Rect{X: 2, Y: 1, W: 1, H: 1}}}
	way := world.Ref{Sort: world.SortCrossing, ID: 900}
	if err := draft.Put(way, (&world.Crossing{Ends: ends, BothWays: true}).Values()); err != nil {
		t.Fatal(err)
	}
	after, err := draft.Done()
	if err != nil {
		t.Fatal(err)
	}
	if got, want := hand.Name(after, way), hand.CrossingName(after, after.Crossing(900)); got != want || got == "" || hand.Name(d, way) == got {
		t.Errorf("a crossing is named %q, want %q; gone, %q", got, want, hand.Name(d, way))
	}
}
