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
		f := grid.NewFill(layer.Cells, s.Map.Bounds, s.Cell, alike(d))
		_, done := f.Step(ghostCells)
		*c = fillCache{layer.ID, layer.Cells, s.Cell, f.Region(), !done, true}
	}
	supply, problem := h.supply(d, false)
	if problem == "" {
		problem = h.problem(layer)
	}
	h.ghost = Ghost{Map: s.Map.ID, Layer: layer.ID, Region: c.found, Supply: supply, Erase: h.Holding == Eraser, Problem: problem}
	h.ghost.Text = "fills " + count(c.found.Len(), "cell")
	if c.more {
		h.ghost.Text = fmt.Sprintf("fills more than %d cells", ghostCells)
	}
}

// A FillTask is a fill under way. Step does a slice of it; Outcome gives the
// edit once it is done. Whoever drops it has stopped it.
type FillTask struct {
	hand   *Hand
	m      *world.Map
	layer  world.ID
	fill   *grid.Fill
	supply Supply
}

func (h *Hand) fill(d *world.Document, s Spot, erase bool) Outcome {
	layer := h.target(d, s.Map, erase)
	supply, problem := h.supply(d, erase)
	if problem != "" {
		return said("%s", problem)
	}
	if !supply.mixed() && layer.Cells.At(s.Cell) == supply.Cell {
		if erase {
			return said("There is nothing to erase here.")
		}
		return said("This is filled with it already.")
	}
	return Outcome{Fill: &FillTask{h, s.Map, layer.ID, grid.NewFill(layer.Cells, s.Map.Bounds, s.Cell, alike(d)), supply}}
}

// Step does work for about budget cells. It reports how many cells of at most
// total were found, and whether the fill is done.
func (t *FillTask) Step(budget int) (found, total int, done bool) {
	found, done = t.fill.Step(budget)
	return found, t.m.Bounds.W * t.m.Bounds.H, done
}

// Outcome is the edit that the fill comes to.
func (t *FillTask) Outcome(d *world.Document) Outcome {
	return t.hand.paint(d, t.m, t.layer, t.fill.Region(), t.supply)
}
