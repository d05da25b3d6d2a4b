package grid

import (
	"sort"

	"azzel/core/pace"
)

// A Swap says of cells what must lie in them, and what they become then. It costs no
// more memory than what its planes do not share with others.
type Swap struct{ From, To Plane }

// Swap turns the cells of g into what they become, but leaves alone each that is not
// what it must be. It reports how many cells were left alone and hold something else
// than they were to. A chunk that is still the very same costs nothing.
func (e *Editor) Swap(g Region, s Swap) (left int) {
	var from, to [chunkCells]Cell
	g.chunks(e.Pace, func(a area) {
		was, becomes := s.From.Chunk(a.cx, a.cy), s.To.Chunk(a.cx, a.cy)
		if a.full {
			if e.chunk(a.cx, a.cy) == was {
				e.SetChunk(a.cx, a.cy, becomes)
				return
			}
		}
		was.unpack(&from)
		becomes.unpack(&to)
		cells := e.at(a.cx, a.cy)
		a.spans(func(i, n int) {
			for k := i; k < i+n; k++ {
				switch v := &cells[k]; {
				case *v == from[k]:
					*v = to[k]
				case *v != to[k]:
					left++
				}
			}
		})
	})
	return left
}

// Part is a plane of the chunks into which g reaches, and nothing else.
func (p Plane) Part(g Region, at pace.Pace) Plane {
	e := Plane{}.Edit()
	g.chunks(at, func(a area) {
		if c := p.Chunk(a.cx, a.cy); c != nil {
			e.SetChunk(a.cx, a.cy, c)
		}
	})
	return e.Done()
}

// Cut is a plane of the cells of g alone, moved by a way.
func (p Plane) Cut(g Region, by Point, at pace.Pace) Plane {
	e := Plane{}.Edit()
	// What lies in one chunk came from at most four.
	var from [4][chunkCells]Cell
	g.Move(by).chunks(at, func(a area) {
		x0, y0 := a.cx<<5-by.X, a.cy<<5-by.Y
		empty := true
		for k := range from {
			c := p.Chunk(x0>>5+k&1, y0>>5+k>>1)
			c.unpack(&from[k])
			empty = empty && c == nil
		}
		if empty {
			return
		}
		cells := e.at(a.cx, a.cy)
		a.spans(func(i, n int) {
			y := y0&31 + i>>5
			for n > 0 {
				x := x0&31 + i&31
				m := min(n, 32-x&31)
				copy(cells[i:i+m], from[x>>5+y>>5<<1][y&31<<5+x&31:])
				i, n = i+m, n-m
			}
		})
	})
	return e.Done()
}

// An area is the part of a region that lies in one chunk.
type area struct {
	cx, cy int
	// full says that it is the whole chunk.
	full bool
	// rows are the region's rows, beginning with the spans that reach this chunk.
	rows []Region
}

// spans calls f with the place in the chunk of each span's first cell, and with how
// many cells it has there.
func (a area) spans(f func(i, n int)) {
	x0 := a.cx << 5
	for _, row := range a.rows {
		for _, s := range row {
			if s.X0 > x0+31 {
				break
			}
			from := max(s.X0, x0)
			f((s.Y&31)*ChunkSide+from-x0, min(s.X1, x0+31)-from+1)
		}
	}
}

// chunks calls f for each chunk into which the region reaches, by rows of chunks.
func (g Region) chunks(p pace.Pace, f func(area)) {
	for _, band := range g.Bands() {
		band.columns(f)
		p.Did(band.Len())
	}
}

// Bands parts the region into the rows of chunks in which it lies.
func (g Region) Bands() []Region {
	var bands []Region
	for len(g) > 0 {
		n := sort.Search(len(g), func(i int) bool { return g[i].Y>>5 > g[0].Y>>5 })
		bands = append(bands, g[:n:n])
		g = g[n:]
	}
	return bands
}

// columns calls f for each chunk of a band. From column to column it passes over
// spans that have ended.
func (g Region) columns(f func(area)) {
	bounds := g.Bounds()
	a := area{cy: g[0].Y >> 5, rows: make([]Region, 0, ChunkSide)}
	for len(g) > 0 {
		n := sort.Search(len(g), func(i int) bool { return g[i].Y > g[0].Y })
		a.rows = append(a.rows, g[:n])
		g = g[n:]
	}
	// Columns in which all rows are one span are whole, without a look at each.
	from, to := bounds.X, bounds.X+bounds.W-1
	for _, row := range a.rows {
		from, to = max(from, row[0].X0), min(to, row[0].X1)
	}
	for a.cx = bounds.X >> 5; a.cx <= (bounds.X+bounds.W-1)>>5; a.cx++ {
		x0, x1 := a.cx<<5, a.cx<<5+31
		if len(a.rows) == ChunkSide && x0 >= from && x1 <= to {
			a.full = true
			f(a)
			continue
		}
		a.full = len(a.rows) == ChunkSide
		any := false
		for i, row := range a.rows {
			for len(row) > 0 && row[0].X1 < x0 {
				row = row[1:]
			}
			a.rows[i] = row
			any = any || len(row) > 0 && row[0].X0 <= x1
			a.full = a.full && len(row) > 0 && row[0].X0 <= x0 && row[0].X1 >= x1
		}
		if any {
			f(a)
		}
	}
}
