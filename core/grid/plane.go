package grid

import "sort"

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
func (p Plane) Read(g Region) Runs {
	var runs Runs
	for _, s := range g {
		for x := s.X0; x <= s.X1; {
			cx := x >> 5
			end := min(s.X1, cx<<5+31)
			c := p.Chunk(cx, s.Y>>5)
			if v, uniform := c.Uniform(); uniform {
				runs = runs.add(end-x+1, v)
				x = end + 1
				continue
			}
			for ; x <= end; x++ {
				runs = runs.add(1, c.At(x&31, s.Y&31))
			}
		}
	}
	return runs
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
	add := func(y, x0, x1 int) {
		if k := len(filled) - 1; k >= 0 && filled[k].Y == y && filled[k].X1+1 == x0 {
			filled[k].X1 = x1
			return
		}
		filled = append(filled, Span{y, x0, x1})
	}
	for _, s := range g {
		for x := s.X0; x <= s.X1; {
			cx := x >> 5
			end := min(s.X1, cx<<5+31)
			c := p.Chunk(cx, s.Y>>5)
			if v, uniform := c.Uniform(); uniform {
				if v != 0 {
					add(s.Y, x, end)
				}
				x = end + 1
				continue
			}
			for ; x <= end; x++ {
				if c.At(x&31, s.Y&31) != 0 {
					add(s.Y, x, x)
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

// Edit begins a change of p. The editor must be used by one goroutine.
func (p Plane) Edit() *Editor {
	return &Editor{plane: Plane{append([]pageAt(nil), p.pages...)}, own: map[*page]bool{}}
}

// An Editor collects changes to a plane. p itself stays as it was.
type Editor struct {
	plane Plane
	own   map[*page]bool
	open  *[chunkCells]Cell
	cx    int
	cy    int
	dirty bool
}

// slot is where chunk (cx, cy) is kept, in a page that this editor owns.
func (e *Editor) slot(cx, cy int) **Chunk {
	i, ok := e.plane.find(cx>>4, cy>>4)
	if !ok {
		fresh := pageAt{cx >> 4, cy >> 4, new(page)}
		e.own[fresh.page] = true
		e.plane.pages = append(e.plane.pages, pageAt{})
		copy(e.plane.pages[i+1:], e.plane.pages[i:])
		e.plane.pages[i] = fresh
	}
	pg := e.plane.pages[i].page
	if !e.own[pg] {
		mine := *pg
		pg = &mine
		e.own[pg] = true
		e.plane.pages[i].page = pg
	}
	return &pg.chunks[(cy&15)*pageSide+cx&15]
}

func (e *Editor) close() {
	if e.dirty {
		*e.slot(e.cx, e.cy) = packChunk(e.open)
		e.dirty = false
	}
}

// SetChunk replaces a whole chunk.
func (e *Editor) SetChunk(cx, cy int, c *Chunk) {
	e.close()
	e.open = nil
	if v, uniform := c.Uniform(); uniform && v == 0 {
		c = nil
	}
	*e.slot(cx, cy) = c
}

func (e *Editor) at(cx, cy int) *[chunkCells]Cell {
	if e.open == nil || e.cx != cx || e.cy != cy {
		e.close()
		if e.open == nil {
			e.open = new([chunkCells]Cell)
		}
		e.cx, e.cy = cx, cy
		e.plane.Chunk(cx, cy).unpack(e.open)
	}
	return e.open
}

// Set puts c at pt.
func (e *Editor) Set(pt Point, c Cell) {
	cells := e.at(pt.X>>5, pt.Y>>5)
	cells[(pt.Y&31)*ChunkSide+pt.X&31] = c
	e.dirty = true
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
		e.dirty = true
	}
	// Bits of a band of chunk rows, by the column of their chunk.
	bounds := g.Bounds()
	left0 := bounds.X >> 5
	columns := make([][]bit, (bounds.X+bounds.W-1)>>5-left0+1)
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
	}
	values, wanted := runReader{runs: runs}, runReader{runs: expect}
	for k, s := range g {
		if k > 0 && s.Y>>5 != g[k-1].Y>>5 {
			flush()
		}
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
// one before. It goes chunk by chunk, without sorting.
func (e *Editor) fill(g Region, cell, want Cell, conditional bool) (left int) {
	for len(g) > 0 {
		n := sort.Search(len(g), func(i int) bool { return g[i].Y>>5 > g[0].Y>>5 })
		left += e.fillBand(g[:n], cell, want, conditional)
		g = g[n:]
	}
	return left
}

// fillBand is fill for spans within one row of chunks. From column to column
// it passes over spans that have ended.
func (e *Editor) fillBand(band Region, cell, want Cell, conditional bool) (left int) {
	bounds := band.Bounds()
	cy := band[0].Y >> 5
	rows := make([]Region, 0, ChunkSide)
	for len(band) > 0 {
		n := sort.Search(len(band), func(i int) bool { return band[i].Y > band[0].Y })
		rows = append(rows, band[:n])
		band = band[n:]
	}
	for cx := bounds.X >> 5; cx <= (bounds.X+bounds.W-1)>>5; cx++ {
		x0, x1 := cx<<5, cx<<5+31
		full := len(rows) == ChunkSide
		any := false
		for i, row := range rows {
			for len(row) > 0 && row[0].X1 < x0 {
				row = row[1:]
			}
			rows[i] = row
			any = any || len(row) > 0 && row[0].X0 <= x1
			full = full && len(row) > 0 && row[0].X0 <= x0 && row[0].X1 >= x1
		}
		if !any || full && e.whole(cx, cy, cell, want, conditional) {
			continue
		}
		cells := e.at(cx, cy)
		e.dirty = true
		for _, row := range rows {
			for _, s := range row {
				if s.X0 > x1 {
					break
				}
				line := cells[(s.Y&31)*ChunkSide:][:ChunkSide]
				for x := max(s.X0, x0); x <= min(s.X1, x1); x++ {
					switch v := &line[x&31]; {
					case !conditional || *v == want:
						*v = cell
					case *v != cell:
						left++
					}
				}
			}
		}
	}
	return left
}

// whole fills a whole chunk with one cell without unpacking it, if that can be
// done: without a condition, or where the condition holds for all its cells.
func (e *Editor) whole(cx, cy int, c, want Cell, conditional bool) bool {
	if conditional {
		e.close()
		if v, uniform := e.plane.Chunk(cx, cy).Uniform(); !uniform || v != want {
			return false
		}
	}
	e.SetChunk(cx, cy, &Chunk{uniform: c})
	return true
}

// Done ends the change and gives the new plane. The editor must not be used
// afterwards.
func (e *Editor) Done() Plane {
	e.close()
	return e.plane
}
