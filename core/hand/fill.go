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
	supply, problem := h.supply(d, false, s.Board)
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

// A FillTask is a fill under way, or a search for cells to be chosen. Step does a
// slice of it; Outcome gives the edit once it is done. Whoever drops it has stopped it.
type FillTask struct {
	hand   *Hand
	m      *world.Map
	layer  world.ID
	search search
	supply Supply
	erase  bool
	// chooses says that the cells are to be chosen, away that they are not to be.
	chooses, away bool
}

func (h *Hand) fill(d *world.Document, s Spot, erase bool) Outcome {
	supply, problem := h.supply(d, erase, s.Board)
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
	return Outcome{Fill: &FillTask{hand: h, m: s.Map, layer: layer.ID, search: h.search(d, layer, s), supply: supply, erase: erase}}
}

// Step does work for about budget cells. It reports how many cells of at most
// total were found, and whether the fill is done.
func (t *FillTask) Step(budget int) (found, total int, done bool) {
	found, done = t.search.Step(budget)
	return found, t.m.Bounds.W * t.m.Bounds.H, done
}

// Outcome is the edit that the fill comes to; none if it was to choose cells.
func (t *FillTask) Outcome(d *world.Document) Outcome {
	if t.chooses {
		t.hand.choose(t.m.ID, t.search.Region(), t.away)
		return Outcome{}
	}
	m := d.Map(t.m.ID)
	if m == nil || m.Layer(t.layer) == nil {
		return said("This map is not there any more.")
	}
	swaths := []swath{{t.search.Region().Within(m.Bounds).Move(m.Origin), t.supply}}
	lays, problem := t.hand.lays(d, []*world.Map{m}, swaths, t.erase)
	if problem != "" && len(lays) == 0 {
		return said("%s", problem)
	}
	return t.hand.lay(d, lays, nil, labelOf(d, lays, t.erase))
}
