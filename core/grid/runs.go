package grid

import (
	"encoding/binary"
	"fmt"
	"slices"

	"azzel/core/pace"
	"azzel/core/pack"
)

// A Run is the same cell N times, N at least 1.
type Run struct {
	N    int
	Cell Cell
}

// Runs are cells in the order of a region, equal neighbours drawn together.
type Runs []Run

// Append is rs with n more cells. Like append, it may use the memory of rs.
func (rs Runs) Append(n int, c Cell) Runs {
	if k := len(rs) - 1; k >= 0 && rs[k].Cell == c {
		rs[k].N += n
		return rs
	}
	return append(rs, Run{n, c})
}

// RunsOf makes the cells of a region, in its order.
func RunsOf(g Region, cell func(Point) Cell) Runs { return RunsOfAt(nil, g, cell) }

// RunsOfAt is RunsOf for work that goes at a pace.
func RunsOfAt(at pace.Pace, g Region, cell func(Point) Cell) Runs {
	var runs Runs
	for _, s := range g {
		at.Did(s.X1 - s.X0 + 1)
		for x := s.X0; x <= s.X1; x++ {
			runs = runs.Append(1, cell(Point{x, s.Y}))
		}
	}
	return runs
}

// Over calls f for each cell of a region that the runs are over, in its order.
func (rs Runs) Over(g Region, f func(Point, Cell)) {
	r := RunReader{Runs: rs}
	for _, s := range g {
		for x := s.X0; x <= s.X1; x++ {
			f(Point{x, s.Y}, r.One())
		}
	}
}

// Part is the runs over a part of the region that rs lie over.
func (rs Runs) Part(g, part Region) Runs {
	var cells Runs
	rs.Over(g, func(p Point, c Cell) {
		if part.Has(p) {
			cells = cells.Append(1, c)
		}
	})
	return cells
}

// Len is the number of cells.
func (rs Runs) Len() int {
	n := 0
	for _, r := range rs {
		n += r.N
	}
	return n
}

// Encode writes the runs.
func (rs Runs) Encode(w *pack.Writer) {
	w.Uint(uint64(len(rs)))
	// Into a slice of its own, since millions are written where memory is looked after.
	b := slices.Grow(w.Bytes, 2*len(rs))
	for _, r := range rs {
		b = binary.AppendUvarint(b, uint64(r.N))
		b = binary.AppendUvarint(b, uint64(r.Cell))
	}
	w.Bytes = b
}

// errCells is not made ahead: a page would wait for it before it begins.
func errCells() error {
	return fmt.Errorf("%w: cells do not fit their region", pack.ErrMalformed)
}

// fits reports whether a run that was read is one, of at most left cells.
func fits(count, cell uint64, left int) bool {
	return count > 0 && count <= uint64(left) && cell <= 1<<32-1 && Cell(cell).Valid()
}

// decodedAtATime is how many runs or spans are read between two words to the pace.
const decodedAtATime = 1 << 12

// DecodeRuns reads runs that hold exactly want cells, at a pace.
func DecodeRuns(at pace.Pace, r *pack.Reader, want int) Runs {
	n := r.Count(want, 2)
	runs := make(Runs, 0, n)
	left := want
	for i := range n {
		if i%decodedAtATime == decodedAtATime-1 {
			at.Did(decodedAtATime)
		}
		count, cell := r.Uint(), r.Uint()
		if r.Err() != nil {
			return nil
		}
		if !fits(count, cell, left) {
			r.Fail(errCells())
			return nil
		}
		runs = runs.Append(int(count), Cell(cell))
		left -= int(count)
	}
	if left != 0 {
		r.Fail(fmt.Errorf("%w: %d cells are missing", pack.ErrMalformed, left))
		return nil
	}
	return runs
}

// A RunReader walks runs piecewise. It must not be asked beyond their end.
type RunReader struct {
	// Runs are those that are left, of the first of which some are used up.
	Runs Runs
	used int
}

// Take gives the next n cells, and stands behind them then.
func (r *RunReader) Take(n int) Runs {
	var taken Runs
	for n > 0 {
		c, m := r.next()
		m = min(m, n)
		taken = taken.Append(m, c)
		r.skip(m)
		n -= m
	}
	return taken
}

// One gives the next cell, and stands behind it then.
func (r *RunReader) One() Cell {
	c := r.Runs[0].Cell
	r.skip(1)
	return c
}

// next is the cell the reader stands at, and how many of it follow.
func (r *RunReader) next() (Cell, int) { return r.Runs[0].Cell, r.Runs[0].N - r.used }

// skip passes n cells of the run the reader stands in.
func (r *RunReader) skip(n int) {
	r.used += n
	if r.used == r.Runs[0].N {
		r.Runs, r.used = r.Runs[1:], 0
	}
}
