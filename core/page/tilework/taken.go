package tilework

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/tiles"
	"azzel/core/world"
	"bytes"
)

// RebuildMap makes map and tileset of a finished map that was taken apart.
type RebuildMap struct {
	Taken Taken `json:"taken"`
}

// Do implements Order.
func (o RebuildMap) Do(p *page.Page) page.Changed {
	t := &o.Taken
	if t.Columns < 1 || t.Rows < 1 || t.Columns > limit.MaxMapSide || t.Rows > limit.MaxMapSide || len(t.Cells) != t.Columns*t.Rows || len(t.Cells) == 0 {
		return p.Fail(page.ErrUnknown)
	}
	d := p.Doc()
	set := t.tileset()
	bounds := grid.Rect{W: t.Columns, H: t.Rows}
	m, layers := world.NewMap(t.Name, page.Beside(d, bounds), bounds, p.IDs)
	m.SeenAs(d.Project.View)
	e := edit.Edit{Label: edit.Clip("rebuild " + t.Name), Parts: []edit.Part{
		edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: p.IDs.NewID()}, Values: set.Values()},
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
	return p.Do(e)
}

// ReplaceTileset puts a newer picture in the place of a tileset, whose tile i becomes tile To[i] of it.
type ReplaceTileset struct {
	Tileset page.ID `json:"tileset"`
	To      []int   `json:"to"`
	Taken   Taken   `json:"taken"`
}

// Do implements Order.
func (o ReplaceTileset) Do(p *page.Page) page.Changed {
	e, err := edit.Replace{Pace: p.Replica.Pace, Old: world.ID(o.Tileset), New: o.Taken.tileset(), ID: p.IDs.NewID(), To: o.To}.Edit(p.Doc())
	if err != nil {
		return p.Fail(err)
	}
	return p.Do(e)
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
func (o MakeTileset) Do(p *page.Page) page.Changed {
	set := o.Taken.tileset()
	ref := world.Ref{Sort: world.SortTileset, ID: p.IDs.NewID()}
	return p.Do(edit.Edit{Label: "import " + o.Taken.Name, Parts: []edit.Part{edit.Put{Ref: ref, Values: set.Values()}}})
}

// Taken is a picture that the server has taken in, to be made a tileset.
type Taken struct {
	Name    string `json:"name"`
	Picture string `json:"picture"`
	Strip   string `json:"strip"`
	First   int    `json:"first"`
	Columns int    `json:"columns"`
	Rows    int    `json:"rows"`
	Places  []int  `json:"places"`
	// Cut is how the picture was cut.
	Cut tiles.Cut `json:"cut"`
	// Cells are those of a finished map, row by row: a tile's index plus 1 and how it
	// lies; empty for a tileset.
	Cells []int `json:"cells"`
}

// AddPictures takes the tiles of a tileset or the frames of a character, as the server keeps them. The bytes are not kept.
type AddPictures struct {
	Of    page.ID       `json:"of"`
	Strip page.Attached `json:"-"`
}

// Do implements Order.
func (o AddPictures) Do(p *page.Page) page.Changed {
	data := o.Strip.First()
	s, err := tiles.DecodeStrip(data)
	if err != nil {
		return p.Fail(err)
	}
	if c := p.Doc().Character(world.ID(o.Of)); c != nil && len(s.Places) == c.Frames() {
		if s, err = tiles.DecodeStrip(bytes.Clone(data)); err != nil {
			return p.Fail(err)
		}
		p.Strips[c.Strip] = s
		return page.SceneChanged
	}
	t := p.Doc().Tileset(world.ID(o.Of))
	if t == nil {
		return 0
	}
	p.Bitmaps.Atlas.Add(t, s)
	return page.SceneChanged | page.CellsChanged
}
