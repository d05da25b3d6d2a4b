package picture

import "azzel/core/world"

// A backdrop is the picture behind a layer, not multiplied RGBA.
type backdrop struct {
	w, h int
	pix  []byte
}

// AddBackdrop takes the pixels of a backdrop, by the sum of its file: w × h of them, which
// may be fewer than the file has. They must not change afterwards.
func (a *Atlas) AddBackdrop(sum string, w, h int, pix []byte) {
	if w > 0 && h > 0 && len(pix) == w*h*4 {
		a.backdrops[sum] = &backdrop{w, h, pix}
	}
}

// lay lays the backdrop of a layer, if it has one that is there, over a picture of w × h
// pixels that shows the whole map. Nothing has drifted, and depth moves nothing where all
// of a map is in view.
func (a *Atlas) lay(m *world.Map, l *world.Layer, out []byte, w, h int) {
	b := l.Backdrop
	from := a.backdrops[b.Picture]
	if from == nil {
		return
	}
	size := [2]int{b.W, b.H}
	if b.Stretch {
		size = [2]int{m.Bounds.W * a.lattice.W, m.Bounds.H * a.lattice.H}
	}
	columns := from.places(w, m.Bounds.W*a.lattice.W, m.Bounds.X*a.lattice.W-b.X, size[0], from.w, b.RepeatX)
	rows := from.places(h, m.Bounds.H*a.lattice.H, m.Bounds.Y*a.lattice.H-b.Y, size[1], from.h, b.RepeatY)
	is := styleOf(l)
	var seen [4]byte
	for y, v := range rows {
		for x, u := range columns {
			if u < 0 || v < 0 {
				continue
			}
			is.pixel(seen[:], from.pix[(v*from.w+u)*4:])
			layOver(out[(y*w+x)*4:], seen[:])
		}
	}
}

// places says for each of n pixels along an axis of the map, which has length pixels there
// and begins start pixels after the backdrop does, which of the many pixels of a backdrop
// of some size is seen; below 0 for none.
func (b *backdrop) places(n, length, start, size, many int, repeats bool) []int {
	list := make([]int, n)
	for i := range list {
		list[i] = -1
		at := start + (2*i+1)*length/(2*n)
		if repeats && size > 0 {
			at = (at%size + size) % size
		}
		if at >= 0 && at < size {
			list[i] = at * many / size
		}
	}
	return list
}
