package hand

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
)

// A Supply is what a stroke lays. The zero value empties cells.
type Supply struct {
	// Cell is laid, unless Medley or Bond is not 0.
	Cell         grid.Cell
	Medley, Bond world.ID
}

// mixed reports whether different cells may be laid.
func (s Supply) mixed() bool { return s.Medley != 0 || s.Bond != 0 }

// supply is what the hand lays or, if erase is set, takes away; problem says why
// it can't.
func (h *Hand) supply(d *world.Document, erase bool) (s Supply, problem string) {
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
	default:
		s.Cell = h.Tile
	}
	return s, ""
}

// name is what a medley or bond is called; empty for a tile.
func (s Supply) name(d *world.Document) string {
	switch {
	case s.Medley != 0:
		return Name(d, world.Ref{Kind: world.KindMedley, ID: s.Medley})
	case s.Bond != 0:
		return Name(d, world.Ref{Kind: world.KindBond, ID: s.Bond})
	}
	return ""
}

// Part is the part of an edit that lays s over a region; problem says why it
// can't be laid.
func (s Supply) Part(d *world.Document, m, layer world.ID, g grid.Region) (part edit.Part, problem string) {
	n := g.Len()
	if s.mixed() && n > limit.DealCells {
		return nil, fmt.Sprintf("A medley or bond is laid over at most %d million cells at a time. Lay it in parts.", limit.DealCells>>20)
	}
	switch {
	case s.Medley != 0:
		return edit.Deal{Map: m, Layer: layer, Medley: s.Medley, Region: g}, ""
	case s.Bond != 0:
		b := d.Bond(s.Bond)
		if b == nil {
			return nil, "This bond is not there any more."
		}
		return edit.Paint{Map: m, Layer: layer, Region: g, Cells: grid.Runs{{N: n, Cell: b.Centre()}}, Loose: g}, ""
	}
	return edit.Paint{Map: m, Layer: layer, Region: g, Cells: grid.Runs{{N: n, Cell: s.Cell}}}, ""
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
