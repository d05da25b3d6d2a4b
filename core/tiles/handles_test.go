package tiles

import (
	"math/rand/v2"
	"testing"

	"azzel/core/grid"
)

// Wherever a handle is dragged, the part that is cut lies within the picture, a tile has pixels, and the handle lies where it
// was dragged to if that can be; the other handles of the same axis stay where they were.
func TestDraggedCuts(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 7))
	for range 20_000 {
		w, h := 20+r.IntN(200), 20+r.IntN(200)
		c := Cut{W: 4 + r.IntN(12), H: 4 + r.IntN(12), Margin: r.IntN(4), Spacing: r.IntN(4), OffsetX: r.IntN(6), OffsetY: r.IntN(6)}
		if r.IntN(2) == 0 {
			c.Crop = grid.Rect{X: r.IntN(w / 2), Y: r.IntN(h / 2), W: 1 + r.IntN(w/2), H: 1 + r.IntN(h/2)}
		}
		before := c.Handles(w, h)
		held := before[r.IntN(len(before))]
		to := grid.Point{X: r.IntN(3*w) - w, Y: r.IntN(3*h) - h}
		got := c.Dragged(held.Part, to, w, h)
		if a := got.area(w, h); a.Empty() || got.W < 1 || got.H < 1 || got.Spacing < 0 || got.OffsetX < 0 || got.OffsetY < 0 ||
			!got.Crop.Empty() && a != got.Crop {
			t.Fatalf("%+v, part %d dragged to %v, became %+v", c, held.Part, to, got)
		}
		a := c.area(w, h)
		inner := grid.Rect{X: a.X + 1, Y: a.Y + 1, W: a.W - 1, H: a.H - 1}
		for _, is := range got.Handles(w, h) {
			if is.Part != held.Part {
				continue
			}
			x, y := c.start(a)
			across := held.Part != CutTop && held.Part != CutBottom
			down := held.Part == CutStart || held.Part == CutSize || held.Part == CutTop || held.Part == CutBottom
			free := inner.Has(to) && (held.Part != CutSize || to.X > x && to.Y > y) && (held.Part != CutSpacing || to.X >= x+c.W)
			if free && (across && is.X != to.X || down && is.Y != to.Y) {
				t.Fatalf("%+v of %d × %d, part %d dragged to %v, lies at %d, %d", c, w, h, held.Part, to, is.X, is.Y)
			}
		}
		if held.Part >= CutLeft {
			b := got.area(w, h)
			if held.Part != CutLeft && b.X != a.X || held.Part != CutRight && b.X+b.W != a.X+a.W || held.Part != CutTop && b.Y != a.Y || held.Part != CutBottom && b.Y+b.H != a.Y+a.H {
				t.Fatalf("%v, part %d dragged, became %v", a, held.Part, b)
			}
		}
	}
}

// The neighbour at a place on a tile is one that counts, the corner or side that the place lies in if that counts.
func TestJoinsAtPlaces(t *testing.T) {
	for _, c := range []struct {
		join Join
		x, y float64
		want Neighbours
	}{
		{Both, 0.5, 0.1, North}, {Both, 0.9, 0.5, East}, {Both, 0.9, 0.9, SouthEast}, {Both, 0.1, 0.1, NorthWest}, {Both, 0.5, 0.6, South}, {Both, 0.4, 0.5, West},
		{Sides, 0.9, 0.95, South}, {Sides, 0.95, 0.9, East}, {Sides, 0.05, 0.1, West}, {Sides, 0.1, 0.05, North},
		{Corners, 0.5, 0.1, NorthEast}, {Corners, 0.4, 0.1, NorthWest}, {Corners, 0.4, 0.6, SouthWest}, {Corners, 0.9, 0.5, SouthEast},
	} {
		if got := c.join.At(c.x, c.y); got != c.want {
			t.Errorf("%s, at %v, %v it is %s, not %s", c.join, c.x, c.y, got, c.want)
		}
	}
	for n := range 1000 {
		if join := Join(n % 3); join.Counts()&join.At(float64(n%31)/31, float64(n%29)/29) == 0 {
			t.Fatalf("%s, at %d of 31, %d of 29 it is a neighbour that does not count", join, n%31, n%29)
		}
	}
}
