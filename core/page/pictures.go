package page

import (
	"azzel/core/grid"
	"azzel/core/picture"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Bitmap draws what of a bitmap has changed since it was last drawn into
// pixels, and reports which box of it that is.
func (p *Page) Bitmap(k picture.Key, pixels []byte) grid.Rect {
	p.bitmaps.Atlas.AddMissing(p.doc())
	return p.bitmaps.Refresh(p.doc(), k, pixels)
}

// Forget says that a bitmap is not kept any more.
func (p *Page) Forget(k picture.Key) { p.bitmaps.Forget(k) }

// Tile is the pixels of a tile at the size of a cell; nil if they are missing.
func (p *Page) Tile(n int) []byte {
	p.bitmaps.Atlas.AddMissing(p.doc())
	return p.bitmaps.Atlas.Tile(n)
}

// What a sprite shows: the player, or a built-in picture.
const (
	SpriteFigure = iota
	SpriteCollectible
	SpriteExit
)

// Sprite is the pixels of a picture and their size in pixels: which, and for
// the figure its facing and frame.
func (p *Page) Sprite(which, facing, frame int) (pixels []byte, w, h int) {
	l := p.doc().Project.Lattice()
	facing, frame = facing&3, frame&(world.CharacterFrames-1)
	if s := p.frames(); s != nil && which == SpriteFigure {
		return s.Tile(facing*world.CharacterFrames + frame), s.W, s.H
	}
	w, h = picture.SpriteSize(l)
	switch which {
	case SpriteFigure:
		return picture.Figure(l, world.Facing(facing), frame), w, h
	case SpriteCollectible:
		return picture.CollectibleSprite(l), w, h
	}
	return picture.ExitSprite(l), w, h
}

// frames are the pictures of the player's character, nil while there are none.
func (p *Page) frames() *tiles.Strip {
	if c := p.doc().Character(p.doc().Project.Player); c != nil {
		return p.strips[c.Strip]
	}
	return nil
}

// LayerPicture draws one layer of a map small, within side pixels.
func (p *Page) LayerPicture(mapID, layer world.ID, side int) (pixels []byte, w, h int) {
	m := p.doc().Map(mapID)
	if m == nil {
		return nil, 0, 0
	}
	p.bitmaps.Atlas.AddMissing(p.doc())
	for i, l := range m.Layers {
		if l.ID == layer {
			return p.bitmaps.Atlas.Map(m, 1<<i, side)
		}
	}
	return nil, 0, 0
}
