package supplies_test

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/supplies"
	"azzel/core/page/things"
	"azzel/core/page/view"
	"azzel/core/tiles"
)

// A medley is made of tiles, changed, laid as its preview shows it, and said to
// be used when it is to be deleted.
func TestMedleyOrders(t *testing.T) {
	p := pagetest.Open(t, 5)
	pagetest.Order(p, supplies.MakeMedley{Tiles: []int{1, 3, 5}})
	m := p.Document().Medleys[0]
	if s := view.StateOf(p); s.Holding != "medley" || s.Medley != page.FormatID(m.ID) || s.HeldName != m.Name || !strings.HasPrefix(m.Name, "Medley of ") {
		t.Fatalf("in hand is %q, %q", s.Holding, s.HeldName)
	}
	to := &supplies.Dealing{Tiles: []tiles.Weighted{{Tile: 1, Weight: 3}, {Tile: 3, Weight: 0}, {Tile: 5, Weight: 1}}, Seed: 4, Mirrored: true}
	pagetest.Order(p, supplies.ChangeMedley{Medley: page.ID(m.ID), Change: page.PartOf(*to)})
	revision := p.Document()
	pagetest.Order(p, supplies.ChangeMedley{Medley: page.ID(m.ID), Change: page.PartOf(*to)})
	if p.Document() != revision {
		t.Error("changing a medley into what it is made a step")
	}
	if got := supplies.DealtOver(p, *to, 0, 0).Shares; !slices.Equal(got, []int{750, 0, 250}) {
		t.Errorf("the shares are %v tenths", got)
	}
	mp := p.Document().Maps[0]
	pagetest.Order(p, holding.SetShape{Shape: "box"})
	p.Pointer(page.Press, grid.Point{X: 1, Y: 1}, false, false, 0)
	p.Pointer(page.Drag, grid.Point{X: mp.Bounds.W*16 - 1, Y: mp.Bounds.H*16 - 1}, false, false, 0)
	ghost := view.PointerView(p).Ghost
	p.Pointer(page.Release, grid.Point{X: mp.Bounds.W*16 - 1, Y: mp.Bounds.H*16 - 1}, false, false, 0)
	mp = p.Document().Maps[0]
	count := map[int]int{}
	for i, c := range ghost.Lays[0].Cells {
		at := grid.Point{X: mp.Bounds.X + i%mp.Bounds.W, Y: mp.Bounds.Y + i/mp.Bounds.W}
		if got := mp.Layer(mp.PlayerLayer).Cells.At(at); int(got) != c {
			t.Fatalf("%v is %d, and the ghost showed %d", at, got, c)
		}
		count[grid.Cell(c).Tile()]++
	}
	if count[3] != 0 || count[1] < count[5] || count[5] == 0 {
		t.Errorf("laid were %v", count)
	}
	for _, c := range []struct {
		to   *supplies.Dealing
		says string
	}{
		{&supplies.Dealing{Tiles: []tiles.Weighted{{Tile: 1, Weight: 1001}}}, "1000"},
		{&supplies.Dealing{Tiles: []tiles.Weighted{{Tile: 1, Weight: 0}}}, "weight"},
		{&supplies.Dealing{Tiles: []tiles.Weighted{{Tile: 4000, Weight: 1}}}, "not there any more"},
		{&supplies.Dealing{}, "tile"},
	} {
		before := p.Document()
		pagetest.Order(p, supplies.ChangeMedley{Medley: page.ID(m.ID), Change: page.PartOf(*c.to)})
		if got := pagetest.Said(p); !strings.Contains(got, c.says) || p.Document() != before {
			t.Errorf("%+v: said %q, want something about %q", c.to, got, c.says)
		}
	}
	pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "medley", ID: page.ID(m.ID)}})
	if len(p.Document().Medleys) != 0 || p.Document().Maps[0].Layer(mp.PlayerLayer).Cells.At(grid.Point{X: 3, Y: 3}).Tile() == 0 {
		t.Error("the medley is still there, or what it laid has gone")
	}
	view.StateOf(p)
	if p.Pointer(page.Hover, grid.Point{X: 5, Y: 5}, false, false, 0); view.PointerView(p).Ghost.Problem == "" {
		t.Error("a medley that is gone can still be laid")
	}
}

// With every shape a bond is laid and erased so that each of its cells follows it,
// and the fill takes the tiles of a bond for one.
func TestBondWithEveryShape(t *testing.T) {
	r := rand.New(rand.NewPCG(55, 1))
	p := pagetest.Open(t, 5)
	set, _ := pagetest.Taken(t, p, 16)
	bonding := &supplies.Bonding{}
	for sides := range 16 {
		bonding.Tiles = append(bonding.Tiles, tiles.Bonded{Tile: set.First + sides, Joined: tiles.Neighbours(sides), Weight: 1})
	}
	pagetest.Order(p, supplies.MakeBond{Name: "Hedge", Bond: *bonding})
	bond := p.Document().Bonds[0]
	counts := map[string]int{}
	for step := range 400 {
		shape := []string{"free", "line", "box", "fill"}[r.IntN(4)]
		pagetest.Order(p, holding.Hold{Holding: []string{"bond", "bond", "eraser", "tile"}[r.IntN(4)], Tile: 1 + r.IntN(3), ID: page.ID(bond.ID)})
		pagetest.Order(p, holding.SetShape{Shape: shape})
		before := p.Document()
		at := func() grid.Point { return grid.Point{X: r.IntN(20 * 16), Y: r.IntN(16 * 16)} }
		p.Pointer(page.Press, at(), false, false, 0)
		for range r.IntN(4) {
			p.Pointer(page.Drag, at(), false, false, 0)
		}
		p.Pointer(page.Release, at(), false, false, 0)
		pagetest.Finish(t, p)
		if p.Document() != before {
			counts[shape]++
		}
		m := p.Document().Maps[0]
		l := m.Layer(m.PlayerLayer)
		inBond := l.Cells.Filled().Where(func(c grid.Point) bool { return p.Document().BondOf(l.Cells.At(c).Tile()) != nil })
		if follows := p.Document().Following(m, l, bond.ID); follows.Len() != inBond.Len() {
			t.Fatalf("step %d, %s: %d of %d cells follow their bond", step, shape, follows.Len(), inBond.Len())
		}
		if step%9 == 8 {
			pagetest.Order(p, history.Undo{})
		}
	}
	for _, shape := range []string{"free", "line", "box", "fill"} {
		if counts[shape] < 20 {
			t.Errorf("%s changed the map only %d times", shape, counts[shape])
		}
	}
}
