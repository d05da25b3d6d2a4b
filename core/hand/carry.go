package hand

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// onto are the lays of a block whose corner lies at a cell of the board, laid once.
func (h *Hand) onto(d *world.Document, first *world.Map, b *world.Block, corner grid.Point) (lays []Lay, fall int, problem string) {
	maps := []*world.Map{first}
	box := grid.Rect{X: corner.X, Y: corner.Y, W: b.W, H: b.H}
	for _, m := range d.Maps {
		if m.ID != first.ID && !m.OnBoard().Meet(box).Empty() {
			maps = append(maps, m)
		}
	}
	cells := 0
	var swaths []swath
	for i, l := range b.Layers {
		cells += l.Cells.Count()
		if i == 0 {
			swaths = append(swaths, swath{grid.BoxRegion(box), Supply{Block: b, Anchor: corner}})
		}
	}
	lays, problem = h.lays(d, maps, swaths, false)
	for _, l := range lays {
		cells -= l.Region.Len()
	}
	return lays, cells, problem
}

func (h *Hand) ghostCarry(d *world.Document, by grid.Point) {
	c := h.gesture.cells
	m := d.Map(c.Map)
	if m == nil {
		h.ghost = Ghost{Problem: "This map is not there any more."}
		return
	}
	if problem := h.locked(m); problem != "" {
		h.ghost = Ghost{Problem: problem}
		return
	}
	block := h.carriedBlock(d, &h.gesture)
	to := c.Region.Move(m.Origin).Move(by)
	h.ghost = Ghost{Region: to, Selects: true}
	b := to.Bounds()
	h.ghost.Text = fmt.Sprintf("%d × %d cells, moved by %d, %d", b.W, b.H, by.X, by.Y)
	if block == nil {
		return
	}
	corner := grid.Point{X: b.X, Y: b.Y}
	h.ghost.Stamp = grid.Rect{X: b.X, Y: b.Y, W: block.W, H: block.H}
	lays, fall, problem := h.onto(d, m, block, corner)
	if problem == "" {
		_, problem = h.carried(d, m, h.Standing(d, c), by)
	}
	h.ghost.Lays, h.ghost.Problem = lays, problem
	if fall > 0 && problem == "" {
		h.ghost.Text += fmt.Sprintf(" · %s would fall off the maps", count(fall, "cell"))
	}
}

// carry moves the cells chosen, and the pieces among them, by a way in cells. The block is
// what lies in them.
func (h *Hand) carry(d *world.Document, c Cells, block *world.Block, by grid.Point) Outcome {
	m := d.Map(c.Map)
	if m == nil || by == (grid.Point{}) {
		return Outcome{}
	}
	if problem := h.locked(m); problem != "" {
		return said("%s", problem)
	}
	if block == nil {
		h.Cells = Cells{m.ID, c.Region.Move(by).Within(m.Bounds)}
		return Outcome{}
	}
	parts := h.away(d, c)
	bounds := c.Region.Bounds().Move(m.Origin).Move(by)
	lays, fall, problem := h.onto(d, m, block, grid.Point{X: bounds.X, Y: bounds.Y})
	if problem != "" {
		return said("%s", problem)
	}
	pieces, problem := h.carried(d, m, h.Standing(d, c), by)
	if problem != "" {
		return said("%s", problem)
	}
	o := h.anew(d, append(parts, pieces...), lays, fmt.Sprintf("move %s on %s", count(c.Region.Len(), "cell"), m.Name))
	if o.Edit == nil {
		return o
	}
	if fall > 0 {
		o.Said = fmt.Sprintf("%s fell off the maps. Undo brings them back.", count(fall, "cell"))
	}
	h.Cells = h.landed(d, m, c.Region.Move(by))
	return o
}

// anew is the edit that does some parts, then lays what a ghost showed.
func (h *Hand) anew(d *world.Document, parts []edit.Part, lays []Lay, label string) Outcome {
	o := h.lay(d, lays, nil, label)
	if o.Edit == nil {
		if o.Said != "" || len(parts) == 0 {
			return o
		}
		o.Edit = &edit.Edit{Label: edit.Clip(label)}
	}
	o.Edit.Parts = append(parts, o.Edit.Parts...)
	return o
}

// carried are the parts of an edit that move pieces of a map by a way in cells, or why they can't be.
func (h *Hand) carried(d *world.Document, m *world.Map, pieces []*world.Piece, by grid.Point) (parts []edit.Part, problem string) {
	l, moved := d.Project.Lattice(), idsOf(pieces)
	for _, p := range pieces {
		at := l.CellAt(p.Foot).Add(m.Origin).Add(by)
		foot := p.Foot.Add(l.Pixel(by))
		to := d.MapAt(at)
		if to == nil {
			return nil, fmt.Sprintf("%s would stand on no map. Move less far, or leave it out.", PieceName(d, p))
		}
		if to.ID != m.ID {
			foot = foot.Add(l.Pixel(m.Origin.Sub(to.Origin)))
			if problem := keepsOff(to.Layer(to.PlayerLayer)); problem != "" {
				return nil, problem
			}
		}
		if problem := inPlaceOf(d, to, p.Type, l.CellAt(foot), moved); problem != "" {
			return nil, problem
		}
		parts = append(parts, h.moveTo(d, m, p, to, foot).Parts...)
	}
	return parts, ""
}

// landed are cells of m that were moved, on the map that most of them lie on now.
func (h *Hand) landed(d *world.Document, m *world.Map, g grid.Region) Cells {
	best, most := Cells{m.ID, g.Within(m.Bounds)}, g.Within(m.Bounds).Len()
	board := g.Move(m.Origin)
	for _, o := range d.Maps {
		if on := board.Within(o.OnBoard()); on.Len() > most {
			best, most = Cells{o.ID, on.Move(grid.Point{X: -o.Origin.X, Y: -o.Origin.Y})}, on.Len()
		}
	}
	return best
}
