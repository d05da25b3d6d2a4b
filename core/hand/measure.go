package hand

import (
	"fmt"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/world"
)

// ghostMeasure shows how far it is from where the measuring began to a cell of the
// board: in cells, in pixels, and for the player's feet.
func (h *Hand) ghostMeasure(d *world.Document, to Spot) {
	from := h.gesture.start
	box := grid.Between(from.Board, to.Board)
	l := d.Project.Lattice()
	h.ghost = Ghost{From: from, To: to, Joins: true, Region: grid.BoxRegion(box), Selects: true}
	h.ghost.Text = fmt.Sprintf("%d × %d cells · %d × %d px", box.W, box.H, box.W*l.W, box.H*l.H)
	if from.Map == nil || to.Map == nil || from.Map.ID != to.Map.ID || from.Cell == to.Cell {
		return
	}
	m := d.Map(from.Map.ID)
	if m == nil {
		return
	}
	search := body.Search{Size: body.SizeOf(l, world.TopDown, d.Played()), Left: body.PathCells}
	way, length, found := search.Path(body.NewGround(d, m), from.Cell, to.Cell)
	switch {
	case !found && search.Left <= 0:
		h.ghost.Text += " · the way is too long to be looked for"
	case !found:
		h.ghost.Text += " · no way for the player"
	default:
		spans := make([]grid.Span, 0, len(way))
		for _, c := range way {
			c = c.Add(m.Origin)
			spans = append(spans, grid.Span{Y: c.Y, X0: c.X, X1: c.X})
		}
		h.ghost.Region = grid.RegionOf(spans)
		seconds := float64(length) / body.WayPart * 10 / float64(d.Played().Speed)
		h.ghost.Text += fmt.Sprintf(" · %s · %.1f s", count(length/body.WayPart, "step"), seconds)
	}
}
