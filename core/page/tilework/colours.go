package tilework

import (
	"fmt"

	"azzel/core/board"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/world"
)

// Legend says which tile each colour of a picture means.
type Legend struct {
	Name    string `json:"name"`
	Columns int    `json:"columns"`
	Rows    int    `json:"rows"`
	// Cells are those of the colours, in their order; 0 leaves them empty.
	Cells []int `json:"cells"`
	// Colours are red, green and blue of each, as one number of 24 bits.
	Colours []int `json:"colours"`
	// X and Y are a cell of the board; the map comes to lie where there is room nearest
	// to it.
	X int `json:"x"`
	Y int `json:"y"`
}

// MakeMapOfColours makes a map of places, a byte for each cell, row by row: 0 is empty, n the colour n of the legend.
type MakeMapOfColours struct {
	Legend Legend        `json:"legend"`
	Places page.Attached `json:"-"`
}

// Do implements Order.
func (o MakeMapOfColours) Do(p *page.Page) page.Changed {
	to, places := o.Legend, o.Places.First()
	side := limit.MaxMapSide
	if to.Columns < 1 || to.Rows < 1 || to.Columns > side || to.Rows > side || len(places) != to.Columns*to.Rows {
		return p.Fail(fmt.Errorf("a map is 1 to %d cells wide and high; this one would be %d × %d", side, to.Columns, to.Rows))
	}
	d := p.Doc()
	room, ok := board.Free(d, grid.Rect{X: to.X, Y: to.Y, W: to.Columns, H: to.Rows}, 0)
	if !ok {
		return p.Fail(fmt.Errorf("there is no room for a map of %d × %d cells", to.Columns, to.Rows))
	}
	name := to.Name
	if world.CheckName(name, false) != nil {
		name = board.NameFor(d, room)
	}
	m, layers := world.NewMap(name, grid.Point{X: room.X, Y: room.Y}, grid.Rect{W: room.W, H: room.H}, p.IDs)
	m.SeenAs(d.Project.View)
	e := edit.Edit{Label: edit.Clip("make " + m.Name + " of a picture's colours"), Parts: edit.PutMap(m, layers)}
	g := grid.BoxRegion(m.Bounds)
	i := 0
	cells := grid.RunsOf(g, func(grid.Point) grid.Cell {
		k := int(places[i])
		i++
		if k == 0 || k > len(to.Cells) {
			return 0
		}
		return grid.Cell(to.Cells[k-1])
	})
	e.Parts = append(e.Parts, edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: cells})
	e.Parts = append(e.Parts, remember(d, to)...)
	return p.Do(e)
}

// remember are the parts that keep in the project what colours mean.
func remember(d *world.Document, to Legend) []edit.Part {
	var meant []world.Meaning
	for i := range min(len(to.Colours), len(to.Cells)) {
		meant = append(meant, world.Meaning{Colour: colour(to.Colours[i]), Tile: to.Cells[i]})
	}
	is := d.Project
	is.Legend = is.Legend.With(meant)
	return edit.Changes(world.Ref{Sort: world.SortProject}, d.Project.Values(), is.Values())
}

func colour(hex int) world.Colour {
	return world.RGB(uint8(hex>>16), uint8(hex>>8), uint8(hex))
}

// Meant gives for each colour the tile that it meant last in the project, or else the one
// of a tileset that is most like it.
func Meant(p *page.Page, set world.ID, colours []int) []int {
	list := Alike(p, set, colours)
	for i, hex := range colours {
		if tile, ok := p.Doc().Meant(colour(hex)); ok {
			list[i] = tile
		}
	}
	return list
}

// Alike proposes for each colour the tile of a tileset that is most like it, seen as
// one point; 0 if the tileset is not there.
func Alike(p *page.Page, set world.ID, colours []int) []int {
	d := p.Doc()
	list := make([]int, len(colours))
	t := d.Tileset(set)
	if t == nil {
		return list
	}
	p.Bitmaps.Atlas.AddMissing(d)
	for i, hex := range colours {
		best := 1 << 30
		for n := t.First; n < t.First+t.Count; n++ {
			c, opaque := p.Bitmaps.Atlas.Mean(grid.Cell(n))
			if !opaque {
				continue
			}
			far := 0
			for k, shift := range []int{16, 8, 0} {
				by := int(c[k]) - hex>>shift&255
				far += by * by
			}
			if far < best {
				best, list[i] = far, n
			}
		}
	}
	return list
}
