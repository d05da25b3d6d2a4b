package hand

import (
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pace"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A Supply is what a stroke lays. The zero value empties cells.
type Supply struct {
	// Cell is laid, unless one of the others is set.
	Cell         grid.Cell
	Medley, Bond world.ID
	// Block is laid in step: its upper left corner lies on Anchor, a cell of the
	// board, and it repeats from there. Layer is the layer of it that is laid.
	Block  *world.Block
	Layer  int
	Anchor grid.Point
}

// mixed reports whether different cells may be laid.
func (s Supply) mixed() bool { return s.Medley != 0 || s.Bond != 0 || s.Block != nil }

// supply is what is held and would be laid; problem says why it can't be. A block is
// anchored with its middle at a cell of the board.
func (h Held) supply(d *world.Document, erase bool, at grid.Point) (s Supply, problem string) {
	switch {
	case erase || h.Holding == Eraser:
	case h.Holding == Medley:
		if d.Medley(h.Medley) == nil {
			return s, "This medley is not there any more."
		}
		s.Medley = h.Medley
	case h.Holding == Bond:
		if d.Bond(h.Bond) == nil {
			return s, "This bond is not there any more."
		}
		s.Bond = h.Bond
	case h.Holding == Patch:
		if h.Block == nil {
			return s, "There is nothing in the hand to be laid."
		}
		s.Block, s.Anchor = h.Block, at.Sub(middleOf(h.Block))
	default:
		s.Cell = h.Tile
	}
	return s, ""
}

// middleOf is the cell of a block that the pointer holds it by.
func middleOf(b *world.Block) grid.Point { return grid.Point{X: (b.W - 1) / 2, Y: (b.H - 1) / 2} }

// mirrored is what lies on the other side of an axis of the board; see mirror.
func (s Supply) mirrored(d *world.Document, a axis, leftRight bool) Supply {
	switch {
	case s.Block != nil:
		far := s.Anchor.Add(grid.Point{X: s.Block.W - 1, Y: s.Block.H - 1})
		s.Block = s.Block.Mirrored(nil, d.Project.Lattice(), leftRight)
		if leftRight {
			s.Anchor.X = a.X - far.X
		} else {
			s.Anchor.Y = a.Y - far.Y
		}
	case s.Medley == 0 && s.Bond == 0:
		s.Cell = s.Cell.Mirror(leftRight, !leftRight)
	}
	return s
}

// name is what a medley, bond or patch is called; empty for a tile.
func (s Supply) name(d *world.Document) string {
	switch {
	case s.Medley != 0:
		return Name(d, world.Ref{Sort: world.SortMedley, ID: s.Medley})
	case s.Bond != 0:
		return Name(d, world.Ref{Sort: world.SortBond, ID: s.Bond})
	case s.Block != nil:
		return blockName(s.Block)
	}
	return ""
}

func blockName(b *world.Block) string { return fmt.Sprintf("a block of %d × %d cells", b.W, b.H) }

// within is the cell of the block that repeats onto a cell of the board.
func (s Supply) within(board grid.Point) grid.Point {
	return grid.Point{X: modulo(board.X-s.Anchor.X, s.Block.W), Y: modulo(board.Y-s.Anchor.Y, s.Block.H)}
}

func modulo(a, n int) int { return (a%n + n) % n }

// covers is the part of a region of the board in which the supply lays anything: of
// a block, where it has a tile.
func (s Supply) covers(g grid.Region) grid.Region {
	if s.Block == nil {
		return g
	}
	l := s.Block.Layers[s.Layer]
	if within, once := s.once(g); once {
		return l.Cells.FilledIn(within).Move(s.Anchor)
	}
	r := grid.Reader{Plane: l.Cells}
	return g.Where(func(p grid.Point) bool { in := s.within(p); return r.At(in.X, in.Y) != 0 })
}

// once is a region of the board as cells of the block, if it is laid there just once.
func (s Supply) once(g grid.Region) (within grid.Region, ok bool) {
	if !(grid.Rect{X: s.Anchor.X, Y: s.Anchor.Y, W: s.Block.W, H: s.Block.H}).Holds(g.Bounds()) {
		return nil, false
	}
	return g.Move(grid.Point{X: -s.Anchor.X, Y: -s.Anchor.Y}), true
}

// cells are what the supply, if it is a block, lays over a region of the board, and
// where of it tiles follow their bond.
func (s Supply) cells(g grid.Region, at pace.Pace) (grid.Runs, grid.Region) {
	l := s.Block.Layers[s.Layer]
	if within, once := s.once(g); once {
		runs := l.Cells.ReadAt(at, within)
		if len(l.Loose) == 0 {
			return runs, nil
		}
		return runs, l.Loose.Meet(within).Move(s.Anchor)
	}
	r := grid.Reader{Plane: l.Cells}
	runs := grid.RunsOf(g, func(p grid.Point) grid.Cell { in := s.within(p); return r.At(in.X, in.Y) })
	if len(l.Loose) == 0 {
		return runs, nil
	}
	return runs, g.Where(func(p grid.Point) bool { return l.Loose.Has(s.within(p)) })
}

// part is the part of an edit that lays s over a region of a map; problem says why
// it can't be laid.
func (s Supply) part(d *world.Document, m *world.Map, layer world.ID, g grid.Region, at pace.Pace) (part edit.Part, problem string) {
	n := g.Len()
	if (s.Medley != 0 || s.Bond != 0) && n > limit.DealCells {
		return nil, fmt.Sprintf("A medley or bond is laid over at most %d million cells at a time. Lay it in parts.", limit.DealCells>>20)
	}
	switch {
	case s.Medley != 0:
		return edit.Deal{Map: m.ID, Layer: layer, Medley: s.Medley, Region: g}, ""
	case s.Bond != 0:
		b := d.Bond(s.Bond)
		if b == nil {
			return nil, "This bond is not there any more."
		}
		return edit.Paint{Map: m.ID, Layer: layer, Region: g, Cells: grid.Runs{{N: n, Cell: b.Centre()}}, Loose: g}, ""
	case s.Block != nil:
		runs, loose := s.cells(g.Move(m.Origin), at)
		away := grid.Point{X: -m.Origin.X, Y: -m.Origin.Y}
		return edit.Paint{Map: m.ID, Layer: layer, Region: g, Cells: runs, Loose: loose.Move(away)}, ""
	}
	return edit.Paint{Map: m.ID, Layer: layer, Region: g, Cells: grid.Runs{{N: n, Cell: s.Cell}}}, ""
}

// roles are those of all tiles that may be laid.
func (s Supply) roles(d *world.Document) []tiles.Role {
	var list []tiles.Role
	add := func(n int) {
		if r := d.TileOf(n).Role; n != 0 && !slices.Contains(list, r) {
			list = append(list, r)
		}
	}
	switch {
	case s.Medley != 0:
		for _, t := range d.Medley(s.Medley).Tiles {
			add(t.Tile)
		}
	case s.Bond != 0:
		for _, t := range d.Bond(s.Bond).Tiles {
			add(t.Tile)
		}
	case s.Block != nil:
		s.Block.Layers[s.Layer].Cells.EachChunk(func(_, _ int, c *grid.Chunk) {
			for _, cell := range c.Distinct() {
				add(cell.Tile())
			}
		})
	default:
		add(s.Cell.Tile())
	}
	return list
}

// alike gives one cell for all that a fill counts as the same: the tiles of a
// bond are.
func alike(d *world.Document) func(grid.Cell) grid.Cell {
	if len(d.Bonds) == 0 {
		return nil
	}
	// Cells that lie side by side are mostly the same.
	var last, is grid.Cell
	return func(c grid.Cell) grid.Cell {
		if c != last {
			last, is = c, c
			if b := d.BondOf(c.Tile()); b != nil {
				is = b.Centre()
			}
		}
		return is
	}
}
