package board

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
)

// Room is the box dragged from corner to the cell that the pointer is at, both
// in cells of the board, stopped where it would lie on another map. It is
// empty if the corner itself lies on a map.
func Room(d *world.Document, corner, to grid.Point) grid.Rect {
	if d.MapAt(corner) != nil {
		return grid.Rect{}
	}
	to.X = min(max(to.X, corner.X-limit.MaxMapSide+1), corner.X+limit.MaxMapSide-1)
	to.Y = min(max(to.Y, corner.Y-limit.MaxMapSide+1), corner.Y+limit.MaxMapSide-1)
	for {
		r := grid.Between(corner, to)
		hit := lies(d, r, 0)
		if hit == nil {
			return r
		}
		// Draw back along the axis that costs the fewer cells.
		on := hit.OnBoard()
		byX, byY := to, to
		stopX := corner.X < on.X || corner.X >= on.X+on.W
		stopY := corner.Y < on.Y || corner.Y >= on.Y+on.H
		if corner.X < on.X {
			byX.X = on.X - 1
		} else {
			byX.X = on.X + on.W
		}
		if corner.Y < on.Y {
			byY.Y = on.Y - 1
		} else {
			byY.Y = on.Y + on.H
		}
		a, b := grid.Between(corner, byX), grid.Between(corner, byY)
		if stopX && (!stopY || a.W*a.H >= b.W*b.H) {
			to = byX
		} else {
			to = byY
		}
	}
}

// NameFor proposes a name for a new map from where it lies.
func NameFor(d *world.Document, r grid.Rect) string {
	var near *world.Map
	best := 0
	for _, m := range d.Maps {
		on := m.OnBoard()
		dx := max(on.X-(r.X+r.W), r.X-(on.X+on.W), 0)
		dy := max(on.Y-(r.Y+r.H), r.Y-(on.Y+on.H), 0)
		if far := dx*dx + dy*dy; near == nil || far < best {
			near, best = m, far
		}
	}
	if near == nil {
		return "First map"
	}
	on := near.OnBoard()
	side := "East"
	dx, dy := 2*r.X+r.W-2*on.X-on.W, 2*r.Y+r.H-2*on.Y-on.H
	switch {
	case dy*on.W > 0 && dy*(on.W+r.W) >= max(dx, -dx)*(on.H+r.H):
		side = "South"
	case dy < 0 && -dy*(on.W+r.W) >= max(dx, -dx)*(on.H+r.H):
		side = "North"
	case dx < 0:
		side = "West"
	}
	name := []rune(fmt.Sprintf("%s of %s", side, near.Name))
	base := string(name[:min(len(name), limit.NameLetters-4)])
	for n := 1; ; n++ {
		name := base
		if n > 1 {
			name = fmt.Sprintf("%s, %d", base, n)
		}
		taken := false
		for _, m := range d.Maps {
			taken = taken || m.Name == name
		}
		if !taken {
			return name
		}
	}
}
