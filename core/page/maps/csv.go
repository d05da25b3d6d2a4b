package maps

import (
	"errors"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/rows"
	"azzel/core/world"
)

// LayCSV lays the cells of a CSV text on a layer, as one step.
type LayCSV struct {
	Map   page.ID       `json:"map"`
	Layer page.ID       `json:"layer"`
	Text  page.Attached `json:"-"`
}

// Do implements Order.
func (o LayCSV) Do(p *page.Page) page.Changed {
	d := p.Doc()
	mapID, layer := world.ID(o.Map), world.ID(o.Layer)
	if p.Hand.Hidden(layer) {
		return p.Fail(errors.New("this layer is hidden: show it before you lay cells on it"))
	}
	cells, columns, lines, err := rows.ReadCSV(o.Text.First(), d.ShortTile)
	if err != nil {
		return p.Fail(err)
	}
	e, err := edit.LayCells(d, mapID, layer, cells, grid.Rect{W: columns, H: lines})
	if err != nil {
		return p.Fail(err)
	}
	return p.Do(e)
}
