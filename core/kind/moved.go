package kind

// Where an option of a Direction is after it was mirrored, and after a quarter turn to the right: south, west, east,
// north.
var (
	leftRight = [...]int{0, 2, 1, 3}
	topBottom = [...]int{3, 1, 2, 0}
	turned    = [...]int{1, 3, 0, 2}
)

// moved is v with each distance and each direction as it is after a move of the piece.
func (v Values) moved(offset func(x, y int) (int, int), direction [4]int) Values {
	for f, b := range v.All() {
		switch p := PropOf(f); {
		case p == nil || len(b) == 0:
		case p.Sort == Offset:
			n := v.Numbers(nil, p)
			v = v.With(p.Is(offset(n[0], n[1])))
		case p.Sort == Direction:
			v = v.With(p.Is(direction[v.Int(nil, p)-1] + 1))
		}
	}
	return v
}

// Mirrored is what a piece sets that is mirrored left to right, or else top to bottom: where it goes and looks is on the
// other side.
func (v Values) Mirrored(leftToRight bool) Values {
	if leftToRight {
		return v.moved(func(x, y int) (int, int) { return -x, y }, leftRight)
	}
	return v.moved(func(x, y int) (int, int) { return x, -y }, topBottom)
}

// Turned is what a piece sets after a quarter turn to the right.
func (v Values) Turned() Values {
	return v.moved(func(x, y int) (int, int) { return -y, x }, turned)
}

// Rescaled is what a piece sets where pixels are others: each distance is what the two functions make of it.
func (v Values) Rescaled(across, down func(int) int) Values {
	return v.moved(func(x, y int) (int, int) { return across(x), down(y) }, [4]int{0, 1, 2, 3})
}
