package page

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/play"
	"azzel/core/world"
)

// ActingView is how a piece acts in play, with what can be set of it.
type ActingView struct {
	Values []TermView `json:"values"`
	// Doings are what it may do, empty if there is nothing to choose; Does which it does.
	Doings []string `json:"doings"`
	Does   int      `json:"does"`
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
}

// viewActing is how a piece acts; nil if pieces of its type do not.
func viewActing(d *world.Document, p *world.Piece) *ActingView {
	if !world.Acts(p.Type) {
		return nil
	}
	a := p.Filled()
	v := &ActingView{Values: []TermView{}, Doings: []string{}, Does: int(a.Does)}
	value := func(name, label, unit string, is, per int) {
		least, most := world.ActingRange(name)
		v.Values = append(v.Values, TermView{Tries: []int{}, Name: name, Label: label, Unit: unit, Value: is, Per: per, Least: least, Most: most})
	}
	if p.Type == world.Foe || p.Type == world.MovingPlatform {
		value("speed", "Speed", "cells/s", a.Speed, 10)
	}
	switch p.Type {
	case world.Foe:
		v.Doings = world.DoingNames()
		value("range", "Sees, strays", "cells", a.Range, 1)
		value("strength", "Hurts", "health", a.Strength, 1)
	case world.MovingPlatform:
		value("range", "Width", "cells", a.Range, 1)
		value("to-x", "Goes right", "cells", a.ToX, d.Project.CellW)
		value("to-y", "Goes down", "cells", a.ToY, d.Project.CellH)
	case world.Spring:
		value("strength", "Throws", "cells", a.Strength, 10)
	case world.Hazard:
		value("strength", "Hurts", "health", a.Strength, 1)
	}
	return v
}

// path is where a piece goes to and fro, and what of it goes in a second, in pixels of the
// board; nil if it does not.
func path(d *world.Document, m *world.Map, p *world.Piece) *PathView {
	if p.Type != world.MovingPlatform || p.ToX == 0 && p.ToY == 0 {
		return nil
	}
	l := d.Project.Lattice()
	from, to := p.Foot.Add(l.Pixel(m.Origin)), p.PathTo().Add(l.Pixel(m.Origin))
	return &PathView{from.X, from.Y, to.X, to.Y, float64(p.Filled().Speed*l.W) / 10, p.Width() * l.W, l.H / 2}
}

// PathView is the way of a piece, with what it covers at its end.
type PathView struct {
	X   int `json:"x"`
	Y   int `json:"y"`
	ToX int `json:"toX"`
	ToY int `json:"toY"`
	// Second is how far it goes in a second.
	Second float64 `json:"second"`
	W      int     `json:"w"`
	H      int     `json:"h"`
}

// setActing lets a piece act otherwise.
func (p *Page) setActing(ref world.Ref, name string, value int) Changed {
	d := p.doc()
	m := d.Map(ref.Map)
	if m == nil || m.Piece(ref.ID) == nil {
		return p.Fail(world.ErrGone)
	}
	piece := m.Piece(ref.ID)
	next := *piece
	var err error
	if next.Acting, err = next.Acting.With(name, value); err != nil {
		return p.Fail(err)
	}
	return p.change(name, edit.Changes(ref, piece.Values(), next.Values()))
}

// things are the pieces that act and are near what the player sees.
func (p *Page) things(g *play.Game) []ThingView {
	d := p.doc()
	l := d.Project.Lattice()
	const margin = 4 // cells, so that nothing appears in view
	seen := g.Camera()
	seen = grid.Rect{X: seen.X - margin*l.W, Y: seen.Y - margin*l.H, W: seen.W + 2*margin*l.W, H: seen.H + 2*margin*l.H}
	list := []ThingView{}
	m := d.Map(g.Status().Map)
	origin := l.Pixel(m.Origin)
	g.Things(func(t play.Thing, cells int) {
		x, y := t.Place.X/256, t.Place.Y/256
		if x < seen.X || y < seen.Y || x >= seen.X+seen.W || y >= seen.Y+seen.H {
			return
		}
		list = append(list, ThingView{FormatID(t.ID), FormatID(t.Type), float64(t.Place.X)/256 + float64(origin.X), float64(t.Place.Y)/256 + float64(origin.Y),
			m.View == world.SideView && t.Way < 0, cells, t.Gone})
	})
	return list
}
