package edit_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// An empty map takes ground and walls from the nearest map in the same view that has some; one that is not empty is left alone.
func TestFurnish(t *testing.T) {
	for _, view := range []world.View{world.TopDown, world.SideView} {
		ids := &world.Counter{Prefix: 1}
		d, err := world.Start(world.Project{Name: "Fern grotto", CellW: 16, CellH: 16, SeenW: 10, SeenH: 12, View: view}, ids)
		if err != nil {
			t.Fatal(err)
		}
		first := d.Maps[0]
		put := func(name string, at grid.Point, seen world.View) *world.Map {
			m, layers := world.NewMap(name, at, grid.Rect{X: -2, Y: 3, W: 9, H: 7}, ids)
			m.SeenAs(seen)
			r, err := edit.Apply(d, edit.Edit{Label: "make " + name, Parts: edit.PutMap(m, layers)})
			if err != nil {
				t.Fatal(err)
			}
			d = r.Document
			return d.Map(m.ID)
		}
		m := put("Pump room", grid.Point{X: 100, Y: 40}, view)
		put("Store", grid.Point{X: 112, Y: 40}, view)
		put("Shaft", grid.Point{X: 100, Y: 50}, 1-view)
		if n := edit.Neighbour(d, first); n != nil {
			t.Errorf("view %d: a map that has ground is offered that of %s", view, n.Name)
		}
		like := edit.Neighbour(d, m)
		if like == nil || like.ID != first.ID {
			t.Fatalf("view %d: the neighbour is %+v", view, like)
		}
		r, err := edit.Apply(d, edit.Furnish(d, m, like))
		if err != nil {
			t.Fatal(err)
		}
		cells := r.Document.Map(m.ID).Layer(m.PlayerLayer).Cells
		for y := 3; y < 10; y++ {
			for x := -2; x < 7; x++ {
				edge := x == -2 || x == 6 || y == 3 || y == 9
				want := grid.Cell(tiles.Ground)
				switch {
				case view == world.SideView && y < 9:
					want = 0
				case edge:
					want = grid.Cell(tiles.Wall)
				}
				if got := cells.At(grid.Point{X: x, Y: y}); got != want {
					t.Errorf("view %d, cell %d, %d: %d, want %d", view, x, y, got, want)
				}
			}
		}
		if n := edit.Neighbour(r.Document, r.Document.Map(m.ID)); n != nil {
			t.Errorf("view %d: it is offered twice", view)
		}
	}
}

// Where a bond is the ground, the bond is laid, so that its tiles join up on the other map too.
func TestFurnishWithABond(t *testing.T) {
	d := hedges(t, rand.New(rand.NewPCG(1, 2)), tiles.Sides)
	first, bond := d.Maps[0], d.Bonds[0]
	inner := grid.BoxRegion(first.Bounds.Inset(1))
	d = apply(t, d, edit.Paint{Map: first.ID, Layer: first.PlayerLayer, Region: inner, Cells: grid.Runs{{N: inner.Len(), Cell: bond.Centre()}}, Loose: inner})
	m, layers := world.NewMap("Fern grotto", grid.Point{X: 200}, grid.Rect{W: 7, H: 6}, &world.Counter{Prefix: 41})
	d = apply(t, d, edit.PutMap(m, layers)...)
	like := edit.Neighbour(d, m)
	if like == nil {
		t.Fatal("no ground is offered")
	}
	d = apply(t, d, edit.Furnish(d, m, like).Parts...)
	cells := d.Map(m.ID).Layer(m.PlayerLayer).Cells
	corner, middle := cells.At(grid.Point{X: 1, Y: 1}), cells.At(grid.Point{X: 3, Y: 3})
	for _, c := range []grid.Cell{corner, middle} {
		if b := d.BondOf(c.Tile()); b == nil || b.ID != bond.ID {
			t.Errorf("tile %d is none of the bond", c.Tile())
		}
	}
	joined := func(c grid.Cell) tiles.Neighbours {
		for _, b := range bond.Tiles {
			if b.Tile == c.Tile() {
				return b.Joined
			}
		}
		return 0
	}
	if joined(middle) != bond.Join.Full() || joined(corner) == bond.Join.Full() {
		t.Errorf("the tiles do not join up: %v in the middle, %v in the corner", joined(middle), joined(corner))
	}
}
