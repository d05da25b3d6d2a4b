package body

import (
	"azzel/core/grid"
	"azzel/core/tiles"
)

// In side-view somebody walks on the line through the heights of the columns of what is
// solid, eight columns to a cell, and not on their steps. Where two columns that lie beside
// each other differ by at most two parts the line goes on, over the joints of tiles too;
// where they differ by more there is a wall or a ledge. The foot is on the line. What is
// solid beneath the line that goes on from the foot never stops a body, so that its box, which
// is wider than a foot, does not hang on a slope.

// rise is by how many parts two columns may differ for the line to go on.
const rise = 2

// A surface says what is ground: what is solid, and what holds from above alone.
type surface struct {
	g *Ground
	// oneWay counts what holds from above alone as ground.
	oneWay bool
}

// solid reports whether a part stops a body from every side.
func (g *Ground) solid(column, row int) bool {
	return g.mask(grid.Point{X: column >> 3, Y: row >> 3}).At(column&7, row&7)
}

// holds reports whether a part holds from above alone: a one-way tile, or the top of what
// can be climbed.
func (g *Ground) holds(column, row int) bool {
	c := grid.Point{X: column >> 3, Y: row >> 3}
	if !g.Inside(c) {
		return false
	}
	of := g.cellAt(c)
	if of.oneWay.At(column&7, row&7) {
		return true
	}
	if !of.climb || row&7 != 0 {
		return false
	}
	above := grid.Point{X: c.X, Y: c.Y - 1}
	return g.Inside(above) && !g.cellAt(above).climb && !g.Doorway(above)
}

func (s surface) at(column, row int) bool {
	return s.g.solid(column, row) || s.oneWay && s.g.holds(column, row)
}

// top finds the ground of a column at or below a row, at most so far below, or above it if the
// row itself is ground. It gives the first row that is ground.
func (s surface) top(column, row, below int) (int, bool) {
	if s.at(column, row) {
		for range rise {
			if row--; !s.at(column, row) {
				return row + 1, true
			}
		}
		return 0, false
	}
	for range below + 1 {
		if row++; s.at(column, row) {
			return row, true
		}
	}
	return 0, false
}

// beside finds where the line goes on in a column beside one whose ground begins at a row.
func (s surface) beside(column, row int) (int, bool) {
	if s.at(column, row-1) {
		for up := 2; up <= rise+1; up++ {
			if !s.at(column, row-up) {
				return row - up + 1, true
			}
		}
		return 0, false
	}
	for down := range rise + 1 {
		if s.at(column, row+down) {
			return row + down, true
		}
	}
	return 0, false
}

// corner is the height of the line on the border between a column and the one beside it.
func (s surface) corner(column, row, beside int) int {
	_, h := s.g.part()
	if other, on := s.beside(beside, row); on {
		return max(row, other) * h
	}
	return row * h
}

// line is the height of the line at x in a column whose ground begins at a row.
func (s surface) line(x, column, row int) int {
	w, _ := s.g.part()
	left, right := s.corner(column, row, column-1), s.corner(column, row, column+1)
	return left + floorDiv((right-left)*(x-column*w), w)
}

// under finds the ground beneath the foot of p, and the height of the line there.
func (s surface) under(p Place, below int) (row, y int, found bool) {
	w, h := s.g.part()
	column := floorDiv(p.X, w)
	row, found = s.top(column, floorDiv(p.Y-1, h), below)
	if !found {
		return 0, 0, false
	}
	return row, s.line(p.X, column, row), true
}

// reach is how far below a foot, in rows, ground may lie that a slope leads up from to a
// corner of the body's box.
func (g *Ground) reach(s Size) int {
	w, _ := g.part()
	return rise*(s.W*Unit/2/w+2) + 1
}

// plain reports whether every cell that a box of parts touches, or that lies next to it, is
// either free or solid all over, and whether one that it touches is solid. There are no
// slopes then.
func (g *Ground) plain(r grid.Rect, below int) (solid, plain bool) {
	x0, x1 := (r.X-1)>>3, (r.X+r.W)>>3
	bottom := (r.Y + r.H - 1) >> 3
	for y := (r.Y - 1) >> 3; y <= (r.Y+r.H-1+below)>>3; y++ {
		whole := true
		for x := x0; x <= x1; x++ {
			switch g.mask(grid.Point{X: x, Y: y}) {
			case 0:
				whole = false
			case tiles.Whole:
				solid = solid || x >= r.X>>3 && x <= (r.X+r.W-1)>>3 && y >= r.Y>>3 && y <= bottom
			default:
				return false, false
			}
		}
		if whole && y > bottom {
			// What lies beneath counts for nothing.
			break
		}
	}
	return solid, true
}

// free reports whether a body can be at p in side-view: its foot not below the line, and
// nothing solid in its box but what lies beneath the line that goes on from the foot.
func (g *Ground) free(size Size, p Place) bool {
	if g.boxed(size, p) {
		return false
	}
	r := g.parts(size.box(p))
	reach := g.reach(size)
	if solid, plain := g.plain(r, reach); plain {
		return !solid
	}
	s := surface{g, false}
	w, h := g.part()
	foot := floorDiv(p.X, w)
	row, found := s.top(foot, floorDiv(p.Y-1, h), reach)
	if !found {
		return !g.blocked(r)
	}
	if p.Y > s.line(p.X, foot, row) {
		return false
	}
	if !g.clear(foot, r.Y, min(r.Y+r.H, row)) {
		return false
	}
	for _, step := range [2]int{-1, 1} {
		at, on := row, true
		for column := foot + step; column >= r.X && column < r.X+r.W; column += step {
			end := r.Y + r.H
			if on {
				if at, on = s.beside(column, at); on {
					end = min(end, at)
				}
			}
			if !g.clear(column, r.Y, end) {
				return false
			}
		}
	}
	return true
}

// clear reports whether nothing in a column is solid, from a row to before another.
func (g *Ground) clear(column, from, to int) bool {
	for row := from; row < to; row++ {
		if g.solid(column, row) {
			return false
		}
	}
	return true
}

// Supported reports whether somebody at p stands on something, in side-view.
func (g *Ground) Supported(s Size, p Place) bool {
	return !g.free(s, Place{p.X, p.Y + 1}) || g.heldAt(s, p, p.Y)
}

// heldAt reports whether something that holds from above alone begins at height y beneath
// the box.
func (g *Ground) heldAt(s Size, p Place, y int) bool {
	w, h := g.part()
	if modulo(y, h) != 0 {
		return g.heldOnLine(p, y)
	}
	x0, _, x1, _ := s.box(p)
	row := y / h
	if y < 0 {
		row = floorDiv(y, h)
	}
	for column := floorDiv(x0, w); column <= floorDiv(x1, w); column++ {
		if g.holds(column, row) && !g.holds(column, row-1) && !g.solid(column, row-1) {
			return true
		}
	}
	return g.heldOnLine(p, y)
}

// heldOnLine reports whether the foot is on the line of a slope that holds from above alone.
func (g *Ground) heldOnLine(p Place, y int) bool {
	w, _ := g.part()
	s := surface{g, true}
	row, line, found := s.under(Place{p.X, y}, 0)
	return found && line == y && g.holds(floorDiv(p.X, w), row)
}
