package grid

// A Likeness finds the cells of a box that hold the same as a start cell, wherever
// they are. It works in steps, as a Fill does.
type Likeness struct {
	plane  Plane
	bounds Rect
	want   Cell
	alike  func(Cell) Cell
	// row is the row of chunks that comes next.
	row   int
	spans Region
	count int
}

// NewLikeness begins to look for what p holds at start. Alike is as for NewFill.
func NewLikeness(p Plane, bounds Rect, start Point, alike func(Cell) Cell) *Likeness {
	if alike == nil {
		alike = func(c Cell) Cell { return c }
	}
	l := &Likeness{plane: p, bounds: bounds, alike: alike, row: bounds.Y >> 5}
	l.want = alike(p.At(start))
	if !bounds.Has(start) {
		l.bounds = Rect{}
	}
	return l
}

// Step does work for about budget cells, at least a row of chunks, and reports how
// many cells have been found and whether all were looked at.
func (l *Likeness) Step(budget int) (found int, done bool) {
	b := l.bounds
	for looked := 0; looked < budget && l.row<<5 < b.Y+b.H; l.row++ {
		band := Rect{b.X, l.row << 5, b.W, ChunkSide}.Meet(b)
		looked += l.band(band)
	}
	return l.count, l.row<<5 >= b.Y+b.H
}

// band looks at the cells of a row of chunks, and tells for how many that was work.
func (l *Likeness) band(band Rect) (looked int) {
	rows := make([]Region, band.H)
	add := func(y, x0, x1 int) {
		row := &rows[y-band.Y]
		l.count += x1 - x0 + 1
		if k := len(*row) - 1; k >= 0 && (*row)[k].X1 == x0-1 {
			(*row)[k].X1 = x1
			return
		}
		*row = append(*row, Span{y, x0, x1})
	}
	for cx := band.X >> 5; cx<<5 < band.X+band.W; cx++ {
		c := l.plane.Chunk(cx, l.row)
		part := Rect{cx << 5, band.Y, ChunkSide, band.H}.Meet(band)
		if cell, uniform := c.Uniform(); uniform {
			looked += ChunkSide
			if l.alike(cell) == l.want {
				for y := part.Y; y < part.Y+part.H; y++ {
					add(y, part.X, part.X+part.W-1)
				}
			}
			continue
		}
		looked += part.W * part.H
		for y := part.Y; y < part.Y+part.H; y++ {
			for x := part.X; x < part.X+part.W; x++ {
				if l.alike(c.At(x&31, y&31)) == l.want {
					add(y, x, x)
				}
			}
		}
	}
	for _, row := range rows {
		l.spans = append(l.spans, row...)
	}
	return looked
}

// Region is what was found so far.
func (l *Likeness) Region() Region { return l.spans }
