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

// Orientation is 0 to 7: how the tile is turned and mirrored.
func (c Cell) Orientation() int { return int(c>>24) & 7 }

// Valid reports whether no reserved bit is set, and an empty cell is not
// turned.
func (c Cell) Valid() bool { return c&reserved == 0 && (c&emptyMask != 0 || c == 0) }
