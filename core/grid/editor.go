package grid

import (
	"slices"
	"sync"

	"azzel/core/pace"
)

// opened are the cells of chunks that were open in editors.
var opened = sync.Pool{New: func() any { return new([chunkCells]Cell) }}

// Edit begins a change of p. The editor must be used by one goroutine.
func (p Plane) Edit() *Editor {
	return &Editor{plane: Plane{append([]pageAt(nil), p.pages...)}}
}

// An Editor collects changes to a plane. p itself stays as it was.
type Editor struct {
	// Pace is told of the cells that are written.
	Pace  pace.Pace
	plane Plane
	own   []*page
	// last is the page of its own that was written to last, same the chunk of one cell that was laid last.
	last *page
	same *Chunk
	open [openChunks]openChunk
}

// openChunks is how many chunks an editor has open: strokes of several people go to and fro
// between a few.
const openChunks = 8

// An openChunk is a chunk that is written to; without cells there is none.
type openChunk struct {
	cells  *[chunkCells]Cell
	cx, cy int
}

// place is where a chunk would be open.
func (e *Editor) place(cx, cy int) *openChunk { return &e.open[cx&3|cy&1<<2] }

// slot is where chunk (cx, cy) is kept, in a page that this editor owns.
func (e *Editor) slot(cx, cy int) **Chunk {
	i, ok := e.plane.find(cx>>4, cy>>4)
	if !ok {
		fresh := pageAt{cx >> 4, cy >> 4, new(page)}
		e.own = append(e.own, fresh.page)
		e.plane.pages = append(e.plane.pages, pageAt{})
		copy(e.plane.pages[i+1:], e.plane.pages[i:])
		e.plane.pages[i] = fresh
	}
	pg := e.plane.pages[i].page
	if pg != e.last && !slices.Contains(e.own, pg) {
		mine := *pg
		pg = &mine
		e.own = append(e.own, pg)
		e.plane.pages[i].page = pg
	}
	e.last = pg
	return &pg.chunks[(cy&15)*pageSide+cx&15]
}

// close puts what was written to an open chunk into the plane.
func (e *Editor) close(o *openChunk) {
	if o.cells != nil {
		*e.slot(o.cx, o.cy) = packChunk(o.cells)
		opened.Put(o.cells)
		o.cells = nil
	}
}

func (e *Editor) closeAll() {
	for i := range e.open {
		e.close(&e.open[i])
	}
}

// chunk is a chunk as it stands.
func (e *Editor) chunk(cx, cy int) *Chunk {
	if o := e.place(cx, cy); o.cx == cx && o.cy == cy {
		e.close(o)
	}
	return e.plane.Chunk(cx, cy)
}

// SetChunk replaces a whole chunk.
func (e *Editor) SetChunk(cx, cy int, c *Chunk) {
	if o := e.place(cx, cy); o.cells != nil && o.cx == cx && o.cy == cy {
		opened.Put(o.cells)
		o.cells = nil
	}
	if v, uniform := c.Uniform(); uniform && v == 0 {
		c = nil
	}
	*e.slot(cx, cy) = c
}

// at is the cells of a chunk, to be written to.
func (e *Editor) at(cx, cy int) *[chunkCells]Cell {
	o := e.place(cx, cy)
	if o.cells == nil || o.cx != cx || o.cy != cy {
		e.close(o)
		o.cells, o.cx, o.cy = opened.Get().(*[chunkCells]Cell), cx, cy
		e.plane.Chunk(cx, cy).unpack(o.cells)
	}
	return o.cells
}

// Set puts c at pt.
func (e *Editor) Set(pt Point, c Cell) {
	cells := e.at(pt.X>>5, pt.Y>>5)
	cells[(pt.Y&31)*ChunkSide+pt.X&31] = c
}

// Write puts runs over region g, which has as many cells. It walks g band by
// band of chunk rows, so that a chunk is unpacked once a band.
func (e *Editor) Write(g Region, runs Runs) {
	e.WriteWhere(g, runs, nil)
}

// WriteWhere is Write, but leaves alone each cell that differs from what
// expect (as many cells as g; nil for no condition) says. It reports how many
// cells were left alone and hold something else than they were to.
func (e *Editor) WriteWhere(g Region, runs, expect Runs) (left int) {
	if len(g) == 0 {
		return 0
	}
	if len(runs) == 1 && len(expect) <= 1 {
		var want Cell
		if expect != nil {
			want = expect[0].Cell
		}
		return e.fill(g, runs[0].Cell, want, expect != nil)
	}
	type bit struct {
		y, x, n int
		cell    Cell
		want    Cell
	}
	part := func(b bit) {
		cells := e.at(b.x>>5, b.y>>5)
		row := cells[(b.y&31)*ChunkSide+b.x&31:][:b.n]
		for i := range row {
			if expect != nil && row[i] != b.want {
				if row[i] != b.cell {
					left++
				}
				continue
			}
			row[i] = b.cell
		}
	}
	// Bits of a band of chunk rows, by the column of their chunk.
	bounds := g.Bounds()
	left0 := bounds.X >> 5
	columns := make([][]bit, (bounds.X+bounds.W-1)>>5-left0+1)
	cellsOfBand := 0
	flush := func() {
		for i, band := range columns {
			if len(band) == 0 {
				continue
			}
			columns[i] = band[:0]
			cells, alike := 0, true
			for _, b := range band {
				cells += b.n
				alike = alike && b.cell == band[0].cell && b.want == band[0].want
			}
			if alike && cells == chunkCells && e.whole(left0+i, band[0].y>>5, band[0].cell, band[0].want, expect != nil) {
				continue
			}
			for _, b := range band {
				part(b)
			}
		}
		e.Pace.Did(cellsOfBand)
		cellsOfBand = 0
	}
	values, wanted := RunReader{Runs: runs}, RunReader{Runs: expect}
	for k, s := range g {
		if k > 0 && s.Y>>5 != g[k-1].Y>>5 {
			flush()
		}
		cellsOfBand += s.X1 - s.X0 + 1
		for x := s.X0; x <= s.X1; {
			cell, n := values.next()
			n = min(n, s.X1-x+1, 32-x&31)
			var want Cell
			if expect != nil {
				var m int
				want, m = wanted.next()
				n = min(n, m)
				wanted.skip(n)
			}
			values.skip(n)
			column := &columns[x>>5-left0]
			*column = append(*column, bit{s.Y, x, n, cell, want})
			x += n
		}
	}
	flush()
	return left
}

// fill is WriteWhere for a region that becomes all one cell, and had to be all
// one before.
func (e *Editor) fill(g Region, cell, want Cell, conditional bool) (left int) {
	g.chunks(e.Pace, func(a area) {
		if a.full && e.whole(a.cx, a.cy, cell, want, conditional) {
			return
		}
		cells := e.at(a.cx, a.cy)
		a.spans(func(i, n int) {
			for k := i; k < i+n; k++ {
				switch v := &cells[k]; {
				case !conditional || *v == want:
					*v = cell
				case *v != cell:
					left++
				}
			}
		})
	})
	return left
}

// whole fills a whole chunk with one cell without unpacking it, if that can be
// done: without a condition, or where the condition holds for all its cells.
func (e *Editor) whole(cx, cy int, c, want Cell, conditional bool) bool {
	if conditional {
		if v, uniform := e.chunk(cx, cy).Uniform(); !uniform || v != want {
			return false
		}
	}
	if e.same == nil || e.same.uniform != c {
		e.same = &Chunk{uniform: c}
	}
	e.SetChunk(cx, cy, e.same)
	return true
}

// Plane is the plane as it stands, which goes on changing with the editor: it is to be
// read at once and not kept.
func (e *Editor) Plane() Plane {
	e.closeAll()
	return e.plane
}

// Done ends the change and gives the new plane. The editor must not be used
// afterwards.
func (e *Editor) Done() Plane {
	e.closeAll()
	return e.plane
}
