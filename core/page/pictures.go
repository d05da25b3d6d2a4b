package page

import (
	"bytes"
	"fmt"

	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/limit"
	"azzel/core/picture"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Bitmap draws what of a bitmap has changed since it was last drawn into
// pixels, and reports which box of it that is.
func (p *Page) Bitmap(k picture.Key, pixels []byte) (box grid.Rect, more bool) {
	p.bitmaps.Atlas.AddMissing(p.doc())
	return p.bitmaps.Refresh(p.doc(), k, pixels)
}

// Animate shows the frames of animated tiles at a time in milliseconds; below 0
// all stand still. It says what has changed, and in how many milliseconds to call
// it again: 0 for not before tilesets change.
func (p *Page) Animate(millis int) (changed Changed, next int) {
	moved, next := p.bitmaps.Atlas.Animate(p.doc(), millis)
	if moved {
		changed = CellsChanged
	}
	return changed, next
}

// Forget says that a bitmap is not kept any more.
func (p *Page) Forget(k picture.Key) { p.bitmaps.Forget(k) }

// Tile is the pixels of a tile at the size of a cell, as it lies in the cell; nil
// if they are missing.
func (p *Page) Tile(c grid.Cell) []byte {
	p.bitmaps.Atlas.AddMissing(p.doc())
	return p.bitmaps.Atlas.Cell(c)
}

// SpriteFigure is the player among what a sprite shows; any other number is the type of a
// piece.
const SpriteFigure = 0

// Sprite is the pixels of a picture and their size in pixels, nil if it is not seen in play:
// which, for the figure its facing and frame, for a piece its state as the frame.
func (p *Page) Sprite(which, facing, frame int) (pixels []byte, w, h int) {
	l := p.doc().Project.Lattice()
	facing, frame = facing&3, frame&(world.CharacterFrames-1)
	w, h = picture.SpriteSize(l)
	if which == SpriteFigure {
		return picture.Figure(l, world.Facing(facing), frame), w, h
	}
	return picture.Piece(l, world.ID(which), frame > 0), w, h
}

// CharacterFrame is the pixels of a frame of a character's sheet, and their size; nil while they are
// missing.
func (p *Page) CharacterFrame(id world.ID, frame int) (pixels []byte, w, h int) {
	c := p.doc().Character(id)
	if c == nil || p.strips[c.Strip] == nil || frame < 0 || frame >= c.Frames() {
		return nil, 0, 0
	}
	s := p.strips[c.Strip]
	return s.Tile(frame), s.W, s.H
}

// frames are the pictures of the player's character, nil while there are none.
func (p *Page) frames() *tiles.Strip {
	if c := p.doc().Character(p.doc().Project.Player); c != nil {
		return p.strips[c.Strip]
	}
	return nil
}

// LayerPicture draws one layer of a map small, within side pixels; all of it if layer
// is 0.
func (p *Page) LayerPicture(mapID, layer world.ID, side int) (pixels []byte, w, h int) {
	m := p.doc().Map(mapID)
	if m == nil {
		return nil, 0, 0
	}
	p.bitmaps.Atlas.AddMissing(p.doc())
	if layer == 0 {
		return p.bitmaps.Atlas.Map(m, picture.AllLayers, side)
	}
	for i, l := range m.Layers {
		if l.ID == layer {
			return p.bitmaps.Atlas.Map(m, 1<<i, side)
		}
	}
	return nil, 0, 0
}

// AddBackdrop takes the pixels of a backdrop for small pictures of maps: W × H of them, not multiplied RGBA. They are not kept.
type AddBackdrop struct {
	Sum    string   `json:"sum"`
	W      int      `json:"w"`
	H      int      `json:"h"`
	Pixels Attached `json:"-"`
}

// Do implements Order.
func (o AddBackdrop) Do(p *Page) Changed {
	pixels := o.Pixels.first()
	if o.W < 1 || o.H < 1 || o.W > limit.PictureSide || o.H > limit.PictureSide || len(pixels) != o.W*o.H*4 {
		return p.Fail(errUnknown)
	}
	p.bitmaps.Atlas.AddBackdrop(o.Sum, o.W, o.H, bytes.Clone(pixels))
	return SceneChanged | CellsChanged
}

// Sixteenth is the unit of places that are finer than a pixel.
const Sixteenth = 16

// LayerWay is how far a layer is moved by its depth where a view shows a box of the
// board, both in sixteenths of a pixel.
func (p *Page) LayerWay(mapID, layer world.ID, view grid.Rect) grid.Point {
	d := p.doc()
	m := d.Map(mapID)
	if m == nil || m.Layer(layer) == nil {
		return grid.Point{}
	}
	b := d.Project.Lattice().Box(m.OnBoard())
	of := grid.Rect{X: b.X * Sixteenth, Y: b.Y * Sixteenth, W: b.W * Sixteenth, H: b.H * Sixteenth}
	return picture.Away(m.Layer(layer), of, view)
}

// ScaledSize says in words how large a map's picture would be at a scale, or what keeps
// it from being made.
func (p *Page) ScaledSize(id world.ID, scale int) string {
	m := p.doc().Map(id)
	if m == nil {
		return ""
	}
	w, h, err := picture.ScaledSize(p.doc(), m, scale)
	if err != nil {
		return err.Error()
	}
	return fmt.Sprintf("%d × %d px", w, h)
}

// Cells are those of a box of a layer, row by row; none of a box over 65,536 cells.
func (p *Page) Cells(mapID, layer world.ID, r grid.Rect) []int {
	list := []int{}
	m := p.doc().Map(mapID)
	if m == nil || m.Layer(layer) == nil || r.Empty() || r.W > 256 || r.H > 256 {
		return list
	}
	g := grid.BoxRegion(r)
	m.Layer(layer).Cells.Read(g).Over(g, func(_ grid.Point, c grid.Cell) { list = append(list, int(c)) })
	return list
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
func (p *Page) SheetShape(id world.ID, property string, from, to grid.Point) []int {
	t := p.doc().Tileset(id)
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
	shape := p.hand.Shape
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
			g = grid.Ring(grid.Between(from, to), max(1, p.hand.Size))
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
