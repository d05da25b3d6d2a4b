package page

import (
	"errors"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/rows"
	"azzel/core/world"
)

// Look shows a kept state in the project's place, until LookAway. Nothing can be
// changed meanwhile.
func (p *Page) Look(document []byte, name string) Changed {
	d, err := world.Decode(document)
	if err != nil {
		return p.Fail(fmt.Errorf("this kept state can't be shown: %w", err))
	}
	p.finish()
	p.hand.Cancel()
	p.played = nil
	p.looked, p.lookedName = d, name
	return p.follow() | SceneChanged | StateChanged | PlayChanged
}

// lookAway shows the project again.
func (p *Page) lookAway() Changed {
	p.looked = nil
	p.hand.Cancel()
	return p.follow() | SceneChanged | StateChanged
}

// goBack makes the project what the kept state is, as one step.
func (p *Page) goBack() Changed {
	to := p.looked
	if to == nil {
		return 0
	}
	changed := p.lookAway()
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
		p.say("You are looking at a kept state, which can’t be changed. Go back to it, or return to how it is now, first.")
	}
	return p.looked != nil
}

// LayCSV lays the cells of a CSV text on a layer, as one step.
func (p *Page) LayCSV(mapID, layer world.ID, text []byte) Changed {
	p.finish()
	d := p.doc()
	if p.hand.Hidden(layer) {
		return p.Fail(errors.New("this layer is hidden: show it before you lay cells on it"))
	}
	cells, columns, lines, err := rows.ReadCSV(text, d.ShortTile)
	if err != nil {
		return p.Fail(err)
	}
	e, err := edit.LayCells(d, mapID, layer, cells, grid.Rect{W: columns, H: lines})
	if err != nil {
		return p.Fail(err)
	}
	return p.ask(func() Changed { return p.do(e) })
}
