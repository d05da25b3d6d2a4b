package hand

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// Pick takes into the hand what lies at a pixel of the board: the tile on the
// current layer, or its bond if it has one, else the topmost one that is shown,
// else the type of a piece.
// It reports whether there was anything.
func (h *Hand) Pick(d *world.Document, pixel grid.Point) bool {
	s := At(d, pixel)
	if s.Map == nil {
		return false
	}
	take := func(c grid.Cell) bool {
		if c == 0 {
			return false
		}
		held := h.Held
		held.Holding, held.Tile = Tile, c
		if b := d.BondOf(c.Tile()); b != nil {
			held.Holding, held.Bond = Bond, b.ID
		}
		h.Take(held)
		return true
	}
	if p := topPiece(d, s); p != nil {
		held := h.Held
		held.Holding, held.Type = Piece, p.TypeID()
		h.Take(held)
		return true
	}
	if take(h.Layer(s.Map).Cells.At(s.Cell)) {
		return true
	}
	for i := len(s.Map.Layers) - 1; i >= 0; i-- {
		if l := s.Map.Layers[i]; !h.hidden[l.ID] && take(l.Cells.At(s.Cell)) {
			return true
		}
	}
	return false
}

// PickBox takes into the hand the block between two pixels of the board, as it lies
// on the map under the first. It reports whether there was anything.
func (h *Hand) PickBox(d *world.Document, from, to grid.Point) bool {
	a, b := At(d, from), At(d, to)
	if a.Map == nil {
		return false
	}
	if a.Board == b.Board {
		return h.Pick(d, from)
	}
	box := grid.Between(a.Board, b.Board).Move(grid.Point{X: -a.Map.Origin.X, Y: -a.Map.Origin.Y}).Meet(a.Map.Bounds)
	return h.HoldBlock(d.Cut(a.Map, grid.BoxRegion(box), h.takes(a.Map), h.Through, h.Pace), 0)
}
