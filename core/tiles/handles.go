package tiles

import "azzel/core/grid"

// A Handle is a point on a picture that is dragged to change its cut.
type Handle struct {
	// Part is what of the cut is dragged.
	Part CutPart `json:"part"`
	// X and Y are pixels of the picture.
	X int `json:"x"`
	Y int `json:"y"`
}

// A CutPart is what of a cut a handle drags.
type CutPart int

// The parts of a cut: where the first tile begins and ends, where the second begins, and the edges of the part of the
// picture that is cut.
const (
	CutStart CutPart = iota
	CutSize
	CutSpacing
	CutLeft
	CutRight
	CutTop
	CutBottom
)

// Handles are the handles of the cut on a picture of the given size, those first that are taken where several lie on one spot.
func (c Cut) Handles(width, height int) []Handle {
	a := c.area(width, height)
	x, y := c.start(a)
	return []Handle{
		{CutSize, x + c.W, y + c.H},
		{CutSpacing, x + c.W + c.Spacing, y + c.H/2},
		{CutStart, x, y},
		{CutLeft, a.X, a.Y + a.H/2},
		{CutRight, a.X + a.W, a.Y + a.H/2},
		{CutTop, a.X + a.W/2, a.Y},
		{CutBottom, a.X + a.W/2, a.Y + a.H},
	}
}

// start is where the first tile of a part of a picture begins.
func (c Cut) start(a grid.Rect) (x, y int) {
	return a.X + c.OffsetX + c.Margin, a.Y + c.OffsetY + c.Margin
}

// Dragged is the cut after a handle was dragged to a pixel of a picture of the given size. What can't be is not dragged to:
// a tile has at least 1 pixel, nothing lies beyond the picture.
func (c Cut) Dragged(part CutPart, to grid.Point, width, height int) Cut {
	a := c.area(width, height)
	x, y := c.start(a)
	within := func(v, least, most int) int { return min(max(v, least), most) }
	switch part {
	case CutStart:
		c.Margin, c.OffsetX, c.OffsetY = 0, within(to.X-a.X, 0, a.W), within(to.Y-a.Y, 0, a.H)
		return c
	case CutSize:
		c.W, c.H = within(to.X-x, 1, width), within(to.Y-y, 1, height)
		return c
	case CutSpacing:
		c.Spacing = within(to.X-x-c.W, 0, width)
		return c
	case CutLeft:
		left := within(to.X, 0, a.X+a.W-1)
		a.X, a.W = left, a.X+a.W-left
	case CutRight:
		a.W = within(to.X, a.X+1, width) - a.X
	case CutTop:
		top := within(to.Y, 0, a.Y+a.H-1)
		a.Y, a.H = top, a.Y+a.H-top
	case CutBottom:
		a.H = within(to.Y, a.Y+1, height) - a.Y
	default:
		return c
	}
	c.Crop = a
	return c
}
