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
	shape Shape
	cells grid.Plane
	at    grid.Point
	found grid.Region
	more  bool
	valid bool
}

func (h *Hand) ghostFill(d *world.Document, s Spot) {
	erase := h.Holding == Eraser
	supply, problem := h.fillSupply(d, false, s.Board)
	layer := h.target(d, s.Map, supply)
	c := &h.fills
	if !c.valid || c.layer != layer.ID || c.shape != h.Shape || !c.cells.Same(layer.Cells) || !(c.found.Has(s.Cell)) {
		f := h.search(d, layer, s)
		_, done := f.Step(ghostCells)
		*c = fillCache{layer.ID, h.Shape, layer.Cells, s.Cell, f.Region(), !done, true}
	}
	if problem == "" {
		problem = h.problem(d, layer, supply, erase)
	}
	region := c.found.Move(s.Map.Origin)
	h.ghost = Ghost{Region: region, Erase: erase, Problem: problem}
	if problem == "" {
		h.ghost.Lays, _ = h.lays(d, []*world.Map{s.Map}, []swath{{region, supply}}, erase)
	}
	h.ghost.Text = "fills " + count(c.found.Len(), "cell")
	if c.more {
		h.ghost.Text = fmt.Sprintf("fills more than %d cells", ghostCells)
	}
}

// fillSupply is what is held and would be filled with; problem says why it can't be.
func (h *Hand) fillSupply(d *world.Document, erase bool, at grid.Point) (s Supply, problem string) {
	s, problem = h.supply(d, erase, at)
	if s.Block != nil && len(s.Block.Layers) == 0 {
		problem = "There are only pieces in the hand, which fill nothing. Take another shape to set them down."
	}
	return s, problem
}

// A search finds cells in steps.
type search interface {
	// Step does work for about budget cells, and reports how many were found and
	// whether that was all.
	Step(budget int) (found int, done bool)
	Region() grid.Region
}

// search begins to look for the cells that the shape takes from a cell of a layer.
func (h *Hand) search(d *world.Document, layer *world.Layer, s Spot) search {
	if h.Shape == Everywhere {
		return grid.NewLikeness(layer.Cells, s.Map.Bounds, s.Cell, alike(d))
	}
	return grid.NewFill(layer.Cells, s.Map.Bounds, s.Cell, alike(d))
}

// findStep is how many cells are looked at before the pace is told.
const findStep = 4000

// find looks for all cells that the shape takes from a cell of a layer.
func (h *Hand) find(d *world.Document, layer *world.Layer, s Spot) grid.Region {
	f := h.search(d, layer, s)
	for {
		_, done := f.Step(findStep)
		h.Pace.Did(findStep)
		if done {
			// A region of noise has hundreds of thousands of spans: each passing over them is a slice of its own.
			g := f.Region()
			h.Pace.Did(g.Len())
			return g
		}
	}
}

func (h *Hand) fill(d *world.Document, s Spot, erase bool) Outcome {
	supply, problem := h.fillSupply(d, erase, s.Board)
	layer := h.target(d, s.Map, supply)
	if problem == "" {
		problem = h.problem(d, layer, supply, erase)
	}
	if problem != "" {
		return said("%s", problem)
	}
	if !supply.mixed() && layer.Cells.At(s.Cell) == supply.Cell {
		if erase {
			return said("There is nothing to erase here.")
		}
		return said("This is filled with it already.")
	}
	found := h.find(d, layer, s).Move(s.Map.Origin)
	h.Pace.Did(found.Len())
	swaths := []swath{{found, supply}}
	lays, problem := h.lays(d, []*world.Map{s.Map}, swaths, erase)
	if problem != "" && len(lays) == 0 {
		return said("%s", problem)
	}
	return h.lay(d, lays, nil, labelOf(d, lays, erase))
}
