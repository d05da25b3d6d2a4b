package grid

import "math/bits"

// A Fill finds the cells that hang together (by their sides) with a start
// cell and hold the same, within a box. It works in steps, so that a page
// stays awake during a large one. A step goes on by chunks: all that hangs together
// within one is found at once, row by row as bits, and one that is all the same is one
// step of the search.
type Fill struct {
	plane  Plane
	bounds Rect
	want   Cell
	alike  func(Cell) Cell
	// first is the chunk in the upper left corner of the box, columns and rows are how many there are.
	first         Point
	columns, rows int
	chunks        []*filling
	// open are the chunks into which the search has come from beside and not gone on.
	open  []int
	count int
}

// A filling is what is known of a chunk: a bit for each cell, row by row.
type filling struct {
	// holds are the cells of the box that hold the same as the start, found those that were found, and
	// enters those into which the search has come.
	holds, found, enters [ChunkSide]uint32
	// waits says that it is among the open ones, whole that all of it holds the same.
	waits, whole bool
}

// What a chunk counts towards a budget of cells that is all the same, and any other: the time that it takes, as so
// many single cells would.
const (
	wholeWork = 8
	chunkWork = 200
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
	f.chunks = make([]*filling, f.columns*f.rows)
	f.want = alike(p.At(start))
	at := Point{start.X>>5 - f.first.X, start.Y>>5 - f.first.Y}
	f.enter(at.X, at.Y, start.Y&31, 1<<(start.X&31))
	return f
}

// chunk is what is known of a chunk, by its column and row in the box.
func (f *Fill) chunk(x, y int) *filling {
	c := &f.chunks[y*f.columns+x]
	if *c == nil {
		*c = f.look(x, y)
	}
	return *c
}

// look finds which cells of a chunk hold the same.
func (f *Fill) look(x, y int) *filling {
	is := &filling{}
	left, top := (f.first.X+x)<<5, (f.first.Y+y)<<5
	in := Rect{left, top, ChunkSide, ChunkSide}.Meet(f.bounds)
	within := uint32(uint64(1)<<in.W-1) << (in.X - left)
	c := f.plane.Chunk(f.first.X+x, f.first.Y+y)
	cell, uniform := c.Uniform()
	if uniform {
		if f.alike(cell) != f.want {
			return is
		}
		is.whole = in.W == ChunkSide && in.H == ChunkSide
		for row := in.Y - top; row < in.Y-top+in.H; row++ {
			is.holds[row] = within
		}
		return is
	}
	for row := in.Y - top; row < in.Y-top+in.H; row++ {
		at := 0
		c.row(row, 0, ChunkSide-1, func(n int, v Cell) {
			if f.alike(v) == f.want {
				is.holds[row] |= uint32(uint64(1)<<n-1) << at
			}
			at += n
		})
		is.holds[row] &= within
	}
	return is
}

// enter lets the search come into cells of a row of a chunk, by its column and row in the box.
func (f *Fill) enter(x, y, row int, cells uint32) {
	if x < 0 || y < 0 || x >= f.columns || y >= f.rows || cells == 0 {
		return
	}
	c := f.chunk(x, y)
	if cells &= c.holds[row] &^ c.found[row]; cells == 0 {
		return
	}
	c.enters[row] |= cells
	f.wait(c, x, y)
}

// enterColumn is enter for the first or last column of a chunk, in those rows that have a bit.
func (f *Fill) enterColumn(x, y, column int, rows uint32) {
	if x < 0 || x >= f.columns || rows == 0 {
		return
	}
	c := f.chunk(x, y)
	if c.whole {
		// One cell leads to all.
		rows &= -rows
	}
	any := uint32(0)
	for ; rows != 0; rows &= rows - 1 {
		row := bits.TrailingZeros32(rows)
		into := 1 << column & c.holds[row] &^ c.found[row]
		c.enters[row] |= into
		any |= into
	}
	if any != 0 {
		f.wait(c, x, y)
	}
}

// wait puts a chunk among those in which the search goes on.
func (f *Fill) wait(c *filling, x, y int) {
	if !c.waits {
		c.waits = true
		f.open = append(f.open, y*f.columns+x)
	}
}

// Step does work for about budget cells and reports how many cells have been
// found and whether the fill has ended.
func (f *Fill) Step(budget int) (found int, done bool) {
	for budget > 0 && len(f.open) > 0 {
		at := f.open[len(f.open)-1]
		f.open = f.open[:len(f.open)-1]
		c := f.chunks[at]
		c.waits = false
		if budget -= chunkWork; c.whole {
			budget += chunkWork - wholeWork
		}
		f.spread(c, at%f.columns, at/f.columns)
	}
	return f.count, len(f.open) == 0
}

// spread finds all that hangs together within a chunk with the cells into which the search has come, and goes on into
// the chunks beside it.
func (f *Fill) spread(c *filling, x, y int) {
	if c.whole {
		c.found = c.holds
		f.count += chunkCells
		f.enter(x, y-1, ChunkSide-1, ^uint32(0))
		f.enter(x, y+1, 0, ^uint32(0))
		f.enterColumn(x-1, y, ChunkSide-1, ^uint32(0))
		f.enterColumn(x+1, y, 0, ^uint32(0))
		return
	}
	was := c.found
	c.flood()
	var left, right uint32
	for row := range ChunkSide {
		fresh := c.found[row] &^ was[row]
		f.count += bits.OnesCount32(fresh)
		left |= fresh & 1 << row
		right |= fresh >> (ChunkSide - 1) << row
	}
	f.enter(x, y-1, ChunkSide-1, c.found[0]&^was[0])
	f.enter(x, y+1, 0, c.found[ChunkSide-1]&^was[ChunkSide-1])
	f.enterColumn(x-1, y, ChunkSide-1, left)
	f.enterColumn(x+1, y, 0, right)
}

// flood adds to what was found all that hangs together with what is entered.
func (c *filling) flood() {
	for again := true; again; {
		again = false
		// Down, then up: what is found in a row enters the next.
		for i := range 2 * ChunkSide {
			row, next := i, i+1
			if i >= ChunkSide {
				row = 2*ChunkSide - 1 - i
				next = row - 1
			}
			seeds := c.enters[row] & c.holds[row] &^ c.found[row]
			if seeds == 0 {
				continue
			}
			c.enters[row] = 0
			fresh := along(seeds, c.holds[row])
			c.found[row] |= fresh
			for _, beside := range [2]int{row - 1, row + 1} {
				if beside < 0 || beside >= ChunkSide {
					continue
				}
				if into := fresh & c.holds[beside] &^ c.found[beside]; into != 0 {
					c.enters[beside] |= into
					// The row that comes next will be come to; the other only on the way back.
					again = again || beside != next
				}
			}
		}
	}
}

// along is all bits of holds that hang together with those of seeds, which are among them. (Kogge and Stone, "A Parallel
// Algorithm for the Efficient Solution of a General Class of Recurrence Equations", 1973.)
func along(seeds, holds uint32) uint32 {
	up, down := seeds, seeds
	way, back := holds, holds
	for n := 1; n < ChunkSide; n <<= 1 {
		up |= way & (up << n)
		way &= way << n
		down |= back & (down >> n)
		back &= back >> n
	}
	return up | down
}

// Region is what was found so far.
func (f *Fill) Region() Region {
	var spans Region
	for y := range f.rows {
		for row := range ChunkSide {
			line := (f.first.Y+y)<<5 + row
			for x := range f.columns {
				c := f.chunks[y*f.columns+x]
				if c == nil || c.found[row] == 0 {
					continue
				}
				left := (f.first.X + x) << 5
				for cells, at := c.found[row], 0; cells != 0; {
					skip := bits.TrailingZeros32(cells)
					cells >>= skip
					n := bits.TrailingZeros32(^cells)
					at += skip
					spans = spans.Append(line, left+at, left+at+n-1)
					cells = uint32(uint64(cells) >> n)
					at += n
				}
			}
		}
	}
	return spans
}
