package page

import (
	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/play"
	"azzel/core/world"
)

// ActingView is how a piece acts in play, with what can be set of it.
type ActingView struct {
	Values  []TermView   `json:"values"`
	Choices []ChoiceView `json:"choices"`
	// Moves says that it goes somewhere by itself, so that it has a trail; Tracked that it follows
	// a track, which can be led on.
	Moves   bool `json:"moves"`
	Tracked bool `json:"tracked"`
}

// ChoiceView is one of some things that can be chosen.
type ChoiceView struct {
	Name    string   `json:"name"`
	Label   string   `json:"label"`
	Options []string `json:"options"`
	Is      int      `json:"is"`
}

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

// viewActing is how a piece acts; nil if nothing can be set of that.
func viewActing(d *world.Document, m *world.Map, p *world.Piece) *ActingView {
	if !world.Acts(p.Type) && itemVerb(p.Type) == "" {
		return nil
	}
	a := p.Filled()
	v := &ActingView{Values: []TermView{}, Choices: []ChoiceView{}}
	value := v.valuesOf(m, p)
	choice := func(name, label string, is int, options ...string) {
		v.Choices = append(v.Choices, ChoiceView{name, label, options, is})
	}
	odds := func(which ...int) {
		for _, i := range which {
			value(world.OddsTerm(i), "Weight of "+world.OddsNames[i], "", a.Odds[i], 1, 10)
		}
	}
	moving := func() {
		choice("does", "What it does", int(a.Does), world.DoingNames()...)
		value("speed", "Speed", "cells/s", a.Speed, 10, 120)
		value("range", "Sees, strays", "cells", a.Range, 1, 20)
		value("strength", "Hurts", "health", a.Strength, 1, 10)
		value("bears", "Bears", "hits", a.Bears, 1, 10)
		value("every", "Shoots every", "s", p.Every, play.TicksPerSecond, 300)
		if p.Every > 0 {
			value("shot", "Shots fly", "cells/s", a.Shot, 10, 200)
		}
		choice("looks", "Looks", a.Looks, "where it goes", "south", "west", "east", "north")
	}
	switch p.Type {
	case world.Collectible, world.Exit:
		v.item(d, p, value)
	case world.Foe:
		moving()
		v.who(d, p)
		v.tracks(d, m, p)
		v.areas(d, m, p)
		v.Moves = a.Does != world.Stands
	case world.MovingPlatform:
		value("speed", "Speed", "cells/s", a.Speed, 10, 120)
		value("range", "Width", "cells", a.Range, 1, 12)
		value("rest", "Rests", "s", a.Rest, play.TicksPerSecond, 300)
		v.tracks(d, m, p)
		if !v.Tracked {
			value("to-x", "Goes right", "cells", a.ToX, d.Project.CellW, 12*d.Project.CellW)
			value("to-y", "Goes down", "cells", a.ToY, d.Project.CellH, 12*d.Project.CellH)
		}
		v.Moves = true
	case world.Spring:
		value("strength", "Throws", "cells", a.Strength, 10, 120)
	case world.Hazard:
		value("strength", "Hurts", "health", a.Strength, 1, 10)
	case world.Breakable:
		value("bears", "Bears", "hits", a.Bears, 1, 10)
	case world.Emitter:
		odds(world.OddsNothing, world.OddsCollectible, world.OddsFoe, world.OddsHazard, world.OddsPushable)
		value("every", "Every", "s", a.Every, play.TicksPerSecond, 600)
		value("most", "At most", "at once", a.Most, 1, 12)
		choice("does", "Foes here", int(a.Does), world.DoingNames()...)
		value("speed", "Their speed", "cells/s", a.Speed, 10, 120)
		value("strength", "Hurt", "health", a.Strength, 1, 10)
		v.listed(d, "who", "Foes are", "nobody in particular", world.SortCharacter, charactersOf(d), p.Who)
		v.areas(d, m, p)
		v.item(d, p, value)
	case world.Lottery:
		odds(world.OddsNothing, world.OddsCollectible, world.OddsFoe, world.OddsHazard, world.OddsPushable)
		choice("does", "A foe", int(a.Does), world.DoingNames()...)
		v.item(d, p, value)
	}
	return v
}

// valuesOf adds values that can be set of a piece.
func (v *ActingView) valuesOf(m *world.Map, p *world.Piece) func(name, label, unit string, is, per, reach int) {
	return func(name, label, unit string, is, per, reach int) {
		least, most := world.ActingRange(name)
		v.Values = append(v.Values, TermView{Name: name, Label: label, Unit: unit, Value: is, Per: per, Least: least, Most: most, Reach: min(max(reach, is), most)})
		last := &v.Values[len(v.Values)-1]
		last.Tries, last.Trial = around(*last), PieceTerm(world.Ref{Map: m.ID, ID: p.ID}, name)
	}
}

// listed lets one of some things be chosen, or none of them; it reports whether one is.
func (v *ActingView) listed(d *world.Document, name, label, none string, kind world.Sort, ids []world.ID, chosen world.ID) bool {
	c := ChoiceView{Name: name, Label: label, Options: []string{none}}
	for i, id := range ids {
		c.Options = append(c.Options, hand.Name(d, world.Ref{Sort: kind, ID: id}))
		if id == chosen {
			c.Is = i + 1
		}
	}
	v.Choices = append(v.Choices, c)
	return c.Is > 0
}

// who lets a character be chosen that the piece is.
func (v *ActingView) who(d *world.Document, p *world.Piece) {
	v.listed(d, "who", "Is", "nobody in particular", world.SortCharacter, charactersOf(d), p.Who)
}

// tracks lets a track of the map be chosen.
func (v *ActingView) tracks(d *world.Document, m *world.Map, p *world.Piece) {
	v.Tracked = v.listed(d, "track", "Track", "none", world.SortTrack, tracksOf(d, m), p.Track)
}

// areas lets an area of the map be chosen.
func (v *ActingView) areas(d *world.Document, m *world.Map, p *world.Piece) {
	v.listed(d, "area", "Stays in", "its range", world.SortArea, areasOf(d, m), p.Area)
}

// path is the way of a piece to and fro or along its track, and what of it goes in a second, in
// pixels of the board; nil if it has none.
func path(d *world.Document, m *world.Map, p *world.Piece) *PathView {
	if p.Type != world.MovingPlatform && p.Type != world.Foe {
		return nil
	}
	l := d.Project.Lattice()
	origin := l.Pixel(m.Origin)
	v := &PathView{Points: []int{}, Second: float64(p.Filled().Speed*l.W) / 10, W: p.Width() * l.W, H: l.H / 2}
	add := func(at grid.Point) { v.Points = append(v.Points, at.X+origin.X, at.Y+origin.Y) }
	add(p.Foot)
	if t := d.Track(p.Track); t != nil && t.Map == m.ID {
		for _, at := range t.Points {
			add(at)
		}
		if t.Round {
			add(p.Foot)
		}
	} else if p.Type == world.MovingPlatform && (p.ToX != 0 || p.ToY != 0) {
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
	c := p.doc().Character(piece.Who)
	if c == nil || p.strips[c.Strip] == nil {
		return
	}
	act, facing := world.ActWalk, world.Facing(t.Heading&3)
	if view == world.SideView {
		if facing = world.East; t.Heading < 0 {
			facing = world.West
		}
	}
	if piece.Filled().Does == world.Stands {
		act = world.ActStand
	}
	v.Who, v.FootX, v.FootY = FormatID(c.ID), c.FootX, c.FootY
	if v.Sprite, v.Mirrored = c.Frame(act, facing, tick); v.Mirrored {
		v.FootX = -v.FootX
	}
}

// standing shows a piece that is a character as that stands there.
func (p *Page) standing(v *PieceView, piece *world.Piece, view world.View) {
	c := p.doc().Character(piece.Who)
	if c == nil || piece.Type != world.Foe || p.strips[c.Strip] == nil {
		return
	}
	facing := world.South
	if view == world.SideView {
		facing = world.East
	}
	if piece.Looks != 0 {
		facing = world.Facing(piece.Looks - 1)
	}
	v.Who, v.FootX, v.FootY = FormatID(c.ID), c.FootX, c.FootY
	if v.Sprite, v.Mirrored = c.Frame(world.ActStand, facing, 0); v.Mirrored {
		v.FootX = -v.FootX
	}
}

// acted is the edit that lets a piece act otherwise. What is chosen among tracks or areas is a number
// of those of its map, from 1 on.
func (a author) acted(ref world.Ref, name string, value int) (edit.Edit, error) {
	d := a.d
	m := d.Map(ref.Map)
	if m == nil || m.Piece(ref.ID) == nil {
		return edit.Edit{}, world.ErrGone
	}
	piece := m.Piece(ref.ID)
	next := *piece
	var err error
	var before []edit.Part
	switch name {
	case "item":
		if next.Item = chosen(itemsOf(d), value); value == len(d.Items)+1 {
			id, put := a.newItem(piece.Name)
			next.Item, before = id, []edit.Part{put}
		}
	case "sets":
		before = a.setsChosen(&next, value)
	case "while":
		before = a.whileChosen(&next, value)
	case "not":
		next.While.Not = value != 0
	case "who":
		next.Who = chosen(charactersOf(d), value)
	case "track":
		next.Track = chosen(tracksOf(d, m), value)
	case "area":
		next.Area = chosen(areasOf(d, m), value)
	default:
		next.Acting, err = next.Acting.With(name, value)
		l := d.Project.Lattice()
		if c := l.CellAt(piece.Foot); piece.Foot == m.FootFor(l, piece, c) {
			// It covers whole cells, and still does when it is wider.
			next.Foot = m.FootFor(l, &next, c)
		}
	}
	return edit.Edit{Label: "change " + name, Parts: append(before, edit.Changes(ref, piece.Values(), next.Values())...)}, err
}

// chosen is number n of some things, from 1 on; 0 for none.
func chosen(ids []world.ID, n int) world.ID {
	if n < 1 || n > len(ids) {
		return 0
	}
	return ids[n-1]
}

// tryActing shows the trail of a piece as if it acted otherwise, while a value is dragged.
func (p *Page) tryActing(ref world.Ref, name string, value int) Changed {
	e, err := p.author().acted(ref, name, value)
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

// setActing lets a piece act otherwise.
func (p *Page) setActing(ref world.Ref, name string, value int) Changed {
	p.attempt = nil
	e, err := p.author().acted(ref, name, value)
	if err != nil {
		return p.Fail(err)
	}
	return p.change(name, e.Parts)
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
		case t.Type == world.MovingPlatform && m.View == world.TopDown:
			level = -1
		}
		v := ThingView{ID: FormatID(t.ID), Type: FormatID(t.Type), X: float64(t.Place.X)/256 + float64(origin.X), Y: float64(t.Place.Y)/256 + float64(origin.Y),
			Mirrored: m.View == world.SideView && t.Heading < 0, Cells: cells, Gone: t.Gone, W: size.W, H: size.H, Hurts: t.Type == world.Foe || t.Type == world.Hazard, Level: level, Sprite: -1}
		if piece := m.Piece(t.Piece()); piece != nil && t.Type == world.Foe {
			p.dress(&v, piece, t, m.View, status.Ticks)
		}
		list = append(list, v)
	})
	return list
}
