package tiles

import "azzel/core/grid"

// Opaque is the smallest box, in pixels of a tile, that holds what is opaque, by more than half, of
// some tiles of a strip; empty if nothing is.
func (s *Strip) Opaque(list []int) grid.Rect {
	var box grid.Rect
	for _, i := range list {
		if i < 0 || i >= len(s.Places) {
			continue
		}
		pix := s.Tile(i)
		for y := range s.H {
			for x := range s.W {
				if pix[(y*s.W+x)*4+3] > 127 {
					box = box.Join(grid.Rect{X: x, Y: y, W: 1, H: 1})
				}
			}
		}
	}
	return box
}
