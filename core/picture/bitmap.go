package picture

import (
	"math/bits"

	"azzel/core/grid"
	"azzel/core/world"
)

// BitmapSide is the most pixels a bitmap is wide and high.
const BitmapSide = 512

// BaseCells is how many cells a bitmap of level 0 covers along each axis: the
// greatest power of two that keeps it within BitmapSide.
func BaseCells(l grid.Lattice) int {
	return 1 << (bits.Len(uint(BitmapSide/max(l.W, l.H))) - 1)
}

// Levels is how many levels bitmaps have: the coarsest still gives each cell a
// pixel of its own.
func Levels(l grid.Lattice) int {
	return min(maxLevel, bits.Len(uint(min(l.W, l.H)))-1) + 1
}

// A Key says which bitmap is meant. At level k it covers (BaseCells << k)²
// cells; X and Y count such squares. Layers has a bit for each layer that is
// shown, the lowest layer's first.
type Key struct {
	Map         world.ID
	Layers      uint64
	Level, X, Y int
}

// AllLayers shows every layer of a map.
const AllLayers = ^uint64(0)

// Cells is what the bitmap covers.
func (k Key) Cells(l grid.Lattice) grid.Rect {
	n := BaseCells(l) << k.Level
	return grid.Rect{X: k.X * n, Y: k.Y * n, W: n, H: n}
}

// Bitmaps remembers what each bitmap was last drawn from, so that after a
// change only the cells that differ are drawn again. The pixels themselves are
// kept by whoever shows them.
type Bitmaps struct {
	Atlas *Atlas
	drawn map[Key]*drawn
}

type drawn struct {
	version int
	// phase is which frames were shown.
	phase  int
	bounds grid.Rect
	layers []world.ID
	styles []style
	chunks []*grid.Chunk
	// left is what was not drawn yet.
	left grid.Rect
}

// mostCells is how many cells are drawn at a time, so that nobody waits for long.
const mostCells = 8192

// NewBitmaps draws with the pixels of a.
func NewBitmaps(a *Atlas) *Bitmaps { return &Bitmaps{a, map[Key]*drawn{}} }

// Forget drops what is remembered of a bitmap that is shown no more.
func (b *Bitmaps) Forget(k Key) { delete(b.drawn, k) }

// Refresh draws what of a bitmap has changed since it was last drawn, into
// pixels (at least BitmapSide² × 4 bytes), and reports which pixels of the
// bitmap they are: an empty box if nothing changed. More says that this was not all,
// and that the rest comes with the next call.
func (b *Bitmaps) Refresh(d *world.Document, k Key, pixels []byte) (box grid.Rect, more bool) {
	m := d.Map(k.Map)
	if m == nil {
		return grid.Rect{}, false
	}
	l := d.Project.Lattice()
	area := k.Cells(l)
	layers := shown(m, k.Layers)
	chunks := grid.Rect{}
	if r := area.Meet(m.Bounds); !r.Empty() {
		chunks = grid.Between(grid.Point{X: r.X >> 5, Y: r.Y >> 5}, grid.Point{X: (r.X + r.W - 1) >> 5, Y: (r.Y + r.H - 1) >> 5})
	}
	now := &drawn{version: b.Atlas.version, phase: b.Atlas.motion.phase, bounds: m.Bounds}
	for _, layer := range layers {
		now.layers, now.styles = append(now.layers, layer.ID), append(now.styles, styleOf(layer))
		for y := range chunks.H {
			for x := range chunks.W {
				now.chunks = append(now.chunks, layer.Cells.Chunk(chunks.X+x, chunks.Y+y))
			}
		}
	}
	before := b.drawn[k]
	b.drawn[k] = now
	dirty := area
	if before != nil && before.like(now) {
		dirty = grid.Rect{}
		moved := before.phase != now.phase && k.Level <= coarsestMoving
		for i, c := range now.chunks {
			at := i % (chunks.W * chunks.H)
			corner := grid.Point{X: (chunks.X + at%chunks.W) << 5, Y: (chunks.Y + at/chunks.W) << 5}
			if c != before.chunks[i] {
				dirty = dirty.Join(differ(before.chunks[i], c, corner))
			}
			if moved {
				dirty = dirty.Join(b.Atlas.motion.box(c, corner))
			}
		}
		dirty = dirty.Join(before.left).Meet(area)
	}
	if dirty.Empty() {
		return grid.Rect{}, false
	}
	if rows := max(1, mostCells/dirty.W); dirty.H > rows {
		now.left = dirty
		now.left.Y, now.left.H = dirty.Y+rows, dirty.H-rows
		dirty.H = rows
	}
	shows := still
	if k.Level <= coarsestMoving {
		shows = b.Atlas.motion.shows
	}
	b.Atlas.draw(layers, m.Bounds, dirty, area, k.Level, shows, pixels)
	return pixelBox(dirty, area, l, k.Level), !now.left.Empty()
}

func (a *drawn) like(b *drawn) bool {
	if a.version != b.version || a.bounds != b.bounds || len(a.layers) != len(b.layers) || len(a.chunks) != len(b.chunks) {
		return false
	}
	for i := range a.layers {
		if a.layers[i] != b.layers[i] || a.styles[i] != b.styles[i] {
			return false
		}
	}
	return true
}

func shown(m *world.Map, mask uint64) []*world.Layer {
	var layers []*world.Layer
	for i, l := range m.Layers {
		if mask&(1<<i) != 0 {
			layers = append(layers, l)
		}
	}
	return layers
}

// differ is the box of cells in which two chunks differ; at is the first cell.
func differ(a, b *grid.Chunk, at grid.Point) grid.Rect {
	was, uniform := a.Uniform()
	if is, too := b.Uniform(); uniform && too && was != is {
		return grid.Rect{X: at.X, Y: at.Y, W: grid.ChunkSide, H: grid.ChunkSide}
	}
	var r grid.Rect
	for y := range grid.ChunkSide {
		for x := range grid.ChunkSide {
			if a.At(x, y) != b.At(x, y) {
				r = r.Join(grid.Rect{X: at.X + x, Y: at.Y + y, W: 1, H: 1})
			}
		}
	}
	return r
}

// pixelBox is where the cells of r lie in a bitmap that covers area.
func pixelBox(r, area grid.Rect, l grid.Lattice, level int) grid.Rect {
	x0, y0 := (r.X-area.X)*l.W>>level, (r.Y-area.Y)*l.H>>level
	x1, y1 := (r.X+r.W-area.X)*l.W>>level, (r.Y+r.H-area.Y)*l.H>>level
	return grid.Rect{X: x0, Y: y0, W: x1 - x0, H: y1 - y0}
}

// draw draws the cells of r, which lie in area, into out: the pixels of their
// box alone, row by row. Shows gives the cell that is seen in a cell's place.
func (a *Atlas) draw(layers []*world.Layer, bounds, r, area grid.Rect, level int, shows func(grid.Cell) grid.Cell, out []byte) {
	box := pixelBox(r, area, a.lattice, level)
	clear(out[:box.W*box.H*4])
	in := r.Meet(bounds)
	w, h := max(1, a.lattice.W>>level), max(1, a.lattice.H>>level)
	stack := make([]*levels, 0, len(layers))
	chunks, styles := make([]*grid.Chunk, len(layers)), stylesOf(layers)
	// Every cell is as many pixels wide as any other.
	exact := a.lattice.W&(1<<level-1) == 0
	for y := in.Y; y < in.Y+in.H; y++ {
		y0, y1 := (y-area.Y)*a.lattice.H>>level-box.Y, (y+1-area.Y)*a.lattice.H>>level-box.Y
		for x := in.X; x < in.X+in.W; {
			// Cells up to the end of the chunk, or of the area.
			end := min(in.X+in.W, (x>>5+1)<<5)
			alike := true
			for i, l := range layers {
				chunks[i] = l.Cells.Chunk(x>>5, y>>5)
				_, uniform := chunks[i].Uniform()
				alike = alike && uniform
			}
			first := x
			for ; x < end; x++ {
				to := grid.Rect{X: (x-area.X)*a.lattice.W>>level - box.X, Y: y0, H: y1 - y0}
				to.W = (x+1-area.X)*a.lattice.W>>level - box.X - to.X
				if x == first || !alike {
					stack = a.stack(stack[:0], chunks, styles, x&31, y&31, shows)
				}
				for i := len(stack) - 1; i >= 0; i-- {
					blit(out, box.W, to, stack[i].pix[level], w, h, i == len(stack)-1)
				}
				if alike && exact {
					repeat(out, box.W, to, end-x)
					x = end - 1
				}
			}
		}
	}
}

// repeat copies the pixels of a box to the right until they stand there n
// times in all.
func repeat(out []byte, stride int, r grid.Rect, n int) {
	for y := r.Y; y < r.Y+r.H; y++ {
		row := out[(y*stride+r.X)*4:][:r.W*n*4]
		for done := r.W * 4; done < len(row); done *= 2 {
			copy(row[done:], row[:done])
		}
	}
}

// stack lists what is seen in a cell of some chunks, from the topmost down to
// the first that hides all below it.
func (a *Atlas) stack(into []*levels, chunks []*grid.Chunk, styles []style, x, y int, shows func(grid.Cell) grid.Cell) []*levels {
	for i := len(chunks) - 1; i >= 0; i-- {
		cell := shows(chunks[i].At(x, y))
		t := a.cell(cell)
		if t == nil {
			continue
		}
		if styles != nil && styles[i] != (style{}) {
			t = a.styled(cell, t, styles[i])
		}
		into = append(into, t)
		if t.opaque {
			break
		}
	}
	return into
}

// blit lays a tile of w × h pixels over a box of out, stretched by nearest
// neighbour where their sizes differ; first says that nothing lies there yet.
func blit(out []byte, stride int, to grid.Rect, pix []byte, w, h int, first bool) {
	if to.W == 1 && to.H == 1 {
		at := out[(to.Y*stride+to.X)*4:][:4]
		if first {
			copy(at, pix[:4])
		} else {
			layOver(at, pix)
		}
		return
	}
	for y := range to.H {
		row := out[((to.Y+y)*stride+to.X)*4:][:to.W*4]
		from := pix[y*h/to.H*w*4:][:w*4]
		if first && to.W == w {
			copy(row, from)
			continue
		}
		for x := range to.W {
			if p := from[x*w/to.W*4:][:4]; first {
				copy(row[x*4:], p)
			} else {
				layOver(row[x*4:], p)
			}
		}
	}
}

// layOver lays a pixel over another: all of it, some or nothing.
func layOver(q, p []byte) {
	switch p[3] {
	case 0:
	case 255:
		copy(q[:4], p[:4])
	default:
		over(q[:4], p[:4])
	}
}

// over lays colour p over q (Porter and Duff, "Compositing digital images",
// 1984), neither multiplied by its opacity.
func over(q, p []byte) {
	top, below := int(p[3]), int(q[3])
	all := top*255 + below*(255-top)
	for c := range 3 {
		q[c] = byte((int(p[c])*top*255 + int(q[c])*below*(255-top)) / all)
	}
	q[3] = byte(all / 255)
}
