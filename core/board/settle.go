package board

import (
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
)

// tries is how many places are looked at before it is said that there is none.
const tries = 2000

// Free is the free place on the board that is nearest to a box, all in cells: the box
// itself if nothing lies there. The map called except may be lain on. It reports
// whether a place was found.
func Free(d *world.Document, r grid.Rect, except world.ID) (grid.Rect, bool) {
	type place struct{ x, y int }
	seen := map[place]bool{{r.X, r.Y}: true}
	open := []grid.Rect{r}
	far := func(q grid.Rect) int { return abs(q.X-r.X) + abs(q.Y-r.Y) }
	for n := 0; n < tries && len(open) > 0; n++ {
		// The nearest of those not looked at yet; there are few.
		at := 0
		for i, q := range open {
			if far(q) < far(open[at]) {
				at = i
			}
		}
		q := open[at]
		open = append(open[:at], open[at+1:]...)
		hit := lies(d, q, except)
		if hit == nil {
			return q, within(q)
		}
		o := hit.OnBoard()
		for _, next := range []grid.Rect{
			{X: o.X - q.W, Y: q.Y, W: q.W, H: q.H}, {X: o.X + o.W, Y: q.Y, W: q.W, H: q.H},
			{X: q.X, Y: o.Y - q.H, W: q.W, H: q.H}, {X: q.X, Y: o.Y + o.H, W: q.W, H: q.H},
		} {
			if p := (place{next.X, next.Y}); !seen[p] {
				seen[p] = true
				open = append(open, next)
			}
		}
	}
	return r, false
}

func within(r grid.Rect) bool {
	return (grid.Rect{X: -limit.MaxBoard, Y: -limit.MaxBoard, W: 2 * limit.MaxBoard, H: 2 * limit.MaxBoard}).Holds(r)
}

// lies is a map that lies on a box of the board, nil if none does.
func lies(d *world.Document, r grid.Rect, except world.ID) *world.Map {
	for _, m := range d.Maps {
		if m.ID != except && !m.OnBoard().Meet(r).Empty() {
			return m
		}
	}
	return nil
}

// Settled is where a map comes to lie that is dragged to an origin: its sides snap to
// those of other maps that are at most snap cells away, to touch them or in line with
// them, and it never lies on one. It reports whether there is a place.
func Settled(d *world.Document, m *world.Map, want grid.Point, snap int) (origin grid.Point, ok bool) {
	box := m.Bounds.Move(want)
	// 0 for each axis is where it was dragged to.
	dxs, dys := []int{0}, []int{0}
	for _, o := range d.Maps {
		q := o.OnBoard()
		near := grid.Rect{X: q.X - snap - 1, Y: q.Y - snap - 1, W: q.W + 2*snap + 2, H: q.H + 2*snap + 2}
		if o.ID == m.ID || near.Meet(box).Empty() || len(dxs) > 40 {
			continue
		}
		for _, x := range []int{q.X - box.W, q.X + q.W, q.X, q.X + q.W - box.W} {
			if n := x - box.X; n != 0 && abs(n) <= snap {
				dxs = append(dxs, n)
			}
		}
		for _, y := range []int{q.Y - box.H, q.Y + q.H, q.Y, q.Y + q.H - box.H} {
			if n := y - box.Y; n != 0 && abs(n) <= snap {
				dys = append(dys, n)
			}
		}
	}
	best, score := grid.Point{}, -1
	for _, dx := range dxs {
		for _, dy := range dys {
			to := box.Move(grid.Point{X: dx, Y: dy})
			if lies(d, to, m.ID) != nil || !within(to) {
				continue
			}
			// Sides that meet count first, then how near it is.
			n := meeting(d, m.ID, to)*4*(snap+1) + 2*snap - abs(dx) - abs(dy)
			if n > score {
				best, score = grid.Point{X: dx, Y: dy}, n
			}
		}
	}
	if score >= 0 {
		return want.Add(best), true
	}
	free, ok := Free(d, box, m.ID)
	return grid.Point{X: free.X - m.Bounds.X, Y: free.Y - m.Bounds.Y}, ok
}

// meeting counts on how many axes a side of the box meets or is in line with one of
// another map that it touches.
func meeting(d *world.Document, except world.ID, r grid.Rect) int {
	most := 0
	for _, o := range d.Maps {
		q := o.OnBoard()
		if o.ID == except || (grid.Rect{X: q.X - 1, Y: q.Y - 1, W: q.W + 2, H: q.H + 2}).Meet(r).Empty() {
			continue
		}
		n := 0
		touchX, touchY := r.X == q.X+q.W || r.X+r.W == q.X, r.Y == q.Y+q.H || r.Y+r.H == q.Y
		alongX, alongY := r.X == q.X || r.X+r.W == q.X+q.W, r.Y == q.Y || r.Y+r.H == q.Y+q.H
		switch {
		case touchX && alongY || touchY && alongX:
			n = 2
		case touchX != touchY:
			n = 1
		}
		most = max(most, n)
	}
	return most
}

// Touching are the maps that a box of the board touches along a side.
func Touching(d *world.Document, except world.ID, r grid.Rect) []*world.Map {
	var list []*world.Map
	for _, o := range d.Maps {
		if o.ID == except {
			continue
		}
		q := o.OnBoard()
		wide := grid.Rect{X: q.X - 1, Y: q.Y, W: q.W + 2, H: q.H}
		high := grid.Rect{X: q.X, Y: q.Y - 1, W: q.W, H: q.H + 2}
		if !wide.Meet(r).Empty() || !high.Meet(r).Empty() {
			list = append(list, o)
		}
	}
	return list
}

func abs(n int) int { return max(n, -n) }
