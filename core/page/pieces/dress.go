package pieces

import (
	"math"
	"slices"

	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/world"
)

// DressView is how the picture of a piece is seen that can be turned and stirs by itself: round its middle.
type DressView struct {
	// Size, Fade and Down are in hundredths: of its own size, of what lies behind it, and of its height, by which it lies lower. Turned is in degrees to the right.
	Size    float64 `json:"size"`
	Fade    int     `json:"fade"`
	Down    float64 `json:"down"`
	Turned  float64 `json:"turned"`
	Flipped bool    `json:"flipped"`
	// Tint is a colour such as #d07a2c, empty for none.
	Tint string `json:"tint"`
}

// Dress is how the picture of a piece is seen while it does not stir; nil if as it is.
func Dress(p *world.Piece) *DressView {
	if _, has := p.Kind().Has(props.Size); !has {
		return nil
	}
	return &DressView{Size: float64(p.Int(props.Size)), Fade: p.Int(props.Fade), Turned: float64(p.Int(props.Turned)), Flipped: p.Int(props.Flipped) != 0, Tint: world.Colour(p.Int(props.Tint)).String()}
}

// DressAt is Dress in a tick, as it stirs by then.
func DressAt(p *world.Piece, tick int) *DressView {
	v := Dress(p)
	if v == nil {
		return nil
	}
	// What stands elsewhere stirs at another time.
	part := float64(tick)/float64(p.Int(props.StirsIn)) + float64(p.Foot.X*7+p.Foot.Y*13)/97
	wave := math.Sin(part*2*math.Pi) * float64(p.Int(props.StirsBy)) / 100
	switch p.Int(props.Stirs) {
	case props.Pulses:
		v.Size *= 1 + wave
	case props.Bobs:
		v.Down = 100 * wave
	case props.Spins:
		v.Turned += 360 * part
	case props.Sways:
		v.Turned += 90 * wave
	}
	return v
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
