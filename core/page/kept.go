package page

import (
	"errors"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/rows"
	"azzel/core/world"
)

// ShowVersion shows a kept version in the project's place, until ShowCurrentVersion. Nothing can be changed meanwhile.
type ShowVersion struct {
	Name     string   `json:"name"`
	Document Attached `json:"-"`
}

// Do implements Order.
func (o ShowVersion) Do(p *Page) Changed {
	d, err := world.Decode(o.Document.first())
	if err != nil {
		return p.Fail(fmt.Errorf("this kept state can't be shown: %w", err))
	}
	p.hand.Cancel()
	p.played = nil
	p.looked, p.lookedName = d, o.Name
	return p.follow() | SceneChanged | StateChanged | PlayChanged
}

// ShowCurrentVersion shows the project again.
type ShowCurrentVersion struct{}

// Do implements Order.
func (ShowCurrentVersion) Do(p *Page) Changed {
	p.looked = nil
	p.hand.Cancel()
	return p.follow() | SceneChanged | StateChanged
}

// RestoreVersion makes the project what the version is that is shown, as one step.
type RestoreVersion struct{}

// Do implements Order.
func (RestoreVersion) Do(p *Page) Changed {
	to := p.looked
	if to == nil {
		return 0
	}
	changed := ShowCurrentVersion{}.Do(p)
	e := edit.Restore(p.replica.Pace, p.doc(), to, "go back to "+p.lookedName)
	if len(e.Parts) == 0 {
		p.say("Nothing was changed since.")
		return changed
	}
	return changed | p.do(e)
}

// looking reports whether a kept state is shown, and says that nothing can be changed
// then.
func (p *Page) looking() bool {
	if p.looked != nil {
		p.refuse("You are looking at a kept state, which can’t be changed. Go back to it, or return to how it is now, first.")
	}
	return p.looked != nil
}

// LayCSV lays the cells of a CSV text on a layer, as one step.
type LayCSV struct {
	Map   ID       `json:"map"`
	Layer ID       `json:"layer"`
	Text  Attached `json:"-"`
}

// Do implements Order.
func (o LayCSV) Do(p *Page) Changed {
	d := p.doc()
	mapID, layer := world.ID(o.Map), world.ID(o.Layer)
	if p.hand.Hidden(layer) {
		return p.Fail(errors.New("this layer is hidden: show it before you lay cells on it"))
	}
	cells, columns, lines, err := rows.ReadCSV(o.Text.first(), d.ShortTile)
	if err != nil {
		return p.Fail(err)
	}
	e, err := edit.LayCells(d, mapID, layer, cells, grid.Rect{W: columns, H: lines})
	if err != nil {
		return p.Fail(err)
	}
	return p.do(e)
}
