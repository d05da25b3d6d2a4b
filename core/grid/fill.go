package grid

// A Fill finds the cells that hang together (by their sides) with a start
// cell and hold the same, within a box. It works in steps, so that a page
// stays awake during a large one.
type Fill struct {
	bounds Rect
	want   Cell
	seen   []uint64
	stride int
	seeds  []Point
	spans  []Span
	count  int
	alike  func(Cell) Cell
	reader Reader
}

// NewFill begins a fill of p at start within bounds. A start outside bounds
// gives an empty region. Alike, unless nil, gives the same cell for all that
// count as the same.
func NewFill(p Plane, bounds Rect, start Point, alike func(Cell) Cell) *Fill {
	f := &Fill{reader: Reader{Plane: p}, bounds: bounds, stride: (bounds.W + 63) / 64, alike: alike}
	if !bounds.Has(start) {
		return f
	}
	f.seen = make([]uint64, f.stride*bounds.H)
	f.want = f.read(start.X, start.Y)
	f.seeds = []Point{start}
	return f
}

func (f *Fill) read(x, y int) Cell {
	c := f.reader.At(x, y)
	if f.alike != nil {
		return f.alike(c)
	}
	return c
}

func (f *Fill) open(x, y int) bool {
	i := (y-f.bounds.Y)*f.stride + (x-f.bounds.X)/64
	return f.seen[i]&(1<<((x-f.bounds.X)&63)) == 0 && f.read(x, y) == f.want
}

func (f *Fill) mark(y, x0, x1 int) {
	row := f.seen[(y-f.bounds.Y)*f.stride:]
	for x := x0 - f.bounds.X; x <= x1-f.bounds.X; {
		n := min(64-x&63, x1-f.bounds.X-x+1)
		row[x/64] |= (^uint64(0) >> (64 - n)) << (x & 63)
		x += n
	}
}

// Step does work for about budget cells and reports how many cells have been
// found and whether the fill has ended.
func (f *Fill) Step(budget int) (found int, done bool) {
	for goal := f.count + budget; len(f.seeds) > 0 && f.count < goal; {
		seed := f.seeds[len(f.seeds)-1]
		f.seeds = f.seeds[:len(f.seeds)-1]
		if !f.open(seed.X, seed.Y) {
			continue
		}
		x0, x1 := seed.X, seed.X
		for x0 > f.bounds.X && f.open(x0-1, seed.Y) {
			x0--
		}
		for x1 < f.bounds.X+f.bounds.W-1 && f.open(x1+1, seed.Y) {
			x1++
		}
		f.mark(seed.Y, x0, x1)
		f.spans = append(f.spans, Span{seed.Y, x0, x1})
		f.count += x1 - x0 + 1
		for _, y := range [2]int{seed.Y - 1, seed.Y + 1} {
			if y < f.bounds.Y || y >= f.bounds.Y+f.bounds.H {
				continue
			}
			inside := false
			for x := x0; x <= x1; x++ {
				open := f.open(x, y)
				if open && !inside {
					f.seeds = append(f.seeds, Point{x, y})
				}
				inside = open
			}
		}
	}
	return f.count, len(f.seeds) == 0
}

// Region is what was found so far.
func (f *Fill) Region() Region { return RegionOf(f.spans) }
