package play_test

import (
	"fmt"
	"slices"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// far adds a map of 12 × 8 cells to a document, with the player's spawn in a cell.
func far(t *testing.T, d *world.Document, view world.View, spawn grid.Point) (*world.Document, *world.Map) {
	t.Helper()
	m, layers := world.NewMap("Far", grid.Point{X: 90}, grid.Rect{W: 12, H: 8}, &world.Counter{Prefix: 4})
	m.SeenAs(view)
	d = apply(t, d, edit.PutMap(m, layers)...)
	m = d.Map(m.ID)
	s := &world.Piece{Type: world.Spawn, Layer: m.PlayerLayer, Foot: m.FootOf(d.Project.Lattice(), world.Spawn, spawn)}
	for _, at := range d.Maps {
		for _, p := range at.Pieces {
			if p.Type == world.Spawn {
				d = apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: at.ID, ID: p.ID}})
			}
		}
	}
	return apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 990}, Values: s.Values()}), m
}

// Who is hurt to the end where there is no free cell comes back on another map, whatever hurts them and
// whoever else is there: also if that place is the same there as here.
func TestBackOnAnotherMap(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		for name, part := range map[string]func(*world.Document, world.ID) edit.Part{
			"foes": func(d *world.Document, id world.ID) edit.Part {
				return put(d, id, world.Foe, 5, 5, kind.Set(props.Harm.Is(9)))
			},
			"hazards": func(d *world.Document, id world.ID) edit.Part {
				return put(d, id, world.Hazard, 5, 5, kind.Set(props.Harm.Is(9)))
			},
		} {
			d := bare(t, view, as(bare(t, view), world.Movement{Health: 1})...)
			d, away := far(t, d, view, grid.Point{X: 5, Y: 5})
			for i := range 6 {
				d = apply(t, d, part(d, world.ID(700+i)))
			}
			g := begin(t, d, 5, 5)
			// There is no free cell; they go through walls, so that they stay.
			walled := apply(t, d, paint(d.Maps[0], d.Maps[0].Bounds, grid.Cell(tiles.Wall)))
			g.Tick(play.Through)
			if err := g.SetDocument(walled); err != nil {
				t.Fatal(err)
			}
			var events []play.Event
			for i := 0; i < 80 && g.Status().Map != away.ID; i++ {
				events = append(events, walk(g, play.Through, 1)...)
			}
			if s := g.Status(); s.Map != away.ID || !g.Fits() {
				t.Errorf("%s: the player is on map %d, at %v, %d health: %v", name, s.Map, s.Place.Cell(d.Project.Lattice()), s.Health, events)
			}
			walk(g, play.Right, 60)
		}
	})
}

// Cell by cell over an edge that wraps one goes one step for each time a key is held, and stands in the
// middle of a cell after it.
func TestWrapsCellByCell(t *testing.T) {
	for _, c := range []struct {
		in   play.Input
		at   grid.Point
		want grid.Point
	}{{play.Left, grid.Point{X: 0, Y: 5}, grid.Point{X: 23, Y: 5}}, {play.Right, grid.Point{X: 23, Y: 5}, grid.Point{X: 0, Y: 5}},
		{play.Up, grid.Point{X: 7, Y: 0}, grid.Point{X: 7, Y: 11}}, {play.Down, grid.Point{X: 7, Y: 11}, grid.Point{X: 7, Y: 0}}} {
		d := bare(t, world.TopDown)
		d = apply(t, d, as(d, world.Movement{Steering: world.CellByCell})...)
		m := *d.Maps[0]
		m.Edges = world.Edges{world.EdgeWrap, world.EdgeWrap, world.EdgeWrap, world.EdgeWrap}
		d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values())...)
		g := begin(t, d, c.at.X, c.at.Y)
		walk(g, c.in, 3)
		walk(g, 0, 60)
		l := d.Project.Lattice()
		if s := g.Status(); s.Place != body.At(l, c.want) {
			t.Errorf("from %v one step over the edge leads to %v, want the middle of %v", c.at, s.Place.Cell(l), c.want)
		}
		steps := g.Status().Steps
		if walk(g, 0, 60); g.Status().Steps != steps {
			t.Errorf("from %v one walks on with nothing held", c.at)
		}
	}
}

// Slow ground slows, and a bridge over danger keeps harm away, in both views; away from it the danger hurts.
func TestGroundCounts(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		m := d.Maps[0]
		set := d.Tilesets[0]
		row := 9
		if view == world.SideView {
			row = 10 // what one stands on
		}
		slow := set.Tile(int(tiles.Path) - 1)
		slow.Slow = true
		if view == world.SideView {
			slow.Solid = tiles.Whole
		}
		far := func(d *world.Document) int {
			g := begin(t, d, 2, 9)
			walk(g, play.Right, 30)
			from := g.Status().Place.X
			walk(g, play.Right, 30)
			return g.Status().Place.X - from
		}
		var marks []edit.Part
		for _, v := range world.TileValues(int(tiles.Path)-1, set.Tile(int(tiles.Path)-1), slow) {
			marks = append(marks, edit.Change{Ref: world.Ref{Sort: world.SortTileset, ID: set.ID}, Value: v})
		}
		slowed := apply(t, d, append(marks, paint(m, grid.Rect{X: 0, Y: row, W: 24, H: 1}, grid.Cell(set.First+int(tiles.Path)-1)))...)
		if usual, less := far(d), far(slowed); 2*less > usual+64 || 2*less < usual-64 {
			t.Errorf("on slow ground one comes %d positions in half a second, on other ground %d", less, usual)
		}
		hurts := func(d *world.Document) bool {
			g := begin(t, d, 8, 9)
			walk(g, play.Left, 60)
			return g.Status().Health < g.Status().Most
		}
		over := m.Layers[1]
		counting := *over
		counting.Counts = true
		danger := apply(t, d, append(edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: over.ID}, over.Values(), counting.Values()),
			paint(m, grid.Rect{X: 4, Y: row, W: 3, H: 1}, grid.Cell(set.First+int(tiles.Danger)-1)))...)
		bridge := edit.Paint{Map: m.ID, Layer: over.ID, Region: grid.BoxRegion(grid.Rect{X: 4, Y: row, W: 3, H: 1}), Cells: grid.Runs{{N: 3, Cell: grid.Cell(set.First + int(tiles.Wall) - 1)}}}
		if view == world.TopDown {
			bridge.Cells[0].Cell = grid.Cell(set.First + int(tiles.Ground) - 1)
		}
		if !hurts(danger) {
			t.Error("danger does not hurt")
		}
		if hurts(apply(t, danger, bridge)) {
			t.Error("danger hurts through a bridge over it")
		}
	})
}

// Who has finished takes no doorway, even if it is in the same cell.
func TestFinishedAtADoorway(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d, away := far(t, bare(t, view), view, grid.Point{X: 5, Y: 5})
		way := &world.Crossing{BothWays: true, Ends: [2]world.End{{Map: d.Maps[0].ID, Cells: grid.Rect{X: 6, Y: 9, W: 1, H: 1}}, {Map: away.ID, Cells: grid.Rect{X: 2, Y: 4, W: 1, H: 1}}}}
		d = apply(t, d, put(d, 700, world.Exit, 6, 9, ""), edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: 800}, Values: way.Values()})
		g := begin(t, d, 3, 9)
		walk(g, play.Right|play.Use, 120)
		if s := g.Status(); !s.Finished || s.Map != d.Maps[0].ID {
			t.Errorf("finished %t, on map %d", s.Finished, s.Map)
		}
	})
}

// Each of several pieces that refuse something at once tells why once, until the player has been away.
func TestSeveralRefuse(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		parts := []edit.Part{}
		for i := range 3 {
			item := world.ID(801 + i)
			parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: item}, Values: (&world.Item{Name: fmt.Sprint("Fuse ", i)}).Values()},
				put(d, world.ID(701+i), world.Exit, 6, 9, kind.Set(props.Item.Refer(item))))
		}
		d = apply(t, d, parts...)
		g := begin(t, d, 4, 9)
		refused := func(in play.Input, ticks int) int {
			return len(slices.DeleteFunc(walk(g, in, ticks), func(e play.Event) bool { return e.Moment != props.Refused }))
		}
		if n := refused(play.Right, 22) + refused(0, 60); n != 3 {
			t.Errorf("three that refuse tell %d times", n)
		}
		if n := refused(play.Left, 40); n != 0 {
			t.Errorf("leaving them they tell %d times", n)
		}
		if n := refused(play.Right, 40); n != 3 {
			t.Errorf("coming again they tell %d times", n)
		}
	})
}
