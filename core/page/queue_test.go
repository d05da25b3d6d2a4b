package page_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
)

// A session that was cut off goes on on a new page: what it had not sent is
// there, is sent again, and is what a page that was never cut off shows.
func TestQueueOfAnEarlierPage(t *testing.T) {
	for seed := range uint64(25) {
		r := rand.New(rand.NewPCG(seed, 53))
		p := pagetest.Open(t, 5)
		server := p.Document()
		paint := func(p *page.Page) {
			pagetest.Order(p, holding.Hold{Holding: "tile", Tile: 1 + r.IntN(9)})
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
				pagetest.Order(p, history.Undo{})
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
		if a, b := view.StateOf(again), view.StateOf(p); a.Undo != b.Undo || a.Redo != b.Redo {
			t.Fatalf("seed %d: undo takes back %q and redo %q, want %q and %q", seed, a.Undo, a.Redo, b.Undo, b.Redo)
		}
	}
}

// Cells of another size are drawn at that size, at once and by a page that was opened with the step still to be sent.
func TestCellSizeIsDrawn(t *testing.T) {
	p := pagetest.Open(t, 5)
	opening := edit.Opening{Prefix: 6, Document: p.Document()}
	pagetest.Order(p, tilework.SetCellSize{W: 32, H: 24})
	want := grid.Lattice{W: 32, H: 24}
	if got := p.Bitmaps.Atlas.Lattice(); got != want || p.Document().Project.Lattice() != want {
		t.Errorf("drawn at %v, of cells of %v, want %v", got, p.Document().Project.Lattice(), want)
	}
	again, err := page.Open(opening.Encode(), p.Outgoing())
	if err != nil {
		t.Fatal(err)
	}
	if got := again.Bitmaps.Atlas.Lattice(); got != want || again.Document().Project.Lattice() != want {
		t.Errorf("opened again it is drawn at %v, of cells of %v, want %v", got, again.Document().Project.Lattice(), want)
	}
}
