package page

import (
	"azzel/core/grid"
	"azzel/core/picture"
	"azzel/core/world"
)

// Bitmap draws what of a bitmap has changed since it was last drawn into
// pixels, and reports which box of it that is.
func (p *Page) Bitmap(k picture.Key, pixels []byte) (box grid.Rect, more bool) {
	p.Bitmaps.Atlas.AddMissing(p.Doc())
	return p.Bitmaps.Refresh(p.Seen(), k, pixels)
}

// Seen is the document as it is seen on the board: while it is played, with what rules have made of its cells.
func (p *Page) Seen() *world.Document {
	if p.Played != nil {
		if d, other := p.Played.Game().Shown(); other {
			return d
		}
	}
	return p.Doc()
}

// Reseen reports that cells are to be drawn anew, if they are seen otherwise than when it was called last.
func (p *Page) Reseen() (changed Changed) {
	var now *world.Document
	if p.Played != nil {
		now, _ = p.Played.Game().Shown()
	}
	if now != p.reseen {
		p.reseen, changed = now, CellsChanged
	}
	return changed
}

// Animate shows the frames of animated tiles at a time in milliseconds; below 0
// all stand still. It says what has changed, and in how many milliseconds to call
// it again: 0 for not before tilesets change.
func (p *Page) Animate(millis int) (changed Changed, next int) {
	moved, next := p.Bitmaps.Atlas.Animate(p.Doc(), millis)
	if moved {
		changed = CellsChanged
	}
	return changed, next
}

// Forget says that a bitmap is not kept any more.
func (p *Page) Forget(k picture.Key) { p.Bitmaps.Forget(k) }

// Tile is the pixels of a tile at the size of a cell, as it lies in the cell; nil
// if they are missing.
func (p *Page) Tile(c grid.Cell) []byte {
	p.Bitmaps.Atlas.AddMissing(p.Doc())
	return p.Bitmaps.Atlas.Cell(c)
}
