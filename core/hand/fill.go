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
	cells grid.Plane
	at    grid.Point
	found grid.Region
	more  bool
	valid bool
}

func (h *Hand) ghostFill(d *world.Document, s Spot) {
	layer := h.Layer(s.Map)
	c := &h.fills
	if !c.valid || !c.cells.Same(layer.Cells) || !(c.found.Has(s.Cell)) {
		f := grid.NewFill(layer.Cells, s.Map.Bounds, s.Cell)
		_, done := f.Step(ghostCells)
		*c = fillCache{layer.Cells, s.Cell, f.Region(), !done, true}
	}
	cell := h.Tile
	if h.Holding == Eraser {
		cell = 0
	}
	h.ghost = Ghost{Map: s.Map.ID, Region: c.found, Cell: cell, Erase: cell == 0, Problem: h.problem(s.Map)}
	h.ghost.Text = "fills " + count(c.found.Len(), "cell")
	if c.more {
		h.ghost.Text = fmt.Sprintf("fills more than %d cells", ghostCells)
	}
}

// A FillTask is a fill under way. Step does a slice of it; Outcome gives the
// edit once it is done. Whoever drops it has stopped it.
type FillTask struct {
	hand *Hand
	m    *world.Map
	fill *grid.Fill
	cell grid.Cell
}

func (h *Hand) fill(d *world.Document, s Spot, erase bool) Outcome {
	cell := h.Tile
	if erase {
		cell = 0
	}
	layer := h.Layer(s.Map)
	if layer.Cells.At(s.Cell) == cell {
		if erase {
			return said("There is nothing to erase here.")
		}
		return said("This is filled with it already.")
	}
	return Outcome{Fill: &FillTask{h, s.Map, grid.NewFill(layer.Cells, s.Map.Bounds, s.Cell), cell}}
}

// Step does work for about budget cells. It reports how many cells of at most
// total were found, and whether the fill is done.
func (t *FillTask) Step(budget int) (found, total int, done bool) {
	found, done = t.fill.Step(budget)
	return found, t.m.Bounds.W * t.m.Bounds.H, done
}

// Outcome is the edit that the fill comes to.
func (t *FillTask) Outcome(d *world.Document) Outcome {
	return t.hand.paint(d, t.m, t.fill.Region(), t.cell)
}
