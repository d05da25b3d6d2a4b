package world

import (
	"encoding/binary"
	"slices"

	"azzel/core/limit"
)

// A Legend says which tile each colour of a picture meant last, in 8 bytes for each, so
// that it can be compared: the colour, then the tile's number, 0 for an empty cell. The
// latest come first. Tiles in it may be gone.
type Legend string

// A Meaning is what one colour means.
type Meaning struct {
	Colour Colour
	Tile   int
}

// Meanings lists what the colours mean, the latest first.
func (l Legend) Meanings() []Meaning {
	list := make([]Meaning, 0, len(l)/8)
	for b := []byte(l); len(b) >= 8; b = b[8:] {
		list = append(list, Meaning{Colour(binary.BigEndian.Uint32(b)), int(binary.BigEndian.Uint32(b[4:]))})
	}
	return list
}

// With is the legend in which some colours mean something else or are new. Of more
// colours than a project may keep the oldest are forgotten.
func (l Legend) With(latest []Meaning) Legend {
	all := slices.Clone(latest)
	for _, m := range l.Meanings() {
		if !slices.ContainsFunc(latest, func(n Meaning) bool { return n.Colour == m.Colour }) {
			all = append(all, m)
		}
	}
	var b []byte
	for _, m := range all[:min(len(all), limit.LegendColours)] {
		b = binary.BigEndian.AppendUint32(b, uint32(m.Colour))
		b = binary.BigEndian.AppendUint32(b, uint32(m.Tile))
	}
	return Legend(b)
}

// Meant is the tile that a colour means, 0 for an empty cell; without ok it is not known,
// or its tile is gone.
func (d *Document) Meant(c Colour) (tile int, ok bool) {
	for _, m := range d.Project.Legend.Meanings() {
		if m.Colour == c {
			set, _ := d.TilesetOf(m.Tile)
			return m.Tile, m.Tile == 0 || set != nil
		}
	}
	return 0, false
}
