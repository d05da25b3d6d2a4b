package characters

import (
	"azzel/core/page"
	"azzel/core/world"
)

// CharacterFrame is the pixels of a frame of a character's sheet, and their size; nil while they are
// missing.
func CharacterFrame(p *page.Page, id world.ID, frame int) (pixels []byte, w, h int) {
	c := p.Doc().Character(id)
	if c == nil || p.Strips[c.Strip] == nil || frame < 0 || frame >= c.Frames() {
		return nil, 0, 0
	}
	s := p.Strips[c.Strip]
	return s.Tile(frame), s.W, s.H
}
