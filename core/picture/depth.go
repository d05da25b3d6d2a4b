package picture

import (
	"math"

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

// Drifted is where the backdrop of a layer lies after so many seconds, from the map's cell (0, 0), in units of which there are
// so many in a pixel. What repeats along an axis lies as near as it can.
func Drifted(b world.Backdrop, seconds float64, unit int) grid.Point {
	along := func(start, drift, length int, repeats bool) int {
		way := float64(drift) * seconds
		if repeats && length > 0 {
			way = math.Mod(way, float64(length))
		}
		// Beyond this nothing is seen of it anywhere.
		const far = 1 << 24
		return int(math.Round((float64(start) + min(max(way, -far), far)) * float64(unit)))
	}
	return grid.Point{X: along(b.X, b.DriftX, b.W, b.RepeatX && !b.Stretch), Y: along(b.Y, b.DriftY, b.H, b.RepeatY && !b.Stretch)}
}
