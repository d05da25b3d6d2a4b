package play_test

import (
	"bytes"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/world"
)

// besideEachOther is two maps that lie side by side, with open edges between them, and a third one further to the right. A
// piece stands on the first, its map is the left one.
func besideEachOther(t *testing.T, view world.View, parts ...edit.Part) (d *world.Document, left, right, further *world.Map) {
	t.Helper()
	d = bare(t, view)
	left = d.Maps[0]
	ids := &world.Counter{Prefix: 9}
	ref := world.Ref{Sort: world.SortMap, ID: left.ID}
	next := *left
	next.Edges[world.SideRight] = world.EdgeOpen
	d = apply(t, d, edit.Changes(ref, left.Values(), next.Values())...)
	at := left.OnBoard().X + left.Bounds.W
	for i := range 2 {
		m, layers := world.NewMap([]string{"Right", "Further"}[i], grid.Point{X: at - 3, Y: left.Origin.Y}, grid.Rect{X: 3, Y: left.Bounds.Y, W: 20, H: left.Bounds.H}, ids)
		m.View = view
		m.Edges[world.SideLeft], m.Edges[world.SideRight] = world.EdgeOpen, world.EdgeOpen
		at += 20
		d = apply(t, d, edit.PutMap(m, layers)...)
		if view == world.SideView {
			// The same ground as on the first map.
			from := d.Maps[0]
			l := from.Layer(from.PlayerLayer)
			for y := range from.Bounds.H {
				row := grid.Rect{X: from.Bounds.X, Y: from.Bounds.Y + y, W: 20, H: 1}
				to := grid.Rect{X: 3, Y: row.Y, W: 20, H: 1}
				d = apply(t, d, edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: grid.BoxRegion(to), Cells: l.Cells.Read(grid.BoxRegion(row))})
			}
		}
	}
	d = apply(t, d, parts...)
	return d, d.Maps[0], d.Maps[1], d.Maps[2]
}

// A foe that follows the player comes along over an open edge, and lies on the other map: it stays there when the player
// goes elsewhere and comes back, through a version, and a document that moves that map on the board takes it along.
func TestFoeComesAlong(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d, left, right, further := besideEachOther(t, view)
		edge := left.Bounds.X + left.Bounds.W
		d = apply(t, d, put(d, 700, world.Foe, edge-6, 9, kind.Set(props.Does.Is(props.Follows), props.Speed.Is(20), props.Sight.Is(20))))
		g, err := play.New(d, play.Start{Map: left.ID, Cell: grid.Point{X: edge - 2, Y: 9}})
		if err != nil {
			t.Fatal(err)
		}
		walk(g, play.Right|play.Unhurt, 400)
		if is := g.Status().Map; is == left.ID || play.OnMap(g, 700) == left.ID {
			t.Fatalf("the player is on %d and the foe on %d, not beyond %d", is, play.OnMap(g, 700), left.ID)
		}
		walk(g, play.Left|play.Unhurt, 160)
		on, at := play.OnMap(g, 700), play.PlaceOf(g, 700)
		if on != right.ID && on != further.ID {
			t.Fatalf("the foe is on %d", on)
		}
		moved := *d.Map(on)
		moved.Origin = moved.Origin.Add(grid.Point{Y: 300})
		ref := world.Ref{Sort: world.SortMap, ID: on}
		if err := g.SetDocument(apply(t, d, edit.Changes(ref, d.Map(on).Values(), moved.Values())...)); err != nil {
			t.Fatal(err)
		}
		if play.OnMap(g, 700) != on || play.PlaceOf(g, 700) != at {
			t.Errorf("its map is moved, and the foe is on %d at %v, not on %d at %v", play.OnMap(g, 700), play.PlaceOf(g, 700), on, at)
		}
		if back, err := play.Reread(g); err != nil || !bytes.Equal(back, play.StateOf(g)) {
			t.Errorf("a state with something on another map is read as another: %v", err)
		}
		// Its map is gone: it is where it was at first.
		if err := g.SetDocument(apply(t, d, edit.Remove{Ref: ref})); err != nil {
			t.Fatal(err)
		}
		walk(g, 0, 1)
		if play.OnMap(g, 700) != left.ID {
			t.Errorf("its map is gone, and the foe is on %d", play.OnMap(g, 700))
		}
	})
}

// A crate that is pushed over an open edge lies on the other map, and is pushed back from there.
func TestCrateGoesOverAnOpenEdge(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d, left, right, _ := besideEachOther(t, view)
		edge := left.Bounds.X + left.Bounds.W
		d = apply(t, d, put(d, 700, world.Pushable, edge-2, 9, ""))
		g, err := play.New(d, play.Start{Map: left.ID, Cell: grid.Point{X: edge - 4, Y: 9}})
		if err != nil {
			t.Fatal(err)
		}
		walk(g, play.Right, 140)
		if play.OnMap(g, 700) != right.ID {
			t.Fatalf("pushed, the crate is on %d at %v", play.OnMap(g, 700), play.PlaceOf(g, 700))
		}
		if at := play.PlaceOf(g, 700).Cell(d.Project.Lattice()); !right.Bounds.Has(at) {
			t.Errorf("it lies in %v, which is not on its map", at)
		}
		rec := play.Record(g)
		before := play.PlaceOf(g, 700)
		for range 200 {
			rec.Tick(play.Right)
		}
		if err := rec.Go(rec.First()); err != nil || play.PlaceOf(rec.Game(), 700) != before {
			t.Errorf("gone back in time, the crate is at %v, not %v: %v", play.PlaceOf(rec.Game(), 700), before, err)
		}
	})
}
