package board

import (
	"slices"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
)

// Sides says which sides of a box are dragged.
type Sides uint8

// The sides. A corner is two of them.
const (
	Left Sides = 1 << iota
	Right
	Top
	Bottom
)

// Stretch is a box whose dragged sides were moved by a way in cells, at least one
// cell and at most limit.MaxMapSide wide and high.
func Stretch(r grid.Rect, sides Sides, by grid.Point) grid.Rect {
	length := func(n, by int, low, high bool) int {
		switch {
		case low:
			n -= by
		case high:
			n += by
		}
		return min(max(n, 1), limit.MaxMapSide)
	}
	end := grid.Point{X: r.X + r.W, Y: r.Y + r.H}
	r.W = length(r.W, by.X, sides&Left != 0, sides&Right != 0)
	r.H = length(r.H, by.Y, sides&Top != 0, sides&Bottom != 0)
	if sides&Left != 0 {
		r.X = end.X - r.W
	}
	if sides&Top != 0 {
		r.Y = end.Y - r.H
	}
	return r
}

// Stopped is the bounds that a map can have of those wanted, in its own cells: what
// grows stops where another map lies on the board.
func Stopped(d *world.Document, m *world.Map, want grid.Rect) grid.Rect {
	got := m.Bounds.Meet(want)
	if got.Empty() {
		return want
	}
	// One side after the other; which comes first does not matter unless a corner
	// is met, which then stops the later one.
	for _, side := range []Sides{Left, Right, Top, Bottom} {
		next := got
		switch side {
		case Left:
			next.X, next.W = want.X, got.X+got.W-want.X
		case Right:
			next.W = want.X + want.W - got.X
		case Top:
			next.Y, next.H = want.Y, got.Y+got.H-want.Y
		case Bottom:
			next.H = want.Y + want.H - got.Y
		}
		for _, o := range d.Maps {
			if o.ID == m.ID {
				continue
			}
			on := o.OnBoard().Move(grid.Point{X: -m.Origin.X, Y: -m.Origin.Y})
			if next.Meet(on).Empty() {
				continue
			}
			switch side {
			case Left:
				next.X, next.W = on.X+on.W, next.X+next.W-on.X-on.W
			case Right:
				next.W = on.X - next.X
			case Top:
				next.Y, next.H = on.Y+on.H, next.Y+next.H-on.Y-on.H
			case Bottom:
				next.H = on.Y - next.Y
			}
		}
		got = next
	}
	return got
}

// Pushed is where other maps go, by the place of their cell (0, 0), if a map has the
// bounds wanted and pushes those in its way aside; they push those behind them. Each
// goes the way that the side of the map moves which met it.
func Pushed(d *world.Document, m *world.Map, want grid.Rect) map[world.ID]grid.Point {
	moves := map[world.ID]grid.Point{}
	box := func(o *world.Map) grid.Rect {
		if o.ID == m.ID {
			return want.Move(m.Origin)
		}
		if to, moved := moves[o.ID]; moved {
			return o.Bounds.Move(to)
		}
		return o.OnBoard()
	}
	was := m.OnBoard()
	// way is in which direction a map pushes on: the one it was pushed itself.
	way := map[world.ID]grid.Point{}
	queue := []*world.Map{m}
	for rounds := 0; len(queue) > 0 && rounds < 4*limit.Maps; rounds++ {
		by := queue[0]
		queue = queue[1:]
		pusher := box(by)
		for _, o := range d.Maps {
			if o.ID == m.ID || o.ID == by.ID || box(o).Meet(pusher).Empty() {
				continue
			}
			on, dir := box(o), way[by.ID]
			if by.ID == m.ID {
				dir = outwards(was, o.OnBoard())
			}
			var step grid.Point
			switch {
			case dir.X < 0:
				step.X = pusher.X - on.X - on.W
			case dir.X > 0:
				step.X = pusher.X + pusher.W - on.X
			case dir.Y < 0:
				step.Y = pusher.Y - on.Y - on.H
			default:
				step.Y = pusher.Y + pusher.H - on.Y
			}
			from := o.Origin
			if to, moved := moves[o.ID]; moved {
				from = to
			}
			moves[o.ID], way[o.ID] = from.Add(step), dir
			if !slices.Contains(queue, o) {
				queue = append(queue, o)
			}
		}
	}
	return moves
}

// outwards is the direction from a box to another that does not lie on it.
func outwards(from, to grid.Rect) grid.Point {
	switch {
	case to.X+to.W <= from.X:
		return grid.Point{X: -1}
	case to.X >= from.X+from.W:
		return grid.Point{X: 1}
	case to.Y+to.H <= from.Y:
		return grid.Point{Y: -1}
	}
	return grid.Point{Y: 1}
}
