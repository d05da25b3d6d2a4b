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
	// Swap, unless nil, takes the place of Cells and Expect.
	Swap *grid.Swap
	// Loose is the part of Region in which tiles of bonds are not laid as they
	// are: which of their bond's tiles it is follows from the neighbours.
	Loose grid.Region
}

// Painted is what laying a stroke did.
type Painted struct {
	// Region is the stroke's, with the neighbours that were mended, and those that
	// follow their bond only since now.
	Region grid.Region
	// Back turns its cells into what lay there before; empty for a final draft.
	Back grid.Swap
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
	if n := d.missing(s); n != 0 {
		return Painted{}, fmt.Errorf("tile %d is not there any more", n)
	}
	i := bonder{d.doc.index(), mapID, layerID, m.Bounds}
	p := Painted{Region: s.Region}
	old, e := l.Cells, d.editorOf(l)
	switch {
	case len(i.bonds) > 0 && (len(s.Loose) > 0 || i.near(e.Plane(), s.Region)):
		d.settle()
		old = l.Cells
		e = old.Edit()
		e.Pace = d.Pace
		p, l.Cells = mender{i, old, e, d.Pace}.paint(s)
		d.count(old, l.Cells)
	case s.Swap != nil:
		p.Left = e.Swap(s.Region, *s.Swap)
	default:
		p.Left = e.WriteWhere(s.Region, s.Cells, s.Expect)
	}
	if d.Final {
		return p, nil
	}
	d.settle()
	p.Back = grid.Swap{From: l.Cells.Part(p.Region, d.Pace), To: old.Part(p.Region, d.Pace)}
	if d.doc.stored > limit.StoredCells {
		return Painted{}, fmt.Errorf("a project holds at most %d million painted cells: erase or delete something first", limit.StoredCells>>20)
	}
	return p, nil
}

// Fitting is the part of a stroke that can be laid: within the map, of tiles that are
// there; of no cells if the layer is gone.
func (d *Draft) Fitting(mapID, layerID ID, s Stroke) Stroke {
	m := d.doc.Map(mapID)
	if m == nil || m.Layer(layerID) == nil {
		return Stroke{}
	}
	keep := s.Region
	if !m.Bounds.Holds(keep.Bounds()) {
		keep = keep.Within(m.Bounds)
	}
	if d.missing(s) != 0 {
		there := func(c grid.Cell) bool { return d.missingOf(grid.Runs{{N: 1, Cell: c}}) == 0 }
		if s.Swap != nil {
			keep = keep.Where(func(p grid.Point) bool { return there(s.Swap.To.At(p)) })
		} else {
			var spans []grid.Span
			s.Cells.Over(s.Region, func(p grid.Point, c grid.Cell) {
				if there(c) {
					spans = append(spans, grid.Span{Y: p.Y, X0: p.X, X1: p.X})
				}
			})
			keep = keep.Minus(keep.Minus(grid.RegionOf(spans)))
		}
	}
	if keep.Len() == s.Region.Len() {
		return s
	}
	if s.Swap == nil {
		s.Cells = s.Cells.Part(s.Region, keep)
		if s.Expect != nil {
			s.Expect = s.Expect.Part(s.Region, keep)
		}
	}
	s.Loose = s.Loose.Minus(s.Region.Minus(keep))
	s.Region = keep
	return s
}

// missing is the number of a tile that a stroke lays and that is not there; 0 for
// none.
func (d *Draft) missing(s Stroke) int {
	if s.Swap == nil {
		return d.missingOf(s.Cells)
	}
	n := 0
	s.Swap.To.EachChunk(func(_, _ int, c *grid.Chunk) {
		for _, v := range c.Distinct() {
			n = max(n, d.missingOf(grid.Runs{{N: 1, Cell: v}}))
		}
	})
	if n == 0 {
		return 0
	}
	// A chunk also holds cells beside the region.
	return d.missingOf(s.Swap.To.Read(s.Region))
}

func (d *Draft) missingOf(cells grid.Runs) int {
	var last *Tileset
	for _, run := range cells {
		n := run.Cell.Tile()
		if n == 0 || last != nil && n >= last.First && n < last.First+last.Count {
			continue
		}
		if last, _ = d.doc.TilesetOf(n); last == nil {
			return n
		}
	}
	return 0
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
