package edit

import (
	"testing"

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
			r, err := Apply(d, Edit{Label: "make " + name, Parts: PutMap(m, layers)})
			if err != nil {
				t.Fatal(err)
			}
			d = r.Document
			return d.Map(m.ID)
		}
		m := put("Pump room", grid.Point{X: 100, Y: 40}, view)
		put("Store", grid.Point{X: 112, Y: 40}, view)
		put("Shaft", grid.Point{X: 100, Y: 50}, 1-view)
		if n := Neighbour(d, first); n != nil {
			t.Errorf("view %d: a map that has ground is offered that of %s", view, n.Name)
		}
		like := Neighbour(d, m)
		if like == nil || like.ID != first.ID {
			t.Fatalf("view %d: the neighbour is %+v", view, like)
		}
		r, err := Apply(d, Furnish(d, m, like))
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
		if n := Neighbour(r.Document, r.Document.Map(m.ID)); n != nil {
			t.Errorf("view %d: it is offered twice", view)
		}
	}
}
