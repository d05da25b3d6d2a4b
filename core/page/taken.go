package page

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// rebuild makes map and tileset of a finished map that was taken apart.
func (p *Page) rebuild(t *Taken) Changed {
	if t == nil || len(t.Cells) != t.Columns*t.Rows || len(t.Cells) == 0 {
		return p.Fail(errUnknown)
	}
	d := p.doc()
	set := t.tileset()
	bounds := grid.Rect{W: t.Columns, H: t.Rows}
	m, layers := world.NewMap(t.Name, beside(d, bounds), bounds, p.ids)
	m.SeenAs(d.Project.View)
	e := edit.Edit{Label: edit.Clip("rebuild " + t.Name), Parts: []edit.Part{
		edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: p.ids.NewID()}, Values: set.Values()},
	}}
	e.Parts = append(e.Parts, edit.PutMap(m, layers)...)
	g := grid.BoxRegion(m.Bounds)
	i := 0
	cells := grid.RunsOf(g, func(grid.Point) grid.Cell {
		c := grid.Cell(t.Cells[i])
		i++
		if c.Tile() == 0 {
			return 0
		}
		return grid.Cell(t.First + c.Tile() - 1).Turned(c.Orientation())
	})
	e.Parts = append(e.Parts, edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: cells})
	return p.do(e)
}

// beside is where cell (0, 0) of a map with some bounds can lie to the right of all
// that is there.
func beside(d *world.Document, bounds grid.Rect) grid.Point {
	at := grid.Point{}
	for _, m := range d.Maps {
		b := m.OnBoard()
		at.X = max(at.X, b.X+b.W+3)
	}
	return grid.Point{X: at.X - bounds.X, Y: at.Y - bounds.Y}
}

// replace puts a newer picture in the place of a tileset whose tile i becomes tile
// to[i] of it.
func (p *Page) replace(ref world.Ref, to []int, t *Taken) Changed {
	if t == nil {
		return p.Fail(errUnknown)
	}
	e, err := edit.Replace{Pace: p.replica.Pace, Old: ref.ID, New: t.tileset(), ID: p.ids.NewID(), To: to}.Edit(p.doc())
	if err != nil {
		return p.Fail(err)
	}
	return p.do(e)
}

// tileset is what the picture becomes, its tiles doing nothing yet.
func (t *Taken) tileset() *world.Tileset {
	return &world.Tileset{Name: t.Name, Picture: t.Picture, Strip: t.Strip, First: t.First, Count: len(t.Places),
		Columns: t.Columns, Rows: t.Rows, Places: t.Places, Tiles: make([]*tiles.Properties, len(t.Places)),
		Cut: t.Cut}
}

func (p *Page) tileset(t *Taken) Changed {
	if t == nil {
		return p.Fail(errUnknown)
	}
	set := t.tileset()
	ref := world.Ref{Sort: world.SortTileset, ID: p.ids.NewID()}
	return p.do(edit.Edit{Label: "bring in " + t.Name, Parts: []edit.Part{edit.Put{Ref: ref, Values: set.Values()}}})
}
