package tiles

import (
	"errors"
	"fmt"

	"azzel/core/grid"
	"azzel/core/limit"
)

// A Weighted is a tile of a medley and how often it is laid beside the others.
type Weighted struct {
	// Tile is the tile's number.
	Tile int `json:"tile"`
	// Weight is 0 to MaxWeight; 0 is never laid.
	Weight int `json:"weight"`
}

// A Medley is tiles that are laid at random in proportion to their weights.
type Medley struct {
	Tiles []Weighted
	// Seed makes one dealing of several.
	Seed int
	// Turned and Mirrored say that tiles are also laid turned by quarters (where
	// cells are square) and mirrored.
	Turned, Mirrored bool
}

// Total is the sum of the weights.
func (m Medley) Total() int {
	total := 0
	for _, t := range m.Tiles {
		total += t.Weight
	}
	return total
}

// Check reports what keeps tiles from being dealt, in words for the designer.
func (m Medley) Check() error {
	if len(m.Tiles) > limit.MedleyTiles {
		return fmt.Errorf("a medley has at most %d tiles; this one has %d", limit.MedleyTiles, len(m.Tiles))
	}
	for _, t := range m.Tiles {
		if t.Weight < 0 || t.Weight > MaxWeight {
			return fmt.Errorf("a weight is 0 to %d; this is %d", MaxWeight, t.Weight)
		}
	}
	if m.Total() == 0 {
		return errors.New("no tile of the medley has a weight: give one more than 0")
	}
	return nil
}

// Deal chooses the cell for a place from a number that Chance makes. Square says
// that cells are square, so that tiles can be turned. It gives an empty cell if
// no tile has a weight.
func (m Medley) Deal(chance uint64, square bool) grid.Cell {
	total := uint64(m.Total())
	if total == 0 {
		return 0
	}
	// The upper half chooses the tile, the lower how it lies.
	at := (chance >> 32) * total >> 32
	var cell grid.Cell
	for _, t := range m.Tiles {
		if at < uint64(t.Weight) {
			cell = grid.Cell(t.Tile)
			break
		}
		at -= uint64(t.Weight)
	}
	lie := 0
	if m.Mirrored {
		lie = int(chance) & 3
	}
	if m.Turned && square {
		turn := int(chance>>2) & 3
		lie ^= [4]int{0, grid.Transposed | grid.MirroredX, grid.MirroredX | grid.MirroredY, grid.Transposed | grid.MirroredY}[turn]
	}
	return cell.Turned(lie)
}

// Chance mixes a seed and a place into a number that looks like chance and is
// always the same, so that the order of painting never matters (Steele, Lea and
// Flood, "Fast splittable pseudorandom number generators", 2014).
func Chance(values ...uint64) uint64 {
	var z uint64
	for _, v := range values {
		z += v + 0x9e3779b97f4a7c15
		z = (z ^ z>>30) * 0xbf58476d1ce4e5b9
		z = (z ^ z>>27) * 0x94d049bb133111eb
		z ^= z >> 31
	}
	return z
}
