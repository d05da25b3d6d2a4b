package page_test

import (
	"bytes"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// said is what the page has told the designer since it was asked last.
func said(p *page.Page) string { return strings.Join(p.State().Messages, " ") }

// taken brings a tileset of count tiles in, four in a row with every fifth place
// empty, and gives it and its pixels.
func taken(t *testing.T, p *page.Page, count int) (*world.Tileset, *tiles.Strip) {
	t.Helper()
	in := &page.Taken{Name: "Ferns", Picture: strings.Repeat("1a", 32), Strip: strings.Repeat("2b", 32), First: p.Document().TilesEnd(),
		Columns: 4, Cut: tiles.Cut{W: 16, H: 16}}
	s := &tiles.Strip{W: 16, H: 16, Columns: 4}
	for place := 0; len(in.Places) < count; place++ {
		if place%5 != 4 {
			in.Places = append(in.Places, place)
		}
		in.Rows = place/4 + 1
	}
	s.Rows, s.Places, s.Pixels = in.Rows, in.Places, make([]byte, count*16*16*4)
	for i := range s.Pixels {
		tile := i / (16 * 16 * 4)
		s.Pixels[i] = byte(tile * 7)
		// The lower half of each tile shows something.
		if i%4 == 3 {
			s.Pixels[i] = 255 * byte(i/(16*8*4)%2)
		}
	}
	order(p, page.MakeTileset{Taken: *in})
	set := p.Document().Tilesets[len(p.Document().Tilesets)-1]
	if set.Name != "Ferns" || set.Count != count {
		t.Fatalf("the tileset did not come in: %s", said(p))
	}
	return set, s
}

// Properties are painted onto tiles as a plain list of properties says, with
// every shape, and undo and redo lead through exactly these lists.
func TestMarksAgainstModel(t *testing.T) {
	r := rand.New(rand.NewPCG(51, 1))
	p := open(t, 5)
	set, strip := taken(t, p, 30)
	if order(p, page.AddPictures{Of: page.ID(set.ID)}, strip.Encode()); said(p) != "" {
		t.Fatal("the pictures were refused")
	}
	lower := tiles.MaskOf(strip.Tile(3), 16, 16)
	if lower == 0 || lower == tiles.Whole {
		t.Fatalf("the tiles of this test show %x", lower)
	}
	now := make([]tiles.Properties, set.Count)
	states, at := [][]tiles.Properties{slices.Clone(now)}, 0
	for step := range 500 {
		switch way := r.IntN(5); {
		case way == 0 && at > 0:
			order(p, page.Undo{})
			at--
			now = slices.Clone(states[at])
		case way == 1:
			order(p, page.Redo{})
			at = min(at+1, len(states)-1)
			now = slices.Clone(states[at])
		default:
			shape := []string{"free", "line", "box", "fill"}[r.IntN(4)]
			order(p, page.SetShape{Shape: shape})
			m := tiles.Mark{Property: []string{"solid", "water", "danger", "above", "home", "role", "name"}[r.IntN(7)], On: r.IntN(2) == 0,
				Amount: r.IntN(4), Text: []string{"", "Crowns", "Roots"}[r.IntN(3)], Rows: []int{0, 0, 0, 0, 255, 255, 24, 255}}
			from, to := grid.Point{X: r.IntN(4), Y: r.IntN(set.Rows)}, grid.Point{X: r.IntN(4), Y: r.IntN(set.Rows)}
			list := p.SheetShape(set.ID, m.Property, from, to)
			for _, i := range list {
				place := grid.Point{X: set.Places[i] % 4, Y: set.Places[i] / 4}
				if shape == "box" && !grid.Between(from, to).Has(place) || shape != "fill" && !grid.Between(from, to).Has(place) {
					t.Fatalf("step %d: a %s from %v to %v holds %v", step, shape, from, to, place)
				}
				if shape == "fill" && now[i].Value(m.Property) != now[list[0]].Value(m.Property) {
					t.Fatalf("step %d: a fill of one value holds two", step)
				}
			}
			order(p, page.MarkTiles{Tileset: page.ID(set.ID), Tiles: list, Mark: m})
			next := slices.Clone(now)
			for _, i := range list {
				var err error
				if next[i], err = m.Apply(now[i], func() tiles.Mask { return lower }); err != nil {
					t.Fatal(err)
				}
			}
			if !slices.Equal(next, now) {
				now = next
				at++
				states = append(states[:at], slices.Clone(now))
			}
		}
		is := p.Document().Tileset(set.ID)
		for i := range now {
			if is.Tile(i) != now[i] {
				t.Fatalf("step %d: tile %d is %+v, want %+v", step, i, is.Tile(i), now[i])
			}
		}
		view := p.Tileset(set.ID)
		solid := 0
		for _, q := range now {
			if q.Solid != 0 {
				solid++
			}
		}
		if view.Solid != solid || len(view.Tiles) != len(now) {
			t.Fatalf("step %d: the view counts %d solid tiles, want %d", step, view.Solid, solid)
		}
	}
	if at < 20 {
		t.Errorf("only %d marks took place", at)
	}
}

// A medley is made of tiles, changed, laid as its preview shows it, and said to
// be used when it is to be deleted.
func TestMedleyOrders(t *testing.T) {
	p := open(t, 5)
	order(p, page.MakeMedley{Tiles: []int{1, 3, 5}})
	m := p.Document().Medleys[0]
	if s := p.State(); s.Holding != "medley" || s.Medley != page.FormatID(m.ID) || s.HeldName != m.Name || !strings.HasPrefix(m.Name, "Medley of ") {
		t.Fatalf("in hand is %q, %q", s.Holding, s.HeldName)
	}
	to := &page.Dealing{Tiles: []tiles.Weighted{{Tile: 1, Weight: 3}, {Tile: 3, Weight: 0}, {Tile: 5, Weight: 1}}, Seed: 4, Mirrored: true}
	order(p, page.ChangeMedley{Medley: page.ID(m.ID), Change: page.PartOf(*to)})
	revision := p.Document()
	order(p, page.ChangeMedley{Medley: page.ID(m.ID), Change: page.PartOf(*to)})
	if p.Document() != revision {
		t.Error("changing a medley into what it is made a step")
	}
	if got := p.Dealt(*to, 0, 0).Shares; !slices.Equal(got, []int{750, 0, 250}) {
		t.Errorf("the shares are %v tenths", got)
	}
	mp := p.Document().Maps[0]
	order(p, page.SetShape{Shape: "box"})
	p.Pointer(page.Press, grid.Point{X: 1, Y: 1}, false, false, 0)
	p.Pointer(page.Drag, grid.Point{X: mp.Bounds.W*16 - 1, Y: mp.Bounds.H*16 - 1}, false, false, 0)
	ghost := p.PointerView().Ghost
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
		to   *page.Dealing
		says string
	}{
		{&page.Dealing{Tiles: []tiles.Weighted{{Tile: 1, Weight: 1001}}}, "1000"},
		{&page.Dealing{Tiles: []tiles.Weighted{{Tile: 1, Weight: 0}}}, "weight"},
		{&page.Dealing{Tiles: []tiles.Weighted{{Tile: 4000, Weight: 1}}}, "not there any more"},
		{&page.Dealing{}, "tile"},
	} {
		before := p.Document()
		order(p, page.ChangeMedley{Medley: page.ID(m.ID), Change: page.PartOf(*c.to)})
		if got := said(p); !strings.Contains(got, c.says) || p.Document() != before {
			t.Errorf("%+v: said %q, want something about %q", c.to, got, c.says)
		}
	}
	order(p, page.Delete{Thing: page.Thing{Kind: "medley", ID: page.ID(m.ID)}})
	if len(p.Document().Medleys) != 0 || p.Document().Maps[0].Layer(mp.PlayerLayer).Cells.At(grid.Point{X: 3, Y: 3}).Tile() == 0 {
		t.Error("the medley is still there, or what it laid has gone")
	}
	p.State()
	if p.Pointer(page.Hover, grid.Point{X: 5, Y: 5}, false, false, 0); p.PointerView().Ghost.Problem == "" {
		t.Error("a medley that is gone can still be laid")
	}
}

// Everything that has a name is renamed, which the scene shows, and undo gives
// the old one back.
func TestRenaming(t *testing.T) {
	p := open(t, 5)
	taken(t, p, 4)
	order(p, page.MakeMedley{Name: "Gravel", Tiles: []int{1}})
	order(p, page.Hold{Holding: "crossing"})
	p.Pointer(page.Press, grid.Point{X: 20, Y: 20}, false, false, 0)
	p.Pointer(page.Release, grid.Point{X: 100, Y: 20}, false, false, 0)
	d := p.Document()
	m := d.Maps[0]
	if len(d.Crossings) != 1 {
		t.Fatalf("no crossing was made: %s", said(p))
	}
	names := func() string { return fmt.Sprintf("%+v %+v", p.Scene(), p.Tileset(d.Tilesets[1].ID)) }
	for _, ref := range []page.Thing{
		thing("project", 0, 0), thing("map", 0, m.ID), thing("piece", m.ID, m.Pieces[0].ID), thing("layer", m.ID, m.Layers[0].ID), thing("crossing", 0, d.Crossings[0].ID),
		thing("tileset", 0, d.Tilesets[1].ID), thing("medley", 0, d.Medleys[0].ID),
	} {
		name := "Fernery of " + ref.Kind
		order(p, page.Rename{Thing: ref, Name: name})
		if !strings.Contains(names(), name) {
			t.Errorf("the %s was not renamed: %s", ref.Kind, said(p))
		}
		if ref.Kind != "project" && ref.Kind != "layer" && ref.Kind != "tileset" && ref.Kind != "medley" {
			order(p, page.Select{Thing: ref})
			if s := p.State().Slip; s == nil || s.Name != name || s.Kind != ref.Kind {
				t.Errorf("the slip of the %s is %+v", ref.Kind, s)
			}
		}
		order(p, page.Undo{})
		if strings.Contains(names(), name) {
			t.Errorf("undo did not take the name of the %s back", ref.Kind)
		}
	}
}

// While it plays, what is taken and where one stands goes with each change; a
// page that is played counts what is left.
func TestPlayingPage(t *testing.T) {
	p := open(t, 5)
	m := p.Document().Maps[0]
	l := p.Document().Project.Lattice()
	spawn := l.CellAt(m.Pieces[0].Foot)
	order(p, page.Hold{Holding: "piece", ID: page.ID(world.Collectible)})
	at := l.Pixel(spawn.Add(grid.Point{X: 2})).Add(grid.Point{X: 3, Y: 3})
	p.Pointer(page.Press, at, false, false, 0)
	p.Pointer(page.Release, at, false, false, 0)
	order(p, page.StartPlay{})
	walk := func(in play.Input, ticks int) page.Changed {
		var all page.Changed
		for range ticks {
			all |= p.Tick(in)
		}
		return all
	}
	before := p.Play()
	if before.Total != 1 || before.Taken != 0 || before.Map != page.FormatID(m.ID) {
		t.Fatalf("play begins as %+v", before)
	}
	if all := walk(play.Right, 60); all&page.TakenChanged == 0 {
		t.Error("taking a collectible was not told")
	}
	after := p.Play()
	if after.Taken != 1 || len(after.GoneIDs) != 1 || after.X <= before.X || after.Doing != "walks" || !slices.Contains(after.Events, "Taken.") {
		t.Errorf("after walking right it is %+v", after)
	}
	order(p, page.Undo{})
	if now := p.Play(); now.Total != 0 || now.X != after.X {
		t.Errorf("undo while it plays gives %+v", now)
	}
	order(p, page.Redo{})
	if now := p.Play(); now.Total != 1 || now.Taken != 1 {
		t.Errorf("a collectible that comes back is %d of %d taken", now.Taken, now.Total)
	}
	order(p, page.StopPlay{})
	if p.State().Playing || walk(play.Right, 5) != 0 {
		t.Error("the game goes on after it was stopped")
	}
}

// A session that was cut off goes on on a new page: what it had not sent is
// there, is sent again, and is what a page that was never cut off shows.
func TestQueueOfAnEarlierPage(t *testing.T) {
	for seed := range uint64(25) {
		r := rand.New(rand.NewPCG(seed, 53))
		p := open(t, 5)
		server := p.Document()
		paint := func(p *page.Page) {
			order(p, page.Hold{Holding: "tile", Tile: 1 + r.IntN(9)})
			at := grid.Point{X: r.IntN(150), Y: r.IntN(120)}
			p.Pointer(page.Press, at, false, false, 0)
			p.Pointer(page.Drag, grid.Point{X: r.IntN(150), Y: r.IntN(120)}, false, false, 0)
			p.Pointer(page.Release, at, false, false, 0)
		}
		arrived, sequence := r.IntN(6), uint64(0)
		var records []edit.Record
		var queue [][]byte
		for range 8 {
			paint(p)
			if r.IntN(4) == 0 {
				order(p, page.Undo{})
			}
			queue = append(queue, p.Outgoing()...)
		}
		inverse := map[uint64][]edit.Part{}
		for _, message := range queue[:arrived] {
			n, body, err := edit.ReadSend(message)
			if err != nil {
				t.Fatal(err)
			}
			e, err := edit.Decode(body)
			if err != nil {
				t.Fatal(err)
			}
			if e.Undoes != 0 {
				e.Parts = inverse[e.Undoes]
			}
			res, err := edit.Apply(server, e)
			if err != nil {
				t.Fatal(err)
			}
			server, sequence, inverse[n] = res.Document, n, res.Inverse
			records = append(records, edit.Record{Sequence: n, Undoes: e.Undoes, Label: e.Label, Inverse: edit.EncodeParts(res.Inverse)})
		}
		opening := edit.Opening{Prefix: 6, Sequence: sequence, Revision: sequence, Document: server, Records: records}
		again, err := page.Open(opening.Encode(), queue)
		if err != nil {
			t.Fatal(err)
		}
		if !bytes.Equal(again.Document().Encode(), p.Document().Encode()) {
			t.Fatalf("seed %d: a page with what was not sent shows something else", seed)
		}
		if unsent := again.Outgoing(); len(unsent) != len(queue)-arrived {
			t.Fatalf("seed %d: %d messages are sent again, want %d", seed, len(unsent), len(queue)-arrived)
		}
		if a, b := again.State(), p.State(); a.Undo != b.Undo || a.Redo != b.Redo {
			t.Fatalf("seed %d: undo takes back %q and redo %q, want %q and %q", seed, a.Undo, a.Redo, b.Undo, b.Redo)
		}
	}
}

// With every shape a bond is laid and erased so that each of its cells follows it,
// and the fill takes the tiles of a bond for one.
func TestBondWithEveryShape(t *testing.T) {
	r := rand.New(rand.NewPCG(55, 1))
	p := open(t, 5)
	set, _ := taken(t, p, 16)
	bonding := &page.Bonding{}
	for sides := range 16 {
		bonding.Tiles = append(bonding.Tiles, tiles.Bonded{Tile: set.First + sides, Joined: tiles.Neighbours(sides), Weight: 1})
	}
	order(p, page.MakeBond{Name: "Hedge", Bond: *bonding})
	bond := p.Document().Bonds[0]
	counts := map[string]int{}
	for step := range 400 {
		shape := []string{"free", "line", "box", "fill"}[r.IntN(4)]
		order(p, page.Hold{Holding: []string{"bond", "bond", "eraser", "tile"}[r.IntN(4)], Tile: 1 + r.IntN(3), ID: page.ID(bond.ID)})
		order(p, page.SetShape{Shape: shape})
		before := p.Document()
		at := func() grid.Point { return grid.Point{X: r.IntN(20 * 16), Y: r.IntN(16 * 16)} }
		p.Pointer(page.Press, at(), false, false, 0)
		for range r.IntN(4) {
			p.Pointer(page.Drag, at(), false, false, 0)
		}
		p.Pointer(page.Release, at(), false, false, 0)
		finish(t, p)
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
			order(p, page.Undo{})
		}
	}
	for _, shape := range []string{"free", "line", "box", "fill"} {
		if counts[shape] < 20 {
			t.Errorf("%s changed the map only %d times", shape, counts[shape])
		}
	}
}
