package page_test

import (
	"bytes"
	"math/rand/v2"
	"reflect"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/supplies"
	"azzel/core/page/view"
	"azzel/core/world"
)

// strip is the message that somebody else painted a box of a page's first map, on a layer
// that the page's own person leaves alone.
func strip(p *page.Page, r *rand.Rand, revision uint64) []byte {
	m := p.Document().Maps[0]
	g := grid.BoxRegion(grid.Rect{X: r.IntN(10), Y: r.IntN(8), W: 1 + r.IntN(8), H: 1 + r.IntN(6)})
	e := edit.Edit{Label: "water", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.Layers[1].ID, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: grid.Cell(1 + r.IntN(3))}}}}}
	return edit.Other(revision, e.Encode())
}

// In slices the same comes out as at once, whatever comes in between: steps of one's own,
// and those of others.
func TestSlicesComeToTheSame(t *testing.T) {
	sliced := 0
	for seed := range uint64(12) {
		r := rand.New(rand.NewPCG(seed, 77))
		whole, parts := pagetest.Open(t, 5), pagetest.Open(t, 5)
		whole.Slice, parts.Slice = 1<<40, 1
		both := func(do func(*page.Page)) {
			do(whole)
			do(parts)
			if parts.Working() {
				sliced++
			}
			for range r.IntN(3) {
				if _, err := parts.Work(1 + r.IntN(60)); err != nil {
					t.Fatalf("seed %d: %v", seed, err)
				}
			}
		}
		both(func(p *page.Page) {
			pagetest.Order(p, supplies.MakeMedley{Name: "Leaves", Tiles: []int{1, 2}})
		})
		revision, sent, taken := uint64(0), 0, uint64(0)
		var messages [][2][]byte
		for step := range 150 {
			at, to := grid.Point{X: r.IntN(320), Y: r.IntN(256)}, grid.Point{X: r.IntN(320), Y: r.IntN(256)}
			switch r.IntN(8) {
			case 0:
				o := holding.Hold{Holding: []string{"tile", "medley", "eraser", "choose", "nothing"}[r.IntN(5)], Tile: 1 + r.IntN(5)}
				both(func(p *page.Page) {
					o := o
					if o.Holding == "medley" && len(p.Document().Medleys) > 0 {
						o.ID = page.ID(p.Document().Medleys[0].ID)
					}
					pagetest.Order(p, o)
				})
			case 1:
				o := holding.SetShape{Shape: []string{"free", "box", "fill", "everywhere", "oval"}[r.IntN(5)]}
				both(func(p *page.Page) { pagetest.Order(p, o) })
			case 2, 3, 4:
				both(func(p *page.Page) { p.Pointer(page.Press, at, false, false, 0) })
				both(func(p *page.Page) { p.Pointer(page.Drag, to, false, false, 0) })
				both(func(p *page.Page) { p.Pointer(page.Release, to, false, false, 0) })
			case 5:
				o := []page.Order{history.Undo{}, history.Redo{}, holding.DeleteSelected{}, holding.MoveSelected{X: 1, Y: 2}, holding.FillSelected{}}[r.IntN(5)]
				both(func(p *page.Page) { pagetest.Order(p, o) })
			case 6:
				revision++
				m := strip(whole, r, revision)
				both(func(p *page.Page) {
					if _, err := p.Receive(m); err != nil {
						t.Fatalf("seed %d: %v", seed, err)
					}
				})
			case 7:
				// The server takes the next step that was sent.
				if sent < len(messages) {
					sent++
					taken++
					revision++
					both(func(p *page.Page) {
						if _, err := p.Receive(edit.Taken(taken, revision)); err != nil {
							t.Fatalf("seed %d: %v", seed, err)
						}
					})
				}
			}
			finishNow := r.IntN(4) == 0
			if finishNow {
				pagetest.Finish(t, parts)
				if !bytes.Equal(whole.Document().Encode(), parts.Document().Encode()) {
					t.Fatalf("seed %d, step %d: in slices another document came out", seed, step)
				}
			}
			if finishNow {
				a, b := whole.Outgoing(), parts.Outgoing()
				if !reflect.DeepEqual(a, b) {
					t.Fatalf("seed %d, step %d: %d messages in slices, %d at once, or others", seed, step, len(b), len(a))
				}
				for i := range a {
					messages = append(messages, [2][]byte{a[i], b[i]})
				}
			}
		}
		pagetest.Finish(t, parts)
		if a, b := view.StateOf(whole), view.StateOf(parts); a.Undo != b.Undo || a.Redo != b.Redo || a.Pending != b.Pending || !reflect.DeepEqual(a.Chosen, b.Chosen) {
			t.Fatalf("seed %d: in slices another state came out: %+v, want %+v", seed, b, a)
		}
	}
	if sliced < 200 {
		t.Errorf("only %d times anything was under way, so that this test shows little", sliced)
	}
}

// Stopping leaves everything as it was, gives up what was asked for after it, and keeps
// what came from the server meanwhile.
func TestStoppedWork(t *testing.T) {
	p := pagetest.Open(t, 5)
	pagetest.Order(p, holding.Hold{Holding: "tile", Tile: 2})
	pagetest.Order(p, holding.SetShape{Shape: "box"})
	p.Pointer(page.Press, grid.Point{X: 8, Y: 8}, false, false, 0)
	p.Pointer(page.Drag, grid.Point{X: 300, Y: 200}, false, false, 0)
	before := p.Document()
	p.Slice = 1
	p.Pointer(page.Release, grid.Point{X: 300, Y: 200}, false, false, 0)
	if s := view.StateOf(p); s.Working == nil || !s.Working.Stops || p.Document() != before {
		t.Fatalf("a box in slices is laid at once: %+v", s.Working)
	}
	pagetest.Order(p, holding.Hold{Holding: "tile", Tile: 3})
	if _, err := p.Receive(strip(p, rand.New(rand.NewPCG(1, 1)), 1)); err != nil {
		t.Fatal(err)
	}
	pagetest.Order(p, holding.Cancel{})
	for p.Working() {
		if view.StateOf(p).Working.Stops {
			t.Fatal("what the server sent can be stopped")
		}
		pagetest.Order(p, holding.Cancel{})
		if _, err := p.Work(10); err != nil {
			t.Fatal(err)
		}
	}
	s := view.StateOf(p)
	if s.Undo != "" || s.Tile != 2 || s.Pending != 0 || len(p.Outgoing()) != 0 {
		t.Errorf("a box that was stopped left a step: undo %q, tile %d, %d pending", s.Undo, s.Tile, s.Pending)
	}
	if d := world.Diff(before, p.Document()); len(d.Chunks) != 1 || p.Revision() != 1 {
		t.Errorf("what somebody else painted meanwhile is lost: %+v", d)
	}
	p.Slice = 1 << 40
	p.Pointer(page.Press, grid.Point{X: 8, Y: 8}, false, false, 0)
	p.Pointer(page.Release, grid.Point{X: 40, Y: 8}, false, false, 0)
	if view.StateOf(p).Undo == "" {
		t.Error("after a stop nothing can be painted")
	}
}

// However much comes from others, the designer's own stroke does not wait for all of it.
func TestOwnStrokesComeFirst(t *testing.T) {
	p := pagetest.Open(t, 5)
	pagetest.Order(p, holding.Hold{Holding: "tile", Tile: 2})
	r := rand.New(rand.NewPCG(1, 1))
	var messages [][]byte
	for i := range uint64(900) {
		messages = append(messages, strip(p, r, i+1))
	}
	p.Slice = 1
	if _, err := p.Receive(edit.Several(messages[:600])); err != nil {
		t.Fatal(err)
	}
	p.Pointer(page.Press, grid.Point{X: 8, Y: 8}, false, false, 0)
	p.Pointer(page.Release, grid.Point{X: 8, Y: 8}, false, false, 0)
	if _, err := p.Receive(messages[600:]...); err != nil {
		t.Fatal(err)
	}
	for view.StateOf(p).Undo == "" && p.Working() {
		if _, err := p.Work(500); err != nil {
			t.Fatal(err)
		}
	}
	if heard := p.Revision(); heard >= 600 {
		t.Errorf("a stroke waited until %d steps of others were heard", heard)
	}
	pagetest.Finish(t, p)
	if p.Revision() != 900 || view.StateOf(p).Undo == "" {
		t.Errorf("%d of 900 steps were heard, undo %q", p.Revision(), view.StateOf(p).Undo)
	}
}

// Walking along the list of steps can be stopped on the way: the steps that were taken back
// until then are sent, and it is said that they stay.
func TestStoppedWalk(t *testing.T) {
	p := pagetest.Open(t, 5)
	pagetest.Order(p, holding.Hold{Holding: "tile", Tile: 2})
	for i := range 4 {
		at := grid.Point{X: 24 + 32*i, Y: 40}
		p.Pointer(page.Press, at, false, false, 0)
		p.Pointer(page.Release, at, false, false, 0)
	}
	if n := len(p.Outgoing()); n != 4 {
		t.Fatalf("four strokes gave %d messages", n)
	}
	view.StateOf(p)
	p.Slice = 1
	pagetest.Order(p, history.WalkHistory{Done: 0})
	for view.StateOf(p).Undo != "" && p.Working() {
		before := view.StateOf(p).Pending
		if _, err := p.Work(1); err != nil {
			t.Fatal(err)
		}
		if view.StateOf(p).Pending > before {
			break
		}
	}
	if !p.Working() {
		t.Fatal("the walk was over before it could be stopped")
	}
	pagetest.Order(p, holding.Cancel{})
	s := view.StateOf(p)
	if sent := len(p.Outgoing()); p.Working() || sent == 0 || sent != s.Pending-4 {
		t.Errorf("%d messages were given for %d steps that were taken back", sent, s.Pending-4)
	}
	if len(s.Messages) != 1 || !strings.Contains(s.Messages[0], "What was done before stays") {
		t.Errorf("said %q", s.Messages)
	}
}
