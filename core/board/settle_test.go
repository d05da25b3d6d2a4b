package board_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/board"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// Wherever a map is dragged, it comes to lie on no other, at most a snap away if there
// was room, and on the nearest free place if there was none.
func TestSettled(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 40))
	for round := range 150 {
		d := many(t, r, 2+r.IntN(9))
		m := d.Maps[r.IntN(len(d.Maps))]
		for range 30 {
			want, snap := grid.Point{X: r.IntN(120) - 60, Y: r.IntN(120) - 60}, r.IntN(4)
			got, ok := board.Settled(d, m, want, snap)
			if !ok {
				t.Fatalf("round %d: no place is free on an endless board", round)
			}
			box, asked := m.Bounds.Move(got), m.Bounds.Move(want)
			lain := false
			for _, o := range d.Maps {
				if o == m {
					continue
				}
				if !o.OnBoard().Meet(box).Empty() {
					t.Fatalf("round %d: %v lies on %s at %v", round, box, o.Name, o.OnBoard())
				}
				lain = lain || !o.OnBoard().Meet(asked).Empty()
			}
			dx, dy := max(got.X-want.X, want.X-got.X), max(got.Y-want.Y, want.Y-got.Y)
			if !lain && (dx > snap || dy > snap) {
				t.Fatalf("round %d: there was room at %v, and it went to %v with a snap of %d", round, want, got, snap)
			}
			if lain && snap == 0 {
				// No free place is nearer.
				for x := -dx - dy; x <= dx+dy; x++ {
					for y := -dx - dy; y <= dx+dy; y++ {
						if n := max(x, -x) + max(y, -y); n >= dx+dy {
							continue
						}
						free := true
						for _, o := range d.Maps {
							free = free && (o == m || o.OnBoard().Meet(asked.Move(grid.Point{X: x, Y: y})).Empty())
						}
						if free {
							t.Fatalf("round %d: %v is free and nearer to %v than %v", round, grid.Point{X: x, Y: y}, want, got)
						}
					}
				}
			}
		}
	}
}

// many is a document of so many maps that lie on none of the others.
func many(t *testing.T, r *rand.Rand, n int) *world.Document {
	t.Helper()
	ids := &world.Counter{Prefix: 1}
	d, err := world.Start(world.Project{Name: "Beds", CellW: 8, CellH: 8, SeenW: 5, SeenH: 4}, ids)
	if err != nil {
		t.Fatal(err)
	}
	for len(d.Maps) < n {
		m, layers := world.NewMap("Bed", grid.Point{X: r.IntN(80) - 40, Y: r.IntN(80) - 40}, grid.Rect{X: r.IntN(5) - 2, Y: r.IntN(5) - 2, W: 1 + r.IntN(15), H: 1 + r.IntN(15)}, ids)
		if res, err := edit.Apply(d, edit.Edit{Label: "a map", Parts: edit.PutMap(m, layers)}); err == nil {
			d = res.Document
		}
	}
	return d
}
