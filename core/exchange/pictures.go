package exchange

import (
	"azzel/core/appearance"
	"azzel/core/kind"
	"azzel/core/world"
)

// names says what a picture of a piece shows.
func (b *writer) names() appearance.Names {
	return appearance.Names{Tile: b.doc.ShortName, Who: idText, Acts: world.ActNames[:], Left: func(tile int) bool {
		t, _ := b.doc.TilesetOf(tile)
		return t == nil
	}}
}

// names finds what a picture of a piece shows.
func (b *reader) names() appearance.Names {
	return appearance.Names{Find: b.find, Parse: func(s string) (kind.ID, error) { return parseID(s) }, Acts: world.ActNames[:]}
}
