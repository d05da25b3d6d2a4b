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
	bounds  grid.Rect
	layers  []world.ID
	chunks  []*grid.Chunk
}

// NewBitmaps draws with the pixels of a.
func NewBitmaps(a *Atlas) *Bitmaps { return &Bitmaps{a, map[Key]*drawn{}} }

// Forget drops what is remembered of a bitmap that is shown no more.
func (b *Bitmaps) Forget(k Key) { delete(b.drawn, k) }

// Refresh draws what of a bitmap has changed since it was last drawn, into
// pixels (at least BitmapSide² × 4 bytes), and reports which pixels of the
// bitmap they are: an empty box if nothing changed.
func (b *Bitmaps) Refresh(d *world.Document, k Key, pixels []byte) grid.Rect {
	m := d.Map(k.Map)
	if m == nil {
		return grid.Rect{}
	}
	l := d.Project.Lattice()
	area := k.Cells(l)
	layers := shown(m, k.Layers)
	chunks := grid.Rect{}
	if r := area.Meet(m.Bounds); !r.Empty() {
		chunks = grid.Between(grid.Point{X: r.X >> 5, Y: r.Y >> 5}, grid.Point{X: (r.X + r.W - 1) >> 5, Y: (r.Y + r.H - 1) >> 5})
	}
	now := &drawn{version: b.Atlas.version, bounds: m.Bounds}
	for _, layer := range layers {
		now.layers = append(now.layers, layer.ID)
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
		for i, c := range now.chunks {
			if c == before.chunks[i] {
				continue
			}
			at := i % (chunks.W * chunks.H)
			dirty = dirty.Join(differ(before.chunks[i], c, grid.Point{X: (chunks.X + at%chunks.W) << 5, Y: (chunks.Y + at/chunks.W) << 5}))
		}
		dirty = dirty.Meet(area)
	}
	if dirty.Empty() {
		return grid.Rect{}
	}
	b.Atlas.draw(layers, m.Bounds, dirty, area, k.Level, pixels)
	return pixelBox(dirty, area, l, k.Level)
}

func (a *drawn) like(b *drawn) bool {
	if a.version != b.version || a.bounds != b.bounds || len(a.layers) != len(b.layers) || len(a.chunks) != len(b.chunks) {
		return false
	}
	for i := range a.layers {
		if a.layers[i] != b.layers[i] {
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
// box alone, row by row.
func (a *Atlas) draw(layers []*world.Layer, bounds, r, area grid.Rect, level int, out []byte) {
	box := pixelBox(r, area, a.lattice, level)
	clear(out[:box.W*box.H*4])
	in := r.Meet(bounds)
	w, h := max(1, a.lattice.W>>level), max(1, a.lattice.H>>level)
	stack := make([]*levels, 0, len(layers))
	readers := make([]chunkReader, len(layers))
	for i, l := range layers {
		readers[i].plane = l.Cells
	}
	for y := in.Y; y < in.Y+in.H; y++ {
		for x := in.X; x < in.X+in.W; x++ {
			stack = stack[:0]
			for i := len(layers) - 1; i >= 0; i-- {
				t := a.tile(readers[i].at(x, y).Tile())
				if t == nil {
					continue
				}
				stack = append(stack, t)
				if t.opaque {
					break
				}
			}
			if len(stack) == 0 {
				continue
			}
			to := pixelBox(grid.Rect{X: x, Y: y, W: 1, H: 1}, area, a.lattice, level)
			to.X -= box.X
			to.Y -= box.Y
			for i := len(stack) - 1; i >= 0; i-- {
				blit(out, box.W, to, stack[i].pix[level], w, h, i == len(stack)-1)
			}
		}
	}
}

// A chunkReader reads cells of a plane, quickest if neighbours follow each
// other.
type chunkReader struct {
	plane  grid.Plane
	chunk  *grid.Chunk
	cx, cy int
	primed bool
}

func (r *chunkReader) at(x, y int) grid.Cell {
	if cx, cy := x>>5, y>>5; !r.primed || cx != r.cx || cy != r.cy {
		r.chunk, r.cx, r.cy, r.primed = r.plane.Chunk(cx, cy), cx, cy, true
	}
	return r.chunk.At(x&31, y&31)
}

// blit lays a tile of w × h pixels over a box of out, stretched by nearest
// neighbour where their sizes differ; first says that nothing lies there yet.
func blit(out []byte, stride int, to grid.Rect, pix []byte, w, h int, first bool) {
	for y := range to.H {
		row := out[((to.Y+y)*stride+to.X)*4:][:to.W*4]
		from := pix[y*h/to.H*w*4:][:w*4]
		if first && to.W == w {
			copy(row, from)
			continue
		}
		for x := range to.W {
			p := from[x*w/to.W*4:][:4]
			q := row[x*4:][:4]
			switch {
			case p[3] == 255 || first:
				copy(q, p)
			case p[3] != 0:
				over(q, p)
			}
		}
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

// Map draws a whole map, all layers, at the level that fits within side pixels
// each way. It gives the pixels and their size.
func (a *Atlas) Map(m *world.Map, mask uint64, side int) (pixels []byte, w, h int) {
	level := 0
	for level < maxLevel && max(m.Bounds.W*a.lattice.W, m.Bounds.H*a.lattice.H)>>level > side {
		level++
	}
	box := pixelBox(m.Bounds, m.Bounds, a.lattice, level)
	pixels = make([]byte, max(0, box.W*box.H*4))
	a.draw(shown(m, mask), m.Bounds, m.Bounds, m.Bounds, level, pixels)
	return pixels, box.W, box.H
}
