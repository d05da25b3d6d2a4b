package tiles

// Blockout draws the built-in tiles for cells of w × h pixels: one a role, in
// the order of the roles, in greys that differ by shade and by pattern.
func Blockout(w, h int) *Strip {
	s := &Strip{W: w, H: h, Columns: BlockoutCount, Rows: 1, Pixels: make([]byte, BlockoutCount*w*h*4)}
	for i := range BlockoutCount {
		s.Places = append(s.Places, i)
		px := s.Tile(i)
		for y := range h {
			for x := range w {
				shade, opacity := blockoutShade(Role(i+1), x, y, w, h)
				o := (y*w + x) * 4
				px[o], px[o+1], px[o+2], px[o+3] = shade, shade, shade-shade/32, opacity
			}
		}
	}
	return s
}

// blockoutShade is one pixel of a blockout tile. Patterns are laid out in
// eighths of the cell, so that they look alike at any size.
func blockoutShade(r Role, x, y, w, h int) (shade, opacity uint8) {
	u, v := x*8/w, y*8/h
	edge := x == 0 || y == 0
	low := x == w-1 || y == h-1
	switch r {
	case Ground:
		if (u == 2 && v == 5) || (u == 6 && v == 1) {
			return 150, 255
		}
		return 158, 255
	case Path:
		if v == 0 || (u == 0 && v < 4) || (u == 4 && v > 4) || v == 4 {
			return 174, 255
		}
		return 186, 255
	case Wall:
		if edge {
			return 104, 255
		}
		if low {
			return 48, 255
		}
		return 74, 255
	case Overhead:
		if (x+y)%4 < 2 {
			return 120, 210
		}
		return 96, 210
	case Water:
		if (v == 2 && u >= 1 && u <= 3) || (v == 6 && u >= 4 && u <= 6) {
			return 142, 255
		}
		return 110, 255
	case Danger:
		if v >= 7-2*min(u%4, 3-u%4)-2 && v > 1 {
			return 40, 255
		}
		return 158, 255
	case Climbable:
		if u == 1 || u == 6 || v%3 == 1 && u > 0 && u < 7 {
			return 60, 255
		}
		return 0, 0
	case OneWay:
		if v < 2 {
			return 66, 255
		}
		return 0, 0
	case SlopeLeft:
		if y*w >= (w-1-x)*h {
			return 84, 255
		}
		return 0, 0
	case SlopeRight:
		if y*w >= x*h {
			return 84, 255
		}
		return 0, 0
	case Decoration:
		du, dv := 2*u-7, 2*v-7
		if d := du*du + dv*dv; d < 30 && d > 6 {
			return 220, 255
		}
	}
	return 0, 0
}
