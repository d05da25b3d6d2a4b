package grid

import (
	"sort"

	"azzel/core/pace"
)

// PageSide is how many chunks a page of a plane's directory is wide and high.
const pageSide = 16

type page struct{ chunks [pageSide * pageSide]*Chunk }

type pageAt struct {
	x, y int
	page *page
}

// A Plane is an endless grid of cells, in both directions from (0, 0). It
// never changes: Edit makes another that shares all that stayed the same. The
// zero value is empty.
type Plane struct{ pages []pageAt }

func (p Plane) find(px, py int) (int, bool) {
	i := sort.Search(len(p.pages), func(i int) bool {
		q := p.pages[i]
		return q.y > py || (q.y == py && q.x >= px)
	})
	return i, i < len(p.pages) && p.pages[i].x == px && p.pages[i].y == py
}

// Chunk is the chunk at chunk coordinates (cell coordinates divided by 32,
// rounded down); nil if it is empty.
func (p Plane) Chunk(cx, cy int) *Chunk {
	i, ok := p.find(cx>>4, cy>>4)
	if !ok {
		return nil
	}
	return p.pages[i].page.chunks[(cy&15)*pageSide+cx&15]
}

// At is the cell at pt.
func (p Plane) At(pt Point) Cell {
	return p.Chunk(pt.X>>5, pt.Y>>5).At(pt.X&31, pt.Y&31)
}

// A Reader reads single cells of a plane, quickly where they lie near each other.
// It must be used by one goroutine.
type Reader struct {
	Plane  Plane
	chunk  *Chunk
	cx, cy int
	primed bool
}

// At is the cell at column x and row y.
func (r *Reader) At(x, y int) Cell {
	if cx, cy := x>>5, y>>5; !r.primed || cx != r.cx || cy != r.cy {
		r.chunk, r.cx, r.cy, r.primed = r.Plane.Chunk(cx, cy), cx, cy, true
	}
	return r.chunk.At(x&31, y&31)
}

// Same reports whether p and q are the very same plane, without comparing
// cells: false says nothing.
func (p Plane) Same(q Plane) bool {
	return len(p.pages) == len(q.pages) && (len(p.pages) == 0 || &p.pages[0] == &q.pages[0])
}

// Empty reports whether no cell is set.
func (p Plane) Empty() bool {
	empty := true
	p.EachChunk(func(int, int, *Chunk) { empty = false })
	return empty
}

// EachChunk calls f for each chunk that is not empty, in a fixed order.
func (p Plane) EachChunk(f func(cx, cy int, c *Chunk)) {
	for _, at := range p.pages {
		for i, c := range at.page.chunks {
			if c != nil {
				f(at.x*pageSide+i%pageSide, at.y*pageSide+i/pageSide, c)
			}
		}
	}
}

// StoredCells is the number of cells in chunks that are neither empty nor
// uniform: what counts towards the limit of a project.
func (p Plane) StoredCells() int {
	n := 0
	p.EachChunk(func(_, _ int, c *Chunk) {
		if _, uniform := c.Uniform(); !uniform {
			n += chunkCells
		}
	})
	return n
}

// Differ calls f for each chunk place at which p and q differ by identity.
func (p Plane) Differ(q Plane, f func(cx, cy int, mine, other *Chunk)) {
	i, k := 0, 0
	for i < len(p.pages) || k < len(q.pages) {
		var a, b *page
		var at pageAt
		switch {
		case k >= len(q.pages) || (i < len(p.pages) && p.pages[i].before(q.pages[k])):
			at, a = p.pages[i], p.pages[i].page
			i++
		case i >= len(p.pages) || q.pages[k].before(p.pages[i]):
			at, b = q.pages[k], q.pages[k].page
			k++
		default:
			at, a, b = p.pages[i], p.pages[i].page, q.pages[k].page
			i, k = i+1, k+1
		}
		if a == b {
			continue
		}
		for n := range pageSide * pageSide {
			var mine, other *Chunk
			if a != nil {
				mine = a.chunks[n]
			}
			if b != nil {
				other = b.chunks[n]
			}
			if mine != other {
				f(at.x*pageSide+n%pageSide, at.y*pageSide+n/pageSide, mine, other)
			}
		}
	}
}

func (a pageAt) before(b pageAt) bool { return a.y < b.y || (a.y == b.y && a.x < b.x) }

// Read gives the cells of region g as runs.
func (p Plane) Read(g Region) Runs { return p.ReadAt(nil, g) }

// ReadAt is Read for work that goes at a pace.
func (p Plane) ReadAt(at pace.Pace, g Region) Runs {
	// Counted first, for there may be millions.
	n, last := 0, Cell(0)
	p.each(at, g, func(_ int, c Cell) {
		if n == 0 || c != last {
			n, last = n+1, c
		}
	})
	runs := make(Runs, 0, n)
	p.each(at, g, func(n int, c Cell) { runs = runs.Append(n, c) })
	return runs
}

// each calls f for the cells of g in its order: n times the same one.
func (p Plane) each(at pace.Pace, g Region, f func(n int, c Cell)) {
	for _, s := range g {
		for x := s.X0; x <= s.X1; {
			end := min(s.X1, x|31)
			p.Chunk(x>>5, s.Y>>5).row(s.Y&31, x&31, end&31, f)
			x = end + 1
		}
		at.Did(s.X1 - s.X0 + 1)
	}
}

// Filled is the region of all cells that are not empty.
func (p Plane) Filled() Region {
	var spans []Span
	p.EachChunk(func(cx, cy int, c *Chunk) {
		for y := range ChunkSide {
			for x := 0; x < ChunkSide; x++ {
				if c.At(x, y) == 0 {
					continue
				}
				from := x
				for x+1 < ChunkSide && c.At(x+1, y) != 0 {
					x++
				}
				spans = append(spans, Span{cy<<5 + y, cx<<5 + from, cx<<5 + x})
			}
		}
	})
	return RegionOf(spans)
}

// FilledIn is the part of a region whose cells are not empty. The cost grows with the
// region.
func (p Plane) FilledIn(g Region) Region {
	var filled Region
	for _, s := range g {
		for x := s.X0; x <= s.X1; {
			cx := x >> 5
			end := min(s.X1, cx<<5+31)
			c := p.Chunk(cx, s.Y>>5)
			if v, uniform := c.Uniform(); uniform {
				if v != 0 {
					filled = filled.Append(s.Y, x, end)
				}
				x = end + 1
				continue
			}
			for ; x <= end; x++ {
				if c.At(x&31, s.Y&31) != 0 {
					filled = filled.Append(s.Y, x, x)
				}
			}
		}
	}
	return filled
}

// Count is how many cells are not empty.
func (p Plane) Count() int {
	n := 0
	p.EachChunk(func(_, _ int, c *Chunk) {
		if v, uniform := c.Uniform(); uniform {
			if v != 0 {
				n += chunkCells
			}
			return
		}
		for y := range ChunkSide {
			for x := range ChunkSide {
				if c.At(x, y) != 0 {
					n++
				}
			}
		}
	})
	return n
}
