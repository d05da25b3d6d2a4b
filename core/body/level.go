package body

import (
	"azzel/core/grid"
	"azzel/core/tiles"
)

// Most of what moves walks on level ground most of the time. What a tick does to it is the
// same as everywhere, and found by looking at whole cells alone.

// A footing is what a cell is to somebody who walks on level ground.
type footing uint8

const (
	uneven footing = iota
	// air neither stops nor holds nor carries a body.
	air
	// floor is solid all over, and neither slippery nor slow.
	floor
)

// footingOf sorts a cell.
func footingOf(c cell) footing {
	switch {
	case c.climb || c.water || c.oneWay != 0:
		return uneven
	case c.solid == 0:
		return air
	case c.solid == tiles.Whole && !c.slippery && !c.slow:
		return floor
	}
	return uneven
}

// footingAt is how a cell is; uneven outside the map and its neighbours, where edges say more.
func (g *Ground) footingAt(x, y int) footing {
	c := grid.Point{X: x, Y: y}
	if g.Map.Bounds.Has(c) {
		k, i := g.find(c)
		return k.footings[i]
	}
	o, c := g.on(c)
	if o == nil {
		return uneven
	}
	k, i := o.find(c)
	return k.footings[i]
}

// level reports whether somebody who stands at p on level ground can go dx to the side on it:
// with nothing in the way, and nothing that moves near them.
func (g *Ground) level(s Size, p Place, dx int) bool {
	w, h := g.Lattice.W*Unit, g.Lattice.H*Unit
	row := floorDiv(p.Y, h)
	if row*h != p.Y {
		return false
	}
	// The line of the ground depends on the columns beside those that are covered.
	left, right, top := p.X-s.W*Unit/2-w/tiles.MaskSide+min(dx, 0), p.X+s.W*Unit/2+w/tiles.MaskSide+max(dx, 0), p.Y-s.H*Unit
	near := Box{left, top, right, p.Y + 1}
	if g.Boxes.Meet(near) {
		return false
	}
	first := floorDiv(top, h)
	for x, last := floorDiv(left, w), floorDiv(right, w); x <= last; x++ {
		if g.footingAt(x, row) != floor {
			return false
		}
		for y := first; y < row; y++ {
			if g.footingAt(x, y) != air {
				return false
			}
		}
	}
	return true
}

// stroll is Go for somebody who walks or stands on level ground; ok is false if there is more
// to it.
func (g *Ground) stroll(s Size, p Place, m Motion, d Drive, in Intent) (to Place, after Motion, ok bool) {
	if m.Mode != Grounded || in.Y != 0 || in.Pressed || m.Asked > 1 {
		return p, m, false
	}
	m.VX = quicken(m.VX, in.X, d.Run, d.SpeedUp, d.SlowDown)
	dx := floorDiv(m.VX+m.RestX, positionFine)
	if !g.level(s, p, dx) {
		return p, m, false
	}
	p.X += dx
	m.RestX += m.VX - dx*positionFine
	m.VY, m.RestY, m.Asked, m.Left, m.Rising, m.Thrown = 0, 0, 0, max(0, m.Left-1), false, false
	return p, m, true
}
