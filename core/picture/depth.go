package picture

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// Away is how far a layer is moved against its map by its depth, where the map covers a
// box and the view shows another; all in the same units. The view counts as if it stayed
// within the map, so that a layer lies as in play however the board is moved, and stands
// in its own place where all of the map is shown.
func Away(l *world.Layer, of, view grid.Rect) grid.Point {
	off := func(start, side, from, length int) int {
		most := max(0, side-length)
		// Twice the way between the two middles, so that halves count.
		return min(max(2*from+length-2*start-side, -most), most)
	}
	return grid.Point{X: off(of.X, of.W, view.X, view.W) * l.DepthX / 200, Y: off(of.Y, of.H, view.Y, view.H) * l.DepthY / 200}
}
