package page

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// maxSpans is how many rows a ghost is drawn with before only its box is.
const maxSpans = 3000

// Spans are the rows of a region of the board in pixels; none if it is a box, or
// there are too many.
func Spans(l grid.Lattice, g grid.Region) []int {
	list := []int{}
	b := g.Bounds()
	if len(g) > maxSpans || b.W*b.H == g.Len() {
		return list
	}
	for _, s := range g {
		r := l.Box(grid.Rect{X: s.X0, Y: s.Y, W: s.X1 - s.X0 + 1, H: 1})
		list = append(list, r.X, r.Y, r.W, r.H)
	}
	return list
}

// BoxView is a box.
type BoxView struct {
	X int `json:"x"`
	Y int `json:"y"`
	W int `json:"w"`
	H int `json:"h"`
}

// BodyView is the box of what moves between cells; X and Y are its upper left corner.
type BodyView struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
	W int     `json:"w"`
	H int     `json:"h"`
}

// Body is the box of a body of which X and Y are the foot.
func Body(x, y float64, w, h int) BodyView { return BodyView{x - float64(w)/2, y - float64(h), w, h} }

// SpotView is where a picture of something that stands on a map is drawn.
type SpotView struct {
	// X and Y are where the middle of its lower edge lies.
	X float64 `json:"x"`
	Y float64 `json:"y"`
	// Order says what is drawn before what: the lowest first.
	Order float64 `json:"order"`
}

// Levels at which things stand: what all else stands on, all that walk among each other, and what is carried overhead.
const (
	LevelGround = iota - 1
	LevelFeet
	LevelOverhead
)

// Spot is where a picture is drawn of something whose foot is at x, y, if the foot lies in the picture so many pixels to the
// right of the middle of its lower edge and above it. At one level those whose feet are lower are in front.
func Spot(x, y float64, foot grid.Point, level int) SpotView {
	const apart = 1 << 40
	return SpotView{X: x - float64(foot.X), Y: y + float64(foot.Y), Order: float64(level)*apart + y}
}

// InFront is a spot before all others.
func (s SpotView) InFront() SpotView {
	s.Order = 1 << 50
	return s
}

// Rect is the box as a rectangle, no farther off than anything can be.
func (b BoxView) Rect() grid.Rect {
	corner, size := At(b.X, b.Y), At(b.W, b.H)
	return grid.Rect{X: corner.X, Y: corner.Y, W: size.X, H: size.Y}
}

// PathView is the way of a piece, with what it covers at its end.
type PathView struct {
	// Points are x and y in turns.
	Points []int `json:"points"`
	// Second is how far it goes in a second.
	Second float64 `json:"second"`
	W      int     `json:"w"`
	H      int     `json:"h"`
}

// SlipLine is one property in the slip.
type SlipLine struct {
	Label string `json:"label"`
	Value string `json:"value"`
}

// PictureSide is a side of a picture in pixels that can be made.
func PictureSide(side int) int { return min(max(side, 1), 4096) }

// Beside is where cell (0, 0) of a map with some bounds can lie to the right of all
// that is there.
func Beside(d *world.Document, bounds grid.Rect) grid.Point {
	at := grid.Point{}
	for _, m := range d.Maps {
		b := m.OnBoard()
		at.X = max(at.X, b.X+b.W+3)
	}
	return grid.Point{X: at.X - bounds.X, Y: at.Y - bounds.Y}
}
