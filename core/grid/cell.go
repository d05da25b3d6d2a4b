package grid

// A Cell is what lies at one place of a layer: a tile's number in bits 0–23,
// how the tile is turned and mirrored in bits 24–26, the rest zero. 0 is an
// empty cell.
type Cell uint32

const (
	// TileMask selects the tile's number.
	TileMask Cell = 1<<24 - 1
	// MaxTile is the greatest number of a tile.
	MaxTile        = int(TileMask)
	reserved  Cell = 0xf8000000
	emptyMask      = TileMask
)

// Tile is the number of the tile, 0 for none.
func (c Cell) Tile() int { return int(c & TileMask) }

// How a tile lies: first columns and rows are exchanged, then it is mirrored left
// to right, and top to bottom. A quarter turn is Transposed with one of these.
const (
	MirroredX  = 1
	MirroredY  = 2
	Transposed = 4
)

// Orientation is 0 to 7: how the tile lies.
func (c Cell) Orientation() int { return int(c>>24) & 7 }

// Turned is the same tile lying another way; an empty cell stays empty.
func (c Cell) Turned(orientation int) Cell {
	if c.Tile() == 0 {
		return 0
	}
	return c&TileMask | Cell(orientation&7)<<24
}

// Lying finds which pixel of a tile of w × h pixels is seen at x, y of a cell
// that lies so. A tile that is not square can't be transposed.
func Lying(orientation, x, y, w, h int) (u, v int) {
	if orientation&MirroredX != 0 {
		x = w - 1 - x
	}
	if orientation&MirroredY != 0 {
		y = h - 1 - y
	}
	if orientation&Transposed != 0 && w == h {
		x, y = y, x
	}
	return x, y
}

// Mirror is the same tile mirrored left to right, top to bottom, or both.
func (c Cell) Mirror(x, y bool) Cell {
	o := c.Orientation()
	if x {
		o ^= MirroredX
	}
	if y {
		o ^= MirroredY
	}
	return c.Turned(o)
}

// Transpose is the same tile with columns and rows exchanged as it lies. The exchange
// comes before what mirrors in an orientation, so that those change places.
func (c Cell) Transpose() Cell {
	o := c.Orientation()
	return c.Turned(o&Transposed ^ Transposed | o&MirroredX<<1 | o&MirroredY>>1)
}

// Valid reports whether no reserved bit is set, and an empty cell is not
// turned.
func (c Cell) Valid() bool { return c&reserved == 0 && (c&emptyMask != 0 || c == 0) }
