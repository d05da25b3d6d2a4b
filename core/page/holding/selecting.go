package holding

import (
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/world"
)

// Select selects a thing; End is the doorway of a crossing that is meant, 0 or 1.
type Select struct {
	Thing page.Thing `json:"thing"`
	End   int        `json:"end,omitempty"`
}

// Do implements Order.
func (o Select) Do(p *page.Page) page.Changed {
	p.SelectRef(o.Thing.Ref(), o.End)
	return p.HandChanged()
}

// SelectInStack selects a thing of those that lie where the one that is selected does.
type SelectInStack struct {
	Thing page.Thing `json:"thing"`
	End   int        `json:"end,omitempty"`
}

// Do implements Order.
func (o SelectInStack) Do(p *page.Page) page.Changed {
	ref := o.Thing.Ref()
	for _, s := range Stack(p) {
		if s.Ref == ref && s.End == o.End {
			p.Hand.Selected = s
			return p.HandChanged()
		}
	}
	return p.Fail(world.ErrGone)
}

// Unselect selects nothing.
type Unselect struct{}

// Do implements Order.
func (Unselect) Do(p *page.Page) page.Changed {
	p.Hand.Selected = hand.Selection{}
	return p.HandChanged()
}

// SelectAllCells selects all cells of a map.
type SelectAllCells struct {
	Map page.ID `json:"map"`
}

// Do implements Order.
func (o SelectAllCells) Do(p *page.Page) page.Changed {
	if m := p.Doc().Map(world.ID(o.Map)); m != nil {
		p.Hand.ChooseAll(m)
	}
	return p.HandChanged()
}

// SelectNoCells selects no cells.
type SelectNoCells struct{}

// Do implements Order.
func (SelectNoCells) Do(p *page.Page) page.Changed {
	p.Hand.Cells = hand.Cells{}
	return p.HandChanged()
}

// MoveSelected moves the cells that are selected, or else the map that is, by so many cells.
type MoveSelected struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o MoveSelected) Do(p *page.Page) page.Changed {
	by, d := page.At(o.X, o.Y), p.Doc()
	if p.Hand.Selected.Ref.Sort == world.SortMap && len(p.Hand.Chosen(d).Region) == 0 {
		return p.Outcome(p.Hand.MoveMap(d, by))
	}
	return p.Outcome(p.Hand.MoveCells(d, by))
}

// FillSelected fills the cells that are selected with what is in the hand.
type FillSelected struct{}

// Do implements Order.
func (FillSelected) Do(p *page.Page) page.Changed { return p.Outcome(p.Hand.FillCells(p.Doc())) }

// MakeMapOfPatch makes a map of a patch, at a cell of the board.
type MakeMapOfPatch struct {
	Patch page.ID `json:"patch"`
	X     int     `json:"x"`
	Y     int     `json:"y"`
}

// Do implements Order.
func (o MakeMapOfPatch) Do(p *page.Page) page.Changed {
	return p.Outcome(p.Hand.MapOfPatch(p.Doc(), world.ID(o.Patch), page.At(o.X, o.Y)))
}

// DeleteSelected deletes what is selected: the contents of cells, or a thing.
type DeleteSelected struct{}

// Do implements Order.
func (DeleteSelected) Do(p *page.Page) page.Changed { return deleteSelected(p) | p.Hover() }

func deleteSelected(p *page.Page) page.Changed {
	if p.Hand.Chosen(p.Doc()).Map != 0 {
		return p.Outcome(p.Hand.EraseCells(p.Doc()))
	}
	if p.Hand.Selected.Ref.Sort == 0 {
		return p.Refuse("Nothing is selected. Click a piece, a doorway or a map first.")
	}
	e, says := hand.Remove(p.Doc(), p.Hand.Selected)
	if e == nil {
		if says != "" {
			p.Refuse("%s", says)
		}
		return page.StateChanged
	}
	p.Hand.Selected = hand.Selection{}
	return p.Do(*e)
}

// Stack are the things that lie where the selected one does, front to back; nil if it lies in no cell.
func Stack(p *page.Page) []hand.Selection {
	m := p.Doc().Map(p.Hand.Selected.Map)
	if m == nil || !m.Bounds.Has(p.Hand.Selected.Cell) {
		return nil
	}
	return hand.Stack(p.Doc(), hand.Spot{Map: m, Cell: p.Hand.Selected.Cell})
}
