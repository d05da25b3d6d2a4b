package picture

import (
	"slices"

	"azzel/core/grid"
	_ "azzel/core/kinds" // so that there are pictures of all kinds
	"azzel/core/tiles"
	"azzel/core/world"
)

// maxLevel is the coarsest level there is: a bitmap's pixel then stands for 32
// pixels of the map along each axis.
const maxLevel = 5

// An Atlas holds the pixels of tiles at halving scales, by the tile's number.
// It belongs to one cell size.
type Atlas struct {
	lattice grid.Lattice
	tiles   []*levels
	have    map[world.ID]string
	version int
	// turned are tiles that lie another way than they were drawn.
	turned map[grid.Cell]*levels
	// faded are tiles as they are seen on layers that are faded or tinted.
	faded map[styledCell]*levels
	// backdrops are pictures behind layers, by the sums of their files.
	backdrops map[string]*backdrop
	motion    motion
}

// levels are one tile's pixels: not multiplied RGBA, each level half as wide
// and high as the one before, never under one pixel.
type levels struct {
	pix    [maxLevel + 1][]byte
	opaque bool
}

// NewAtlas makes an empty atlas for cells of the lattice's size.
func NewAtlas(l grid.Lattice) *Atlas {
	return &Atlas{lattice: l, have: map[world.ID]string{}, turned: map[grid.Cell]*levels{}, faded: map[styledCell]*levels{}, backdrops: map[string]*backdrop{}}
}

// Lattice is the size of the cells that it draws.
func (a *Atlas) Lattice() grid.Lattice { return a.lattice }

// Has reports whether the tileset's pixels are there.
func (a *Atlas) Has(t *world.Tileset) bool {
	sum, ok := a.have[t.ID]
	return ok && sum == t.Strip
}

// Add takes the pixels of a tileset's tiles. If their size is another than the
// cell's they are scaled to it by nearest neighbour, or stand in the middle of
// its lower edge if their cut has a scale of its own.
func (a *Atlas) Add(t *world.Tileset, s *tiles.Strip) {
	if need := t.First + t.Count; need > len(a.tiles) {
		a.tiles = append(a.tiles, make([]*levels, need-len(a.tiles))...)
	}
	// Tiles that look the same share their pixels, and none keeps the strip.
	same := map[string]*levels{}
	for i := range min(t.Count, len(s.Places)) {
		pix := s.Tile(i)
		known := same[string(pix)]
		if known == nil {
			known = newLevels(a.fitted(slices.Clone(pix), s.W, s.H, t.Cut.Scale != 0), a.lattice)
			same[string(pix)] = known
		}
		a.tiles[t.First+i] = known
	}
	a.have[t.ID] = t.Strip
	a.version++
	clear(a.turned)
	clear(a.faded)
}

// AddMissing draws the built-in tilesets of d that are not there yet, and
// lists the others that are missing.
func (a *Atlas) AddMissing(d *world.Document) (missing []*world.Tileset) {
	for _, t := range d.Tilesets {
		switch {
		case a.Has(t):
		case t.Builtin():
			a.Add(t, tiles.Blockout(a.lattice.W, a.lattice.H))
		default:
			missing = append(missing, t)
		}
	}
	return missing
}

// Cell is the pixels of a cell at full size, nil if they are not there.
func (a *Atlas) Cell(c grid.Cell) []byte {
	if t := a.cell(c); t != nil {
		return t.pix[0]
	}
	return nil
}

// cell is the tile of a cell as it lies there.
func (a *Atlas) cell(c grid.Cell) *levels {
	t := a.tile(c.Tile())
	if t == nil || c.Orientation() == 0 {
		return t
	}
	if have := a.turned[c]; have != nil {
		return have
	}
	l := a.lattice
	pix := make([]byte, 0, l.W*l.H*4)
	for y := range l.H {
		for x := range l.W {
			u, v := grid.Lying(c.Orientation(), x, y, l.W, l.H)
			pix = append(pix, t.pix[0][(v*l.W+u)*4:][:4]...)
		}
	}
	a.turned[c] = newLevels(pix, l)
	return a.turned[c]
}

func (a *Atlas) tile(n int) *levels {
	if n <= 0 || n >= len(a.tiles) {
		return nil
	}
	return a.tiles[n]
}

func (a *Atlas) fitted(pix []byte, w, h int, own bool) []byte {
	l := a.lattice
	if !own || w > l.W || h > l.H || w == l.W && h == l.H {
		return tiles.Resize(pix, w, h, l.W, l.H)
	}
	out := make([]byte, l.W*l.H*4)
	for y := range h {
		copy(out[((l.H-h+y)*l.W+(l.W-w)/2)*4:], pix[y*w*4:(y+1)*w*4])
	}
	return out
}

func newLevels(pix []byte, l grid.Lattice) *levels {
	t := &levels{opaque: true}
	for i := 3; i < len(pix); i += 4 {
		if pix[i] != 255 {
			t.opaque = false
			break
		}
	}
	t.pix[0] = pix
	w, h, size := l.W, l.H, 0
	for range maxLevel {
		w, h = max(1, w/2), max(1, h/2)
		size += w * h * 4
	}
	// One piece of memory for all smaller levels.
	rest := make([]byte, 0, size)
	w, h = l.W, l.H
	for k := 1; k <= maxLevel; k++ {
		from := len(rest)
		rest, w, h = halve(rest, t.pix[k-1], w, h)
		t.pix[k] = rest[from:len(rest):len(rest)]
	}
	return t
}

// halve averages blocks of two by two pixels, weighted by opacity, and appends
// them.
func halve(out, pix []byte, w, h int) (_ []byte, ow, oh int) {
	ow, oh = max(1, w/2), max(1, h/2)
	for y := range oh {
		for x := range ow {
			var sum [3]int
			weight, count := 0, 0
			for v := y * h / oh; v < (y+1)*h/oh; v++ {
				for u := x * w / ow; u < (x+1)*w/ow; u++ {
					p := pix[(v*w+u)*4:][:4]
					weight += int(p[3])
					count++
					for c := range 3 {
						sum[c] += int(p[c]) * int(p[3])
					}
				}
			}
			if weight == 0 {
				out = append(out, 0, 0, 0, 0)
				continue
			}
			out = append(out, byte(sum[0]/weight), byte(sum[1]/weight), byte(sum[2]/weight), byte(weight/count))
		}
	}
	return out, ow, oh
}

// Mean is the colour of a cell seen as one point, and whether it covers all of what lies
// beneath.
func (a *Atlas) Mean(c grid.Cell) (colour [3]byte, opaque bool) {
	t := a.cell(c)
	if t == nil {
		return colour, false
	}
	pix := t.pix[maxLevel]
	if len(pix) < 4 {
		return colour, false
	}
	return [3]byte(pix[:3]), pix[3] > 200
}
