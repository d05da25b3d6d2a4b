package playing

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// ThingView is a piece that acts, as it is in play.
type ThingView struct {
	ID   string  `json:"id"`
	Type string  `json:"type"`
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
	// Mirrored says that it looks to the left, Cells how many cells wide it is.
	Mirrored bool `json:"mirrored"`
	Cells    int  `json:"cells"`
	Gone     bool `json:"gone"`
	// W and H are its body, Hurts says that touching it hurts.
	W     int  `json:"w"`
	H     int  `json:"h"`
	Hurts bool `json:"hurts"`
	// Who is the character that it is, empty for none; Sprite which frame of their sheet is seen, −1
	// for the built-in picture, FootX and FootY where in it the foot is.
	Who    string `json:"who"`
	Sprite int    `json:"sprite"`
	FootX  int    `json:"footX"`
	FootY  int    `json:"footY"`
	// Level is −1 for what all else stands on, 1 for what is carried overhead, else 0.
	Level int `json:"level"`
}

// dress shows a thing as the character that its piece is.
func dress(p *page.Page, v *ThingView, piece *world.Piece, t play.Thing, view world.View, tick int) {
	c := p.Doc().Character(piece.Refers(props.Who))
	if c == nil || p.Strips[c.Strip] == nil {
		return
	}
	act, facing := world.ActWalk, world.Facing(t.Heading&3)
	if view == world.SideView {
		if facing = world.East; t.Heading < 0 {
			facing = world.West
		}
	}
	if piece.Int(props.Does) == props.Stands {
		act = world.ActStand
	}
	v.Who, v.FootX, v.FootY = page.FormatID(c.ID), c.FootX, c.FootY
	if v.Sprite, v.Mirrored = c.Frame(act, facing, tick); v.Mirrored {
		v.FootX = -v.FootX
	}
}

// things are the pieces that act and are near what the player sees.
func things(p *page.Page, g *play.Game) []ThingView {
	d := p.Doc()
	l := d.Project.Lattice()
	const margin = 4 // cells, so that nothing appears in view
	seen := g.Camera()
	seen = grid.Rect{X: seen.X - margin*l.W, Y: seen.Y - margin*l.H, W: seen.W + 2*margin*l.W, H: seen.H + 2*margin*l.H}
	list := []ThingView{}
	status := g.Status()
	m := d.Map(status.Map)
	origin := l.Pixel(m.Origin)
	g.Things(func(t play.Thing, cells int, size body.Size) {
		x, y := t.Place.X/256, t.Place.Y/256
		if x < seen.X || y < seen.Y || x >= seen.X+seen.W || y >= seen.Y+seen.H {
			return
		}
		level := 0
		switch {
		case t.ID == status.Lifted:
			level = 1
		case kind.Of(t.Type).Lies && m.View == world.TopDown:
			level = -1
		}
		v := ThingView{ID: page.FormatID(t.ID), Type: page.FormatID(t.Type), X: float64(t.Place.X)/256 + float64(origin.X), Y: float64(t.Place.Y)/256 + float64(origin.Y),
			Mirrored: m.View == world.SideView && t.Heading < 0, Cells: cells, Gone: t.Gone, W: size.W, H: size.H, Hurts: kind.Of(t.Type).Hurts, Level: level, Sprite: -1}
		piece := g.PieceOf(&t)
		if piece != nil && t.ID == piece.ID && play.StartsHidden(piece) {
			return
		}
		if piece != nil && kind.Of(t.Type).Figure {
			dress(p, &v, piece, t, m.View, status.Ticks)
		}
		list = append(list, v)
	})
	return list
}
