package grid

import (
	"fmt"

	"azzel/core/pack"
)

// A Run is the same cell N times, N at least 1.
type Run struct {
	N    int
	Cell Cell
}

// Runs are cells in the order of a region, equal neighbours drawn together.
type Runs []Run

func (rs Runs) add(n int, c Cell) Runs {
	if k := len(rs) - 1; k >= 0 && rs[k].Cell == c {
		rs[k].N += n
		return rs
	}
	return append(rs, Run{n, c})
}

// RunsOf makes the cells of a region, in its order.
func RunsOf(g Region, cell func(Point) Cell) Runs {
	var runs Runs
	for _, s := range g {
		for x := s.X0; x <= s.X1; x++ {
			runs = runs.add(1, cell(Point{x, s.Y}))
		}
	}
	return runs
}

// Over calls f for each cell of a region that the runs are over, in its order.
func (rs Runs) Over(g Region, f func(Point, Cell)) {
	r := runReader{runs: rs}
	for _, s := range g {
		for x := s.X0; x <= s.X1; x++ {
			c, _ := r.next()
			f(Point{x, s.Y}, c)
			r.skip(1)
		}
	}
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
	for _, r := range rs {
		w.Uint(uint64(r.N))
		w.Uint(uint64(r.Cell))
	}
}

// DecodeRuns reads runs that hold exactly want cells.
func DecodeRuns(r *pack.Reader, want int) Runs {
	n := r.Count(want, 2)
	runs := make(Runs, 0, n)
	left := want
	for range n {
		count, cell := r.Uint(), r.Uint()
		if r.Err() != nil {
			return nil
		}
		if count == 0 || count > uint64(left) || cell > 1<<32-1 || !Cell(cell).Valid() {
			r.Fail(fmt.Errorf("%w: cells do not fit their region", pack.ErrMalformed))
			return nil
		}
		runs = runs.add(int(count), Cell(cell))
		left -= int(count)
	}
	if left != 0 {
		r.Fail(fmt.Errorf("%w: %d cells are missing", pack.ErrMalformed, left))
		return nil
	}
	return runs
}

// A runReader walks runs piecewise. It must not be asked beyond their end.
type runReader struct {
	runs Runs
	used int
}

// next is the cell the reader stands at, and how many of it follow.
func (r *runReader) next() (Cell, int) { return r.runs[0].Cell, r.runs[0].N - r.used }

// skip passes n cells of the run the reader stands in.
func (r *runReader) skip(n int) {
	r.used += n
	if r.used == r.runs[0].N {
		r.runs, r.used = r.runs[1:], 0
	}
}
