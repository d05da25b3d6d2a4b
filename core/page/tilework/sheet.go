package tilework

import (
	"bytes"

	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/tiles"
	"azzel/core/world"
)

// AddBackdrop takes the pixels of a backdrop for small pictures of maps: W × H of them, not multiplied RGBA. They are not kept.
type AddBackdrop struct {
	Sum    string        `json:"sum"`
	W      int           `json:"w"`
	H      int           `json:"h"`
	Pixels page.Attached `json:"-"`
}

// Do implements Order.
func (o AddBackdrop) Do(p *page.Page) page.Changed {
	pixels := o.Pixels.First()
	if o.W < 1 || o.H < 1 || o.W > limit.PictureSide || o.H > limit.PictureSide || len(pixels) != o.W*o.H*4 {
		return p.Fail(page.ErrUnknown)
	}
	p.Bitmaps.Atlas.AddBackdrop(o.Sum, o.W, o.H, bytes.Clone(pixels))
	return page.SceneChanged | page.CellsChanged
}

// What stands for the property where tiles are marked for a bond, or as frames in
// their order.
const (
	Block  = "block"
	Frames = "frames"
)

// SheetShape lists the tiles of a tileset that the hand's shape takes on its
// sheet, from one place to another; filling takes those that hang together and
// are alike in a property. Block, as the property, always takes a box, and Frames
// a line.
func SheetShape(p *page.Page, id world.ID, property string, from, to grid.Point) []int {
	t := p.Doc().Tileset(id)
	if t == nil {
		return []int{}
	}
	on := func(p grid.Point) grid.Point {
		return grid.Point{X: min(max(p.X, 0), t.Columns-1), Y: min(max(p.Y, 0), t.Rows-1)}
	}
	from, to = on(from), on(to)
	at := make(map[int]int, t.Count)
	for i, place := range t.Places {
		at[place] = i
	}
	var places []int
	shape := p.Hand.Shape
	switch property {
	case Block:
		shape = hand.Box
	case Frames:
		shape = hand.Free
	}
	switch shape {
	case hand.Fill:
		start, there := at[to.Y*t.Columns+to.X]
		if !there {
			return []int{}
		}
		want := t.Tile(start).Value(property)
		places = tiles.FillSheet(t.Columns, t.Rows, to, func(place int) bool {
			i, there := at[place]
			return there && t.Tile(i).Value(property) == want
		})
	case hand.Everywhere:
		start, there := at[to.Y*t.Columns+to.X]
		if !there {
			return []int{}
		}
		want := t.Tile(start).Value(property)
		list := []int{}
		for i := range t.Count {
			if t.Tile(i).Value(property) == want {
				list = append(list, i)
			}
		}
		return list
	case hand.Box, hand.Room, hand.Ring, hand.Oval:
		g := grid.BoxRegion(grid.Between(from, to))
		switch shape {
		case hand.Ring:
			g = grid.Ring(grid.Between(from, to), max(1, p.Hand.Size))
		case hand.Oval:
			g = grid.Oval(grid.Between(from, to))
		}
		for _, s := range g {
			for x := s.X0; x <= s.X1; x++ {
				places = append(places, s.Y*t.Columns+x)
			}
		}
	default:
		for _, c := range grid.Line(from, to) {
			places = append(places, c.Y*t.Columns+c.X)
		}
	}
	list := []int{}
	for _, place := range places {
		if i, there := at[place]; there {
			list = append(list, i)
		}
	}
	return list
}
