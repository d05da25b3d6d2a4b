package hand

import (
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// A Ghost is what would be laid, taken or moved.
type Ghost struct {
	// Lays are what would be painted where.
	Lays []Lay
	// Region is what a stroke or selection covers, in cells of the board.
	Region grid.Region
	// Stamp is where on the board a block would lie that is laid once.
	Stamp grid.Rect
	// Selects says that Region would be selected.
	Selects bool
	// Erase says that something would be taken away.
	Erase bool
	// Room is the box of a new map, in cells of the board.
	Room grid.Rect
	// Sized is the map whose bounds would be Room.
	Sized world.ID
	// Lost are cells of the board that would go with what lies on them.
	Lost grid.Region
	// Moved are boxes on the board to which other maps would be pushed.
	Moved []grid.Rect
	// Piece is the type of a piece that would stand at To.
	Piece world.ID
	// From is the first doorway of a crossing being drawn; Joins says that there
	// is one.
	From  Spot
	To    Spot
	Joins bool
	// Text says how much it is; Problem why it can't be.
	Text    string
	Problem string
}

// Ghost is what the last movement showed.
func (h *Hand) Ghost() Ghost { return h.ghost }

// Carried is the block that is in the hand or moved along; nil if there is none.
func (h *Hand) Carried() *world.Block {
	if h.gesture.kind == carrying {
		return h.gesture.block
	}
	if h.Holding == Patch {
		return h.Block
	}
	return nil
}

func (h *Hand) ghostPaint(d *world.Document) {
	g := &h.gesture
	var maps []*world.Map
	for _, id := range g.maps {
		if m := d.Map(id); m != nil {
			maps = append(maps, m)
		}
	}
	if len(maps) == 0 || maps[0].ID != g.start.Map.ID {
		h.ghost = Ghost{Problem: "This map is not there any more."}
		return
	}
	swaths, problem := h.swaths(d, maps[0])
	if problem != "" {
		h.ghost = Ghost{Problem: problem}
		return
	}
	lays, problem := h.lays(d, maps, swaths, g.erase)
	h.ghost = Ghost{Lays: lays, Erase: g.erase, Problem: problem}
	for _, s := range swaths {
		for _, m := range maps {
			h.ghost.Region = h.ghost.Region.Join(s.region.Within(m.OnBoard()))
		}
	}
	if b := swaths[0].supply.Block; b != nil && len(swaths) == 1 {
		at := swaths[0].supply.Anchor
		if once := (grid.Rect{X: at.X, Y: at.Y, W: b.W, H: b.H}); once.Holds(g.spans.Bounds()) {
			h.ghost.Stamp = once
		}
	}
	h.describe(d, maps[0], swaths)
}

// describe says how large a stroke is and what it covers.
func (h *Hand) describe(d *world.Document, m *world.Map, swaths []swath) {
	ghost := &h.ghost
	b := h.gesture.spans.Bounds()
	shape := h.shape()
	ghost.Text = fmt.Sprintf("%d × %d cells", b.W, b.H)
	if !shape.boxed() && shape != Oval {
		ghost.Text = count(ghost.Region.Len(), "cell")
	}
	if shape == Room && len(swaths) > 1 && !ghost.Erase {
		ghost.Text += " · floor: " + swaths[1].supply.called(d)
	}
	_, over, more := covered(d, ghost.Lays, ghost.Erase)
	switch {
	case more:
	case ghost.Erase:
		ghost.Text += fmt.Sprintf(" · erases %d", over)
	case over > 0:
		ghost.Text += fmt.Sprintf(" · covers %d", over)
	}
	var layers []world.ID
	for _, l := range ghost.Lays {
		switch {
		case l.Makes != nil && !slices.Contains(layers, l.Layer):
			ghost.Text += " · makes the layer " + l.Makes.Name
		case l.Map == m.ID && l.Layer != h.Layer(m).ID && !slices.Contains(layers, l.Layer):
			ghost.Text += " · on " + m.Layer(l.Layer).Name
		}
		layers = append(layers, l.Layer)
	}
}

// called is what a supply is called.
func (s Supply) called(d *world.Document) string {
	if name := s.name(d); name != "" {
		return name
	}
	return TileName(d, s.Cell)
}

// blockPieces are the parts of an edit that set down the pieces of a block that is
// laid, wherever it repeats. A second spawn is left out, and what a layer keeps off, which is said.
func (h *Hand) blockPieces(d *world.Document, ghost Ghost) (parts []edit.Part, says string) {
	if h.Holding != Patch || h.Block == nil || ghost.Erase || len(h.Block.Pieces) == 0 {
		return nil, ""
	}
	s, problem := h.supply(d, false, grid.Point{})
	if problem != "" || !ghost.Stamp.Empty() {
		s.Anchor = grid.Point{X: ghost.Stamp.X, Y: ghost.Stamp.Y}
	} else if len(ghost.Lays) > 0 {
		s.Anchor = ghost.Lays[0].Anchor
	}
	kept := 0
	l := d.Project.Lattice()
	var laid laying
	for _, p := range h.Block.Pieces {
		if isThere(d, p.Type) {
			continue
		}
		cell := l.CellAt(p.Foot)
		within := p.Foot.Sub(l.Pixel(cell))
		for _, span := range ghost.Region {
			if modulo(span.Y-s.Anchor.Y, s.Block.H) != cell.Y {
				continue
			}
			first := span.X0 + modulo(s.Anchor.X+cell.X-span.X0, s.Block.W)
			for x := first; x <= span.X1 && len(laid.pieces) < maxPieces; x += s.Block.W {
				m := d.MapAt(grid.Point{X: x, Y: span.Y})
				if m == nil {
					continue
				}
				if off := keepsOff(m.Layer(m.PlayerLayer)); off != "" {
					kept, says = kept+1, off
				} else {
					at := grid.Point{X: x - m.Origin.X, Y: span.Y - m.Origin.Y}
					is := world.Piece{Type: p.Type, Name: p.Name, Layer: m.PlayerLayer, Foot: l.Pixel(at).Add(within), Props: p.Props}
					laid.put(grid.Point{X: x - cell.X, Y: span.Y - cell.Y}, p.ID, m, is, h.ids.NewID())
				}
			}
		}
	}
	if kept > 0 {
		says = fmt.Sprintf("%s left out: %s", count(kept, "piece"), says)
	}
	parts, outside := laid.parts(d, h.Block, h.ids)
	if says == "" {
		says = goesOnNaming(d, outside)
	}
	return parts, says
}

// maxPieces is how many pieces of a block one stroke sets down.
const maxPieces = 10_000

// isThere reports whether the one piece of a type is there of which there is at most one.
func isThere(d *world.Document, of world.ID) bool {
	_, p := singleOf(d, of)
	return p != nil
}
