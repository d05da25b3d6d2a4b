package grid

import "math/bits"

// A Fill finds the cells that hang together (by their sides) with a start
// cell and hold the same, within a box. It works in steps, so that a page
// stays awake during a large one. A step goes on by chunks: what hangs together within one is
// found once, as runs of its rows, and one that is all the same is one step of the search. (Two
// passes with a union of labels: Rosenfeld and Pfaltz, "Sequential Operations in Digital Picture
// Processing", 1966.)
type Fill struct {
	plane  Plane
	bounds Rect
	want   Cell
	alike  func(Cell) Cell
	// first is the chunk in the upper left corner of the box, columns and rows are how many there are.
	first         Point
	columns, rows int
	chunks        []filling
	// open are the islands that were found and from which the search has not gone on.
	open  []island
	count int
	// work is what was done since it was last asked for, in single cells.
	work int
}

// A filling is what is known of a chunk.
type filling struct {
	state fillState
	// parts are its islands, unless it is all the same.
	parts *parts
}

type fillState uint8

const (
	// unseen: nobody has looked at it; other: nothing in it holds the same.
	unseen fillState = iota
	other
	// whole: all of it holds the same; taken: and was found.
	whole
	taken
	// mixed: its parts say.
	mixed
)

// parts are the runs of cells of a chunk that hold the same, and which of them hang together within it.
type parts struct {
	// runs are those of row i from rows[i] to before rows[i+1].
	rows [ChunkSide + 1]uint16
	runs []chunkRun
	// found says of each island whether it was found, cells how many it has.
	found []bool
	cells []uint16
}

// A chunkRun is cells x0 to x1 of a row of a chunk, which belong to one of its islands.
type chunkRun struct {
	x0, x1 uint8
	island uint16
}

// An island is what hangs together within a chunk.
type island struct {
	chunk  int32
	number uint16
}

// What is done counts towards a budget of cells, as so many single cells would take: going on from a chunk that is
// all the same, or from an island of another, and looking at that.
const (
	wholeWork  = 4
	islandWork = 10
	lookWork   = 250
)

// NewFill begins a fill of p at start within bounds. A start outside bounds
// gives an empty region. Alike, unless nil, gives the same cell for all that
// count as the same.
func NewFill(p Plane, bounds Rect, start Point, alike func(Cell) Cell) *Fill {
	if alike == nil {
		alike = func(c Cell) Cell { return c }
	}
	f := &Fill{plane: p, bounds: bounds, alike: alike}
	if !bounds.Has(start) {
		return f
	}
	f.first = Point{bounds.X >> 5, bounds.Y >> 5}
	f.columns = (bounds.X+bounds.W-1)>>5 - f.first.X + 1
	f.rows = (bounds.Y+bounds.H-1)>>5 - f.first.Y + 1
	f.chunks = make([]filling, f.columns*f.rows)
	f.want = alike(p.At(start))
	f.enter(start.X>>5-f.first.X, start.Y>>5-f.first.Y, start.Y&31, start.X&31, start.X&31)
	return f
}

// look finds what of a chunk holds the same, by its column and row in the box.
func (f *Fill) look(at *filling, x, y int) {
	left, top := (f.first.X+x)<<5, (f.first.Y+y)<<5
	in := Rect{left, top, ChunkSide, ChunkSide}.Meet(f.bounds)
	c := f.plane.Chunk(f.first.X+x, f.first.Y+y)
	if cell, uniform := c.Uniform(); uniform {
		if at.state = other; f.alike(cell) != f.want {
			return
		}
		if in.W == ChunkSide && in.H == ChunkSide {
			at.state = whole
			return
		}
	}
	f.work += lookWork
	at.state, at.parts = mixed, &parts{}
	var holds [ChunkSide]uint32
	within := uint32(uint64(1)<<in.W-1) << (in.X - left)
	for row := in.Y - top; row < in.Y-top+in.H; row++ {
		holds[row] = within
	}
	f.keep(c, &holds)
	at.parts.divide(&holds)
}

// keep leaves of the cells of a chunk, a bit each, those that hold the same.
func (f *Fill) keep(c *Chunk, holds *[ChunkSide]uint32) {
	switch {
	case c == nil || c.small == nil && c.wide == nil:
		// It is all the same, and only in part within the box.
	case c.small != nil:
		var same [256]uint32
		for i, v := range c.palette {
			if f.alike(v) == f.want {
				same[i] = 1
			}
		}
		for row := range holds {
			var is uint32
			for x, i := range c.small[row*ChunkSide:][:ChunkSide] {
				is |= same[i] << x
			}
			holds[row] &= is
		}
	default:
		for row := range holds {
			var is uint32
			for x, v := range c.wide[row*ChunkSide:][:ChunkSide] {
				if f.alike(v) == f.want {
					is |= 1 << x
				}
			}
			holds[row] &= is
		}
	}
}

// divide finds the islands of a chunk whose cells have a bit each, row by row.
func (p *parts) divide(holds *[ChunkSide]uint32) {
	n := 0
	for _, row := range holds {
		n += bits.OnesCount32(row &^ (row << 1))
	}
	p.runs = make([]chunkRun, 0, n)
	// same leads from each label to a lower one of the same island, or to itself.
	same := make([]uint16, 0, n)
	root := func(l uint16) uint16 {
		for same[l] != l {
			same[l] = same[same[l]]
			l = same[l]
		}
		return l
	}
	for row, cells := range holds {
		above, end := 0, len(p.runs)
		if row > 0 {
			above = int(p.rows[row-1])
		}
		p.rows[row] = uint16(len(p.runs))
		for at := 0; cells != 0; {
			skip := bits.TrailingZeros32(cells)
			cells >>= skip
			long := bits.TrailingZeros32(^cells)
			cells = uint32(uint64(cells) >> long)
			run := chunkRun{x0: uint8(at + skip), x1: uint8(at + skip + long - 1), island: uint16(len(same))}
			at += skip + long
			for above < end && p.runs[above].x1 < run.x0 {
				above++
			}
			joined := false
			for k := above; k < end && p.runs[k].x0 <= run.x1; k++ {
				if l := root(p.runs[k].island); !joined {
					run.island, joined = l, true
				} else if mine := root(run.island); l < mine {
					same[mine], run.island = l, l
				} else {
					same[l] = mine
				}
			}
			if !joined {
				same = append(same, run.island)
			}
			p.runs = append(p.runs, run)
		}
	}
	p.rows[ChunkSide] = uint16(len(p.runs))
	p.found, p.cells = make([]bool, len(same)), make([]uint16, len(same))
	for i := range p.runs {
		run := &p.runs[i]
		run.island = root(run.island)
		p.cells[run.island] += uint16(run.x1-run.x0) + 1
	}
}

// enter lets the search come into what of cells x0 to x1 of a row of a chunk holds the same, by its column and row
// in the box.
func (f *Fill) enter(x, y, row, x0, x1 int) {
	if x < 0 || y < 0 || x >= f.columns || y >= f.rows {
		return
	}
	i := y*f.columns + x
	at := &f.chunks[i]
	if at.state == unseen {
		f.look(at, x, y)
	}
	switch at.state {
	case whole:
		at.state = taken
		f.count += chunkCells
		f.open = append(f.open, island{chunk: int32(i)})
	case mixed:
		p := at.parts
		for _, run := range p.runs[p.rows[row]:p.rows[row+1]] {
			if int(run.x0) > x1 {
				break
			}
			if int(run.x1) >= x0 && !p.found[run.island] {
				p.found[run.island] = true
				f.count += int(p.cells[run.island])
				f.open = append(f.open, island{int32(i), run.island})
			}
		}
	}
}

// Step does work for about budget cells and reports how many cells have been
// found and whether the fill has ended.
func (f *Fill) Step(budget int) (found int, done bool) {
	for budget > 0 && len(f.open) > 0 {
		at := f.open[len(f.open)-1]
		f.open = f.open[:len(f.open)-1]
		f.work = 0
		f.spread(at)
		budget -= f.work
	}
	return f.count, len(f.open) == 0
}

// spread goes on from an island into the chunks beside it.
func (f *Fill) spread(from island) {
	x, y := int(from.chunk)%f.columns, int(from.chunk)/f.columns
	at := &f.chunks[from.chunk]
	const last = ChunkSide - 1
	if at.state == taken {
		f.work += wholeWork
		f.enter(x, y-1, last, 0, last)
		f.enter(x, y+1, 0, 0, last)
		for _, beside := range [2]int{x - 1, x + 1} {
			f.beside(beside, y, last*(x-beside+1)/2)
		}
		return
	}
	f.work += islandWork
	p := at.parts
	for row := range ChunkSide {
		runs := p.runs[p.rows[row]:p.rows[row+1]]
		if len(runs) == 0 {
			continue
		}
		if row == 0 || row == last {
			for _, run := range runs {
				switch {
				case run.island != from.number:
				case row == 0:
					f.enter(x, y-1, last, int(run.x0), int(run.x1))
				default:
					f.enter(x, y+1, 0, int(run.x0), int(run.x1))
				}
			}
		}
		if run := runs[0]; run.x0 == 0 && run.island == from.number {
			f.enter(x-1, y, row, last, last)
		}
		if run := runs[len(runs)-1]; run.x1 == last && run.island == from.number {
			f.enter(x+1, y, row, 0, 0)
		}
	}
}

// beside lets the search come into all of a column of a chunk beside one that is all the same.
func (f *Fill) beside(x, y, column int) {
	if x < 0 || x >= f.columns {
		return
	}
	for row := range ChunkSide {
		f.enter(x, y, row, column, column)
		if s := f.chunks[y*f.columns+x].state; s == other || s == taken {
			return
		}
	}
}

// Region is what was found so far.
func (f *Fill) Region() Region {
	n := 0
	for i := range f.chunks {
		if p := f.chunks[i].parts; p != nil {
			n += len(p.runs)
		}
	}
	spans := make(Region, 0, n+f.rows*ChunkSide)
	for y := range f.rows {
		begun := len(spans)
		alike := true
		for row := range ChunkSide {
			line := (f.first.Y+y)<<5 + row
			if row > 0 && alike {
				// All chunks beside each other are the same in each row.
				for _, s := range spans[begun : begun+(len(spans)-begun)/row] {
					spans = append(spans, Span{line, s.X0, s.X1})
				}
				continue
			}
			for x := range f.columns {
				left := (f.first.X + x) << 5
				switch at := &f.chunks[y*f.columns+x]; at.state {
				case taken:
					spans = spans.Append(line, left, left+ChunkSide-1)
				case mixed:
					alike = false
					p := at.parts
					for _, run := range p.runs[p.rows[row]:p.rows[row+1]] {
						if p.found[run.island] {
							spans = spans.Append(line, left+int(run.x0), left+int(run.x1))
						}
					}
				}
			}
		}
	}
	return spans
}
