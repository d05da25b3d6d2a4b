package grid

import (
	"fmt"
	"slices"

	"azzel/core/pack"
)

// ChunkSide is how many cells a chunk is wide and high.
const ChunkSide = 32

const chunkCells = ChunkSide * ChunkSide

// A Chunk is 32 × 32 cells that never change: all the same, or with a palette
// of at most 256 cells, or each stored whole. A nil Chunk is empty.
type Chunk struct {
	uniform Cell
	palette []Cell
	small   *[chunkCells]uint8
	wide    *[chunkCells]Cell
}

// At is the cell at column x and row y, each 0 to 31.
func (c *Chunk) At(x, y int) Cell {
	switch {
	case c == nil:
		return 0
	case c.small != nil:
		return c.palette[c.small[y*ChunkSide+x]]
	case c.wide != nil:
		return c.wide[y*ChunkSide+x]
	}
	return c.uniform
}

// Uniform reports the one cell that fills the chunk, if one does.
func (c *Chunk) Uniform() (Cell, bool) {
	if c == nil {
		return 0, true
	}
	return c.uniform, c.small == nil && c.wide == nil
}

// row calls f for the cells x0 to x1 of row y: n times the same one.
func (c *Chunk) row(y, x0, x1 int, f func(n int, c Cell)) {
	switch {
	case c == nil:
		f(x1-x0+1, 0)
	case c.small != nil:
		row := c.small[y*ChunkSide:][:ChunkSide]
		for x := x0; x <= x1; {
			from := x
			for x++; x <= x1 && row[x] == row[from]; x++ {
			}
			f(x-from, c.palette[row[from]])
		}
	case c.wide != nil:
		for x := x0; x <= x1; x++ {
			f(1, c.wide[y*ChunkSide+x])
		}
	default:
		f(x1-x0+1, c.uniform)
	}
}

func (c *Chunk) unpack(into *[chunkCells]Cell) {
	switch {
	case c == nil:
		clear(into[:])
	case c.small != nil:
		// As long as an index may be, so that none is checked.
		var palette [256]Cell
		copy(palette[:], c.palette)
		for i, p := range c.small {
			into[i] = palette[p]
		}
	case c.wide != nil:
		*into = *c.wide
	default:
		for i := range into {
			into[i] = c.uniform
		}
	}
}

// packChunk makes the smallest chunk that holds cells; nil if all are empty.
func packChunk(cells *[chunkCells]Cell) *Chunk {
	first, same := cells[0], true
	for _, c := range cells {
		if c != first {
			same = false
			break
		}
	}
	if same {
		if first == 0 {
			return nil
		}
		return &Chunk{uniform: first}
	}
	small := new([chunkCells]uint8)
	palette := make([]Cell, 0, 8)
	// Where in the palette a cell was found last, by its lowest bits.
	var known [64]uint8
	last, at := cells[0]+1, uint8(0)
	for i, c := range cells {
		if c != last {
			last = c
			k := &known[c%64]
			if int(*k) >= len(palette) || palette[*k] != c {
				n := slices.Index(palette, c)
				if n < 0 {
					if n = len(palette); n == 256 {
						wide := *cells
						return &Chunk{wide: &wide}
					}
					palette = append(palette, c)
				}
				*k = uint8(n)
			}
			at = *k
		}
		small[i] = at
	}
	return &Chunk{palette: palette, small: small}
}

// Runs is the chunk's cells row by row.
func (c *Chunk) runs() Runs {
	var cells [chunkCells]Cell
	c.unpack(&cells)
	var runs Runs
	for _, v := range cells {
		runs = runs.Append(1, v)
	}
	return runs
}

// Encode writes the chunk's cells as runs, row by row: equal cells give equal
// bytes however the chunk came about.
func (c *Chunk) Encode(w *pack.Writer) { c.runs().Encode(w) }

// DecodeChunk reads what Encode wrote.
func DecodeChunk(r *pack.Reader) *Chunk {
	var cells [chunkCells]Cell
	filled := 0
	for range r.Count(chunkCells, 2) {
		n, cell := r.Uint(), r.Uint()
		if r.Err() != nil {
			return nil
		}
		if !fits(n, cell, chunkCells-filled) {
			r.Fail(errCells())
			return nil
		}
		for range n {
			cells[filled] = Cell(cell)
			filled++
		}
	}
	if filled < chunkCells {
		r.Fail(fmt.Errorf("%w: %d cells are missing", pack.ErrMalformed, chunkCells-filled))
	}
	if r.Err() != nil {
		return nil
	}
	return packChunk(&cells)
}

// Count calls f for the cells of the chunk, how many of each there are: for one of many
// kinds perhaps more than once.
func (c *Chunk) Count(f func(c Cell, n int)) {
	if v, uniform := c.Uniform(); uniform {
		f(v, chunkCells)
		return
	}
	if c.wide != nil {
		for _, v := range c.wide {
			f(v, 1)
		}
		return
	}
	var counts [256]int
	for _, i := range c.small {
		counts[i]++
	}
	for i, v := range c.palette {
		f(v, counts[i])
	}
}

// Distinct lists the different cells in the chunk.
func (c *Chunk) Distinct() []Cell {
	switch {
	case c == nil:
		return nil
	case c.small != nil:
		return c.palette
	case c.wide != nil:
		seen := map[Cell]bool{}
		var list []Cell
		for _, v := range c.wide {
			if !seen[v] {
				seen[v] = true
				list = append(list, v)
			}
		}
		return list
	}
	return []Cell{c.uniform}
}
