package body

// Round moves a body that fits at p straight along one axis, like Move. If it gets nowhere
// because of a corner, it goes round it: as far to the side as it was to go ahead, towards
// the nearest place, at most reach positions away, from which it gets on. It never leaves
// the map by that.
func (g *Ground) Round(s Size, p Place, dx, dy, reach int) Place {
	q := g.Move(s, p, dx, dy)
	if q != p || dx == 0 == (dy == 0) {
		return q
	}
	partW, partH := g.part()
	x0, y0, x1, y1 := s.box(p)
	far := max(dx, -dx, dy, -dy)
	// A body gets past a corner where one of its sides lies on a line of parts.
	before, after, step := modulo(x1+1, partW), modulo(-x0, partW), partW
	if dx != 0 {
		before, after, step = modulo(y1+1, partH), modulo(-y0, partH), partH
	}
	for before <= reach || after <= reach {
		to, offset := &after, after
		if before <= after {
			to, offset = &before, -before
		}
		if side, ok := g.aside(s, p, dx, dy, offset); ok {
			return g.Move(s, p, within(side.X-p.X, far), within(side.Y-p.Y, far))
		}
		*to += step
	}
	return p
}

// aside is the place beside p, across the way it is to go, and whether a body comes there
// and gets on from there.
func (g *Ground) aside(s Size, p Place, dx, dy, offset int) (Place, bool) {
	to := p
	if dx != 0 {
		to.Y += offset
	} else {
		to.X += offset
	}
	if offset == 0 || g.Inside(p.Cell(g.Lattice)) && !g.Inside(to.Cell(g.Lattice)) {
		return p, false
	}
	return to, g.Move(s, p, to.X-p.X, to.Y-p.Y) == to && g.Move(s, to, within(dx, 1), within(dy, 1)) != to
}

// within is n, but no further than most from 0.
func within(n, most int) int { return min(max(n, -most), most) }

// modulo is the remainder of a by b > 0, never below 0.
func modulo(a, b int) int { return a - floorDiv(a, b)*b }
