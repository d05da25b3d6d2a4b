package pieces

import (
	"slices"

	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/world"
)

// DressView is how the picture of a piece is seen that can be turned and stirs by itself: round its middle.
type DressView struct {
	// Size and Fade are in hundredths, Turned in degrees to the right.
	Size    int  `json:"size"`
	Fade    int  `json:"fade"`
	Turned  int  `json:"turned"`
	Flipped bool `json:"flipped"`
	// Tint is a colour such as #d07a2c, empty for none.
	Tint string `json:"tint"`
	// Stirs is how it moves by itself, by its number, By by how many hundredths, Round in how many ticks once.
	Stirs int `json:"stirs"`
	By    int `json:"by"`
	Round int `json:"round"`
}

// Dress is how the picture of a piece is seen; nil if as it is.
func Dress(p *world.Piece) *DressView {
	if _, has := p.Kind().Has(props.Size); !has {
		return nil
	}
	return &DressView{p.Int(props.Size), p.Int(props.Fade), p.Int(props.Turned), p.Int(props.Flipped) != 0, world.Colour(p.Int(props.Tint)).String(),
		p.Int(props.Stirs), p.Int(props.StirsBy), p.Int(props.StirsIn)}
}

// Over reports whether a piece that is there to be seen alone lies before all that is on its map, by its layer.
func Over(m *world.Map, p *world.Piece) bool {
	return p.Kind().Adorns() && depth(m, p) > 0
}

// SpotOn is where the picture of a piece is drawn that does not move and whose foot is at a pixel of the board, if that is in the picture at at.
func SpotOn(m *world.Map, p *world.Piece, foot, at grid.Point) page.SpotView {
	// The foot is a pixel of the ground, the lower edge of a picture the end of it.
	return page.Spot(float64(foot.X), float64(foot.Y+1), at, levelOn(m, p))
}

// levelOn is at which level a piece stands: one that is there to be seen alone and lies on a layer behind that of the player has all else on it.
func levelOn(m *world.Map, p *world.Piece) int {
	if p.Kind().Adorns() && depth(m, p) < 0 {
		return page.LevelGround
	}
	return LevelOf(p.Kind(), m.View)
}

// depth is how many layers before that of the player a piece lies, below 0 behind it.
func depth(m *world.Map, p *world.Piece) int {
	at := func(id world.ID) int {
		return slices.IndexFunc(m.Layers, func(l *world.Layer) bool { return l.ID == id })
	}
	return at(p.Layer) - at(m.PlayerLayer)
}
