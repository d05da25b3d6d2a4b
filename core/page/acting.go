package page

import (
	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
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

// path is the way of a piece to and fro or along its track, and what of it goes in a second, in
// pixels of the board; nil if it has none.
func path(d *world.Document, m *world.Map, p *world.Piece) *PathView {
	if !p.Kind().Goes {
		return nil
	}
	l := d.Project.Lattice()
	origin := l.Pixel(m.Origin)
	v := &PathView{Points: []int{}, Second: float64(p.Int(props.Speed)*l.W) / 10, W: p.Width() * l.W, H: l.H / 2}
	add := func(at grid.Point) { v.Points = append(v.Points, at.X+origin.X, at.Y+origin.Y) }
	add(p.Foot)
	if t := d.Track(p.Refers(props.Track)); t != nil && t.Map == m.ID {
		for _, at := range t.Points {
			add(at)
		}
		if t.Round {
			add(p.Foot)
		}
	} else if p.To() != (grid.Point{}) {
		add(p.PathTo())
	}
	if len(v.Points) == 2 {
		return nil
	}
	return v
}

// PathView is the way of a piece, with what it covers at its end.
type PathView struct {
	// Points are x and y in turns.
	Points []int `json:"points"`
	// Second is how far it goes in a second.
	Second float64 `json:"second"`
	W      int     `json:"w"`
	H      int     `json:"h"`
}

// TrailView is where a piece will be, tick by tick, in pixels of the board.
type TrailView struct {
	// Places are x and y of its foot in turns, W and H what it covers.
	Places []float64 `json:"places"`
	W      int       `json:"w"`
	H      int       `json:"h"`
	// Player is the body of the player who is in its sight, nil if it does not look for one.
	Player *BoxView `json:"player"`
}

// trailTicks is how far ahead a trail shows.
const trailTicks = 12 * play.TicksPerSecond

// Trail is where a piece will be that goes somewhere by itself, with the value that is tried, if one
// is.
func (p *Page) Trail(id world.ID) TrailView {
	v := TrailView{Places: []float64{}}
	d := p.doc()
	if p.attempt != nil {
		d = p.attempt
	}
	m, _ := d.Piece(id)
	if m == nil {
		return v
	}
	origin := d.Project.Lattice().Pixel(m.Origin)
	trail := play.TrailOf(d, m, id, trailTicks)
	v.W, v.H = trail.Size.W, trail.Size.H
	if trail.Met {
		of := trail.PlayerSize
		v.Player = &BoxView{trail.Player.X/256 - of.W/2 + origin.X, trail.Player.Y/256 - of.H + origin.Y, of.W, of.H}
	}
	for _, at := range trail.Places {
		v.Places = append(v.Places, float64(at.X)/256+float64(origin.X), float64(at.Y)/256+float64(origin.Y))
	}
	return v
}

// dress shows a thing as the character that its piece is.
func (p *Page) dress(v *ThingView, piece *world.Piece, t play.Thing, view world.View, tick int) {
	c := p.doc().Character(piece.Refers(props.Who))
	if c == nil || p.strips[c.Strip] == nil {
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
	v.Who, v.FootX, v.FootY = FormatID(c.ID), c.FootX, c.FootY
	if v.Sprite, v.Mirrored = c.Frame(act, facing, tick); v.Mirrored {
		v.FootX = -v.FootX
	}
}

// standing shows a piece that is a character as that stands there.
func (p *Page) standing(v *PieceView, piece *world.Piece, view world.View) {
	c := p.doc().Character(piece.Refers(props.Who))
	if c == nil || !piece.Kind().Figure || p.strips[c.Strip] == nil {
		return
	}
	facing := world.South
	if view == world.SideView {
		facing = world.East
	}
	if looks := piece.Int(props.Looks); looks != 0 {
		facing = world.Facing(looks - 1)
	}
	v.Who, v.FootX, v.FootY = FormatID(c.ID), c.FootX, c.FootY
	if v.Sprite, v.Mirrored = c.Frame(world.ActStand, facing, 0); v.Mirrored {
		v.FootX = -v.FootX
	}
}

func pieceRef(m, piece ID) world.Ref {
	return world.Ref{Sort: world.SortPiece, Map: world.ID(m), ID: world.ID(piece)}
}

// TryPieceField shows the trail of a piece as if a number of it were another, while that is dragged.
type TryPieceField struct {
	Map    ID     `json:"map"`
	Piece  ID     `json:"piece"`
	Field  string `json:"field"`
	Number int    `json:"number"`
}

// Do implements Order.
func (o TryPieceField) Do(p *Page) Changed {
	e, err := p.author().acted(pieceRef(o.Map, o.Piece), o.Field, o.Number, "")
	if err != nil {
		return p.Fail(err)
	}
	p.attempt = p.doc()
	if len(e.Parts) > 0 {
		res, err := edit.Apply(p.doc(), e)
		if err != nil {
			return p.Fail(err)
		}
		p.attempt = res.Document
	}
	return StateChanged
}

// SetPieceField sets a field of a piece: a number, or for a field with options the one that is chosen.
type SetPieceField struct {
	Map    ID     `json:"map"`
	Piece  ID     `json:"piece"`
	Field  string `json:"field"`
	Number int    `json:"number,omitempty"`
	Choice string `json:"choice,omitempty"`
}

// Do implements Order.
func (o SetPieceField) Do(p *Page) Changed {
	p.attempt = nil
	e, err := p.author().acted(pieceRef(o.Map, o.Piece), o.Field, o.Number, o.Choice)
	if err != nil {
		return p.Fail(err)
	}
	return p.change(o.Field, e.Parts)
}

// things are the pieces that act and are near what the player sees.
func (p *Page) things(g *play.Game) []ThingView {
	d := p.doc()
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
		v := ThingView{ID: FormatID(t.ID), Type: FormatID(t.Type), X: float64(t.Place.X)/256 + float64(origin.X), Y: float64(t.Place.Y)/256 + float64(origin.Y),
			Mirrored: m.View == world.SideView && t.Heading < 0, Cells: cells, Gone: t.Gone, W: size.W, H: size.H, Hurts: kind.Of(t.Type).Hurts, Level: level, Sprite: -1}
		piece := g.PieceOf(&t)
		if piece != nil && t.ID == piece.ID && play.StartsHidden(piece) {
			return
		}
		if piece != nil && kind.Of(t.Type).Figure {
			p.dress(&v, piece, t, m.View, status.Ticks)
		}
		list = append(list, v)
	})
	return list
}
