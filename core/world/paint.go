package world

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/limit"
)

// A Stroke is cells to be laid over a region of a layer.
type Stroke struct {
	Region grid.Region
	Cells  grid.Runs
	// Expect, unless nil, is what must still lie in a cell for it to be changed.
	// Another tile of the same bond will do where it is there since its
	// neighbours were mended.
	Expect grid.Runs
	// Loose is the part of Region in which tiles of bonds are not laid as they
	// are: which of their bond's tiles it is follows from the neighbours.
	Loose grid.Region
}

// Painted is what laying a stroke did.
type Painted struct {
	// Region is the stroke's, with the neighbours that were mended, and those that
	// follow their bond only since now.
	Region grid.Region
	// Before and After are its cells.
	Before, After grid.Runs
	// Loose is the part of it whose tiles followed their bond before.
	Loose grid.Region
	// Left is how many cells were left alone, since they were not as expected.
	Left int
}

// Paint lays a stroke on a layer, and mends the tiles of bonds round it: those
// that follow their bond follow it again, those that were laid otherwise by hand
// stay. Cells outside the map's bounds are an error.
func (d *Draft) Paint(mapID, layerID ID, s Stroke) (Painted, error) {
	l, err := d.layerOf(mapID, layerID)
	if err != nil {
		return Painted{}, err
	}
	m, _ := d.mapOf(mapID)
	if !m.Bounds.Holds(s.Region.Bounds()) {
		return Painted{}, errors.New("some of these cells lie outside the map")
	}
	for _, run := range s.Cells {
		if n := run.Cell.Tile(); n != 0 {
			if t, _ := d.doc.TilesetOf(n); t == nil {
				return Painted{}, fmt.Errorf("tile %d is not there any more", n)
			}
		}
	}
	old := l.Cells
	i := bonder{d.doc.index(), mapID, layerID, m.Bounds}
	var p Painted
	if len(i.bonds) > 0 && (len(s.Loose) > 0 || i.near(old, s.Region)) {
		p, l.Cells = i.paint(old, s)
	} else {
		p.Region, p.Before, p.After = s.Region, old.Read(s.Region), s.Cells
		e := old.Edit()
		p.Left = e.WriteWhere(s.Region, s.Cells, s.Expect)
		l.Cells = e.Done()
		if s.Expect != nil {
			p.After = l.Cells.Read(s.Region)
		}
	}
	d.count(old, l.Cells)
	if d.doc.stored > limit.StoredCells {
		return Painted{}, fmt.Errorf("a project holds at most %d million painted cells: remove something first", limit.StoredCells>>20)
	}
	return p, nil
}

// near reports whether any tile of a bond may lie in a region or beside it.
func (i bonder) near(p grid.Plane, g grid.Region) bool {
	b := g.Bounds()
	for cy := (b.Y - 1) >> 5; cy <= (b.Y+b.H)>>5; cy++ {
		for cx := (b.X - 1) >> 5; cx <= (b.X+b.W)>>5; cx++ {
			if slices.ContainsFunc(p.Chunk(cx, cy).Distinct(), func(c grid.Cell) bool { return i.of(c.Tile()) != nil }) {
				return true
			}
		}
	}
	return false
}

// paint lays a stroke where there are bonds.
func (i bonder) paint(old grid.Plane, s Stroke) (Painted, grid.Plane) {
	was := grid.Reader{Plane: old}
	follows := func(c grid.Point) bool { return i.follows(&was, c) }
	ring := s.Region.Grow().Minus(s.Region).Within(i.bounds)
	// What follows its bond round the stroke, or is left alone within it, will be
	// asked again.
	again := ring.Where(follows)
	var p Painted
	expect, kept := s.Expect, grid.Region(nil)
	if expect != nil {
		expect, kept, p.Left = i.expected(&was, s)
		again = again.Join(kept.Where(follows))
	}
	e := old.Edit()
	e.WriteWhere(s.Region, s.Cells, expect)
	laid := grid.Reader{Plane: e.Done()}
	mend := laid.Plane.Edit()
	var mended []grid.Span
	for _, span := range again.Join(s.Loose.Minus(kept)) {
		for x := span.X0; x <= span.X1; x++ {
			c := grid.Point{X: x, Y: span.Y}
			cell := laid.At(c.X, c.Y)
			if b := i.of(cell.Tile()); b != nil {
				if lays := i.lays(b, &laid, c); lays != cell {
					mend.Set(c, lays)
					mended = append(mended, grid.Span{Y: c.Y, X0: c.X, X1: c.X})
				}
			}
		}
	}
	next := mend.Done()
	// What was laid otherwise by hand and happens to follow its bond now must come
	// back as it was if this is undone.
	is := grid.Reader{Plane: next}
	byHand := ring.Where(func(c grid.Point) bool { return !follows(c) && i.follows(&is, c) })
	p.Region = s.Region.Join(grid.RegionOf(mended)).Join(byHand)
	p.Before, p.After = old.Read(p.Region), next.Read(p.Region)
	p.Loose = p.Region.Where(follows)
	return p, next
}

// expected is what to expect so that another tile of the same bond will do, the
// cells that are left alone all the same, and how many of those hold something
// else than they were to. A cell that would only be mended does not count.
func (i bonder) expected(was *grid.Reader, s Stroke) (expect grid.Runs, kept grid.Region, left int) {
	to := make([]grid.Cell, 0, s.Region.Len())
	s.Cells.Over(s.Region, func(_ grid.Point, c grid.Cell) { to = append(to, c) })
	same := func(a, b *preparedBond) bool { return a != nil && a == b }
	wanted := make([]grid.Cell, 0, len(to))
	var spans []grid.Span
	s.Expect.Over(s.Region, func(c grid.Point, want grid.Cell) {
		now, becomes := was.At(c.X, c.Y), to[len(wanted)]
		is, meant, next := i.of(now.Tile()), i.of(want.Tile()), i.of(becomes.Tile())
		switch {
		case now == want:
		case same(is, meant) && i.follows(was, c):
			want = now
		default:
			spans = append(spans, grid.Span{Y: c.Y, X0: c.X, X1: c.X})
			if now != becomes && !same(is, next) && !same(meant, next) {
				left++
			}
		}
		wanted = append(wanted, want)
	})
	k := 0
	expect = grid.RunsOf(s.Region, func(grid.Point) grid.Cell { k++; return wanted[k-1] })
	return expect, grid.RegionOf(spans), left
}
