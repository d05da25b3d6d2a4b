package hand

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/world"
)

// ghostCells is how many cells a ghost shows of a fill.
const ghostCells = 20_000

// fillCache keeps the last fill that was shown, since a pointer often rests.
type fillCache struct {
	// layer is where it was, since two empty planes are the same.
	layer world.ID
	cells grid.Plane
	at    grid.Point
	found grid.Region
	more  bool
	valid bool
}

func (h *Hand) ghostFill(d *world.Document, s Spot) {
	layer := h.target(d, s.Map, h.Holding == Eraser)
	c := &h.fills
	if !c.valid || c.layer != layer.ID || !c.cells.Same(layer.Cells) || !(c.found.Has(s.Cell)) {
		f := grid.NewFill(layer.Cells, s.Map.Bounds, s.Cell)
		_, done := f.Step(ghostCells)
		*c = fillCache{layer.ID, layer.Cells, s.Cell, f.Region(), !done, true}
	}
	h.ghost = Ghost{Map: s.Map.ID, Region: c.found, Cell: h.Tile, Erase: h.Holding == Eraser, Problem: h.problem(layer)}
	switch h.Holding {
	case Eraser:
		h.ghost.Cell = 0
	case Medley:
		h.ghost.Cell, h.ghost.Medley = 0, h.Medley
	}
	h.ghost.Text = "fills " + count(c.found.Len(), "cell")
	if c.more {
		h.ghost.Text = fmt.Sprintf("fills more than %d cells", ghostCells)
	}
}

// A FillTask is a fill under way. Step does a slice of it; Outcome gives the
// edit once it is done. Whoever drops it has stopped it.
type FillTask struct {
	hand  *Hand
	m     *world.Map
	layer world.ID
	fill  *grid.Fill
	cell  grid.Cell
	// medley is laid in the cell's place, if not 0.
	medley world.ID
}

func (h *Hand) fill(d *world.Document, s Spot, erase bool) Outcome {
	cell := h.Tile
	if erase {
		cell = 0
	}
	layer := h.target(d, s.Map, erase)
	medley := world.ID(0)
	if h.Holding == Medley && !erase {
		medley = h.Medley
	}
	if medley == 0 && layer.Cells.At(s.Cell) == cell {
		if erase {
			return said("There is nothing to erase here.")
		}
		return said("This is filled with it already.")
	}
	return Outcome{Fill: &FillTask{h, s.Map, layer.ID, grid.NewFill(layer.Cells, s.Map.Bounds, s.Cell), cell, medley}}
}

// Step does work for about budget cells. It reports how many cells of at most
// total were found, and whether the fill is done.
func (t *FillTask) Step(budget int) (found, total int, done bool) {
	found, done = t.fill.Step(budget)
	return found, t.m.Bounds.W * t.m.Bounds.H, done
}

// Outcome is the edit that the fill comes to.
func (t *FillTask) Outcome(d *world.Document) Outcome {
	return t.hand.paint(d, t.m, t.layer, t.fill.Region(), t.cell, t.medley)
}
