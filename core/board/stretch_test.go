package board_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/board"
	"azzel/core/grid"
	"azzel/core/world"
)

// What stops lies on no other map and is as large as can be on one side at a time;
// what pushes leaves all maps apart, and moves none that is not in the way.
func TestStretching(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 2))
	for step := range 400 {
		d := &world.Document{}
		for range 8 {
			m := &world.Map{ID: world.ID(len(d.Maps) + 1), Origin: grid.Point{X: r.IntN(40), Y: r.IntN(40)}, Bounds: grid.Rect{X: -2, W: 1 + r.IntN(12), H: 1 + r.IntN(12)}}
			if board.Room(d, grid.Point{X: m.OnBoard().X, Y: m.OnBoard().Y}, grid.Point{X: m.OnBoard().X + m.Bounds.W - 1, Y: m.OnBoard().Y + m.Bounds.H - 1}) == m.OnBoard() {
				d.Maps = append(d.Maps, m)
			}
		}
		m := d.Maps[r.IntN(len(d.Maps))]
		sides := board.Sides(1 + r.IntN(15))
		want := board.Stretch(m.Bounds, sides, grid.Point{X: r.IntN(30) - 15, Y: r.IntN(30) - 15})
		if want.W < 1 || want.H < 1 || sides&board.Left == 0 && want.X != m.Bounds.X || sides&board.Right == 0 && want.X+want.W != m.Bounds.X+m.Bounds.W {
			t.Fatalf("step %d: stretching %v by %b gives %v", step, m.Bounds, sides, want)
		}
		got := board.Stopped(d, m, want)
		if !want.Holds(got) || !got.Holds(m.Bounds.Meet(want)) {
			t.Fatalf("step %d: %v of %v wanted, from %v", step, got, want, m.Bounds)
		}
		on := got.Move(m.Origin)
		for _, o := range d.Maps {
			if o.ID != m.ID && !o.OnBoard().Meet(on).Empty() {
				t.Fatalf("step %d: %v lies on %v", step, on, o.OnBoard())
			}
		}
		moves := board.Pushed(d, m, want)
		boxes := map[world.ID]grid.Rect{m.ID: want.Move(m.Origin)}
		for _, o := range d.Maps {
			if o.ID == m.ID {
				continue
			}
			boxes[o.ID] = o.OnBoard()
			if to, moved := moves[o.ID]; moved {
				boxes[o.ID] = o.Bounds.Move(to)
			}
		}
		for a, x := range boxes {
			for b, y := range boxes {
				if a < b && !x.Meet(y).Empty() {
					t.Fatalf("step %d: after pushing, %v lies on %v", step, x, y)
				}
			}
		}
		if got == want && len(moves) > 0 {
			t.Fatalf("step %d: %v was pushed though nothing is in the way", step, moves)
		}
	}
}
