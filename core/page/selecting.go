package page

import (
	"errors"
	"fmt"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/world"
)

// Select selects a thing; End is the doorway of a crossing that is meant, 0 or 1.
type Select struct {
	Thing Thing `json:"thing"`
	End   int   `json:"end,omitempty"`
}

// Do implements Order.
func (o Select) Do(p *Page) Changed {
	p.selectRef(o.Thing.ref(), o.End)
	return p.handChanged()
}

// SelectInStack selects a thing of those that lie where the one that is selected does.
type SelectInStack struct {
	Thing Thing `json:"thing"`
	End   int   `json:"end,omitempty"`
}

// Do implements Order.
func (o SelectInStack) Do(p *Page) Changed {
	ref := o.Thing.ref()
	for _, s := range p.stack() {
		if s.Ref == ref && s.End == o.End {
			p.hand.Selected = s
			return p.handChanged()
		}
	}
	return p.Fail(world.ErrGone)
}

// Unselect selects nothing.
type Unselect struct{}

// Do implements Order.
func (Unselect) Do(p *Page) Changed {
	p.hand.Selected = hand.Selection{}
	return p.handChanged()
}

// SelectAllCells selects all cells of a map.
type SelectAllCells struct {
	Map ID `json:"map"`
}

// Do implements Order.
func (o SelectAllCells) Do(p *Page) Changed {
	if m := p.doc().Map(world.ID(o.Map)); m != nil {
		p.hand.ChooseAll(m)
	}
	return p.handChanged()
}

// SelectNoCells selects no cells.
type SelectNoCells struct{}

// Do implements Order.
func (SelectNoCells) Do(p *Page) Changed {
	p.hand.Cells = hand.Cells{}
	return p.handChanged()
}

// MoveSelected moves the cells that are selected, or else the map that is, by so many cells.
type MoveSelected struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o MoveSelected) Do(p *Page) Changed {
	by, d := at(o.X, o.Y), p.doc()
	if p.hand.Selected.Ref.Sort == world.SortMap && len(p.hand.Chosen(d).Region) == 0 {
		return p.outcome(p.hand.MoveMap(d, by))
	}
	return p.outcome(p.hand.MoveCells(d, by))
}

// FillSelected fills the cells that are selected with what is in the hand.
type FillSelected struct{}

// Do implements Order.
func (FillSelected) Do(p *Page) Changed { return p.outcome(p.hand.FillCells(p.doc())) }

// MakeMapOfPatch makes a map of a patch, at a cell of the board.
type MakeMapOfPatch struct {
	Patch ID  `json:"patch"`
	X     int `json:"x"`
	Y     int `json:"y"`
}

// Do implements Order.
func (o MakeMapOfPatch) Do(p *Page) Changed {
	return p.outcome(p.hand.MapOfPatch(p.doc(), world.ID(o.Patch), at(o.X, o.Y)))
}

// DeleteSelected deletes what is selected: the contents of cells, or a thing.
type DeleteSelected struct{}

// Do implements Order.
func (DeleteSelected) Do(p *Page) Changed { return p.deleteSelected() | p.hover() }

func (p *Page) deleteSelected() Changed {
	if p.hand.Chosen(p.doc()).Map != 0 {
		return p.outcome(p.hand.EraseCells(p.doc()))
	}
	if p.hand.Selected.Ref.Sort == 0 {
		return p.refuse("Nothing is selected. Click a piece, a doorway or a map first.")
	}
	e, says := hand.Remove(p.doc(), p.hand.Selected)
	if e == nil {
		if says != "" {
			p.refuse("%s", says)
		}
		return StateChanged
	}
	p.hand.Selected = hand.Selection{}
	return p.do(*e)
}

// Rename gives a thing another name.
type Rename struct {
	Thing Thing  `json:"thing"`
	Name  string `json:"name"`
}

// Do implements Order.
func (o Rename) Do(p *Page) Changed { return p.do(*hand.Rename(p.doc(), o.Thing.ref(), o.Name)) }

// Delete deletes a thing.
type Delete struct {
	Thing Thing `json:"thing"`
}

// Do implements Order.
func (o Delete) Do(p *Page) Changed {
	ref := o.Thing.ref()
	switch ref.Sort {
	case world.SortProperty:
		return p.removeProperty(ref)
	case world.SortItem, world.SortFact:
		return p.removeNamed(ref)
	}
	return p.do(edit.Edit{Label: "delete " + hand.Name(p.doc(), ref), Parts: []edit.Part{edit.Remove{Ref: ref}}})
}

// Undo takes back the last step of this session that is done.
type Undo struct{}

// Do implements Order.
func (Undo) Do(p *Page) Changed { return p.takeBack("undo", p.replica.Undo) }

// Redo does the step again that was taken back last.
type Redo struct{}

// Do implements Order.
func (Redo) Do(p *Page) Changed { return p.takeBack("redo", p.replica.Redo) }

func (p *Page) takeBack(which string, run func() (uint64, []byte, int, int, error)) Changed {
	if p.looking() {
		return StateChanged
	}
	p.hand.Cancel()
	_, message, left, of, err := run()
	if errors.Is(err, edit.ErrNothing) {
		return p.refuse("There is nothing to %s.", which)
	}
	if err != nil {
		return p.Fail(err)
	}
	p.send(message)
	return p.tookBack(left, of, nil)
}

func counted(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}
