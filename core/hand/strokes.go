package hand

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// shape is the shape in which the gesture goes: with an empty hand it is a box.
func (h *Hand) shape() Shape {
	if h.Holding == Nothing {
		return Box
	}
	return h.Shape
}

// brush is how large what is laid at one cell is.
func (h *Hand) brush(at grid.Point) grid.Rect {
	switch {
	case h.Holding == Nothing || h.Holding == Choose:
		return grid.Brush(at, 1)
	case h.Holding == Patch && h.Block != nil:
		m := middleOf(h.Block)
		return grid.Rect{X: at.X - m.X, Y: at.Y - m.Y, W: h.Block.W, H: h.Block.H}
	}
	return grid.Brush(at, max(1, h.Size))
}

// extend carries the stroke on to a cell of the board.
func (h *Hand) extend(d *world.Document, c grid.Point) {
	g := &h.gesture
	from := g.last
	within := grid.Rect{}
	for _, id := range g.maps {
		if m := d.Map(id); m != nil {
			within = within.Join(m.OnBoard())
		}
	}
	shape := h.shape()
	box := grid.Between(g.start.Board, c).Meet(within)
	switch {
	case shape == Oval:
		g.spans = grid.Oval(grid.Between(g.start.Board, within.Clamp(c)))
		return
	case shape == Ring && h.Holding != Choose:
		g.spans = grid.Ring(box, max(1, h.Size))
		return
	case shape.boxed():
		g.spans = grid.BoxRegion(box)
		return
	case shape == Line:
		g.spans = nil
		from = g.start.Board
	case h.Holding == Choose:
		g.way = append(g.way, within.Clamp(c))
		g.spans = grid.Lasso(g.way)
		return
	}
	reaches := grid.Rect{X: within.X - limitBrush, Y: within.Y - limitBrush, W: within.W + 2*limitBrush, H: within.H + 2*limitBrush}
	var spans []grid.Span
	for _, p := range grid.Line(reaches.Clamp(from), reaches.Clamp(c)) {
		spans = append(spans, grid.BoxRegion(h.brush(p).Meet(within))...)
	}
	g.spans = g.spans.Join(grid.RegionOf(spans))
	g.last = c
}

// limitBrush is how far beyond the maps a stroke is followed.
const limitBrush = 256

// swaths divides a stroke by what is laid where.
func (h *Hand) swaths(d *world.Document, m *world.Map) (swaths []swath, problem string) {
	g := &h.gesture
	supply, problem := h.supply(d, g.erase, g.start.Board)
	if problem != "" {
		return nil, problem
	}
	swaths = []swath{{g.spans, supply}}
	if h.Shape == Room && !g.erase {
		b := g.spans.Bounds()
		floor := grid.BoxRegion(b.Inset(max(1, h.Size)))
		if len(floor) > 0 {
			below, problem := h.floor(d, g.start.Board)
			if problem != "" {
				return nil, problem
			}
			swaths = []swath{{g.spans.Minus(floor), supply}, {floor, below}}
		}
	}
	return h.mirrored(d, m, swaths), ""
}
