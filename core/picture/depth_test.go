package picture_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/grid"
	"azzel/core/picture"
	"azzel/core/world"
)

// A layer without depth goes with its map; one with 100 stands still on the screen while
// the view moves within the map; where all is shown none is moved.
func TestAway(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 8))
	far, flat := &world.Layer{DepthX: 100, DepthY: 100}, &world.Layer{}
	for range 500 {
		of := grid.Rect{X: r.IntN(900) - 450, Y: r.IntN(900) - 450, W: 2 * (10 + r.IntN(400)), H: 2 * (10 + r.IntN(400))}
		view := grid.Rect{W: 2 * (1 + r.IntN(of.W/2)), H: 2 * (1 + r.IntN(of.H/2))}
		view.X, view.Y = of.X+r.IntN(of.W-view.W+1), of.Y+r.IntN(of.H-view.H+1)
		if picture.Away(flat, of, view) != (grid.Point{}) {
			t.Fatal("a layer without depth was moved")
		}
		a := picture.Away(far, of, view)
		// Seen from the view, it lies as it lies seen from the middle of the map.
		if x, y := of.X+a.X-view.X, of.Y+a.Y-view.Y; x != (view.W-of.W)/2 || y != (view.H-of.H)/2 {
			t.Fatalf("%v in %v: the layer stands at %d, %d", view, of, x, y)
		}
		if all := (grid.Rect{X: of.X - r.IntN(50), Y: of.Y - r.IntN(50), W: of.W + 50, H: of.H + 50}); picture.Away(far, of, all) != (grid.Point{}) {
			t.Fatalf("%v shows all of %v, and the layer is moved", all, of)
		}
		// Beyond the map nothing is moved further than at its edge.
		edge := view
		edge.X = of.X + of.W - view.W
		beyond := edge
		beyond.X += r.IntN(900)
		if picture.Away(far, of, edge).X != picture.Away(far, of, beyond).X {
			t.Fatal("beyond the edge the layer went on")
		}
	}
}

// A backdrop drifts evenly; one that repeats lies after each of its lengths as at first, and so is never far.
func TestDrifted(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 6))
	for range 500 {
		b := world.Backdrop{X: r.IntN(200) - 100, Y: r.IntN(200) - 100, W: 1 + r.IntN(300), H: 1 + r.IntN(300), DriftX: r.IntN(200) - 100, DriftY: r.IntN(200) - 100, RepeatX: true}
		seconds := float64(r.IntN(100_000)) / 4
		at := picture.Drifted(b, seconds, 4)
		if at.Y != 4*b.Y+int(float64(b.DriftY)*seconds*4) {
			t.Fatalf("%+v lies after %v s at %d quarters down", b, seconds, at.Y)
		}
		if way := at.X - 4*b.X; way <= -4*b.W || way >= 4*b.W || (way-int(float64(b.DriftX)*seconds*4))%(4*b.W) != 0 {
			t.Fatalf("%+v lies after %v s at %d quarters to the right", b, seconds, at.X)
		}
	}
	if at := picture.Drifted(world.Backdrop{DriftX: -1000}, 1e12, 16); at.X > -1<<28 || at.X < -1<<29 {
		t.Errorf("after ages it lies at %d", at.X)
	}
}
