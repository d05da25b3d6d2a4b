package page

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/tiles"
	"azzel/core/world"
)

// RebuildMap makes map and tileset of a finished map that was taken apart.
type RebuildMap struct {
	Taken Taken `json:"taken"`
}

// Do implements Order.
func (o RebuildMap) Do(p *Page) Changed {
	t := &o.Taken
	if t.Columns < 1 || t.Rows < 1 || t.Columns > limit.MaxMapSide || t.Rows > limit.MaxMapSide || len(t.Cells) != t.Columns*t.Rows || len(t.Cells) == 0 {
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

// ReplaceTileset puts a newer picture in the place of a tileset, whose tile i becomes tile To[i] of it.
type ReplaceTileset struct {
	Tileset ID    `json:"tileset"`
	To      []int `json:"to"`
	Taken   Taken `json:"taken"`
}

// Do implements Order.
func (o ReplaceTileset) Do(p *Page) Changed {
	e, err := edit.Replace{Pace: p.replica.Pace, Old: world.ID(o.Tileset), New: o.Taken.tileset(), ID: p.ids.NewID(), To: o.To}.Edit(p.doc())
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

// MakeTileset makes a tileset of a picture that the server has taken in.
type MakeTileset struct {
	Taken Taken `json:"taken"`
}

// Do implements Order.
func (o MakeTileset) Do(p *Page) Changed {
	set := o.Taken.tileset()
	ref := world.Ref{Sort: world.SortTileset, ID: p.ids.NewID()}
	return p.do(edit.Edit{Label: "bring in " + o.Taken.Name, Parts: []edit.Part{edit.Put{Ref: ref, Values: set.Values()}}})
}
