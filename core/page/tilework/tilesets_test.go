package tilework_test

import (
	"bytes"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/pagetest"
	"azzel/core/page/things"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
	"azzel/core/picture"
	"azzel/core/tiles"
)

// The lens says of each cell what its tiles on counting layers do.
func TestLensAgainstTiles(t *testing.T) {
	r := rand.New(rand.NewPCG(52, 1))
	p := pagetest.Open(t, 5)
	set, _ := pagetest.Taken(t, p, 30)
	for i := range set.Count {
		for _, property := range []string{"solid", "water", "slow", "danger"} {
			m := tiles.Mark{Property: property, On: r.IntN(3) == 0, Amount: []int{tiles.SolidNot, tiles.SolidWhole, tiles.SolidRows}[r.IntN(3)], Rows: []int{1, 0, 0, 0, 0, 0, 0, 128}}
			pagetest.Order(p, tilework.MarkTiles{Tileset: page.ID(set.ID), Tiles: []int{i}, Mark: m})
		}
	}
	m := p.Document().Maps[0]
	for _, layer := range m.Layers {
		pagetest.Order(p, maps.SetCurrentLayer{Map: page.ID(m.ID), Layer: page.ID(layer.ID)})
		for range 120 {
			pagetest.Order(p, holding.Hold{Holding: "tile", Tile: set.First + r.IntN(set.Count)})
			at := grid.Point{X: r.IntN(m.Bounds.W) * 16, Y: r.IntN(m.Bounds.H) * 16}
			p.Pointer(page.Press, at, false, false, 0)
			p.Pointer(page.Release, at, false, false, 0)
		}
	}
	d := p.Document()
	area := grid.Rect{X: -2, Y: -1, W: m.Bounds.W + 4, H: m.Bounds.H + 3}
	for _, property := range []string{"solid", "water", "slow", "danger", "climbable"} {
		got, seen := maps.Lens(p, m.ID, area, property), map[byte]int{}
		for i, v := range got {
			c := grid.Point{X: area.X + i%area.W, Y: area.Y + i/area.W}
			var mask tiles.Mask
			any := false
			for _, l := range d.Maps[0].Layers {
				is := d.TileOf(l.Cells.At(c).Tile())
				if !l.Counts {
					continue
				}
				mask |= is.Solid
				any = any || property == "water" && is.Water || property == "slow" && is.Slow || property == "danger" && is.Danger > 0 || property == "climbable" && is.Climbable
			}
			want := byte(0)
			switch {
			case any || property == "solid" && mask == tiles.Whole:
				want = 1
			case property == "solid" && mask != 0:
				want = 2
			}
			if v != want {
				t.Fatalf("%s at %v is %d, want %d", property, c, v, want)
			}
			seen[v]++
		}
		if property == "solid" && (seen[0] == 0 || seen[1] == 0 || seen[2] == 0) {
			t.Errorf("this test did not see every sort of cell: %v", seen)
		}
	}
	if maps.Lens(p, m.ID, grid.Rect{W: 1025, H: 1}, "solid") != nil || maps.Lens(p, 99, area, "solid") != nil {
		t.Error("a lens over too much, or over no map, shows something")
	}
}

// A tileset's pictures are asked for until they are there; one that is used says
// where when it is to be deleted, and one that is not goes, and comes back.
func TestTilesetComesAndGoes(t *testing.T) {
	p := pagetest.Open(t, 5)
	set, strip := pagetest.Taken(t, p, 7)
	missing := func() bool {
		return slices.ContainsFunc(view.SceneOf(p).Missing, func(m view.MissingView) bool { return m.Sum == set.Strip })
	}
	if !missing() || p.Tile(grid.Cell(set.First)) != nil {
		t.Error("pictures that are not here are not asked for")
	}
	if pagetest.Order(p, tilework.AddPictures{Of: page.ID(set.ID)}, []byte("not tiles")); pagetest.Said(p) == "" {
		t.Error("what is not tiles was taken")
	}
	if pagetest.Order(p, tilework.AddPictures{Of: page.ID(set.ID)}, strip.Encode()); pagetest.Said(p) != "" || missing() {
		t.Error("pictures that came are refused, or asked for again")
	}
	if !bytes.Equal(p.Tile(grid.Cell(set.First+6)), strip.Tile(6)) {
		t.Error("a tile shows other pixels than came")
	}
	m := p.Document().Maps[0]
	key, pixels := picture.Key{Map: m.ID, Layers: 3}, make([]byte, picture.BitmapSide*picture.BitmapSide*4)
	p.Bitmap(key, pixels)
	pagetest.Order(p, holding.Hold{Holding: "tile", Tile: set.First + 2})
	p.Pointer(page.Press, grid.Point{X: 36, Y: 20}, false, false, 0)
	p.Pointer(page.Release, grid.Point{X: 36, Y: 20}, false, false, 0)
	if box, _ := p.Bitmap(key, pixels); box != (grid.Rect{X: 32, Y: 16, W: 16, H: 16}) {
		t.Errorf("one painted cell changed the pixels %v", box)
	}
	remove := things.Delete{Thing: page.Thing{Kind: "tileset", ID: page.ID(set.ID)}}
	pagetest.Order(p, remove)
	if got := pagetest.Said(p); !strings.Contains(got, m.Name) || p.Document().Tileset(set.ID) == nil {
		t.Errorf("a used tileset: said %q", got)
	}
	pagetest.Order(p, history.Undo{})
	pagetest.Order(p, remove)
	if p.Document().Tileset(set.ID) != nil {
		t.Errorf("an unused tileset stays: %s", pagetest.Said(p))
	}
	pagetest.Order(p, history.Undo{})
	if p.Document().Tileset(set.ID) == nil || p.Tile(grid.Cell(set.First+2)) == nil {
		t.Error("the tileset did not come back with its pictures")
	}
}
