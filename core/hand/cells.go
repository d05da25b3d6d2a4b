package hand

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// Cells are chosen cells of a map.
type Cells struct {
	Map    world.ID
	Region grid.Region
}

// Adding is what choosing cells does with those chosen already.
type Adding string

// Choosing gives up what was chosen, adds to it, or takes away from it.
const (
	Anew Adding = "anew"
	Add  Adding = "add"
	Less Adding = "take away"
)

// Addings are all of them.
var Addings = []Adding{Anew, Add, Less}

// Chosen are the cells chosen, as far as they are still there.
func (h *Hand) Chosen(d *world.Document) Cells {
	m := d.Map(h.Cells.Map)
	if m == nil {
		return Cells{}
	}
	g := h.Cells.Region.Within(m.Bounds)
	if len(g) == 0 {
		return Cells{}
	}
	return Cells{m.ID, g}
}

func (h *Hand) choose(m world.ID, g grid.Region, away bool) {
	was := h.Cells.Region
	if h.Cells.Map != m {
		was = nil
	}
	switch {
	case away || h.Adds == Less:
		g = was.Minus(g)
	case h.Adds == Add:
		g = was.Join(g)
	}
	h.Cells = Cells{m, g}
	h.Selected = Selection{}
}

// ChooseAll chooses all cells of a map.
func (h *Hand) ChooseAll(m *world.Map) {
	h.Cells = Cells{m.ID, grid.BoxRegion(m.Bounds)}
	h.Selected = Selection{}
}

func (h *Hand) pressChoose(d *world.Document, s Spot, away bool) Outcome {
	if cells := h.Chosen(d); !away && h.Adds == Anew && cells.Map == s.Map.ID && cells.Region.Has(s.Cell) && !h.Shape.fills() {
		h.gesture.kind, h.gesture.cells = carrying, cells
		return Outcome{}
	}
	if h.Shape.fills() {
		h.gesture = gesture{}
		h.choose(s.Map.ID, h.find(d, h.Layer(s.Map), s), away)
		return Outcome{}
	}
	h.gesture = gesture{kind: choosing, erase: away, start: s, last: s.Board, maps: []world.ID{s.Map.ID}}
	h.extend(d, s.Board)
	h.ghostChoose(d)
	return Outcome{}
}

func (h *Hand) ghostChoose(d *world.Document) {
	g := &h.gesture
	m := d.Map(g.start.Map.ID)
	if m == nil {
		h.ghost = Ghost{Problem: "This map is not there any more."}
		return
	}
	region := g.spans.Within(m.OnBoard())
	b := region.Bounds()
	h.ghost = Ghost{Region: region, Selects: true, Erase: g.erase || h.Adds == Less}
	h.ghost.Text = fmt.Sprintf("%d × %d cells", b.W, b.H)
	if region.Len() != b.W*b.H {
		h.ghost.Text = count(region.Len(), "cell")
	}
	switch {
	case h.ghost.Erase:
		h.ghost.Text += " · taken away"
	case h.Adds == Add:
		h.ghost.Text += " · added"
	}
}

// lifted is a block of the cells chosen; nil if nothing lies in them.
func (h *Hand) lifted(d *world.Document, c Cells) *world.Block {
	m := d.Map(c.Map)
	if m == nil {
		return nil
	}
	return d.Cut(m, c.Region, h.takes(m), true, h.Pace)
}

// carriedBlock is what lies in the cells that a gesture carries.
func (h *Hand) carriedBlock(d *world.Document, g *gesture) *world.Block {
	if m := d.Map(g.cells.Map); g.lay != m {
		g.block, g.lay = h.lifted(d, g.cells), m
	}
	return g.block
}

// away are the parts of an edit that take away what lies in the cells chosen.
func (h *Hand) away(d *world.Document, c Cells) (parts []edit.Part) {
	m := d.Map(c.Map)
	takes := h.takes(m)
	for _, l := range m.Layers {
		if !takes(l) {
			continue
		}
		if g := l.Cells.FilledIn(c.Region); len(g) > 0 {
			parts = append(parts, edit.Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len()}}})
		}
		h.Pace.Did(c.Region.Len())
	}
	return parts
}

// Standing are the pieces among cells that hands reach; none if no cells are selected.
func (h *Hand) Standing(d *world.Document, c Cells) []*world.Piece {
	m := d.Map(c.Map)
	if m == nil {
		return nil
	}
	takes, l := h.takes(m), d.Project.Lattice()
	var list []*world.Piece
	for _, p := range m.Pieces {
		if layer := m.Layer(p.Layer); layer != nil && takes(layer) && c.Region.Has(l.CellAt(p.Foot)) {
			list = append(list, p)
		}
	}
	return list
}

// locked says why the cells chosen can't be changed.
func (h *Hand) locked(m *world.Map) string {
	if h.Through {
		return ""
	}
	switch l := h.Layer(m); {
	case h.hidden[l.ID]:
		return fmt.Sprintf("%s is hidden. Show it before you change it.", l.Name)
	case l.Locked:
		return fmt.Sprintf("%s is locked. Unlock it before you change it.", l.Name)
	}
	return ""
}

// nothingChosen is said where cells should be chosen.
const nothingChosen = "No cells are selected. Drag a box over some with the empty hand, or take “select” into it."

func idsOf(pieces []*world.Piece) map[world.ID]bool {
	ids := make(map[world.ID]bool, len(pieces))
	for _, p := range pieces {
		ids[p.ID] = true
	}
	return ids
}

// MoveCells moves the cells chosen by a way in cells.
func (h *Hand) MoveCells(d *world.Document, by grid.Point) Outcome {
	c := h.Chosen(d)
	if c.Map == 0 {
		return said(nothingChosen)
	}
	return h.carry(d, c, h.lifted(d, c), by)
}

// EraseCells takes away what lies in the cells chosen, and the pieces among them.
func (h *Hand) EraseCells(d *world.Document) Outcome {
	c := h.Chosen(d)
	if c.Map == 0 {
		return said(nothingChosen)
	}
	m := d.Map(c.Map)
	if problem := h.locked(m); problem != "" {
		return said("%s", problem)
	}
	parts := h.away(d, c)
	standing := h.Standing(d, c)
	parts = append(parts, edit.RemoveWith(d, standing...)...)
	for _, p := range standing {
		parts = append(parts, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}})
	}
	if len(parts) == 0 {
		return said("There is nothing in these cells.")
	}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip(fmt.Sprintf("erase %s on %s", count(c.Region.Len(), "cell"), m.Name)), Parts: parts}}
}

// FillCells lays what is held, or was held before, over the cells chosen.
func (h *Hand) FillCells(d *world.Document) Outcome {
	c := h.Chosen(d)
	if c.Map == 0 {
		return said(nothingChosen)
	}
	held := h.Held
	if !held.Paints() {
		held = h.Before
	}
	if !held.Paints() {
		return said("Take what the cells are to be filled with into the hand first.")
	}
	m := d.Map(c.Map)
	b := c.Region.Bounds().Move(m.Origin)
	was := h.Held
	h.Held = held
	defer func() { h.Held = was }()
	at := grid.Point{X: b.X, Y: b.Y}
	if held.Holding == Patch && held.Block != nil {
		at = at.Add(middleOf(held.Block))
	}
	supply, problem := held.supply(d, held.Holding == Eraser, at)
	if problem != "" {
		return said("%s", problem)
	}
	erase := held.Holding == Eraser
	lays, problem := h.lays(d, []*world.Map{m}, []swath{{c.Region.Move(m.Origin), supply}}, erase)
	if problem != "" && len(lays) == 0 {
		return said("%s", problem)
	}
	return h.lay(d, lays, nil, labelOf(d, lays, erase))
}

// A Transform is how the cells chosen are laid anew where they are.
type Transform string

// The transforms.
const (
	LeftRight Transform = "left and right"
	TopBottom Transform = "top and bottom"
	Quarter   Transform = "quarter turn"
)

// TransformCells mirrors or turns what lies in the cells chosen, on the spot. A turn
// goes round their upper left corner.
func (h *Hand) TransformCells(d *world.Document, how Transform) Outcome {
	c := h.Chosen(d)
	if c.Map == 0 {
		return said(nothingChosen)
	}
	m := d.Map(c.Map)
	if problem := h.locked(m); problem != "" {
		return said("%s", problem)
	}
	l := d.Project.Lattice()
	if how == Quarter && l.W != l.H {
		return said("The cells of this project are not square, so they can't be turned. Mirror them instead.")
	}
	block, parts := h.lifted(d, c), h.away(d, c)
	if block == nil {
		return said("There is nothing in these cells.")
	}
	b := c.Region.Bounds()
	corner := grid.Point{X: b.X, Y: b.Y}
	// The region goes the way of a block of one tile that covers it.
	runs := grid.Runs{{N: c.Region.Len(), Cell: 1}}
	var mask grid.Plane
	e := mask.Edit()
	e.Write(c.Region.Move(grid.Point{X: -b.X, Y: -b.Y}), runs)
	shape := &world.Block{W: b.W, H: b.H, Layers: []world.BlockLayer{{Cells: e.Done()}}}
	turn := func(b *world.Block) *world.Block {
		if how == Quarter {
			return b.Turned(h.Pace, l)
		}
		return b.Mirrored(h.Pace, l, how == LeftRight)
	}
	block, shape = turn(block), turn(shape)
	lays, fall, problem := h.onto(d, m, block, corner.Add(m.Origin))
	if problem != "" {
		return said("%s", problem)
	}
	if fall > 0 {
		return said("%s would fall off the map. Move the selection away from its edge first.", count(fall, "cell"))
	}
	// The block's pieces are those that stand in the cells, in the same order.
	pieces := h.Standing(d, c)
	moved := idsOf(pieces)
	for i, p := range pieces {
		next := *p
		next.Foot, next.Props = block.Pieces[i].Foot.Add(l.Pixel(corner)), block.Pieces[i].Props
		if !l.Box(m.Bounds).Has(next.Foot) {
			return said("%s would stand beside the map. Move the selection away from its edge first.", PieceName(d, p))
		}
		if problem := inPlaceOf(d, m, p.Type, l.CellAt(next.Foot), moved); problem != "" {
			return said("%s", problem)
		}
		parts = append(parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
	}
	verb := "mirror"
	if how == Quarter {
		verb = "turn"
	}
	o := h.anew(d, parts, lays, fmt.Sprintf("%s %s on %s", verb, count(c.Region.Len(), "cell"), m.Name))
	if o.Edit == nil {
		return o
	}
	h.Cells = Cells{m.ID, shape.Layers[0].Cells.Filled().Move(corner)}
	return o
}

// CopyCells is what lies in the cells chosen; nil and why if there is nothing.
func (h *Hand) CopyCells(d *world.Document) (*world.Block, string) {
	c := h.Chosen(d)
	if c.Map == 0 {
		return nil, nothingChosen
	}
	b := h.lifted(d, c)
	if b == nil {
		return nil, "There is nothing in these cells."
	}
	return b, ""
}
