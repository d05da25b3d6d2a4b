package tilework_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/supplies"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
	"azzel/core/tiles"
)

// The drawer is arranged as a list from which one is taken and put before another;
// each kind keeps to itself, what comes new is last of its kind or, for tilesets,
// first, and undo leads back.
func TestDrawerAgainstList(t *testing.T) {
	r := rand.New(rand.NewPCG(54, 1))
	p := pagetest.Open(t, 5)
	for range 4 {
		pagetest.Order(p, supplies.MakeMedley{Tiles: []int{1, 2}})
	}
	for i := range 3 {
		pagetest.Order(p, supplies.MakeBond{Bond: supplies.Bonding{Tiles: []tiles.Bonded{{Tile: 5 + i, Joined: tiles.Sides.Full(), Weight: 1}}}})
	}
	pagetest.Taken(t, p, 4)
	if len(p.Document().Bonds) != 3 || len(p.Document().Medleys) != 4 {
		t.Fatal(pagetest.Said(p))
	}
	kinds := map[string]string{}
	d := p.Document()
	for _, x := range d.Tilesets {
		kinds[page.FormatID(x.ID)] = "tileset"
	}
	for _, x := range d.Bonds {
		kinds[page.FormatID(x.ID)] = "bond"
	}
	for _, x := range d.Medleys {
		kinds[page.FormatID(x.ID)] = "medley"
	}
	list := view.SceneOf(p).Drawer
	if len(list) != len(kinds) || kinds[list[0]] != "tileset" || list[0] != page.FormatID(d.Tilesets[1].ID) || list[2] != page.FormatID(d.Bonds[0].ID) {
		t.Fatalf("at first the drawer holds %v", list)
	}
	before := slices.Clone(list)
	steps := 0
	for range 60 {
		id, other := list[r.IntN(len(list))], list[r.IntN(len(list))]
		was := slices.Clone(list)
		if id != other {
			kind := kinds[id]
			at := slices.Index(list, id)
			list = slices.Delete(list, at, at+1)
			to := slices.Index(list, other)
			if kinds[other] != kind {
				// Last of its kind.
				to = 0
				for i, x := range list {
					if kinds[x] == kind {
						to = i + 1
					}
				}
				if to == 0 {
					to = at
				}
			}
			list = slices.Insert(list, to, id)
		}
		pagetest.Order(p, tilework.Arrange{Thing: page.Thing{Kind: kinds[id], ID: page.ID(page.ParseID(id))}, Before: page.ID(page.ParseID(other))})
		if got := view.SceneOf(p).Drawer; !slices.Equal(got, list) {
			t.Fatalf("%s before %s: %v, want %v (was %v)", id, other, got, list, was)
		}
		if id != other {
			steps++
		}
	}
	for range steps {
		pagetest.Order(p, history.Undo{})
	}
	if got := view.SceneOf(p).Drawer; !slices.Equal(got, before) {
		t.Errorf("undo leads to %v, want %v", got, before)
	}
}

// What lies on no map is counted, tile by tile, and as bonds and medleys.
func TestUsage(t *testing.T) {
	p := pagetest.Open(t, 5)
	set, _ := pagetest.Taken(t, p, 10)
	pagetest.Order(p, supplies.MakeMedley{Tiles: []int{set.First, set.First + 1}})
	pagetest.Order(p, supplies.MakeBond{Bond: supplies.Bonding{Tiles: []tiles.Bonded{{Tile: set.First + 2, Joined: tiles.Sides.Full(), Weight: 1}}}})
	unused := func() (int, int) {
		u := tilework.UsageOf(p)
		return u.Tilesets[1].Unused, len(u.Unused)
	}
	if tiles, things := unused(); tiles != 10 || things != 2 {
		t.Errorf("at first %d tiles and %d things lie on no map, want 10 and 2", tiles, things)
	}
	paint := func(n int) {
		pagetest.Order(p, holding.Hold{Holding: "tile", Tile: n})
		p.Pointer(page.Press, grid.Point{X: 40, Y: 40}, false, false, 0)
		p.Pointer(page.Release, grid.Point{X: 40, Y: 40}, false, false, 0)
	}
	for i, want := range [][2]int{{9, 1}, {9, 2}, {9, 1}} {
		paint(set.First + []int{1, 5, 2}[i])
		if tiles, things := unused(); tiles != want[0] || things != want[1] {
			t.Errorf("painting %d leaves %d tiles and %d things on no map, want %v", i, tiles, things, want)
		}
	}
}
