package playing

import (
	"slices"

	"azzel/core/appearance"
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/pieces"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/world"
)

// ThingView is a piece that acts, as it is in play.
type ThingView struct {
	ID   string `json:"id"`
	Type string `json:"type"`
	// X and Y are its foot, Spot is where its picture is drawn.
	X    float64       `json:"x"`
	Y    float64       `json:"y"`
	Spot page.SpotView `json:"spot"`
	// Mirrored says that it looks to the left, Cells how many cells wide it is, Rows how many high.
	Mirrored bool `json:"mirrored"`
	Cells    int  `json:"cells"`
	Rows     int  `json:"rows"`
	Gone     bool `json:"gone"`
	// Body is its body, Hurts says that touching it hurts.
	Body  page.BodyView `json:"body"`
	Hurts bool          `json:"hurts"`
	// Who is the character that it is, empty for none; Sprite which frame of their sheet is seen, −1 for the built-in picture.
	Who    string `json:"who"`
	Sprite int    `json:"sprite"`
	// Picture is which of its built-in pictures is seen.
	Picture int `json:"picture"`
	// Seen is the picture of its own as which it is seen, in the place of that; nil if it has none.
	Seen *pieces.SeenView `json:"seen"`
	// Carried says that it is carried overhead.
	Carried bool `json:"carried"`
}

// dress shows a thing as the character that its piece is, and says where in the picture the foot is.
func dress(p *page.Page, v *ThingView, piece *world.Piece, t play.Thing, view world.View, tick int) (foot grid.Point) {
	c := p.Doc().Character(piece.Refers(props.Who))
	if c == nil || p.Strips[c.Strip] == nil {
		return foot
	}
	act, facing := doing(p, piece, t, view)
	v.Who = page.FormatID(c.ID)
	v.Sprite, v.Mirrored = c.Frame(act, facing, tick)
	return c.Foot(v.Mirrored)
}

// doing is what somebody is seen doing who goes by themselves, and to which side they look.
func doing(p *page.Page, piece *world.Piece, t play.Thing, view world.View) (act world.Act, facing world.Facing) {
	act, facing = world.ActWalk, world.Facing(t.Heading&3)
	if view == world.SideView {
		if facing = world.East; t.Heading < 0 {
			facing = world.West
		}
	}
	if props.Doing(piece.Kind(), piece.All()) == props.Stands {
		act = world.ActStand
	}
	if is, posed := p.Played.Game().Posed(piece.ID); posed {
		act = is
	}
	return act, facing
}

// appear shows a thing as the picture of its own that it has for its state and the side to which it looks, and says where in that its foot is; own is false if it has none.
func appear(p *page.Page, v *ThingView, piece *world.Piece, t play.Thing, view world.View, tick int) (foot grid.Point, own bool) {
	s := sightOf(p.Played.Game(), piece, view, tick)
	if s.Facing = piece.Kind().Faces; s.Facing {
		s.Act, s.Side = doing(p, piece, t, view)
	}
	is := pieces.Seen(p, piece, s)
	switch {
	case is.Who != nil:
		v.Who, v.Sprite = page.FormatID(is.Who.ID), is.Frame
	case is.View != nil:
		v.Seen = is.View
	default:
		return foot, false
	}
	v.Mirrored = is.Mirrored
	return is.Foot, true
}

// sightOf is in which state a piece is seen now.
func sightOf(g *play.Game, piece *world.Piece, view world.View, tick int) pieces.Sight {
	s := pieces.Sight{View: view, Side: world.South, Act: world.ActStand, Tick: tick}
	if view == world.SideView {
		s.Side = world.East
	}
	s.State, _ = g.Asked(0).State(piece.ID)
	power, _ := g.Asked(0).Power(piece.ID)
	s.Off = power == kind.Off
	return s
}

// A StillView is how a piece is seen that does not act, has pictures of its own, or is there to be seen alone.
type StillView struct {
	ID     string           `json:"id"`
	Spot   page.SpotView    `json:"spot"`
	Seen   *pieces.SeenView `json:"seen"`
	Who    string           `json:"who"`
	Sprite int              `json:"sprite"`
	// Dress is how that is seen now; nil for as it is.
	Dress *pieces.DressView `json:"dress"`
}

// still are the pieces that do not act and have pictures of their own, or are there to be seen alone, near what the player sees. The others are seen as at first.
func still(p *page.Page, g *play.Game, tick int) []StillView {
	d := p.Doc()
	if p.StillOf != d {
		p.StillOf, p.Stills = d, nil
		for _, m := range d.Maps {
			for _, piece := range m.Pieces {
				if appearance.Has(piece.All()) || piece.Kind().Adorns() {
					p.Stills = append(p.Stills, page.Still{Map: m, Piece: piece})
				}
			}
		}
	}
	list := []StillView{}
	cast := g.CastMaps()
	const margin = 8 // cells, for what is larger than its cell
	l := d.Project.Lattice()
	near := g.Camera().Move(l.Pixel(d.Map(g.Status().Map).Origin))
	near = grid.Rect{X: near.X - margin*l.W, Y: near.Y - margin*l.H, W: near.W + 2*margin*l.W, H: near.H + 2*margin*l.H}
	for _, s := range p.Stills {
		m, piece := s.Map, s.Piece
		if piece.Kind().Acts && slices.Contains(cast, m.ID) {
			continue
		}
		foot := piece.Foot.Add(l.Pixel(m.Origin))
		if !near.Has(foot) {
			continue
		}
		is := pieces.Seen(p, piece, sightOf(g, piece, m.View, tick))
		v := StillView{ID: page.FormatID(piece.ID), Spot: pieces.SpotOn(m, piece, foot, is.Foot), Seen: is.View, Dress: pieces.DressAt(piece, tick)}
		if is.Who != nil {
			v.Who, v.Sprite = page.FormatID(is.Who.ID), is.Frame
		}
		list = append(list, v)
	}
	return list
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
		level := pieces.LevelOf(kind.Of(t.Type), m.View)
		state := stateOf(g, kind.Of(t.Type), t.ID)
		switch {
		case t.ID == status.Lifted:
			level = page.LevelOverhead
		case state >= 0 && kind.Of(t.Type).States[state].Flat && m.View == world.TopDown:
			level = page.LevelGround
		}
		v := ThingView{ID: page.FormatID(t.ID), Type: page.FormatID(t.Type), X: float64(t.Place.X)/256 + float64(origin.X), Y: float64(t.Place.Y)/256 + float64(origin.Y),
			Mirrored: m.View == world.SideView && t.Heading < 0, Cells: cells, Rows: 1, Gone: t.Gone, Hurts: kind.Of(t.Type).Hurts, Carried: t.ID == status.Lifted, Sprite: -1}
		v.Picture = pictureOf(kind.Of(t.Type), state, m.View)
		v.Body = page.Body(v.X, v.Y, size.W, size.H)
		piece := g.PieceOf(&t)
		if piece != nil && t.ID == piece.ID && g.Hidden(piece) {
			return
		}
		if piece != nil && t.ID == piece.ID {
			v.Rows = piece.Height()
		}
		var foot grid.Point
		own := false
		if piece != nil && t.ID == piece.ID && piece.All() != "" {
			foot, own = appear(p, &v, piece, t, m.View, status.Ticks)
		}
		if piece != nil && !own && kind.Of(t.Type).Figure {
			foot = dress(p, &v, piece, t, m.View, status.Ticks)
		}
		v.Spot = page.Spot(v.X, v.Y, foot, level)
		list = append(list, v)
	})
	return list
}

// stateOf is which of the states of its kind a thing is in, by its place among them; -1 if it has none.
func stateOf(g *play.Game, k *kind.Kind, id world.ID) int {
	if len(k.States) == 0 {
		return -1
	}
	number, _ := g.Asked(0).State(id)
	return slices.IndexFunc(k.States, func(s *kind.State) bool { return s.Number == number })
}

// pictureOf is which of its built-in pictures is seen of a thing: that of its state, if there is one, else that for the view.
func pictureOf(k *kind.Kind, state int, view world.View) int {
	if state >= 0 && k.States[state].Picture != nil {
		return picture.OfState + state
	}
	if view == world.TopDown {
		return picture.Other
	}
	return picture.AtFirst
}
