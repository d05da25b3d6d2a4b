package page

import (
	"fmt"

	"azzel/core/board"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/world"
)

// slip says what is selected; nil if nothing is, or it is gone.
func (p *Page) slip() *SlipView {
	d, sel := p.doc(), p.hand.Selected
	l := d.Project.Lattice()
	v := &SlipView{Kind: kindNames[sel.Ref.Sort], ID: FormatID(sel.Ref.ID), Map: FormatID(sel.Ref.Map), Lines: []SlipLine{}, Stack: []StackView{}, Landings: []BoxView{}}
	line := func(label, format string, values ...any) {
		v.Lines = append(v.Lines, SlipLine{label, fmt.Sprintf(format, values...)})
	}
	switch sel.Ref.Sort {
	case world.SortMap:
		m := d.Map(sel.Ref.ID)
		if m == nil {
			return nil
		}
		v.Name, v.Sort, v.Box = m.Name, "map", box(l.Box(m.OnBoard()))
		line("Size", "%d × %d cells", m.Bounds.W, m.Bounds.H)
		line("Ways out", "%d", len(d.CrossingsOf(m.ID)))
		line("Pieces", "%d", len(m.Pieces))
	case world.SortPiece:
		m := d.Map(sel.Ref.Map)
		if m == nil || m.Piece(sel.Ref.ID) == nil {
			return nil
		}
		piece := m.Piece(sel.Ref.ID)
		t := piece.Kind()
		foot := l.CellAt(piece.Foot)
		v.Name, v.Sort = piece.Name, t.Name
		v.Box = box(l.Box(grid.Rect{X: foot.X, Y: foot.Y, W: 1, H: 1}.Move(m.Origin)))
		line("Stands on", "%s, cell %d, %d", m.Name, foot.X, foot.Y)
		line("In play", "%s", t.Purpose)
		v.Acting, v.Asking, v.Path = viewActing(d, m, piece), viewAsking(d, m, piece), path(d, m, piece)
		v.Starts = t.Begins || t.Starts
	case world.SortCrossing:
		c := d.Crossing(sel.Ref.ID)
		if c == nil {
			return nil
		}
		p.crossingSlip(v, c, sel.End&1, line)
	default:
		if !p.placeSlip(v, sel.Ref, line) {
			return nil
		}
	}
	v.Clear = v.Box
	if w := v.Path; w != nil {
		way := grid.Rect{X: v.Box.X, Y: v.Box.Y, W: v.Box.W, H: v.Box.H}
		for i := 0; i+1 < len(w.Points); i += 2 {
			way = way.Join(grid.Rect{X: w.Points[i] - w.W/2, Y: w.Points[i+1] - w.H, W: w.W + 1, H: w.H + 1})
		}
		v.Clear = box(way)
	}
	if m, piece := d.Piece(sel.Ref.ID); piece != nil && (piece.Int(props.Does) == props.Follows || piece.Int(props.Does) == props.Flees) && piece.Kind().Goes {
		// The player whom its trail shows.
		at := play.InSightOf(d, m, piece)
		met := l.Box(grid.Rect{X: at.X, Y: at.Y - 1, W: 1, H: 2}.Move(m.Origin))
		v.Clear = box(met.Join(grid.Rect{X: v.Clear.X, Y: v.Clear.Y, W: v.Clear.W, H: v.Clear.H}))
	}
	v.Proposed = hand.Name(d, sel.Ref)
	e, says := hand.Remove(d, sel)
	v.Removes, v.Kept = says, e == nil
	for _, s := range p.stack() {
		v.Stack = append(v.Stack, StackView{kindNames[s.Ref.Sort], ID(s.Ref.Map), ID(s.Ref.ID), s.End, hand.Name(d, s.Ref), kindNames[s.Ref.Sort], s.Ref == sel.Ref && s.End == sel.End})
	}
	return v
}

func (p *Page) crossingSlip(v *SlipView, c *world.Crossing, end int, line func(string, string, ...any)) {
	d := p.doc()
	l := d.Project.Lattice()
	v.Name, v.Sort, v.Box = c.Name, "crossing", box(p.door(c, end))
	other := c.Ends[1-end]
	m := d.Map(other.Map)
	leads := box(p.door(c, 1-end))
	v.Leads = &leads
	line("Leads to", "%s, cell %d, %d", m.Name, other.Cells.X, other.Cells.Y)
	if c.BothWays {
		line("Ways", "both")
	} else {
		line("Ways", "one")
	}
	for from := range 2 {
		if !c.Leads(from) {
			continue
		}
		to := d.Map(c.Ends[1-from].Map)
		at, ok := board.LandingOf(d, c, from)
		v.Landings = append(v.Landings, box(l.Box(grid.Rect{X: at.X, Y: at.Y, W: 1, H: 1}.Move(to.Origin))))
		if from != end {
			continue
		}
		if ok {
			line("Lands", "cell %d, %d", at.X, at.Y)
		} else {
			line("Lands", "in the doorway: there is no room beside it")
		}
	}
}

func (p *Page) stack() []hand.Selection {
	m := p.doc().Map(p.hand.Selected.Map)
	if m == nil || !m.Bounds.Has(p.hand.Selected.Cell) {
		return nil
	}
	return hand.Stack(p.doc(), hand.Spot{Map: m, Cell: p.hand.Selected.Cell})
}
