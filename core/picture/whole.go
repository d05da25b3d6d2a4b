package picture

import (
	"fmt"
	"math/bits"
	"slices"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Map draws a whole map small, within side pixels each way: whole tiles if they
// fit, else a pixel for every few cells. It gives the pixels and their size.
func (a *Atlas) Map(m *world.Map, mask uint64, side int) (pixels []byte, w, h int) {
	if longest := max(m.Bounds.W, m.Bounds.H); longest > side {
		return a.sampled(m, mask, (longest+side-1)/side)
	}
	level := 0
	for level < maxLevel && max(m.Bounds.W*a.lattice.W, m.Bounds.H*a.lattice.H)>>level > side {
		level++
	}
	return a.atLevel(m, mask, level)
}

// atLevel draws a whole map at one of the levels of tiles.
func (a *Atlas) atLevel(m *world.Map, mask uint64, level int) (pixels []byte, w, h int) {
	box := pixelBox(m.Bounds, m.Bounds, a.lattice, level)
	pixels = a.compose(m, mask, box.W, box.H, func(layers []*world.Layer, out []byte) {
		a.draw(layers, m.Bounds, m.Bounds, m.Bounds, level, still, out)
	})
	return pixels, box.W, box.H
}

// A BoardSize says how small the picture of a whole board is drawn, and what of the board it shows.
type BoardSize struct {
	// Cells is the smallest box around all maps, in cells of the board.
	Cells grid.Rect
	// W and H are the size of the picture in pixels.
	W, H  int
	level int
}

// BoardSizeOf is the largest of the sizes at which a picture of the board lies within side pixels each way. It reports
// false if there is none, or if the maps have more than a million cells together, which would take a while to draw.
func BoardSizeOf(d *world.Document, side int) (size BoardSize, ok bool) {
	const most = 1 << 20
	cells := 0
	for _, m := range d.Maps {
		size.Cells = size.Cells.Join(m.OnBoard())
		cells += m.Bounds.W * m.Bounds.H
	}
	if cells == 0 || cells > most {
		return size, false
	}
	l := d.Project.Lattice()
	for size.level = range maxLevel + 1 {
		box := pixelBox(size.Cells, size.Cells, l, size.level)
		size.W, size.H = box.W, box.H
		if max(box.W, box.H) <= side {
			return size, box.W > 0 && box.H > 0
		}
	}
	return size, false
}

// Board draws all maps as they lie on the board, with nothing between them. The atlas must have the backdrops of all maps.
func (a *Atlas) Board(d *world.Document, size BoardSize) (pixels []byte) {
	pixels = make([]byte, size.W*size.H*4)
	for _, m := range d.Maps {
		own, w, h := a.atLevel(m, AllLayers, size.level)
		at := pixelBox(m.OnBoard(), size.Cells, a.lattice, size.level)
		// Rounded, a map may be a pixel larger than its place.
		w, h, row := min(w, size.W-at.X), min(h, size.H-at.Y), w*4
		for y := range h {
			copy(pixels[((at.Y+y)*size.W+at.X)*4:][:w*4], own[y*row:])
		}
	}
	return pixels
}

// ScaledSize is how many pixels a map is wide and high at a scale: n for 1 : n with n 1,
// 2, 4 or 8, and -n for n : 1 with n up to 8. An error says in words what keeps it from
// being drawn so. A picture that is drawn can also be brought in again.
func ScaledSize(d *world.Document, m *world.Map, scale int) (w, h int, err error) {
	if !slices.Contains([]int{1, 2, 4, 8}, scale) && (scale > -2 || scale < -8) {
		return 0, 0, fmt.Errorf("a map is drawn at 1 : 1, 2, 4 or 8, or enlarged 2 to 8 times; not at %d", scale)
	}
	if scale > min(d.Project.CellW, d.Project.CellH) {
		return 0, 0, fmt.Errorf("at 1 : %d nothing is left of a cell: choose a larger scale", scale)
	}
	times, parts := max(1, -scale), max(1, scale)
	w, h = m.Bounds.W*d.Project.CellW*times/parts, m.Bounds.H*d.Project.CellH*times/parts
	if w > limit.PictureSide || h > limit.PictureSide || w*h > limit.PicturePixels {
		return w, h, fmt.Errorf("the picture would be %d × %d px; the most is %d px a side and %d megapixels: choose a smaller scale", w, h, limit.PictureSide, limit.PicturePixels>>20)
	}
	return w, h, nil
}

// Scaled draws a whole map at a scale that ScaledSize takes.
func (a *Atlas) Scaled(m *world.Map, mask uint64, scale int) (pixels []byte, w, h int) {
	pixels, w, h = a.atLevel(m, mask, bits.Len(uint(max(1, scale)))-1)
	if scale < 0 {
		return tiles.Resize(pixels, w, h, w*-scale, h*-scale), w * -scale, h * -scale
	}
	return pixels, w, h
}

// sampled draws one pixel for every step cells each way.
func (a *Atlas) sampled(m *world.Map, mask uint64, step int) (pixels []byte, w, h int) {
	w, h = max(1, m.Bounds.W/step), max(1, m.Bounds.H/step)
	pixels = a.compose(m, mask, w, h, func(layers []*world.Layer, out []byte) {
		styles := stylesOf(layers)
		var stack []*levels
		for i := range w * h {
			x, y := m.Bounds.X+i%w*step+step/2, m.Bounds.Y+i/w*step+step/2
			// Nothing is asked of layers beneath what hides them: they lie far apart in memory.
			stack = stack[:0]
			for k := len(layers) - 1; k >= 0 && (len(stack) == 0 || !stack[len(stack)-1].opaque); k-- {
				one := [1]*grid.Chunk{layers[k].Cells.Chunk(x>>5, y>>5)}
				var style []style
				if styles != nil {
					style = styles[k : k+1]
				}
				stack = a.stack(stack, one[:], style, x&31, y&31, still)
			}
			for k := len(stack) - 1; k >= 0; k-- {
				blit(out, w, grid.Rect{X: i % w, Y: i / w, W: 1, H: 1}, stack[k].pix[maxLevel], 1, 1, k == len(stack)-1)
			}
		}
	})
	return pixels, w, h
}

// compose lays the layers of a map over each other in a picture of w × h pixels, with
// their backdrops between them and the background behind all. Draw draws layers that have
// nothing between them into an empty picture.
func (a *Atlas) compose(m *world.Map, mask uint64, w, h int, draw func(layers []*world.Layer, out []byte)) []byte {
	out := make([]byte, max(0, w*h*4))
	if len(out) == 0 {
		return out
	}
	layers := shown(m, mask)
	// Made only where there are backdrops, since a picture may be large.
	var apart []byte
	for empty := true; len(layers) > 0; empty = false {
		n := 1
		for n < len(layers) && a.backdrops[layers[n].Backdrop.Picture] == nil {
			n++
		}
		group := layers[:n]
		layers = layers[n:]
		if empty && a.backdrops[group[0].Backdrop.Picture] == nil {
			draw(group, out)
			continue
		}
		a.lay(m, group[0], out, w, h)
		if apart == nil {
			apart = make([]byte, len(out))
		}
		clear(apart)
		draw(group, apart)
		for i := 0; i < len(out); i += 4 {
			layOver(out[i:], apart[i:])
		}
	}
	behind(m.Background, out, w, h)
	return out
}
