package world

import (
	"azzel/core/grid"
	"azzel/core/pace"
)

// A mender lays a stroke where there are bonds. It goes by rows of chunks, one pass
// after another, since what is mended follows from all that is laid.
type mender struct {
	bonder
	old  grid.Plane
	lay  *grid.Editor
	pace pace.Pace
}

// bands calls f for each row of chunks in which g or its neighbours lie, with the rows
// it has there.
func (m mender) bands(g grid.Region, f func(y0, y1 int)) {
	b := g.Bounds()
	for cy := (b.Y - 1) >> 5; cy <= (b.Y+b.H)>>5; cy++ {
		f(cy<<5, cy<<5+31)
	}
}

// where appends to g the cells of others for which keep holds.
func (m mender) where(g, others grid.Region, keep func(grid.Point) bool) grid.Region {
	for _, s := range others {
		for x := s.X0; x <= s.X1; x++ {
			if keep(grid.Point{X: x, Y: s.Y}) {
				g = g.Append(s.Y, x, x)
			}
		}
		m.pace.Did(s.X1 - s.X0 + 1)
	}
	return g
}

// ring is the part in some rows of what touches g.
func (m mender) ring(g grid.Region, y0, y1 int) grid.Region {
	return g.Rows(y0-1, y1+1).Grow().Rows(y0, y1).Minus(g.Rows(y0, y1)).Within(m.bounds)
}

func (m mender) paint(s Stroke) (Painted, grid.Plane) {
	was := grid.Reader{Plane: m.old}
	followed := func(c grid.Point) bool { return m.follows(&was, c) }
	p := Painted{}
	// What follows its bond round the stroke, or is left alone within it, will be
	// asked again.
	var ring, again, kept grid.Region
	m.bands(s.Region, func(y0, y1 int) {
		around := m.ring(s.Region, y0, y1)
		ring = append(ring, around...)
		again = m.where(again, around, followed)
	})
	if s.Swap == nil && s.Expect == nil {
		m.lay.WriteWhere(s.Region, s.Cells, nil)
	} else {
		kept, p.Left = m.layExpected(&was, s)
	}
	laid := grid.Reader{Plane: m.lay.Done()}
	next, mended := m.mend(&laid, s, kept, func(y0, y1 int) grid.Region {
		stays := m.where(nil, kept.Rows(y0, y1), followed)
		return again.Rows(y0, y1).Join(stays)
	})
	// What was laid otherwise by hand and happens to follow its bond now must come
	// back as it was if this is undone.
	is := grid.Reader{Plane: next}
	m.bands(s.Region, func(y0, y1 int) {
		byHand := m.where(nil, ring.Rows(y0, y1), func(c grid.Point) bool { return !followed(c) && m.follows(&is, c) })
		all := s.Region.Rows(y0, y1).Join(mended.Rows(y0, y1)).Join(byHand)
		p.Region = append(p.Region, all...)
		p.Loose = m.where(p.Loose, all, followed)
	})
	return p, next
}

// mend gives what follows its bond among what was laid, and what of the stroke is
// loose, the tile that goes with its neighbours.
func (m mender) mend(laid *grid.Reader, s Stroke, kept grid.Region, again func(y0, y1 int) grid.Region) (next grid.Plane, mended grid.Region) {
	e := laid.Plane.Edit()
	m.bands(s.Region, func(y0, y1 int) {
		var region grid.Region
		var runs grid.Runs
		for _, span := range again(y0, y1).Join(s.Loose.Rows(y0, y1).Minus(kept.Rows(y0, y1))) {
			for x := span.X0; x <= span.X1; x++ {
				cell := laid.At(x, span.Y)
				b := m.of(cell.Tile())
				if b == nil {
					continue
				}
				if is := m.lays(b, laid, grid.Point{X: x, Y: span.Y}); is != cell {
					region = region.Append(span.Y, x, x)
					runs = runs.Append(1, is)
				}
			}
			m.pace.Did(span.X1 - span.X0 + 1)
		}
		e.Write(region, runs)
		mended = append(mended, region...)
	})
	return e.Done(), mended
}

// layExpected lays a stroke where there is what it expects, or another tile of the same
// bond that follows it. It gives the cells that were left alone, and how many of those
// hold something else than they were to. A cell that would only be mended does not
// count.
func (m mender) layExpected(was *grid.Reader, s Stroke) (kept grid.Region, left int) {
	to, from := grid.RunReader{Runs: s.Cells}, grid.RunReader{Runs: s.Expect}
	for _, band := range s.Region.Bands() {
		var cells, expect grid.Runs
		if s.Swap != nil {
			cells, expect = s.Swap.To.Read(band), s.Swap.From.Read(band)
		} else {
			n := band.Len()
			cells, expect = to.Take(n), from.Take(n)
		}
		expect, stays, more := m.expected(was, band, cells, expect)
		m.lay.WriteWhere(band, cells, expect)
		kept = append(kept, stays...)
		left += more
	}
	return kept, left
}

// expected is what to expect of cells, so that another tile of the same bond will do,
// and what layExpected gives of them.
func (m mender) expected(was *grid.Reader, g grid.Region, cells, expect grid.Runs) (wanted grid.Runs, kept grid.Region, left int) {
	same := func(a, b *preparedBond) bool { return a != nil && a == b }
	to := grid.RunReader{Runs: cells}
	expect.Over(g, func(c grid.Point, want grid.Cell) {
		now, becomes := was.At(c.X, c.Y), to.One()
		is, meant, next := m.of(now.Tile()), m.of(want.Tile()), m.of(becomes.Tile())
		switch {
		case now == want:
		case same(is, meant) && m.follows(was, c):
			want = now
		default:
			kept = kept.Append(c.Y, c.X, c.X)
			if now != becomes && !same(is, next) && !same(meant, next) {
				left++
			}
		}
		wanted = wanted.Append(1, want)
	})
	m.pace.Did(g.Len())
	return wanted, kept, left
}
