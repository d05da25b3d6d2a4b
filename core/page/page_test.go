package page_test

import (
	"bytes"
	"encoding/binary"
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/memory"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/page/replays"
	"azzel/core/page/things"
	"azzel/core/page/view"
	"azzel/core/play"
	"azzel/core/world"
)

// within is a document as bytes, but for the creation number that comes next.
func within(d *world.Document) []byte {
	b := d.Encode()[2:]
	_, n := binary.Varint(b)
	return b[n:]
}

// Whatever a person does in whatever order, the page stays whole: nothing
// panics, hovering changes nothing, the document can be read, whoever plays its replays has
// the same, and undoing all leads back to the beginning.
func TestAnyHands(t *testing.T) {
	rounds := 60
	if testing.Short() {
		rounds = 15
	}
	followed := 0
	for seed := range uint64(rounds) {
		r := rand.New(rand.NewPCG(seed, 6))
		p := pagetest.Open(t, 5)
		first := p.Document()
		e := pagetest.NewElsewhere(t, p)
		at := func() grid.Point { return grid.Point{X: r.IntN(900) - 150, Y: r.IntN(700) - 150} }
		for range 250 {
			before := p.Document()
			if p.Pointer(page.Hover, at(), false, r.IntN(2) == 0, 0); p.Document() != before {
				t.Fatalf("seed %d: hovering changed the document", seed)
			}
			switch r.IntN(10) {
			case 0:
				kinds := []string{"nothing", "tile", "eraser", "piece", "crossing"}
				pagetest.Order(p, holding.Hold{Holding: kinds[r.IntN(5)], Tile: 1 + r.IntN(11), ID: page.ID(world.ID(1 + r.IntN(3)))})
			case 1:
				pagetest.Order(p, holding.SetShape{Shape: []string{"free", "line", "box", "fill"}[r.IntN(4)]})
			case 2, 3, 4:
				p.Pointer(page.Press, at(), r.IntN(5) == 0, false, 0)
				for range r.IntN(6) {
					p.Pointer(page.Drag, at(), false, r.IntN(3) == 0, 0)
				}
				if r.IntN(8) > 0 {
					p.Pointer(page.Release, at(), false, false, 0)
				}
				pagetest.Finish(t, p)
			case 5:
				pagetest.Order(p, []page.Order{history.Undo{}, history.Redo{}, holding.Cancel{}, holding.DeleteSelected{}, holding.Unselect{}}[r.IntN(5)])
			case 6:
				x := at()
				pagetest.Order(p, holding.PickUp{X: x.X, Y: x.Y, ToX: x.X, ToY: x.Y})
			case 7:
				x := at()
				start := playing.StartPlay{Here: r.IntN(2) == 0, X: x.X, Y: x.Y}
				pagetest.Order(p, []page.Order{start, start, playing.StopPlay{}}[r.IntN(3)])
				for range 40 {
					playing.Tick(p, play.Input(r.IntN(32)))
				}
				pagetest.Order(p, replays.KeepReplay{})
			case 8:
				m := p.Document().Maps[0]
				pagetest.Order(p, maps.SetCurrentLayer{Map: page.ID(m.ID), Layer: page.ID(m.Layers[r.IntN(len(m.Layers))].ID)})
			case 9:
				d := p.Document()
				m := d.Maps[r.IntN(len(d.Maps))]
				fact, n := world.ID(0), r.IntN(3)
				if len(d.Facts) > 0 {
					fact = d.Facts[r.IntN(len(d.Facts))].ID
				}
				if len(m.Pieces) > 0 && r.IntN(2) == 0 {
					pagetest.Set(p, m.Pieces[r.IntN(len(m.Pieces))], []string{"sets", "sets-how", "sets-by"}[r.IntN(3)], r.IntN(4))
					break
				}
				pagetest.Order(p, []page.Order{memory.MakeFact{Name: "Lit", Sort: n}, memory.SetFact{Fact: page.ID(fact), Start: n}, memory.SetFactSort{Fact: page.ID(fact), Sort: n},
					memory.SetFactRange{Fact: page.ID(fact), Least: -n, Most: n}, memory.SetFactWords{Fact: page.ID(fact), Typed: "cold, warm, hot"},
					memory.SetFactInPlay{Fact: page.ID(fact), Value: n}, things.Delete{Thing: pagetest.Thing("fact", 0, fact)}}[r.IntN(7)])
			}
			view.SceneOf(p)
			view.StateOf(p)
			view.PointerView(p)
			playing.PlayView(p)
			memory.Known(p)
			// Told in small parts, while the document goes on changing.
			if message, _ := replays.HandOver(p, 1+r.IntN(3000)); message != nil {
				if err := e.Take(message); err != nil {
					t.Fatalf("seed %d: %v", seed, err)
				}
				e.Run(100)
			}
			if r.IntN(60) == 0 {
				replays.HandOverAnew(p)
				e.Reruns = replays.Reruns{}
			}
		}
		if e.Told(); e.Document() != nil && !bytes.Equal(within(e.Document()), within(p.Document())) {
			t.Fatalf("seed %d: whoever plays the replays has another document", seed)
		} else if e.Document() != nil {
			followed++
		}
		if _, err := world.Decode(p.Document().Encode()); err != nil {
			t.Fatalf("seed %d: %v", seed, err)
		}
		pagetest.Order(p, playing.StopPlay{})
		for view.StateOf(p).Undo != "" {
			pagetest.Order(p, history.Undo{})
		}
		if d := world.Diff(first, p.Document()); len(d.Removed) > 0 || len(p.Document().Maps) != 1 {
			t.Fatalf("seed %d: undoing everything does not lead back: %+v", seed, d.Removed)
		}
		m := p.Document().Maps[0]
		for i, l := range m.Layers {
			l.Cells.Differ(first.Maps[0].Layers[i].Cells, func(cx, cy int, a, b *grid.Chunk) {
				for k := range grid.ChunkSide * grid.ChunkSide {
					if a.At(k%32, k/32) != b.At(k%32, k/32) {
						t.Fatalf("seed %d: undoing everything left another tile in chunk %d, %d", seed, cx, cy)
					}
				}
			})
		}
	}
	if followed < rounds/2 {
		t.Errorf("only %d of %d documents were followed elsewhere, so that this shows little", followed, rounds)
	}
}

// What can't be is said, in words that say where and what to do.
func TestWhatIsSaid(t *testing.T) {
	for name, c := range map[string]struct {
		says string
		do   func(*page.Page)
	}{
		"painting beside every map": {"There is no map here", func(p *page.Page) {
			pagetest.Order(p, holding.Hold{Holding: "tile", Tile: 3})
			p.Pointer(page.Press, grid.Point{X: -400, Y: 0}, false, false, 0)
		}},
		"a name too long": {"at most 120 letters", func(p *page.Page) {
			pagetest.Order(p, things.Rename{Thing: page.Thing{Kind: "project"}, Name: strings.Repeat("moss", 40)})
		}},
		"no name": {"a name is needed", func(p *page.Page) {
			pagetest.Order(p, things.Rename{Thing: page.Thing{Kind: "map", ID: page.ID(p.Document().Maps[0].ID)}, Name: " "})
		}},
		"the only map": {"the only map", func(p *page.Page) {
			pagetest.Order(p, holding.Select{Thing: page.Thing{Kind: "map", ID: page.ID(p.Document().Maps[0].ID)}})
			pagetest.Order(p, holding.DeleteSelected{})
		}},
		"a crossing from nowhere": {"There is no map here", func(p *page.Page) {
			pagetest.Order(p, holding.Hold{Holding: "crossing"})
			p.Pointer(page.Press, grid.Point{X: -400, Y: 40}, false, false, 0)
			p.Pointer(page.Release, grid.Point{X: 40, Y: 40}, false, false, 0)
		}},
		"nothing to undo":  {"nothing to undo", func(p *page.Page) { pagetest.Order(p, history.Undo{}) }},
		"nothing selected": {"Nothing is selected", func(p *page.Page) { pagetest.Order(p, holding.DeleteSelected{}) }},
		"play off the maps": {"no map under the pointer", func(p *page.Page) {
			pagetest.Order(p, playing.StartPlay{Here: true, X: -4000})
		}},
		"an order of another time": {"reload", func(p *page.Page) { p.Order(1, []byte(`{"do":"prune"}`), nil) }},
	} {
		p := pagetest.Open(t, 6)
		before := p.Document()
		c.do(p)
		said := strings.Join(view.StateOf(p).Messages, " ")
		if !strings.Contains(strings.ToLower(said), strings.ToLower(c.says)) {
			t.Errorf("%s: said %q, want something about %q", name, said, c.says)
		}
		if p.Document() != before {
			t.Errorf("%s changed the document", name)
		}
	}
}
